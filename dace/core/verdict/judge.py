"""All verdicts of a garden on a day, one for each stop where something grows."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, replace

from dace.core.errors import DaceError
from dace.core.rootzone.flush import Flush, flush
from dace.core.rootzone.records import charged_water
from dace.core.same import Same
from dace.core.season.crops import Stage
from dace.core.verdict.case import Decided
from dace.core.verdict.cold_night import cold_words
from dace.core.verdict.dressing import dressings, lack_over_weeks
from dace.core.verdict.facts import Facts, facts_of
from dace.core.verdict.kinds import decide, kind_of, matters
from dace.core.verdict.options import HALF, Fed
from dace.core.verdict.recipe import LEAST_ROOM, from_mixed, litres_each, recipes, room_ec, thinner
from dace.core.verdict.records import Each, NamedWater, Portion, Stop, ToGet, Verdict, Yard
from dace.core.verdict.to_get import said_to_get, to_get
from dace.core.verdict.together import SHARED, shared
from dace.core.verdict.wants import Want
from dace.core.verdict.words import basis_of, rhythm_of

_POOR = 2
_APART = 1 / 3
_SAME = 1 + 1e-9


def verdicts(yard: Yard) -> tuple[Verdict, ...]:
    """One verdict for each stop, in the order given.

    Parameters
    ----------
    yard : Yard
        The garden as it stands: its weather, stops, sources, waters and cans.

    Returns
    -------
    tuple of Verdict
        What one stop takes from the shelf is gone for those after it.

    Examples
    --------
    See ``python -m dace.core verdict`` in ``docs/computation.md``.
    """
    stock = {source.key: source.stock for source in yard.sources}
    found: list[_Judged] = []
    for stop in yard.stops:
        if not stop.grows:
            continue
        one = _judged(stop, yard, stock)
        found.append(one)
        if one.verdict.recipe is not None and not one.verdict.mixed:
            stock[one.verdict.recipe.source] -= one.verdict.recipe.amount
    return _poured_together(found, yard)


@dataclass(frozen=True)
class _Judged:
    verdict: Verdict
    facts: Facts
    why: str
    cold: str

    def worded(self, verdict: Verdict) -> Verdict:
        """A verdict with its words."""
        kind = kind_of(verdict.kind)
        mark = kind.marked(self.facts, verdict)
        if verdict.to_get is not None:
            mark, headline = "get a feed", said_to_get(verdict.to_get)
        elif self.cold and not kind.acts:
            headline = self.cold
        else:
            headline = kind.headline(self.facts, verdict, self.why)
        return replace(
            verdict,
            mark="cover tonight" if self.cold else mark,
            headline=headline,
            button=kind.button(self.facts, verdict),
        )


_KNOWN: Same[_Judged] = Same(128)


def _poured_together(found: Sequence[_Judged], yard: Yard) -> tuple[Verdict, ...]:
    """The verdicts with the strength of the can that each is poured from."""
    whole = [one.verdict for one in found]
    names = {stop.key: stop.name for stop in yard.stops}
    largest = max((one.litres for one in yard.vessels), default=0.0)
    for can in shared(whole, largest, yard.filled):
        weakest = names[whole[can.stops[0]].stop]
        for at in can.stops:
            own = whole[at].recipe
            if own is not None and own.amount / own.litres <= can.per_l * _SAME:
                weakest = names[whole[at].stop]
        for at in can.stops:
            own = whole[at].recipe
            if own is not None and own.amount / own.litres > can.per_l * _SAME:
                thin = thinner(own, can.per_l, f"{SHARED} {weakest}", yard)
                whole[at] = found[at].worded(
                    replace(whole[at], recipe=thin, offers=(thin, *whole[at].offers[1:]))
                )
    return tuple(whole)


def _judged(stop: Stop, yard: Yard, stock: dict[str, float]) -> _Judged:
    """One stop's, from all that bears on it; the same is only looked up."""
    bare = replace(stop, followed=None)  # type: ignore[arg-type]
    around = (yard.days.digest, yard.sources, yard.waters, yard.vessels, yard.owned, yard.pen)
    follows_from = (stop.followed.whole, bare, stock.copy(), *around, yard.slider)
    return _KNOWN.of(stop.key, follows_from, lambda: _judge(stop, yard, stock))


def _judge(stop: Stop, yard: Yard, stock: dict[str, float]) -> _Judged:
    facts = facts_of(stop)
    decided = decide(facts, yard.days, yard.pen)
    offers: tuple[Portion, ...] = ()
    fed = _fed(facts, decided, yard.pen) if kind_of(decided.kind).feeds else ()
    if decided.kind == "dress":
        offers = dressings(facts, fed, lack_over_weeks(decided.reach, decided.lacks), yard, stock)
        if not offers:  # nothing slow on the shelf suits: a can does
            decided = replace(decided, kind="feed")
    if decided.kind == "feed" and room_ec(facts, fed) < LEAST_ROOM:
        why = "The medium can take no more food before it is too salty: plain water this time"
        decided, fed = replace(decided, kind="water", why=why), ()
    if decided.kind == "feed" and stop.mixed is not None:
        offers = _mixed_already(stop, fed, yard)
    elif decided.kind == "feed":
        offers = recipes(facts, fed, yard, stock, decided.lacks, room_ec(facts, fed))
    wanted = _wanted(facts, decided, offers)
    if wanted is not None:  # said as what it comes to: nothing is poured but water
        decided, fed = replace(decided, kind="wait", why=said_to_get(wanted)), ()
    plan, water = _plain(facts, decided, yard)
    cold = "" if decided.kind == "rest" and _over(decided) else cold_words(stop, yard.days)
    litres = _litres(facts, decided, fed, plan)
    verdict = Verdict(
        stop=stop.key,
        kind=decided.kind,
        mark="",
        headline="",
        reason=" ".join(said for said in _reasons(facts, decided, cold) if said),
        button="",
        each=tuple(_each(part, fed, decided) for part in decided.parts),
        basis=basis_of(facts, decided),
        working=plan.litres.working if plan else decided.reach.steps(0, facts.every_days),
        next_on=decided.next_on,
        recipe=offers[0] if offers else None,
        offers=offers,
        flush=plan,
        water=_poured(offers, water)[0],
        water_name=_poured(offers, water)[1],
        litres=litres,
        share=min((one.share for one in fed), default=1.0),
        question=decided.question,
        rhythm=rhythm_of(facts, decided, fed),
        mixed=stop.mixed is not None and decided.kind == "feed" and bool(offers),
        to_get=wanted,
    )
    judged = _Judged(verdict, facts, decided.why, cold)
    return replace(judged, verdict=judged.worded(verdict))


def _wanted(facts: Facts, decided: Decided, offers: Sequence[Portion]) -> ToGet | None:
    """What to get, where a feed is due and nothing on the shelf suits."""
    if offers or not kind_of(decided.kind).feeds:
        return None
    return to_get(facts, decided.reach, decided.lacks)


def _reasons(facts: Facts, decided: Decided, cold: str) -> tuple[str, ...]:
    """Why; a cold night first, where it is not the headline itself."""
    kind = kind_of(decided.kind)
    said = kind.reason(facts, decided)
    return (cold, said) if kind.acts else (said,)


def _over(decided: Decided) -> bool:
    """Whether nothing stands there any more."""
    ends = [part.grows.clock.ends_on for part in decided.parts]
    return all(end is not None and end <= decided.reach.facts.today for end in ends)


def _mixed_already(stop: Stop, fed: Sequence[Fed], yard: Yard) -> tuple[Portion, ...]:
    """So much of the can that stands there mixed; nothing where its jar or water are gone."""
    can = stop.mixed
    source = next((one for one in yard.sources if can and one.key == can.source), None)
    found = from_mixed(source, can, fed, yard) if source and can else None
    return (found,) if found else ()


def _fed(facts: Facts, decided: Decided, pen: bool) -> tuple[Fed, ...]:
    """Who is fed, and how strongly: at the weaker of two stages where one is in doubt."""
    found = []
    for part in decided.parts:
        if not kind_of(part.kind).feeds:
            continue
        one = part.grows
        stage = _weaker(one.clock.stage, one.clock.other)
        share = _share(facts, part, stage, pen)
        if matters(decided.question):
            share = min(share, HALF)
        found.append(Fed(one, stage, share, litres_each(facts, one, stage)))
    return tuple(found)


def _weaker(stage: Stage, other: Stage | None) -> Stage:
    """Of two stages the one that wishes less, where they lie more than a third apart."""
    if other is None or other.wish_of("N").typ <= 0:
        return stage
    ours, theirs = stage.wish_of("N").typ, other.wish_of("N").typ
    return other if theirs < ours * (1 - _APART) else stage


def _share(facts: Facts, part: Want, stage: Stage, pen: bool) -> float:
    """What share of its wish it gets: half near the top, up to the high end of it if it is low."""
    unread = not pen and facts.read is None and not facts.in_bed
    if facts.after_flush or unread or facts.word == "rising" or facts.near > HALF:
        return HALF
    poor = part.grows.score is not None and part.grows.score <= _POOR
    if facts.reads_low or poor:
        wish = stage.wish_of("N")
        return max(1.0, wish.high / wish.typ) if wish.typ > 0 else 1.0
    return facts.stop.strength


def _plain(facts: Facts, decided: Decided, yard: Yard) -> tuple[Flush | None, NamedWater | None]:
    """The water to pour, and the flush where there is one: the softest where salt is the matter."""
    if not yard.waters:
        return None, None
    softest = min(yard.waters, key=lambda water: water.ions.ec_ms_cm)
    if kind_of(decided.kind).softest:
        plan = None
        if decided.kind == "flush":
            try:
                plan = flush(facts.stop.followed, charged_water(softest.ions))
            except DaceError:
                plan = None  # the softest water is too salty itself: the verdict stands without
        return plan, softest
    return None, yard.waters[0]


def _poured(offers: tuple[Portion, ...], water: NamedWater | None) -> tuple[str, str]:
    """The water that is poured: the can's own where there is one."""
    if offers and offers[0].water:
        return offers[0].water, offers[0].water_name
    return (water.key, water.name) if water else ("", "")


def _litres(facts: Facts, decided: Decided, fed: Sequence[Fed], plan: Flush | None) -> float:
    """What is poured today of the verdict, for all plants [L]."""
    if plan is not None:
        return plan.each_l
    if fed:
        return sum(one.litres for one in fed)
    if kind_of(decided.kind).waters:
        return sum(
            litres_each(facts, part.grows, part.grows.clock.stage) * part.grows.plants
            for part in decided.parts
        )
    return 0.0


def _each(part: Want, fed: Sequence[Fed], decided: Decided) -> Each:
    litres = next((one.litres_each for one in fed if one.grows is part.grows), 0.0)
    kept = part.kind if part.kind == "rest" or decided.kind != "look" else "look"
    reason = part.why if kept != "look" else decided.why
    return Each(part.grows.key, litres if decided.kind == "feed" else 0.0, f"{reason}.")
