"""Names by which tables speak of things: ``key:``, ``family:``, ``method:``, ``holds:``."""

from __future__ import annotations

from collections.abc import Collection


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
