"""What is asked beside a verdict, or before it: to read the drain, to look at the plants."""

from __future__ import annotations

from dace.core.fed.facts import Facts
from dace.core.fed.owed import owed_to
from dace.core.fed.records import After, Grows, Question
from dace.core.figures import judgement
from dace.core.season.crops import Stage
from dace.core.season.outlook import Outlook
from dace.core.verdict.wants import Want, want_of

_LIKELY = 0.5


def drain_question(facts: Facts, kind: str, pen: bool) -> Question | None:
    """Whether the drain is read before it is fed: where it may well be too salty."""
    if facts.band is None or not pen:
        return None
    top = facts.band.high
    salty = "water" if facts.in_bed else "flush"
    where = "a paste of the soil" if facts.in_bed else "the run-off"
    after = (After(f"above {top:.1f}", salty), After(f"{top:.1f} or less", kind))
    if facts.surprise:
        what = f"Read {where} again: the last reading is far above what was poured here"
        return Question("again", what, "read again", after)
    if kind not in ("feed", "dress") or facts.fresh or facts.in_tray:
        return None
    if facts.over < _LIKELY:
        return None
    never = "never read" if facts.read is None else f"last read {facts.read_age} days ago"
    what = f"Read {where} first: {never}"
    return Question("drain", what, "read first", after)


def unread() -> Question:
    """A place that nobody read: asked beside its feed."""
    return Question("drain", "Read the run-off as you go: never read", "", ())


def salt_question(facts: Facts, pen: bool) -> Question | None:
    """Whether salt is seen, where no pen reads it: beside a feed, once a fortnight at most."""
    if facts.band is None or pen or facts.salt_lately_said or facts.after_flush:
        return None
    if facts.stop.followed.now[1] < judgement("crust_asked_from").range.typ * facts.band.high:
        return None
    return Question("crust", "White crust on the rim, or burnt edges?", "look: crust?", ())


def long_unseen(facts: Facts, grows: Grows) -> bool:
    """Whether nobody confirmed its stage for much longer than it usually lasts."""
    stage = grows.clock.stage
    begun = next((s.likely for s in grows.clock.starts if s.stage == stage), None)
    since = max(on for on in (begun, grows.looked_on, grows.started_on) if on is not None)
    quiet = (facts.today - since).days
    return quiet > judgement("asks_after").range.typ * stage.duration_days.typ


def asked_stage(grows: Grows) -> Stage:
    """The stage that is asked about."""
    question = grows.clock.question
    found = (s for s in grows.crop.stages if f" {s.words} yet?" in question)
    return next(found, grows.clock.stage)


def short(words: str) -> str:
    """A stage without its little word."""
    return words.removeprefix("in ").removeprefix("at ")


def of_several(about: str, mark: str) -> str:
    """A question of one kind as it is put to several stops at once.

    >>> of_several("stage", "look: flower?"), of_several("drain", "")
    ('Flower yet?', 'Read the run-off')
    """
    if about == "crust":
        return "White crust, or burnt edges?"
    if about != "stage":
        return "Read the run-off" + (" again" if about == "again" else "")
    said = mark.removeprefix("look: ").removesuffix("?")
    return f"{said[:1].upper()}{said[1:]} yet?"


def stage_question(
    facts: Facts, awake: list[Grows], wants: tuple[Want, ...], days: Outlook
) -> Question | None:
    """A stage in doubt, with what each answer leads to."""
    kinds = {want.grows.key: want for want in wants}
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
        then = owed_to(facts, [grows.key for grows in awake], {one.key: other})
        there = want_of(facts, one, other, then, days)
        after = (
            After(one.clock.stage.words, here.kind),
            After(other.words, there.kind),
        )
        return Question("stage", one.clock.question, mark, after, one.key, named.key, no)
    return None
