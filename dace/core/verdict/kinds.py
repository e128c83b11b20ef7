"""Which kind of verdict a stop has: the first that holds, in the order of ``KINDS``."""

from __future__ import annotations

from dataclasses import dataclass
from datetime import date, timedelta

from dace.core.figures import judgement
from dace.core.matter.nutrients import NUTRIENTS
from dace.core.season.cold import lives_on
from dace.core.season.crops import Stage
from dace.core.season.need import makes_its_own
from dace.core.season.outlook import Outlook
from dace.core.verdict.facts import Facts, nitrogen_of
from dace.core.verdict.gates import shut_for
from dace.core.verdict.questions import asked_stage, drain_question, long_unseen, short, unread
from dace.core.verdict.reach import Reach, need_at, reach_of
from dace.core.verdict.records import After, Grows, Kind, Question
from dace.core.words.days import ago

_CERTAIN, _LIKELY = 0.9, 0.5
_RESTS_ABOVE_C, _WEEK, _LAST_DAYS = 1.0, 7, 14
_WELL, _POOR = 4, 2
_PLAIN_EVERY = 4
_GERMINATES = "germination"


@dataclass(frozen=True)
class Part:
    """What one planting asks for: a kind, why, and the next day on which something is due.

    ``on_paper`` where the sums are short and the leaves do not show it.
    """

    grows: Grows
    kind: Kind
    why: str
    next_on: date | None = None
    lacks: str = ""
    on_paper: bool = False


@dataclass(frozen=True)
class Decided:
    """The kind of a whole stop, its plantings' own, and a question that stands beside it."""

    kind: Kind
    why: str
    parts: tuple[Part, ...]
    next_on: date | None
    lacks: str
    question: Question | None
    reach: Reach

    @property
    def unanswered(self) -> bool:
        """Whether it is fed although a question that might say otherwise stands open."""
        return _matters(self.question)


def decide(facts: Facts, days: Outlook, pen: bool) -> Decided:
    """The first kind that holds."""
    rests = {one.key: part for one in facts.stop.grows if (part := rest_of(facts, one, days))}
    awake = [one for one in facts.stop.grows if one.key not in rests]
    reach = reach_of(facts, frozenset(rests))
    if not awake:
        parts = tuple(rests[one.key] for one in facts.stop.grows)
        nexts = [p.next_on for p in parts if p.next_on]
        return Decided("rest", parts[0].why, parts, min(nexts, default=None), "", None, reach)
    base = tuple(
        rests.get(one.key) or _base(facts, one, one.clock.stage, reach, days)
        for one in facts.stop.grows
    )
    salty = _salty(facts, pen)
    if salty is not None:
        kind, why = salty
        parts = tuple(p if p.grows.key in rests else Part(p.grows, kind, why) for p in base)
        tomorrow = facts.today + timedelta(days=1)
        return Decided(kind, why, parts, tomorrow, "", None, reach)
    first = min((p for p in base if p.kind != "rest"), key=lambda p: _ORDER.index(p.kind))
    question = drain_question(facts, first.kind, pen) or _stage_question(
        facts, awake, base, reach, days
    )
    decided = first.kind in ("feed", "dress") and _waited_long(facts, reach)
    if question is not None and _matters(question) and not decided:
        return Decided("look", question.what, base, facts.today, "", question, reach)
    lacks = next((p.lacks for p in base if p.kind == first.kind and p.lacks), "")
    nexts = [p.next_on for p in base if p.next_on is not None and p.kind != "rest"]
    if (
        question is None
        and first.kind == "feed"
        and pen
        and facts.read is None
        and not facts.in_bed
    ):
        question = unread()
    return Decided(first.kind, first.why, base, min(nexts, default=None), lacks, question, reach)


def _matters(question: Question | None) -> bool:
    """Whether its answers lead to different things."""
    return question is not None and len({_act(one.kind) for one in question.after}) > 1


def _waited_long(facts: Facts, reach: Reach) -> bool:
    """Whether a feed has been due for so long that no question keeps it back."""
    days = int(judgement("question_waits").range.typ)
    return facts.slot_open_days >= days and reach.was_lacking(days)


def _act(kind: Kind) -> str:
    """What is done: nothing for some kinds, each its own thing for the others."""
    return "" if kind in ("rest", "wait", "enough") else kind


_ORDER: tuple[Kind, ...] = ("wait", "feed", "dress", "enough", "rest")


def rest_of(facts: Facts, grows: Grows, days: Outlook) -> Part | None:
    """Why a planting is left alone on the day of ``facts``; None where it is not."""
    clock, stage = grows.clock, grows.clock.stage
    if grows.started_on > facts.today:
        return Part(grows, "rest", "Not sown yet", grows.started_on)
    if clock.ends_on is not None and clock.ends_on <= facts.today and not _seen_since(grows):
        return Part(grows, "rest", _over(grows))
    if grows.control:
        return Part(grows, "rest", "Unfed on purpose, to compare: same water, no feed")
    if lives_on(grows.crop.key) and _asleep(grows, facts, days):
        return Part(grows, "rest", "At rest until it is warmer: keep it just moist")
    if clock.ends_on is not None and 0 <= (clock.ends_on - facts.today).days <= _LAST_DAYS:
        return Part(grows, "rest", "Nearly over: it takes nothing more")
    return _wants_none(grows, stage)


def _wants_none(grows: Grows, stage: Stage) -> Part | None:
    """A stage in which it wants no feed."""
    if stage.key == _GERMINATES:
        why = "Germinating: the seed feeds it; keep it moist"
        return Part(grows, "rest", why, _next_stage(grows))
    if stage.key == "ripening" and grows.crop.harvested_once:
        return Part(grows, "rest", "Ripening: a feed now would cost taste and keeping")
    if stage.wish_of("N").typ <= 0:
        why = f"{stage.words.capitalize()}: it wants no feed now"
        return Part(grows, "rest", why, _next_stage(grows))
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


def _salty(facts: Facts, pen: bool) -> tuple[Kind, str] | None:
    """Too much salt: flushed in pots, watered in beds; or plain water until it is known."""
    if facts.band is None:
        return None
    if facts.flushed is not None and not facts.read_since_flush and pen and facts.over <= _LIKELY:
        return "water", "It was flushed; read the run-off before the next feed"
    whose = facts.band.whose
    sure = facts.over > (_LIKELY if facts.read is not None else _CERTAIN)
    if facts.word in ("too_salty", "burning") and facts.read is not None:
        sure = sure or not facts.surprise
    if facts.surprise and facts.over <= _LIKELY:
        return None
    if sure:
        why = f"There is more salt about the roots than {whose} likes"
        return ("water" if facts.in_bed else "flush"), why
    if not pen and not facts.in_bed:
        return _by_eye(facts)
    return None


def _by_eye(facts: Facts) -> tuple[Kind, str] | None:
    """Without a pen: plain water after a feed that was too strong, and every fourth time."""
    if not facts.fed:
        return None
    root = facts.stop.followed.root_zone
    last = facts.fed[-1]
    since = [p for p in root.poured if not p.feed and (p.on, p.hour) > (last.on, last.hour)]
    if since:
        return None
    high = min(
        (one.clock.stage.wish_of("N").high for one in facts.stop.grows if not one.control),
        default=0.0,
    )
    if high > 0 and nitrogen_of(last) > high:
        return "water", "The last feed was stronger than it bears: plain water to run-off this time"
    plain = [p for p in root.poured if not p.feed]
    feeds = [
        p for p in facts.fed if not plain or (p.on, p.hour) > max((q.on, q.hour) for q in plain)
    ]
    if facts.read is None and len(feeds) >= _PLAIN_EVERY - 1 and facts.slot_on <= facts.today:
        return "water", "Three feeds and never read: plain water to run-off this time"
    return None


def _base(facts: Facts, grows: Grows, stage: Stage, reach: Reach, days: Outlook) -> Part:
    """What a planting asks for if it is at a stage, salts aside."""
    if stage.wish_of("N").typ <= 0 or stage.key == _GERMINATES:
        return Part(grows, "rest", f"{stage.words.capitalize()}: it wants no feed now")
    every = facts.every_days
    slot = (facts.slot_on - facts.today).days
    due = _lacking(facts, grows, stage, reach, slot, every)
    own = makes_its_own(grows.crop, stage, facts.in_bed)
    well = grows.score is not None and grows.score >= _WELL
    if not due or well:
        if well and due:
            on = facts.today + timedelta(days=_WEEK)
            why = "Short on paper; the leaves do not show it"
            return Part(grows, "enough", why, on, on_paper=True)
        return _enough(facts, grows, reach, own)
    if slot > 0:
        return Part(grows, "wait", _since_words(facts), facts.slot_on, due)
    shut = shut_for(facts, grows, days)
    if shut is not None:
        why = shut.why[0].upper() + shut.why[1:]
        return Part(grows, "wait", why, shut.opens_on, due)
    wants = _LACKS[due]
    last = f"fed {ago((facts.today - facts.last_fed).days)}" if facts.last_fed else "never fed here"
    why = f"{wants} within reach would not last till the next feed; {last}"
    kind: Kind = "dress" if facts.dressed and not stage.is_seedling else "feed"
    return Part(grows, kind, why, facts.today, due)


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


def _enough(facts: Facts, grows: Grows, reach: Reach, own: bool) -> Part:
    found = reach.first_lacking((facts.slot_on - facts.today).days, facts.every_days)
    on = facts.today + timedelta(days=found[0]) if found and found[0] > 0 else None
    if own:
        return Part(grows, "enough", "Makes its own nitrogen; water if dry", on)
    weeks = reach.known_days // _WEEK
    why = f"Enough till about {on.day} {on:%B}" if on else f"Enough for {weeks} weeks or more"
    return Part(grows, "enough", why, on)


def _stage_question(
    facts: Facts, awake: list[Grows], base: tuple[Part, ...], reach: Reach, days: Outlook
) -> Question | None:
    """A stage in doubt, with what each answer leads to."""
    kinds = {part.grows.key: part for part in base}
    for one in awake:
        other = one.clock.other
        if not one.clock.question:
            continue
        here = kinds[one.key]
        named = asked_stage(one)
        mark = f"look: {short(named.words)}?"
        no = "" if named == one.clock.stage else one.clock.stage.key
        if other is None:
            gone = (After(f"still {one.clock.stage.words}", here.kind), After("no more", "rest"))
            after = gone if long_unseen(facts, one) else ()
            return Question("stage", one.clock.question, mark, after, one.key, named.key, no)
        there = _base(facts, one, other, reach, days)
        after = (
            After(one.clock.stage.words, here.kind),
            After(other.words, there.kind),
        )
        return Question("stage", one.clock.question, mark, after, one.key, named.key, no)
    return None
