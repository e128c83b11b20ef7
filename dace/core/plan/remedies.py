"""What would mend what runs short: one line for all stops that the same thing helps."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, replace

from dace.core.fed.records import AS_NEEDED, RHYTHM_WORDS, RHYTHMS, Yard
from dace.core.fed.rhythm import rhythm_of
from dace.core.matter.nutrients import NUTRIENT_NAMES, NUTRIENTS
from dace.core.plan.ahead import Ahead
from dace.core.plan.records import Remedy, RemedyKind, Short
from dace.core.verdict.words import number_word
from dace.core.words.days import on_day
from dace.core.words.listing import listed

_NAMED = 3


@dataclass(frozen=True)
class _What:
    kind: RemedyKind
    about: tuple[str, ...]


def remedies(aheads: Sequence[Ahead], short: Sequence[Short], yard: Yard) -> tuple[Remedy, ...]:
    """Every stop that runs short once, under what helps it; the most helped first."""
    groups: dict[_What, list[tuple[Ahead, list[Short]]]] = {}
    for ahead in aheads:
        rows = [one for one in short if one.stop == ahead.stop.key]
        if rows:
            groups.setdefault(_what(ahead, rows, yard), []).append((ahead, rows))
    found = [_remedy(what, helped) for what, helped in groups.items()]
    return tuple(sorted(found, key=lambda one: (-len(one.stops), one.text)))


def _what(ahead: Ahead, rows: Sequence[Short], yard: Yard) -> _What:
    """What helps a stop, and what else has to be alike for one line."""
    lacking = {one.nutrient for one in rows if one.why != "rhythm"}
    if lacking:
        return _What("get", tuple(sorted(lacking, key=NUTRIENTS.index)))
    stop = ahead.stop
    if stop.rhythm != AS_NEEDED:
        then = min(one.since for one in rows)
        grown = [(one, one.clock.stage) for one in ahead.awake(then)]
        wanted = rhythm_of(replace(stop, rhythm=AS_NEEDED), grown, yard.sources, yard.waters)
        if wanted.apart < RHYTHMS[stop.rhythm].apart:
            return _What("rhythm", (stop.rhythm, wanted.key))
    slow = any(one.content is not None and one.feed.element("N") > 0 for one in yard.sources)
    if ahead.facts.in_tray:
        return _What("tray", ())
    return _What("slow" if ahead.facts.in_bed or not slow else "room", ())


def _remedy(what: _What, helped: Sequence[tuple[Ahead, list[Short]]]) -> Remedy:
    rows = [one for _, short in helped for one in short]
    since = min(one.since for one in rows)
    names = [ahead.stop.name for ahead, _ in helped]
    whom = listed(names) if len(names) <= _NAMED else f"{number_word(len(names))} stops"
    lacking = sorted({one.nutrient for one in rows}, key=NUTRIENTS.index)
    on = on_day(since)
    button = "Add a jar"
    if what.kind == "get":
        lacking = list(what.about)
        gone = all(one.why == "stock" for one in rows if one.nutrient in lacking)
        s = "s" if len(lacking) == 1 else ""
        end = f"run{s} out for" if gone else f"come{s} from no jar for"
        said = f"{listed([NUTRIENT_NAMES[one] for one in lacking])} {end} {whom}, from {on}."
    elif what.kind == "rhythm":
        seldom, often = (RHYTHM_WORDS[key] for key in what.about)
        said, button = f"{often} from {on}, not {seldom}: {whom}.", "Do that"
    elif what.kind == "slow":
        said = f"A slow feed: from {on} cans alone are too little for {whom}."
    else:
        which = "pot on" if what.kind == "tray" else "a larger pot"
        said, button = f"{which}: from {on} no can carries all for {whom}.", "See its place"
    stops = tuple(ahead.stop.key for ahead, _ in helped)
    text = said[0].upper() + said[1:]
    return Remedy(what.kind, stops, tuple(lacking), since, text, button)
