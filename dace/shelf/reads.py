"""Jars as the core knows them."""

from __future__ import annotations

from dace.core.api import Composition, Label, composition
from dace.shelf.models import Jar


def label_of(jar: Jar) -> Label:
    """A stored label as the core knows it."""
    nitrogen = None if jar.nitrogen is None else tuple(sorted(jar.nitrogen.items()))
    return Label(
        jar.n_percent,
        jar.p_percent,
        jar.k_percent,
        basis=jar.basis,
        percent=jar.percent,
        form=jar.form,
        density_g_per_ml=jar.density_g_per_ml,
        nitrogen=nitrogen,
        also=tuple(sorted(jar.also.items())),
        rate_per_l=jar.rate_per_l,
    )


def composition_of(jar: Jar) -> Composition:
    """What is in a stored jar."""
    return composition(label_of(jar))
