"""Words that the kinds of verdict share: days, what it rests on, what a pot carries."""

from __future__ import annotations

from collections.abc import Sequence

from dace.core.fed.facts import Facts
from dace.core.fed.options import Fed
from dace.core.fed.records import Basis, Verdict
from dace.core.season.need import room_for
from dace.core.verdict.case import Decided
from dace.core.words import shown
from dace.core.words.days import day_words
from dace.core.words.listing import listed

_NUMBERS = ("no", "one", "two", "three", "four", "five", "six", "seven", "eight", "nine", "ten")
_ORDINALS = ("1st", "2nd", "3rd")
_ROOMY = 0.95
_FRESH_DAYS = 14
_LOCKED = 0.5 - 1e-9
"""So far above its range phosphorus and iron do not come to a crop."""


def number_word(count: int) -> str:
    """Small numbers in letters.

    >>> number_word(3), number_word(12)
    ('three', '12')
    """
    return _NUMBERS[count] if count < len(_NUMBERS) else str(count)


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


def locked_by_ph(facts: Facts) -> str:
    """That no phosphorus nor iron is to be had so far above the pH that a crop likes."""
    ph = facts.stop.ph
    if ph is None:
        return ""
    named = [one.crop.name.lower() for one in facts.stop.grows if ph >= one.crop.ph[1] + _LOCKED]
    if not named:
        return ""
    whom = listed(list(dict.fromkeys(named)))
    return f"At pH {ph:.1f} phosphorus and iron stay locked for {whom}."


def small_pot(facts: Facts, fed: Sequence[Fed]) -> str:
    """That the pot is small for what grows in it, said once."""
    if not fed or facts.in_bed:
        return ""
    root = facts.stop.followed.root_zone
    plants = sum(one.plants for one in facts.stop.grows)
    one = fed[0]
    counted = room_for(one.grows.crop, one.stage, root.litres / max(1, plants))
    if counted >= _ROOMY:
        return ""
    usual = shown.litres(one.grows.crop.typical_pot_litres, 2)
    here = f"{number_word(plants).capitalize()} in {shown.litres(root.litres, 2)}"
    return f"{here}, where {usual} each is usual: need counted at {counted:.1f}."
