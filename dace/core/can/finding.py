"""Find a mix: the can that comes nearest to a wish, what bounds it, and what is simpler."""

from __future__ import annotations

from dataclasses import dataclass

from dace.core.can.ingredient import Ingredient, Source
from dace.core.can.measuring import measured
from dace.core.can.miss import part_of_miss
from dace.core.can.mix_asked import MixAsked
from dace.core.can.mixing import Mixture, fill_with
from dace.core.can.nearest import Found, Problem, nearest, used_in
from dace.core.errors import DaceError
from dace.core.matter.clashes import WHERE, Clash, clashes_among, meeting
from dace.core.matter.nutrients import NUTRIENT_NAMES, NUTRIENTS
from dace.core.result import say
from dace.core.words import shown

_MOST_SOURCES = 12
_AT = 0.995
_SHORT = 0.98
_HARDLY = 0.03


@dataclass(frozen=True)
class Taken:
    """So much of a source [mL or g] in the whole can, and how it is measured."""

    source: Source
    turn: int
    amount: float
    per_l: float
    words: str


@dataclass(frozen=True)
class Simpler:
    """A can with one source less: without which, how far off it is, and what it takes.

    ``costs`` says in words what that changes most.
    """

    without: str
    miss: float
    taken: tuple[Taken, ...]
    costs: str


@dataclass(frozen=True)
class FoundMix:
    """The nearest can.

    ``can`` is None where plain water comes nearest; ``bound_by`` says in words what stands
    in the way of coming nearer; ``clashes`` are of all sources asked, wherever they meet.
    """

    can: Mixture | None
    taken: tuple[Taken, ...]
    mg_l: tuple[tuple[str, float], ...]
    miss: float
    bound_by: tuple[str, ...]
    simpler: tuple[Simpler, ...]
    clashes: tuple[Clash, ...]


def find_mix(asked: MixAsked) -> FoundMix:
    """What to pour together so that a litre comes nearest to a wish.

    Parameters
    ----------
    asked : MixAsked
        Sources, water, vessel, wish and cap.

    Returns
    -------
    FoundMix
        Within one per cent of the least miss there is, under the cap and within stock.

    Raises
    ------
    DaceError
        If there is nothing to mix from, or more than a dozen sources.

    Examples
    --------
    >>> from dace.core.figures import Range
    >>> from dace.core.matter.composition import Label, composition
    >>> from dace.core.matter.waters import water_from_ec
    >>> salt = composition(Label(0, 0, 50, form="solid"))
    >>> wish = {"K": Range(60.0, 83.0, 120.0)}
    >>> potash = Source("potash", "potash", salt)
    >>> mix = find_mix(MixAsked((potash,), water_from_ec(0.0), 10.0, wish))
    >>> round(mix.taken[0].amount, 1), mix.miss < 1e-6
    (2.0, True)
    """
    if not 1 <= len(asked.sources) <= _MOST_SOURCES:
        raise DaceError(
            "sources", f"{len(asked.sources)} sources", f"1 to {_MOST_SOURCES} would do"
        )
    problem, found = nearest(asked)
    taken = _taken(asked, found)
    held = problem.held(found.per_l)
    return FoundMix(
        can=_can(asked, taken),
        taken=taken,
        mg_l=tuple((n, held[n]) for n in NUTRIENTS),
        miss=found.miss,
        bound_by=tuple(_bounds(asked, problem, found)),
        simpler=_simpler(asked, problem, found),
        clashes=_clashes(asked),
    )


def _taken(asked: MixAsked, found: Found) -> tuple[Taken, ...]:
    made = []
    for turn in sorted(used_in(found)):
        source, per_l = asked.sources[turn], found.per_l[turn]
        amount = per_l * asked.vessel_l
        words = measured(amount, source.feed.unit, asked.owned, source.g_per_ml).words
        made.append(Taken(source, turn, amount, per_l, words))
    return tuple(made)


def _can(asked: MixAsked, taken: tuple[Taken, ...]) -> Mixture | None:
    if not taken:
        return None
    parts = [Ingredient(one.source.feed, one.per_l, one.source.name) for one in taken]
    return fill_with(parts, asked.vessel_l, asked.water)


def _simpler(asked: MixAsked, problem: Problem, found: Found) -> tuple[Simpler, ...]:
    """Every can with one source less, the one that costs least first."""
    used = used_in(found)
    cans = [(turn, problem.solve(used - {turn})) for turn in sorted(used)]
    cans.sort(key=lambda pair: pair[1].miss)
    return tuple(
        Simpler(
            asked.sources[turn].name,
            can.miss,
            _taken(asked, can),
            _costs(asked, problem.held(found.per_l), problem.held(can.per_l)),
        )
        for turn, can in cans
    )


def _costs(asked: MixAsked, best: dict[str, float], simpler: dict[str, float]) -> str:
    """The nutrient that a simpler can misses most beside the best one, in words."""
    worse = {
        n: part_of_miss(n, simpler[n], wish) - part_of_miss(n, best[n], wish)
        for n, wish in asked.wish.items()
        if wish.typ > 0
    }
    nutrient = max(worse, key=lambda n: worse[n], default="")
    if not nutrient or worse[nutrient] < _HARDLY:
        return "hardly anything is lost"
    wish = asked.wish[nutrient]
    side = "only " if simpler[nutrient] < wish.typ else ""
    return (
        f"{side}{say(simpler[nutrient], 2)} mg/L of {NUTRIENT_NAMES[nutrient]}, "
        f"where {say(wish.typ, 2)} suit"
    )


def _clashes(asked: MixAsked) -> tuple[Clash, ...]:
    met = [meeting(one.name, one.feed, one.tokens) for one in asked.sources]
    return tuple(clash for where in WHERE for clash in clashes_among(met, where))


def _bounds(asked: MixAsked, problem: Problem, found: Found) -> list[str]:
    """What stands in the way of a nearer can, in words."""
    if found.miss <= 0:
        return []
    said = []
    if asked.cap is not None and found.feed_ec >= _AT * asked.cap:
        said.append(f"the cap: feed may add {shown.ec(asked.cap)} at most")
    for turn, source in enumerate(asked.sources):
        amount, most = found.per_l[turn], problem.most[turn]
        if 0 < most <= amount / _AT:
            empties = source.stock / asked.vessel_l <= most / _AT
            said.append(
                f"all there is of {source.name}"
                if empties
                else f"{source.name}: no stronger than is usual"
            )
    said += [_barred(asked, pair) for pair in problem.never if pair & used_in(found)]
    held = problem.held(found.per_l)
    for nutrient in NUTRIENTS:
        wish = asked.wish.get(nutrient)
        if wish is not None and wish.typ > 0 and held[nutrient] < _SHORT * wish.low:
            said.append(_short(asked, problem, nutrient))
        elif wish is not None and held[nutrient] > wish.high / _SHORT:
            said.append(f"{NUTRIENT_NAMES[nutrient]}: more than is wished comes with the rest")
    return said


def _barred(asked: MixAsked, pair: frozenset[int]) -> str:
    one, other = (asked.sources[turn].name for turn in sorted(pair))
    return f"{one} and {other} never go into one can"


def _short(asked: MixAsked, problem: Problem, nutrient: str) -> str:
    name = NUTRIENT_NAMES[nutrient]
    brings = [
        one.name
        for turn, one in enumerate(asked.sources)
        if one.feed.element(nutrient) > 0 and problem.most[turn] > 0
    ]
    if not brings:
        return f"{name}: none of these brings it"
    return f"{name}: more of {' or '.join(brings)} would bring too much else"
