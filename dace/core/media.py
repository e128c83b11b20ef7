"""What a bed, pot or tray is filled with."""

from __future__ import annotations

from dataclasses import dataclass
from functools import cache

from dace.core.errors import DaceError
from dace.core.figures import Range, load_table, source_words


@dataclass(frozen=True)
class Medium:
    """A medium: the share of its volume that holds water after draining, and its acidity."""

    key: str
    name: str
    kind: str
    holding: Range
    ph_low: float
    ph_high: float
    confidence: str
    source: str


@cache
def media() -> dict[str, Medium]:
    """All media by key, in the order of the table.

    Returns
    -------
    dict of str to Medium
        Eleven media.

    Examples
    --------
    >>> media()["peat_free_mix"].holding.typ
    0.5
    """
    return {
        row.text("key"): Medium(
            row.text("key"),
            row.text("name"),
            row.text("kind"),
            row.range("holding"),
            row.number("ph_low"),
            row.number("ph_high"),
            row.text("confidence"),
            source_words(row.text("source_family")),
        )
        for row in load_table("media")
    }


def medium(key: str) -> Medium:
    """One medium by key; an unknown key is a ``DaceError`` on field ``medium``."""
    try:
        return media()[key]
    except KeyError:
        raise DaceError("medium", f"“{key}”", f"one of {', '.join(media())} would do") from None
