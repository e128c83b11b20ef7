"""All verdicts of a garden on a day, one for each stop where something grows."""

from __future__ import annotations

from collections.abc import Iterable, Mapping, Sequence
from dataclasses import dataclass, replace

from dace.core.errors import DaceError
from dace.core.fed.dressing import dressings, lack_over_weeks
from dace.core.fed.facts import Facts, facts_of
from dace.core.fed.meals import meal_of, strong_as
from dace.core.fed.options import Fed
from dace.core.fed.recipe import from_mixed, litres_each, of_can, recipes, whole_can
from dace.core.fed.records import Each, NamedWater, Portion, Stop, ToGet, Verdict, Yard
from dace.core.fed.rhythm import rhythm_now
from dace.core.rootzone.flush import Flush, flush, unread
from dace.core.rootzone.records import charged_water
from dace.core.same import Same
from dace.core.season.crops import Stage
from dace.core.verdict.case import Decided
from dace.core.verdict.cold_night import COVER, cold_words
from dace.core.verdict.kinds import decide, kind_of, matters
from dace.core.verdict.to_get import said_to_get, to_get
from dace.core.verdict.together import SHARED, Bid, bids_of, shared
from dace.core.verdict.wants import Want
from dace.core.verdict.words import basis_of, locked_by_ph, small_pot

_APART = 1 / 3
_IN_DOUBT = 0.5
_SAME = 1 + 1e-9
_ROUNDING = 1e-9


def verdicts(yard: Yard) -> tuple[Verdict, ...]:
    """One verdict for each stop, in the order given.

    Parameters
    ----------
    yard : Yard
        The garden as it stands: its weather, stops, sources, waters and cans.

    Returns
    -------
    tuple of Verdict
        Where the shelf cannot serve all, it serves those first that are owed most.

    Examples
    --------
    See ``python -m dace.core verdict`` in ``docs/computation.md``.
    """
    stock = {source.key: source.stock for source in yard.sources}
    stops = [stop for stop in yard.stops if stop.grows]
    found = [_judged(stop, yard, stock) for stop in stops]
    left = left_after(stock, [one.verdict for one in found])
    if any(amount < -_ROUNDING for amount in left.values()):
        for at in sorted(range(len(stops)), key=lambda at: found[at].turn):
            found[at] = _judged(stops[at], yard, stock)
            stock = left_after(stock, [found[at].verdict])
    whole = {source.key: source.stock for source in yard.sources}
    return _poured_together(found, yard, whole)


def left_after(stock: Mapping[str, float], verdicts: Iterable[Verdict]) -> dict[str, float]:
    """What is left of each source once verdicts are done [mL or g], by key."""
    left = dict(stock)
    for one in verdicts:
        if one.recipe is not None and not one.mixed:
            for key, amount in one.recipe.used.items():
                left[key] -= amount
    return left


@dataclass(frozen=True)
class _Judged:
    verdict: Verdict
    facts: Facts
    why: str
    cold: str
    urgent: float

    @property
    def turn(self) -> tuple[float, bytes]:
        """When it is served where the shelf is short: by what is owed, then by its facts."""
        return -round(self.urgent, 6), self.facts.stop.followed.whole

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
            mark=COVER if self.cold else mark,
            headline=headline,
            button=kind.button(self.facts, verdict),
        )


_KNOWN: Same[_Judged] = Same(128)


def _poured_together(
    found: Sequence[_Judged], yard: Yard, stock: dict[str, float]
) -> tuple[Verdict, ...]:
    """The verdicts with the strength of the can that each is poured from."""
    whole = [one.verdict for one in found]
    dry = (one for one in whole if one.recipe and not one.recipe.can)
    rows = [_canned(one) for one in whole]
    names = {stop.key: stop.name for stop in yard.stops}
    for can in shared(rows, yard, left_after(stock, dry)):
        least = min(range(len(can.stops)), key=lambda turn: can.bids[turn].strong)
        for at, bid in zip(can.stops, can.bids, strict=True):
            offer = whole[at].offers[bid.offer]
            own, litres = offer, can.poured(bid)
            if (bid.per_l, offer.litres) != (can.per_l, litres):
                own = whole_can(offer, can.parts, litres, yard)
            own = of_can(own, whole_can(offer, can.parts, can.litres, yard))
            if own.per_l < offer.per_l / _SAME and at != can.stops[least]:
                why = f"{SHARED} {names[whole[can.stops[least]].stop]}"
                own = replace(own, bound_by=why)
            rest = (one for one in whole[at].offers if one is not offer)
            whole[at] = found[at].worded(replace(whole[at], recipe=own, offers=(own, *rest)))
    return tuple(whole)


def _canned(found: Verdict) -> list[Bid]:
    """What the stop may get of a can that is mixed today."""
    own = found.recipe
    if found.mixed or own is None or own.can is None or own.litres <= 0:
        return []
    return bids_of(found.offers)


def _judged(stop: Stop, yard: Yard, stock: dict[str, float]) -> _Judged:
    """One stop's, from all that bears on it; the same is only looked up."""
    bare = replace(stop, followed=None)  # type: ignore[arg-type]
    around = (yard.days.digest, yard.sources, yard.waters, yard.vessels, yard.owned, yard.pen)
    said = (yard.spoons, yard.weighs, yard.slider, yard.tonight)
    follows_from = (stop.followed.whole, bare, stock.copy(), *around, *said)
    return _KNOWN.of(stop.key, follows_from, lambda: _judge(stop, yard, stock))


def _judge(stop: Stop, yard: Yard, stock: dict[str, float]) -> _Judged:
    facts = facts_of(stop, rhythm_now(stop, yard.sources, yard.waters))
    decided = decide(facts, yard.days, yard.pen)
    offers: tuple[Portion, ...] = ()
    fed = _fed(facts, decided) if kind_of(decided.kind).feeds else ()
    if decided.kind == "dress":
        offers = dressings(facts, fed, lack_over_weeks(decided.owed), yard, stock)
        if not offers:  # nothing slow on the shelf suits: a can does, on its day
            decided = _canned_instead(facts, decided)
    if decided.kind == "feed" and stop.mixed is not None:
        offers = _mixed_already(stop, fed, yard)
    elif decided.kind == "feed":
        meal = meal_of(facts, fed, yard, decided.owed)
        offers = recipes(meal, stock) if meal else ()
        fed = _less(fed, offers)
    if not kind_of(decided.kind).feeds:
        fed = ()
    wanted = _wanted(decided, offers)
    if wanted is not None:  # said as what it comes to: nothing is poured but water
        decided, fed = replace(decided, kind="wait", why=said_to_get(wanted)), ()
    plan, water = _plain(facts, decided, yard)
    cold = (
        ""
        if decided.kind == "rest" and _over(decided)
        else cold_words(stop, yard.days, yard.tonight)
    )
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
        working=plan.litres.working if plan else decided.owed.steps(0, facts.rhythm.counted),
        next_on=decided.next_on,
        recipe=offers[0] if offers else None,
        offers=offers,
        flush=plan,
        water=_poured(offers, water)[0],
        water_name=_poured(offers, water)[1],
        litres=litres,
        share=min((one.share for one in fed), default=1.0),
        question=decided.question,
        rhythm=small_pot(facts, fed),
        mixed=stop.mixed is not None and decided.kind == "feed" and bool(offers),
        to_get=wanted,
        cause=kind_of(decided.kind).cause(facts),
        owed_mg=tuple(decided.owed.of().tolist()) if kind_of(decided.kind).feeds else (),
    )
    judged = _Judged(verdict, facts, decided.why, cold, decided.owed.urgent)
    return replace(judged, verdict=judged.worded(verdict))


def _canned_instead(facts: Facts, decided: Decided) -> Decided:
    """A dressing that nothing on the shelf gives, as a can today or when its slot opens."""
    if facts.slot_on <= facts.today:
        return replace(decided, kind="feed")
    return replace(decided, kind="wait", next_on=facts.slot_on)


def _less(fed: Sequence[Fed], offers: Sequence[Portion]) -> tuple[Fed, ...]:
    """The same with the litres that the first offer pours, which may be less than they take."""
    whole = sum(one.litres for one in fed)
    if not offers or whole <= 0 or not offers[0].litres:
        return tuple(fed)
    times = offers[0].litres / whole
    return tuple(replace(one, litres_each=one.litres_each * times) for one in fed)


def _wanted(decided: Decided, offers: Sequence[Portion]) -> ToGet | None:
    """What to get, where a feed is due and nothing on the shelf suits."""
    if offers or not kind_of(decided.kind).feeds:
        return None
    return to_get(decided.owed)


def _reasons(facts: Facts, decided: Decided, cold: str) -> tuple[str, ...]:
    """Why; a cold night first, where it is not the headline itself."""
    kind = kind_of(decided.kind)
    said = kind.reason(facts, decided)
    if not kind.acts:
        return (said,)
    return cold, said, locked_by_ph(facts) if kind.feeds else ""


def _over(decided: Decided) -> bool:
    """Whether nothing stands there any more."""
    ends = [part.grows.clock.ends_on for part in decided.parts]
    return all(end is not None and end <= decided.owed.facts.today for end in ends)


def _mixed_already(stop: Stop, fed: Sequence[Fed], yard: Yard) -> tuple[Portion, ...]:
    """So much of the can that stands there mixed; nothing where its jar or water are gone."""
    can = stop.mixed
    found = from_mixed(can, fed, yard) if can else None
    return (found,) if found else ()


def _fed(facts: Facts, decided: Decided) -> tuple[Fed, ...]:
    """Who is fed, and how strongly: at the weaker of two stages where one is in doubt."""
    found = []
    each = litres_each(facts, decided.owed.litres)
    for part in decided.parts:
        if not kind_of(part.kind).feeds:
            continue
        one = part.grows
        share = strong_as(facts, one)
        if matters(decided.question):
            share *= _IN_DOUBT
        found.append(Fed(one, _weaker(one.clock.stage, one.clock.other), share, each))
    return tuple(found)


def _weaker(stage: Stage, other: Stage | None) -> Stage:
    """Of two stages the one that wishes less, where they lie more than a third apart."""
    if other is None or other.wish_of("N").typ <= 0:
        return stage
    ours, theirs = stage.wish_of("N").typ, other.wish_of("N").typ
    return other if theirs < ours * (1 - _APART) else stage


def _plain(facts: Facts, decided: Decided, yard: Yard) -> tuple[Flush | None, NamedWater | None]:
    """The water to pour, and the flush where there is one: the softest where salt is the matter."""
    if not yard.waters:
        return None, None
    softest = min(yard.waters, key=lambda water: water.ions.ec_ms_cm)
    if kind_of(decided.kind).softest:
        plan = None
        if decided.kind == "flush":
            try:
                water = charged_water(softest.ions)
                plan = flush(facts.stop.followed, water, anyway=facts.said_salty)
                if plan is not None and not yard.pen:
                    plan = unread(plan, facts.stop.followed, water)
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
        return plan.now_l
    if fed:
        return sum(one.litres for one in fed)
    if kind_of(decided.kind).waters:
        each = litres_each(facts, decided.owed.litres)
        return sum(each * part.grows.plants for part in decided.parts)
    return 0.0


def _each(part: Want, fed: Sequence[Fed], decided: Decided) -> Each:
    litres = next((one.litres_each for one in fed if one.grows is part.grows), 0.0)
    kept = part.kind if part.kind == "rest" or decided.kind != "look" else "look"
    reason = part.why if kept != "look" else decided.why
    return Each(part.grows.key, litres if decided.kind == "feed" else 0.0, f"{reason}.")
