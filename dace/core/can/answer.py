"""The Bench's one answer: what was said, the can it makes, and how that sits with the stage."""

from __future__ import annotations

from dataclasses import dataclass, replace

from dace.core.can.capping import Bounded, CapCheck, cap_check
from dace.core.can.fitting import solve_amount
from dace.core.can.ingredient import Ingredient
from dace.core.can.measured_out import (
    Measured,
    Way,
    in_measures,
    rounding_words,
    spoken_words,
    ways_of,
)
from dace.core.can.measures import Owned, Rounded, with_kitchen
from dace.core.can.mixing import Mixture, Poured, fill_with
from dace.core.can.strength import Strength, format_strength, parse_strength
from dace.core.can.usual import For, default_amount, never_there, rounded_strength, usual_amount
from dace.core.errors import DaceError
from dace.core.figures import Range, judgement
from dace.core.matter.composition import Composition, combined, composition
from dace.core.matter.label import Label, density
from dace.core.matter.waters import WaterIons, water_from_ec
from dace.core.result import say
from dace.core.season.crops import Crop, Stage, crops, feed_cap
from dace.core.words.amounts import Glass, measure_for


@dataclass(frozen=True)
class Beside:
    """Another source in the same can, at a strength of its own; see ``CanAsked``."""

    name: str
    strength: str | float
    feed: Composition
    stock: float | None = None
    reading: int = 0
    g_per_ml: float | None = None
    tokens: frozenset[str] = frozenset()


@dataclass(frozen=True)
class CanAsked:
    """What a gardener wants in a can, and for whom.

    ``stock`` is what the jar still holds in its unit, None where nobody knows;
    ``reading`` picks one reading of an ambiguous strength (0 is the likeliest);
    ``owned`` are the measures to round to beside a kitchen's spoons;
    ``g_per_ml`` is what a level mL of a dry feed weighs, None where nobody weighed it.
    ``tokens`` name the feed, ``setting`` is where they stand and ``share`` how much of its
    wish a stage gets now, for "what the stage likes". ``name`` is what the jar is called, and
    ``beside`` what else is poured into the same can.
    """

    strength: str | float
    feed: Composition
    water: WaterIons
    vessel_l: float
    measures: str | None = "metric"
    crop: Crop | None = None
    stage: Stage | None = None
    stock: float | None = None
    reading: int = 0
    owned: tuple[Owned, ...] = ()
    g_per_ml: float | None = None
    tokens: frozenset[str] = frozenset()
    setting: str = "pot"
    share: float = 1.0
    name: str = ""
    beside: tuple[Beside, ...] = ()


@dataclass(frozen=True)
class ReadAs:
    """One reading of the strength, with the can it makes."""

    strength: Strength
    can: Mixture


@dataclass(frozen=True)
class Answer:
    """Everything the Bench shows for one can; ``beside`` are its further sources in order."""

    readings: tuple[ReadAs, ...]
    can: Mixture
    ways: tuple[Way, ...]
    cap: CapCheck | None
    measure: Glass
    rounded: Rounded | None
    rounding: str
    spoken: str
    beside: tuple[Measured, ...] = ()


def answer(asked: CanAsked) -> Answer:
    """Read a strength, fill the can and judge it.

    Parameters
    ----------
    asked : CanAsked
        The strength as typed, the jar, the water, the vessel and the stage.

    Returns
    -------
    Answer
        For the reading asked for; every other reading stands beside it.

    Raises
    ------
    DaceError
        Naming the field that cannot be used.
    """
    beside, said = _beside(asked)
    strengths = _readings(asked)
    cans = tuple(ReadAs(s, _can(s, asked, beside)) for s in strengths)
    can = cans[min(max(asked.reading, 0), len(cans) - 1)].can
    cap = None
    if asked.crop and asked.stage:
        who = Bounded(asked.feed, asked.water, asked.vessel_l, asked.crop, asked.stage)
        cap = cap_check(can, who, beside)
    first = can.parts[0]
    rounded = in_measures(first, _owned(asked), asked.g_per_ml)
    return Answer(
        readings=cans,
        can=can,
        ways=ways_of(can, asked.feed.label.rate_per_l),
        cap=cap,
        measure=measure_for(can.amount),
        rounded=rounded,
        rounding=rounding_words(first, can.vessel_l, rounded, _guessed(asked)),
        spoken=spoken_words(first, can, rounded),
        beside=tuple(
            _measured_beside(one, can.parts[turn], can, readings)
            for turn, (one, readings) in enumerate(said, start=1)
        ),
    )


def _readings(asked: CanAsked) -> list[Strength]:
    if isinstance(asked.strength, float):
        said = format_strength(asked.strength, asked.feed.unit)
        return [Strength("per_litre", asked.strength, said, asked.feed.unit)]
    read = parse_strength(asked.strength, asked.measures, asked.feed.unit)
    return [_in_its_unit(one, asked) for one in read]


def _beside(
    asked: CanAsked,
) -> tuple[tuple[Ingredient, ...], list[tuple[CanAsked, tuple[str, ...]]]]:
    """The other sources as parts, and how each was asked for and read."""
    parts: list[Ingredient] = []
    told = []
    for one in asked.beside:
        alone = replace(
            asked,
            strength=one.strength,
            feed=one.feed,
            stock=one.stock,
            reading=one.reading,
            g_per_ml=one.g_per_ml,
            tokens=one.tokens,
            name=one.name,
            beside=(),
        )
        strengths = _readings(alone)
        chosen = strengths[min(max(one.reading, 0), len(strengths) - 1)]
        off = _by_spoon() if chosen.spooned else None
        parts.append(Ingredient(one.feed, _amount(chosen, alone), one.name, off))
        told.append((alone, tuple(strength.meaning for strength in strengths)))
    return tuple(parts), told


def _measured_beside(
    asked: CanAsked, part: Poured, can: Mixture, readings: tuple[str, ...]
) -> Measured:
    rounded = in_measures(part, _owned(asked), asked.g_per_ml)
    return Measured(
        readings=readings,
        strength=format_strength(part.per_l, part.unit),
        measure=measure_for(part.amount),
        rounded=rounded,
        rounding=rounding_words(part, can.vessel_l, rounded, _guessed(asked)),
        spoken=spoken_words(part, can, rounded),
    )


def _owned(asked: CanAsked) -> tuple[Owned, ...]:
    return with_kitchen(asked.owned, asked.measures or "metric")


def _guessed(asked: CanAsked) -> bool:
    """Whether spoons of it go by a usual weight, since nobody weighed one."""
    return asked.feed.unit == "g" and asked.g_per_ml is None


def warm_up() -> None:
    """Read every table and unit once, so that the first can is as quick as the next."""
    feed = composition(Label(4, 3, 8, density_g_per_ml=1.15))
    grown = next(iter(crops().values()))
    answer(
        CanAsked("2 tsp per can", feed, water_from_ec(0.5), 9.0, crop=grown, stage=grown.stages[-1])
    )


def _can(strength: Strength, asked: CanAsked, beside: tuple[Ingredient, ...]) -> Mixture:
    off = _by_spoon() if strength.spooned else None
    first = Ingredient(
        asked.feed, _amount(strength, asked, beside), asked.name if beside else "", off
    )
    return fill_with((first, *beside), asked.vessel_l, asked.water)


def _amount(strength: Strength, asked: CanAsked, beside: tuple[Ingredient, ...] = ()) -> float:
    if strength.kind == "wish":
        return _liked(asked)
    if strength.kind in ("usual", "usual_leaf"):
        leaves = strength.kind == "usual_leaf"
        per_l = strength.amount * usual_amount(asked.feed, asked.tokens, leaves)
        return rounded_strength(per_l, asked.feed.unit)
    return solve_amount(strength, asked.feed, asked.water, asked.vessel_l, beside)


def _in_its_unit(strength: Strength, asked: CanAsked) -> Strength:
    """A powder told by the spoon in grams, a liquid told by weight in mL."""
    if strength.unit in ("", asked.feed.unit):
        return strength
    if strength.unit == "g":
        g_per_ml = density(asked.feed.label)
        meaning = f"{strength.meaning}, at {say(g_per_ml, 3)} g/mL"
        return replace(strength, amount=strength.amount / g_per_ml, unit="mL", meaning=meaning)
    lies = judgement("dry_density").range
    g_per_ml = asked.g_per_ml or lies.typ
    known = "" if asked.g_per_ml else f" ({say(lies.low)} to {say(lies.high)}: weigh one once)"
    meaning = f"{strength.meaning}, level spoons of {say(g_per_ml, 2)} g/mL{known}"
    grams, guessed = strength.amount * g_per_ml, asked.g_per_ml is None
    return replace(strength, amount=grams, unit="g", meaning=meaning, spooned=guessed)


def _by_spoon() -> Range:
    """How far off a spoon of something that nobody weighed may be, around 1."""
    lies = judgement("dry_density").range
    return combined(lies.scaled(1 / lies.typ), judgement("measuring_tolerance").range)


def _liked(asked: CanAsked) -> float:
    """What suits by default: one function says it for every screen."""
    if asked.crop is None or asked.stage is None:
        raise DaceError("strength", "what the stage likes, with no stage", "choose a stop first")
    who = For(asked.crop, asked.stage, asked.setting, asked.share)
    found = default_amount(asked.feed, asked.tokens, who, asked.water)
    if found is not None:
        return rounded_strength(found.per_l, asked.feed.unit)
    named = f"{asked.crop.name.lower()} {asked.stage.words}"
    never = never_there(asked.tokens, who)
    if never:
        raise DaceError(
            "strength", f"what {named} likes of it, which is never poured on {never}", "another jar"
        )
    cap = feed_cap(asked.crop, asked.stage, asked.water.ec_ms_cm)
    if cap.feed_ec_ms_cm <= 0:
        raise DaceError("strength", "a water as salty as this stage bears", "use rain water")
    raise DaceError(
        "strength",
        f"what {named} likes of it, which is nothing",
        "pour plain water, or say a strength yourself",
    )
