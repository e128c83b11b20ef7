"""Names by which tables speak of things: ``key:``, ``family:``, ``method:``, ``holds:``."""

from __future__ import annotations

import re
from collections.abc import Collection
from functools import cache

from dace.core.errors import FigureError
from dace.core.figures import load_table

_HELD = ("ammonium", "calcium", "phosphate", "sulfate")
_ROUTES = ("drench", "dressing", "foliar")
_HEAPS = ("raw", "suspect", "hot")
"""What a heap of one's own may still be when it is emptied."""


@cache
def _known() -> frozenset[str]:
    made_of = load_table("materials")
    return frozenset(
        {
            "all",
            "water:chlorinated",
            *(f"key:{row.text('key')}" for row in made_of),
            *(f"family:{row.text('family')}" for row in made_of),
            *(f"method:{row.text('key')}" for row in load_table("methods")),
            *(f"holds:{one}" for one in _HELD),
            *(f"route:{one}" for one in _ROUTES),
            *(f"heap:{one}" for one in _HEAPS),
        }
    )


def resolved(expression: str, where: str) -> str:
    """An expression of a table, once each of its tokens is known to name something.

    Raises
    ------
    FigureError
        Naming where it stands and the token.

    Examples
    --------
    >>> resolved("method:ash_lye;family:acid", "clashes")
    'method:ash_lye;family:acid'
    """
    for token in re.split(r"[;+]", expression):
        if token.strip() and token.strip().split(" ")[0] not in _known():
            raise FigureError(where, f"“{token.strip()}”", "a key, family, method or route")
    return expression


def matches(expression: str, tokens: Collection[str]) -> bool:
    """Whether tokens meet an expression: ``;`` is any of, ``+`` is all of, ``all`` is always.

    >>> matches("key:urea;family:fish", {"family:fish"})
    True
    >>> matches("route:foliar+family:manure", {"family:manure"})
    False
    """
    if expression.startswith("all"):
        return True
    return any(
        all(part.strip() in tokens for part in choice.split("+"))
        for choice in expression.split(";")
        if choice.strip()
    )
