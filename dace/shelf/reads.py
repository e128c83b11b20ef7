"""Jars as the core knows them."""

from __future__ import annotations

from typing import Any

from dace.core.api import (
    BottleContents,
    Composition,
    Content,
    Label,
    Range,
    brew_tokens,
    composition,
    composition_of_bottle,
    content_of_feed,
    material,
)
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
    """What is in a stored jar: by its label, or as it was estimated when it was bottled."""
    if jar.contents is not None:
        return composition_of_bottle(contents_of(jar.contents), jar.name)
    return composition(label_of(jar))


def contents_of(kept: dict[str, Any]) -> BottleContents:
    """A stored bottle's figures as the core knows them."""
    low, high = kept["ec_spread"]
    ec = kept["ec_ms_cm"]
    return BottleContents(
        mg=tuple(sorted(kept["mg"].items())),
        acetate_mg=kept["acetate_mg"],
        spreads=tuple((n, Range(ends[0], 1.0, ends[1])) for n, ends in kept["spreads"].items()),
        ec_spread=Range(low, 1.0, high),
        ec_ms_cm=(ec[0], ec[1], ec[2]),
    )


def content_of(jar: Jar) -> Content:
    """What a g or mL of a stored jar brings, at once and later."""
    like = material(jar.material) if jar.material else None
    return content_of_feed(composition_of(jar), jar.slow, like)


def tokens_of(jar: Jar) -> frozenset[str]:
    """What rules may name a stored jar by."""
    if jar.brew is not None:
        return brew_tokens(jar.brew.method, [item["material"] for item in jar.brew.ingredients])
    return material(jar.material).tokens if jar.material else frozenset()
