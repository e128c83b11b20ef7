"""What one planting wants, salts aside: rest, wait, a feed, a slow feed, or nothing yet."""

from __future__ import annotations

from dataclasses import dataclass
from datetime import date, timedelta

from dace.core.matter.nutrients import NUTRIENTS
from dace.core.season.cold import lives_on
from dace.core.season.crops import Stage
from dace.core.season.need import makes_its_own
from dace.core.season.outlook import Outlook
from dace.core.verdict.facts import Facts
from dace.core.verdict.gates import shut_for
from dace.core.verdict.reach import Reach, need_at
from dace.core.verdict.records import Grows
from dace.core.words.days import ago

_LIKELY = 0.5
_RESTS_ABOVE_C, _WEEK, _LAST_DAYS = 1.0, 7, 14
_WELL = 4
_GERMINATES = "germination"


@dataclass(frozen=True)
class Want:
    """What one planting asks for: a kind, why, and the next day on which something is due.

    ``on_paper`` where the sums are short and the leaves do not show it.
    """

    grows: Grows
    kind: str
    why: str
    next_on: date | None = None
    lacks: str = ""
    on_paper: bool = False


def rest_of(facts: Facts, grows: Grows, days: Outlook) -> Want | None:
    """Why a planting is left alone on the day of ``facts``; None where it is not."""
    clock, stage = grows.clock, grows.clock.stage
    if grows.started_on > facts.today:
        return Want(grows, "rest", "Not sown yet", grows.started_on)
    if clock.ends_on is not None and clock.ends_on <= facts.today and not _seen_since(grows):
        return Want(grows, "rest", _over(grows))
    if grows.control:
        return Want(grows, "rest", "Unfed on purpose, to compare: same water, no feed")
    if lives_on(grows.crop.key) and _asleep(grows, facts, days):
        return Want(grows, "rest", "At rest until it is warmer: keep it just moist")
    if clock.ends_on is not None and 0 <= (clock.ends_on - facts.today).days <= _LAST_DAYS:
        return Want(grows, "rest", "Nearly over: it takes nothing more")
    return _wants_none(grows, stage)


def _wants_none(grows: Grows, stage: Stage) -> Want | None:
    """A stage in which it wants no feed."""
    if stage.key == _GERMINATES:
        why = "Germinating: the seed feeds it; keep it moist"
        return Want(grows, "rest", why, _next_stage(grows))
    if stage.key == "ripening" and grows.crop.harvested_once:
        return Want(grows, "rest", "Ripening: a feed now would cost taste and keeping")
    if stage.wish_of("N").typ <= 0:
        why = f"{stage.words.capitalize()}: it wants no feed now"
        return Want(grows, "rest", why, _next_stage(grows))
    return None


def _seen_since(grows: Grows) -> bool:
    """Whether somebody saw it alive after the day on which it should have been over."""
    end = grows.clock.ends_on
    return grows.looked_on is not None and end is not None and grows.looked_on >= end


def _over(grows: Grows) -> str:
    end, on = grows.clock.ends_by_cold, grows.clock.ends_on
    assert on is not None
    said = f"{on.day} {on:%B}"
    if end.likely is not None and end.chance >= _LIKELY and abs((end.likely - on).days) <= _WEEK:
        return f"Ended by cold about {said}"
    return f"Its season is over since about {said}"


def _asleep(grows: Grows, facts: Facts, days: Outlook) -> bool:
    at = days.index(facts.today)
    week = days.mean_c()[max(0, at - _WEEK + 1) : at + 1]
    return bool(week.mean() < grows.crop.base_temp_c + _RESTS_ABOVE_C)


def _next_stage(grows: Grows) -> date | None:
    following = grows.clock.next_stage
    if following is None:
        return None
    return next((s.likely for s in grows.clock.starts if s.stage == following), None)


def want_of(facts: Facts, grows: Grows, stage: Stage, reach: Reach, days: Outlook) -> Want:
    """What a planting asks for if it is at a stage, salts aside."""
    if stage.wish_of("N").typ <= 0 or stage.key == _GERMINATES:
        return Want(grows, "rest", f"{stage.words.capitalize()}: it wants no feed now")
    every = facts.every_days
    slot = (facts.slot_on - facts.today).days
    due = _lacking(facts, grows, stage, reach, slot, every)
    own = makes_its_own(grows.crop, stage, facts.in_bed)
    well = grows.score is not None and grows.score >= _WELL
    if not due or well:
        if well and due:
            on = facts.today + timedelta(days=_WEEK)
            why = "Short on paper; the leaves do not show it"
            return Want(grows, "enough", why, on, on_paper=True)
        return _enough(facts, grows, reach, own)
    if slot > 0:
        return Want(grows, "wait", _since_words(facts), facts.slot_on, due)
    shut = shut_for(facts, grows, days)
    if shut is not None:
        why = shut.why[0].upper() + shut.why[1:]
        return Want(grows, "wait", why, shut.opens_on, due)
    wants = _LACKS[due]
    last = f"fed {ago((facts.today - facts.last_fed).days)}" if facts.last_fed else "never fed here"
    why = f"{wants} within reach would not last till the next feed; {last}"
    kind = "dress" if facts.dressed and not stage.is_seedling else "feed"
    return Want(grows, kind, why, facts.today, due)


def _since_words(facts: Facts) -> str:
    """What used up the slot: a feed, a dressing, or one that was left out on purpose."""
    left, fed, strewn = facts.stop.left_out, facts.last_fed, facts.last_dressed
    if (
        facts.dressed
        and strewn is not None
        and all(on is None or on < strewn for on in (left, fed))
    ):
        return f"Dressed {ago((facts.today - strewn).days)}"
    if left is not None and (fed is None or fed < left):
        return f"Left out {ago((facts.today - left).days)}"
    return f"Fed {ago((facts.today - fed).days)}" if fed else "Never fed here"


_LACKS = {"N": "Nitrogen", "K": "Potassium"}


def _lacking(facts: Facts, grows: Grows, stage: Stage, reach: Reach, slot: int, every: int) -> str:
    if stage == grows.clock.stage:
        return reach.lacking(slot, every)
    root = facts.stop.followed.root_zone
    plants = sum(one.plants for one in facts.stop.grows)
    need = need_at(grows, stage, root.litres / max(1, plants), facts.in_bed) * every
    there = reach.within(slot, every)
    for nutrient in _LACKS:
        at = NUTRIENTS.index(nutrient)
        if nutrient not in reach.ignored and need[at] > there[at]:
            return nutrient
    return ""


def _enough(facts: Facts, grows: Grows, reach: Reach, own: bool) -> Want:
    found = reach.first_lacking((facts.slot_on - facts.today).days, facts.every_days)
    on = facts.today + timedelta(days=found[0]) if found and found[0] > 0 else None
    if own:
        return Want(grows, "enough", "Makes its own nitrogen; water if dry", on)
    weeks = reach.known_days // _WEEK
    why = f"Enough till about {on.day} {on:%B}" if on else f"Enough for {weeks} weeks or more"
    return Want(grows, "enough", why, on)
