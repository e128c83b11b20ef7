"""The calculators of ``python -m dace.core``: plain JSON in, plain JSON out."""

from dace.core.shell.calculators import CALCULATORS

__all__ = ["CALCULATORS"]
