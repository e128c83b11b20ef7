"""What one planting wants, salts aside: rest, wait, a feed, a slow feed, or nothing yet."""

from __future__ import annotations

from dataclasses import dataclass, replace
from datetime import date, timedelta

from dace.core.fed.facts import Facts
from dace.core.fed.gates import shut_for
from dace.core.fed.owed import Owed, dressing_lacks, sprouted, to_move_on
from dace.core.fed.records import Grows
from dace.core.matter.nutrients import NUTRIENT_NAMES
from dace.core.season.cold import lives_on
from dace.core.season.crops import Stage
from dace.core.season.need import makes_its_own
from dace.core.season.outlook import Outlook
from dace.core.words.days import ago, day_words, on_day

_LIKELY = 0.5
_RESTS_ABOVE_C, _WEEK, _LAST_DAYS = 1.0, 7, 14
_WELL = 4


@dataclass(frozen=True)
class Want:
    """What one planting asks for: a kind, why, and the next day on which something is due.

    ``on_paper`` where the sums are short and the leaves do not show it; ``pot_on`` where a tray
    has to end.
    """

    grows: Grows
    kind: str
    why: str
    next_on: date | None = None
    lacks: str = ""
    on_paper: bool = False
    pot_on: bool = False


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
    if stage.germinates:
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
    said = on_day(on)
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


def want_of(facts: Facts, grows: Grows, stage: Stage, owed: Owed, days: Outlook) -> Want:
    """What a planting asks for if it is at a stage, salts aside; ``owed`` is its fill's then."""
    if stage.wish_of("N").typ <= 0 or stage.germinates:
        return Want(grows, "rest", f"{stage.words.capitalize()}: it wants no feed now")
    if to_move_on(facts, grows):
        why = "Pot on or plant out: that feeds them better than any can"
        return Want(grows, "enough", why, pot_on=True)
    own = makes_its_own(grows.crop, stage, facts.in_bed)
    if facts.dressed and not stage.is_seedling and (lacks := dressing_lacks(owed)):
        return _due(facts, owed, days, Want(grows, "dress", "", facts.dress_on, lacks))
    slot = (facts.slot_on - facts.today).days
    lacks = owed.lacks(slot) if _eats(facts, grows, stage) else ""
    if not lacks:
        return _enough(facts, grows, owed, own)
    return _due(facts, owed, days, Want(grows, "feed", "", facts.slot_on, lacks))


def _eats(facts: Facts, grows: Grows, stage: Stage) -> bool:
    """Whether it may be fed at that stage by its leaves; asked only of the stage that is likely."""
    return grows.clock.stage != stage or sprouted(grows, facts.today)


def _due(facts: Facts, owed: Owed, days: Outlook, due: Want) -> Want:
    """Something is owed: given today, or kept for the day on which it may be."""
    grows = due.grows
    if grows.score is not None and grows.score >= _WELL:
        later = facts.today + timedelta(days=_WEEK)
        why = "Short on paper; the leaves do not show it"
        return Want(grows, "enough", why, later, on_paper=True)
    if due.next_on is not None and due.next_on > facts.today:
        return replace(due, kind="wait", why=_since_words(facts))
    shut = shut_for(facts, grows, days)
    if shut is not None:
        why = shut.why[0].upper() + shut.why[1:]
        return replace(due, kind="wait", why=why, next_on=shut.opens_on)
    return replace(due, why=_runs_out(facts, owed))


def _runs_out(facts: Facts, owed: Owed) -> str:
    """When what is within reach is gone; else when it was fed last."""
    found = owed.runs_out()
    if found is not None and found[1] == 0:
        return f"{NUTRIENT_NAMES[found[0]].capitalize()} is nearly gone"
    if found is not None:
        on = day_words(facts.today + timedelta(days=found[1]), facts.today)
        return f"{NUTRIENT_NAMES[found[0]].capitalize()} runs out {on}"
    if facts.last_fed is None:
        return "Never fed here; what the medium holds runs low"
    return f"Fed {ago((facts.today - facts.last_fed).days)}; what is left runs low"


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


def _enough(facts: Facts, grows: Grows, owed: Owed, own: bool) -> Want:
    found = owed.first_due((facts.slot_on - facts.today).days)
    on = facts.today + timedelta(days=found) if found else None
    if own:
        return Want(grows, "enough", "Makes its own nitrogen; water if dry", on)
    weeks = owed.known_days // _WEEK
    why = f"Enough till about {on_day(on)}" if on else f"Enough for {weeks} weeks or more"
    return Want(grows, "enough", why, on)
