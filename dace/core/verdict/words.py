"""A verdict in words: the mark on the path, the sentence, the button, what it rests on."""

from __future__ import annotations

from collections.abc import Sequence
from datetime import date

from dace.core.figures import judgement
from dace.core.matter.nutrients import NUTRIENTS
from dace.core.result import say
from dace.core.season.need import makes_its_own, room_for
from dace.core.verdict.facts import Facts, nitrogen_of
from dace.core.verdict.kinds import Decided
from dace.core.verdict.options import Fed
from dace.core.verdict.records import Basis, Kind, Portion, Verdict
from dace.core.verdict.to_get import said_to_get
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


_MARKS: dict[Kind, str] = {
    "rest": "no feed",
    "flush": "flush first",
    "water": "plain water",
    "look": "look first",
    "wait": "waits",
    "feed": "feed today",
    "dress": "dress today",
    "enough": "enough",
}


def mark_of(facts: Facts, found: Verdict) -> str:
    """Three words or so for the path."""
    said = _MARKS[found.kind]
    if found.to_get is not None:
        return "get a feed"
    if found.kind == "rest" and all(grows.control for grows in facts.stop.grows):
        return "same water, no feed"
    if found.kind == "look" and found.question is not None:
        return found.question.mark
    if found.kind == "enough" and _own(facts):
        return "makes its own"
    if found.kind in ("wait", "enough") and found.next_on is not None:
        return f"{said} till {day_words(found.next_on, facts.today, True)}"
    return said


def _own(facts: Facts) -> bool:
    return all(makes_its_own(g.crop, g.clock.stage, facts.in_bed) for g in facts.stop.grows)


def headline_of(facts: Facts, found: Verdict, why: str) -> str:
    """What to do, in one sentence; ``why`` is the plainest reason."""
    plainly = f"{why.rstrip('.')}."
    if found.to_get is not None:
        return said_to_get(found.to_get)
    if found.kind == "flush":
        return _flush_line(found)
    if found.kind == "water":
        return f"Plain water only{', ' if found.water else ''}{found.water_name}. No feed today."
    if found.kind == "wait":
        on = f" till {day_words(found.next_on, facts.today)}" if found.next_on else ""
        return f"Waits{on}; water if dry."
    if found.kind in ("feed", "dress"):
        return _given_line(found)
    if found.kind == "enough" and len(found.each) > 1:
        return f"{_enough_line(found, facts)}."
    return plainly


def _given_line(found: Verdict) -> str:
    portion = found.recipe
    assert portion is not None  # what nothing suits waits; see ``to_get``
    if portion.can is None:
        return f"Dress with {portion.words} of {portion.name}."
    times = "" if portion.cans == 1 else f", {number_word(portion.cans)} times"
    return (
        f"Feed {portion.name} at {_ratio(portion)}: {portion.words} in "
        f"{shown.litres(portion.fill_l, 2)} of {portion.water_name}{times}."
    )


def _flush_line(found: Verdict) -> str:
    plan = found.flush
    if plan is None:
        return "Flush first, with softer water than is here. No feed today."
    goes = "one pour" if plan.goes == 1 else f"{number_word(plan.goes)} pours"
    each = shown.litres(plan.each_l, 2)
    return f"Flush first: {found.water_name}, {goes} of {each}. No feed today."


def _enough_line(found: Verdict, facts: Facts) -> str:
    if found.next_on is None:
        return "Enough of everything for weeks"
    return f"Enough till about {day_words(found.next_on, facts.today)}"


def _ratio(recipe: Portion) -> str:
    if recipe.unit == "mL":
        return recipe.strength
    return shown.in_each(recipe.amount / recipe.litres, "g", 2)


def button_of(facts: Facts, found: Verdict) -> str:
    """What the green button says; empty where nothing is poured or looked at."""
    portion = found.recipe
    if found.kind == "look":
        return "Look" if found.question and found.question.about == "stage" else "Read the run-off"
    if found.kind == "dress" and portion is not None:
        return f"Spread {shown.grams(portion.amount, 2)}"
    if found.kind == "feed" and portion is not None:
        return _pour_words(facts, found)
    if found.kind not in ("flush", "water") or not found.water:
        return ""
    said = f"Pour {shown.litres(found.litres, 2)} of {found.water_name}"
    done = facts.goes_done if found.flush else 0
    goes = done + (found.flush.goes if found.flush else 1)
    return said if goes == 1 else f"{said}, {done + 1} of {goes}"


def _pour_words(facts: Facts, found: Verdict) -> str:
    litres = {one.litres for one in found.each if one.litres > 0}
    plants = sum(g.plants for g in facts.stop.grows if _gets(found, g.key))
    if len(litres) != 1 or plants == 1:
        return f"Pour {shown.litres(found.litres, 2)}"
    return f"Pour {shown.litres(litres.pop(), 2)} on each of {plants}"


def _gets(found: Verdict, planting: str) -> bool:
    return any(one.planting == planting and one.litres > 0 for one in found.each)


def reason_of(facts: Facts, decided: Decided) -> str:
    """Why, in a sentence or two."""
    if decided.kind == "look" and decided.question is not None and decided.question.after:
        parts = [f"{one.answer}: {_THEN[one.kind]}." for one in decided.question.after]
        return " ".join(part[0].upper() + part[1:] for part in parts)
    if decided.kind == "enough":
        return _why_enough(facts, decided)
    if decided.kind == "rest" and all(part.grows.control for part in decided.parts):
        return "The comparison stays fair so."
    said = [f"{decided.why.rstrip('.')}."]
    if decided.kind in ("flush", "water") and facts.band is not None and facts.over > 0.5:
        low, likely, high = facts.stop.followed.now
        band = f"{facts.band.whose} likes {shown.ec_span(facts.band.low, facts.band.high)}"
        said = [
            f"The run-off reads about {shown.ec(likely, 1)} ({shown.ec_span(low, high)}); {band}."
        ]
        cause = cause_of(facts)
        if cause:
            said.append(cause)
    return " ".join(said)


_THEN: dict[Kind, str] = {
    "rest": "nothing today",
    "flush": "flush",
    "water": "plain water",
    "look": "look",
    "wait": "wait",
    "feed": "feed",
    "dress": "a slow feed",
    "enough": "nothing today",
}


def _why_enough(facts: Facts, decided: Decided) -> str:
    """What carries it till then."""
    if all(makes_its_own(p.grows.crop, p.grows.clock.stage, facts.in_bed) for p in decided.parts):
        return "Its roots live with what takes nitrogen from the air; the ground holds the rest."
    if any(part.on_paper for part in decided.parts):
        return "The sums are short, and nobody sees it in the leaves: they count for more."
    where = "the ground" if facts.in_bed else "the medium"
    return f"What {where} holds and gives carries what they take."


def cause_of(facts: Facts) -> str:
    """What likely made it salty: feeds that were much stronger than suits; empty if not those."""
    if facts.strong < judgement("too_strong").range.typ:
        return ""
    fed = [p for p in facts.fed if (facts.today - p.on).days <= 42 and nitrogen_of(p) > 0]
    strengths = {p.said for p in fed if p.said}
    times = f"{number_word(len(fed)).capitalize()} feed{'s' if len(fed) > 1 else ''}"
    at = f" at {strengths.pop()}" if len(strengths) == 1 else ""
    were = "was" if len(fed) == 1 else "were"
    return f"{times}{at} {were} {_times(facts.strong)} what suits."


def _times(ratio: float) -> str:
    if ratio < 1.75:
        return "half as strong again as"
    if ratio < 1.95:
        return "nearly double"
    if ratio < 2.15:
        return "double"
    return f"{say(ratio, 2)} times"


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
