"""How liquids are made at home, and what that makes of them: the one table that says so."""

from __future__ import annotations

from collections.abc import Collection
from dataclasses import dataclass
from functools import cache

from dace.core.figures import load_table

ACID = "family:acid"
"""Token of vinegar and other acids, which are sour by themselves."""


@dataclass(frozen=True)
class Nature:
    """What a method makes of a liquid.

    ``sour`` is below pH 5, ``caustic`` above 10; ``living`` things in it are meant to be there.
    """

    key: str
    sour: bool
    caustic: bool
    living: bool


@cache
def natures() -> dict[str, Nature]:
    """Every method by key.

    Examples
    --------
    >>> natures()["lactic_ferment"].sour, natures()["ash_lye"].caustic
    (True, True)
    """
    flags = ("sour", "caustic", "living")
    return {
        row.text("key"): Nature(row.text("key"), *(row.text(flag) == "yes" for flag in flags))
        for row in load_table("methods")
    }


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
