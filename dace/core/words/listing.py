"""Several things in a row, as one says them."""

from __future__ import annotations

from collections.abc import Sequence


def listed(words: Sequence[str]) -> str:
    """A row with "and" before the last.

    >>> listed(["a can"]), listed(["two cans", "a flush", "a look"])
    ('a can', 'two cans, a flush and a look')
    """
    return " and ".join(part for part in (", ".join(words[:-1]), *words[-1:]) if part)
