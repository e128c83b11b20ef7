"""Jars as the core knows them."""

from __future__ import annotations

import uuid
from collections.abc import Sequence
from dataclasses import replace

from dace.core.api import (
    TEASPOON_ML,
    Composition,
    Content,
    Label,
    RecipeItem,
    Source,
    brew_tokens,
    composition,
    composition_of_bottle,
    content_of_feed,
    dissolving,
    filled_in,
    material,
)
from dace.shelf.bottles import contents_now, contents_of, read_since
from dace.shelf.models import Jar
from dace.shelf.recipes import ingredients_of


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


def whole_label_of(jar: Jar) -> Label:
    """A stored label, its blank cells from what it is made of where that is known."""
    label = label_of(jar)
    return filled_in(label, material(jar.material)) if jar.material else label


def whole_of(jar: Jar) -> Composition:
    """Everything that is in a stored jar, what does not dissolve at once too."""
    if jar.contents is not None:
        return composition_of(jar)
    return composition(whole_label_of(jar))


def composition_of(jar: Jar) -> Composition:
    """What a stored jar brings into a can: by its label, or as estimated when it was strained."""
    if jar.contents is not None:
        return composition_of_bottle(contents_of(jar.contents), jar.name)
    label = whole_label_of(jar)
    return composition(dissolving(label, material(jar.material)) if jar.material else label)


def compositions_now(jars: Sequence[Jar]) -> dict[uuid.UUID, Composition]:
    """What would be poured from each today: readings of a bottle since count; one query."""
    read = read_since(jars)
    return {
        jar.pk: composition_of_bottle(contents_now(jar, read[jar.pk]), jar.name)
        if jar.pk in read
        else composition_of(jar)
        for jar in jars
    }


def composition_now(jar: Jar) -> Composition:
    """What would be poured from one today; one query for a bottle."""
    return compositions_now([jar])[jar.pk]


def content_of(jar: Jar) -> Content:
    """What a g or mL of a stored jar brings, at once and later."""
    if jar.contents is not None:
        return content_of_feed(composition_now(jar), jar.slow)
    like = material(jar.material) if jar.material else None
    if like is not None and jar.season_n is not None:
        mineral = min(like.n_mineral_share, jar.season_n)
        like = replace(like, first_season_n=jar.season_n, n_mineral_share=mineral)
    return content_of_feed(whole_of(jar), jar.slow, like)


def g_per_ml(jar: Jar) -> float | None:
    """How heavy a dry feed lies [g/mL]: as a level teaspoon weighed, or as its material does."""
    if jar.spoon_g:
        return jar.spoon_g / TEASPOON_ML
    return material(jar.material).density_g_per_ml if jar.material else None


def source_of(jar: Jar, feed: Composition, stock: float) -> Source:
    """A jar as the core takes it: what is in it, what is left, and what names it."""
    return Source(
        key=str(jar.pk),
        name=jar.name,
        feed=feed,
        stock=stock,
        tokens=tokens_of(jar),
        dissolves=jar.dissolves,
        content=None if jar.dissolves else content_of(jar),
        keeps_until=jar.use_by,
        g_per_ml=g_per_ml(jar),
        price=None if jar.price is None else jar.price / jar.holds,
    )


def solids_of(jar: Jar) -> tuple[RecipeItem, ...]:
    """What a bottle's brew was made of; nothing for a bought feed."""
    return ingredients_of(tuple(jar.brew.ingredients)) if jar.brew is not None else ()


_BOUGHT = frozenset({"family:mineral_salt"})
"""A bought feed that says no more of itself is made of salts."""


def tokens_of(jar: Jar) -> frozenset[str]:
    """What rules may name a stored jar by."""
    if jar.brew is not None:
        return brew_tokens(jar.brew.method, [item["material"] for item in jar.brew.ingredients])
    if jar.tokens:
        return frozenset(jar.tokens)
    if jar.material:
        return material(jar.material).tokens
    organic = (jar.nitrogen or {}).get("organic", 0.0)
    return frozenset() if organic > 0 else _BOUGHT
