"""Words that the kinds of verdict share: days, what it rests on, what a rhythm carries."""

from __future__ import annotations

from collections.abc import Sequence
from datetime import date

from dace.core.matter.nutrients import NUTRIENTS
from dace.core.season.need import room_for
from dace.core.verdict.case import Decided
from dace.core.verdict.facts import Facts
from dace.core.verdict.options import Fed
from dace.core.verdict.records import Basis, Verdict
from dace.core.words import shown

_NUMBERS = ("no", "one", "two", "three", "four", "five", "six", "seven", "eight", "nine", "ten")
_ORDINALS = ("1st", "2nd", "3rd")
_SOON_DAYS = 6
_WELL_CARRIED, _ROOMY = 0.8, 0.95
_FRESH_DAYS = 14


def number_word(count: int) -> str:
    """Small numbers in letters.

    >>> number_word(3), number_word(12)
    ('three', '12')
    """
    return _NUMBERS[count] if count < len(_NUMBERS) else str(count)


def day_words(on: date, today: date, short: bool = False) -> str:
    """A day as one says it: by its name within the week, by its date beyond, with another's year.

    >>> today = date(2026, 7, 14)
    >>> day_words(date(2026, 7, 17), today), day_words(date(2027, 1, 2), today)
    ('Friday', '2 January 2027')
    """
    ahead = (on - today).days
    if ahead == 0:
        return "today"
    if ahead == 1:
        return "tomorrow"
    if 0 < ahead <= _SOON_DAYS:
        return f"{on:%a}" if short else f"{on:%A}"
    year = "" if on.year == today.year else f" {on.year}"
    return f"{on.day} {on:%b}{year}" if short else f"{on.day} {on:%B}{year}"


def till_words(mark: str, facts: Facts, found: Verdict) -> str:
    """A mark with the day till when it holds, where one is known."""
    if found.next_on is None:
        return mark
    return f"{mark} till {day_words(found.next_on, facts.today, True)}"


def basis_of(facts: Facts, decided: Decided) -> tuple[Basis, ...]:
    """What it rests on, each with its age; a reading is silent after a fortnight."""
    found = []
    for part in decided.parts:
        one = part.grows
        age = None if one.looked_on is None else (facts.today - one.looked_on).days
        found.append(
            Basis("stage", f"{one.crop.counted(one.plants)}, {one.clock.stage.words}", age)
        )
    if facts.read is not None and facts.read_age is not None and facts.read_age <= _FRESH_DAYS:
        sample = facts.read.sample
        found.append(Basis("reading", f"read {shown.ec(sample.value, 1)}", facts.read_age))
    low, likely, high = facts.stop.followed.now
    what = "the run-off, worked out"
    found.append(Basis(what, f"about {shown.ec(likely, 1)} ({shown.ec_span(low, high)})"))
    if facts.last_fed is not None:
        found.append(Basis("fed", "last feed", (facts.today - facts.last_fed).days))
    return tuple(found)


def rhythm_of(facts: Facts, decided: Decided, fed: Sequence[Fed]) -> str:
    """What share of the need the rhythm carries, where it cannot carry it all; else nothing."""
    if not fed or facts.in_bed:
        return ""
    return " ".join(
        part for part in (_room_words(facts, fed), _carried(facts, decided, fed)) if part
    )


def _room_words(facts: Facts, fed: Sequence[Fed]) -> str:
    """That the pot is small for what grows in it, said once."""
    root = facts.stop.followed.root_zone
    plants = sum(one.plants for one in facts.stop.grows)
    one = fed[0]
    counted = room_for(one.grows.crop, one.stage, root.litres / max(1, plants))
    if counted >= _ROOMY:
        return ""
    usual = shown.litres(one.grows.crop.typical_pot_litres, 2)
    here = f"{number_word(plants).capitalize()} in {shown.litres(root.litres, 2)}"
    return f"{here}, where {usual} each is usual: need counted at {counted:.1f}."


def _carried(facts: Facts, decided: Decided, fed: Sequence[Fed]) -> str:
    """What share of the need the rhythm carries."""
    need = decided.reach.needed(0, facts.every_days)[NUTRIENTS.index("N")]
    brought = sum(one.stage.wish_of("N").typ * one.litres for one in fed)
    if need <= 0 or brought >= _WELL_CARRIED * need:
        return ""
    often = {7: "Weekly", 14: "Every second week"}.get(facts.every_days, "This rhythm")
    return (
        f"{often} carries about {_part(brought / need)} of what they take; the same at every "
        "watering, or a slow feed, would carry the rest."
    )


def _part(share: float) -> str:
    named = ((0.1, "a tenth"), (0.2, "a fifth"), (0.25, "a quarter"), (1 / 3, "a third"),
             (0.5, "half"), (2 / 3, "two thirds"), (0.75, "three quarters"))  # fmt: skip
    return min(named, key=lambda pair: abs(pair[0] - share))[1]
