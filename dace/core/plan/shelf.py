"""What the shelf can give: sources that would run out grow dear, then are gone from a day on."""

from __future__ import annotations

from collections.abc import Mapping

from dace.core.plan.walk import Given, Walked

PASSES = 3
_PRICE = 0.5
_ROUNDING = 1e-9


def runs_out(walked: Mapping[int, Walked], left: Mapping[str, float]) -> dict[str, int]:
    """The first day ahead on which each over-drawn source cannot give what is asked of it."""
    found: dict[str, int] = {}
    drawn = dict(left)
    for _, given in in_order(walked):
        for key, amount in given.used.items():
            drawn[key] -= amount
            if drawn[key] < -_ROUNDING:
                found.setdefault(key, given.ahead)
    return found


def in_order(walked: Mapping[int, Walked]) -> list[tuple[int, Given]]:
    """All that is given, by day; of one day who is owed most comes first, not along the path."""
    rows = [
        (given.ahead, -round(given.urgent, 6), given.facts.stop.followed.whole, at, given)
        for at, one in walked.items() for given in one.given
    ]  # fmt: skip
    return [(at, given) for *_, at, given in sorted(rows, key=lambda row: row[:4])]


def dearer(dear: Mapping[str, float], gone: Mapping[str, int]) -> dict[str, float]:
    """A higher price on what would run out."""
    return {**dear, **{key: dear.get(key, 0.0) + _PRICE for key in gone}}


def within_stock(walked: Mapping[int, Walked], left: Mapping[str, float]) -> bool:
    """Take out what the shelf cannot give, day by day; whether any was."""
    drawn, taken_out = dict(left), False
    for at, given in in_order(walked):
        if any(amount > drawn[key] + _ROUNDING for key, amount in given.used.items()):
            one = walked[at]
            one.given = [kept for kept in one.given if kept is not given]
            one.empty = [*one.empty, given.ahead]
            taken_out = True
            continue
        for key, amount in given.used.items():
            drawn[key] -= amount
    return taken_out
