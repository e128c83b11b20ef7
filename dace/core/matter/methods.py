"""How liquids are made at home, and what that makes of them: the one table that says so."""

from __future__ import annotations

from collections.abc import Collection
from dataclasses import dataclass
from functools import cache
from typing import Literal, cast

from dace.core.errors import FigureError
from dace.core.figures import Row, load_table

ACID = "family:acid"
"""Token of vinegar and other acids, which are sour by themselves."""


@dataclass(frozen=True)
class Nature:
    """A way to make a liquid, and what it makes of it.

    ``verb`` is what happens to what is in it, ``steps`` are (kind, words, every so many days; 0
    is once, on the day that it is ready), ``off_signs`` how one tells that it went off.
    ``liquid`` is ``water``, ``vinegar`` or, where its own juice is drawn, ``sugar``. ``sour`` is
    below pH 5, ``caustic`` above 10; ``living`` things in it are meant to be there; ``hot`` ones
    know no warmth of the day; ``frees_shell`` is whether its acid frees shell,
    ``uses_up_air`` whether it keeps for hours only. ``extraction`` is the
    class, method and nutrient of the row that speaks of it in that table.
    """

    key: str
    name: str
    verb: str
    steps: tuple[tuple[str, str, int], ...]
    off_signs: str
    liquid: Literal["water", "vinegar", "sugar"]
    sour: bool
    caustic: bool
    living: bool
    hot: bool
    airless: bool
    frees_shell: bool
    uses_up_air: bool
    extraction: tuple[str, str, str]


_STRAIN = ("strain", "strain it; solids to the heap", 0)
_FLAGS = ("sour", "caustic", "living", "hot", "airless", "frees_shell", "uses_up_air")
_LIQUIDS = ("water", "vinegar", "sugar")


@cache
def natures() -> dict[str, Nature]:
    """Every method by key, in the order in which they are offered.

    Examples
    --------
    >>> natures()["lactic_ferment"].sour, natures()["ash_lye"].caustic
    (True, True)
    """
    return {row.text("key"): _nature(row) for row in load_table("methods")}


def _nature(row: Row) -> Nature:
    liquid = row.text("liquid")
    if liquid not in _LIQUIDS:
        raise FigureError(f"methods.csv, {row.text('key')}", liquid, f"use {', '.join(_LIQUIDS)}")
    return Nature(
        key=row.text("key"),
        name=row.text("name"),
        verb=row.text("verb"),
        steps=_steps(row.text("steps")),
        off_signs=row.text("off_signs"),
        liquid=cast(Literal["water", "vinegar", "sugar"], liquid),
        extraction=(
            row.text("extraction_class"),
            row.text("extraction_method"),
            row.text("extraction_nutrient"),
        ),
        **{flag: row.text(flag) == "yes" for flag in _FLAGS},
    )


@cache
def acid_method() -> str:
    """The key of the method whose row tells what acid dissolves."""
    return next(key for key, nature in natures().items() if nature.liquid == "vinegar")


def _steps(cell: str) -> tuple[tuple[str, str, int], ...]:
    """Of ``stir:stir it:1``, and the straining that ends every method."""
    if not cell:
        return (_STRAIN,)
    kind, words, days = cell.split(":")
    return (kind, words, int(days)), _STRAIN


def is_sour(tokens: Collection[str]) -> bool:
    """Whether something with these tokens is sour.

    >>> is_sour({"method:lactic_ferment"}), is_sour({"family:acid"}), is_sour({"key:urea"})
    (True, True, False)
    """
    return ACID in tokens or any(natures()[key].sour for key in methods_in(tokens))


def methods_in(tokens: Collection[str]) -> list[str]:
    """Keys of the methods among some tokens; nothing for what was not made at home."""
    named = (token.removeprefix("method:") for token in tokens if token.startswith("method:"))
    return [key for key in named if key in natures()]
