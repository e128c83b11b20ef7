"""A door to the ion model, under the name by which others call it."""

from dace.core.matter.conductivity import ec_25

__all__ = ["ec_25"]
