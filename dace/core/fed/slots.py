"""Numbers of what is given at a stop: the first, the second, whatever its rhythm was or becomes."""

from __future__ import annotations

from datetime import date

from dace.core.rootzone.records import RootZone


def next_number(root: RootZone, today: date, kind: str) -> int:
    """The number that the next feed, dressing or flush of a fill has, of those of its kind.

    Days are counted on which one was given: an event that moves keeps its number, and so does
    the one after it.
    """
    if kind == "dress":
        given = {one.on for one in root.slow}
    else:
        given = {one.on for one in root.poured if one.feed == (kind == "feed")}
    return 1 + sum(on <= today for on in given)
