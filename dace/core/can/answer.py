"""The Bench's one answer: what was said, the can it makes, and how that sits with the stage."""

from __future__ import annotations

from dataclasses import dataclass, replace

from dace.core.can.dry import usual_dry_density
from dace.core.can.fitting import friendly_parts, solve_amount, strongest_within
from dace.core.can.measures import TEASPOON_ML, Owned, Rounded, round_to_owned, usual_measures
from dace.core.can.mixing import Mixture, fill_can
from dace.core.can.parts import can_ec
from dace.core.can.strength import Strength, ratio_words, read_strength
from dace.core.can.usual import For, default_amount, never_there, strength_said
from dace.core.errors import DaceError
from dace.core.figures import Range, judgement
from dace.core.matter.composition import Composition, combined, composition
from dace.core.matter.label import Label, density
from dace.core.matter.waters import WaterIons, water_from_ec
from dace.core.result import Step, Working, say
from dace.core.season.crops import Crop, Stage, crop, feed_cap
from dace.core.words import shown
from dace.core.words.amounts import Glass, measure_for


@dataclass(frozen=True)
class CanAsked:
    """What a gardener wants in a can, and for whom.

    ``stock`` is what the jar still holds in its unit, None where nobody knows;
    ``reading`` picks one reading of an ambiguous strength (0 is the likeliest);
    ``owned`` are the measures to round to (a kitchen's spoons where none are said);
    ``g_per_ml`` is what a level mL of a dry feed weighs, None where nobody weighed it.
    ``tokens`` name the feed, ``setting`` is where they stand and ``share`` how much of its
    wish a stage gets now, for "what the stage likes".
    """

    strength: str
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


@dataclass(frozen=True)
class CapCheck:
    """A can beside what its stage bears.

    All conductivities are mS/cm at 25 C. ``total_at_cap`` is what the whole can
    reads when its feed just reaches the cap, from the mixed ions, so that it
    stands on the same scale as the can. ``amount_at_cap`` is None where the neat
    feed stays below the cap.
    """

    cap: float
    feed_ec: float
    over: bool
    over_percent: float
    total_at_cap: float | None
    amount_at_cap: float | None
    strongest: str
    working: Working


@dataclass(frozen=True)
class ReadAs:
    """One reading of the strength, with the can it makes."""

    strength: Strength
    can: Mixture


@dataclass(frozen=True)
class Answer:
    """Everything the Bench shows for one can."""

    readings: tuple[ReadAs, ...]
    can: Mixture
    ways: tuple[tuple[str, str], ...]
    cap: CapCheck | None
    measure: Glass
    rounded: Rounded | None
    rounding: str
    spoken: str


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
    read = read_strength(asked.strength, asked.measures, asked.feed.unit)
    strengths = [_in_its_unit(one, asked) for one in read]
    cans = tuple(ReadAs(s, _can(s, asked)) for s in strengths)
    can = cans[min(max(asked.reading, 0), len(cans) - 1)].can
    cap = _cap(can, asked) if asked.crop and asked.stage else None
    rounded = _measured(can, asked)
    guessed = can.unit == "g" and asked.g_per_ml is None
    return Answer(
        readings=cans,
        can=can,
        ways=_ways(can, asked.feed.label.rate_per_l),
        cap=cap,
        measure=measure_for(can.amount),
        rounded=rounded,
        rounding=_rounding(can, rounded, guessed),
        spoken=_spoken(can, rounded),
    )


def warm_up() -> None:
    """Read every table and unit once, so that the first can is as quick as the next."""
    feed = composition(Label(4, 3, 8, density_g_per_ml=1.15))
    grown = crop("aubergine")
    answer(
        CanAsked("2 tsp per can", feed, water_from_ec(0.5), 9.0, crop=grown, stage=grown.stages[-1])
    )


def _can(strength: Strength, asked: CanAsked) -> Mixture:
    if strength.kind == "wish":
        amount = _liked(asked)
    else:
        amount = solve_amount(strength, asked.feed, asked.water, asked.vessel_l)
    off = _by_spoon() if strength.spooned else None
    return fill_can(amount, asked.vessel_l, asked.feed, asked.water, off)


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
        return strength_said(found.per_l, asked.feed.unit)
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


def strength_words(can: Mixture) -> str:
    """How strong a can is, as one says it: ``1 + 200`` for liquids, ``0.6 g/L`` for solids."""
    if can.unit == "mL":
        return ratio_words(can.amount_per_l)
    return shown.in_each(can.amount_per_l, "g")


def _ways(can: Mixture, rate: float | None) -> tuple[tuple[str, str], ...]:
    """The same can said in each way, as bare numbers; of the label, in per cent."""
    return (
        ("parts", strength_words(can)),
        ("can", say(can.amount, 3)),
        ("per_litre", say(can.amount_per_l * shown.volume_units()[0].litres, 3)),
        ("nitrogen", say(can.nutrient("N").value, 3)),
        ("ec", shown.ec_number(can.ec.value)),
        ("label", f"{100 * can.amount_per_l / rate:.0f}" if rate else ""),
    )


def _cap(can: Mixture, asked: CanAsked) -> CapCheck:
    assert asked.crop is not None
    assert asked.stage is not None
    cap = feed_cap(asked.crop, asked.stage, asked.water.ec_ms_cm)
    fits = strongest_within(cap.feed_ec_ms_cm, asked.feed)
    total_at_cap = can_ec(fits, asked.feed, asked.water) if fits else None
    amount_at_cap = fits * asked.vessel_l if fits else None
    over = 100 * (can.feed_ec / cap.feed_ec_ms_cm - 1) if cap.feed_ec_ms_cm > 0 else 100.0
    steps = [cap.step, Step("this feed in pure water", "", can.feed_ec, "mS/cm", "from its ions")]
    strongest = ""
    if fits and total_at_cap is not None and amount_at_cap is not None:
        strongest = (
            f"1 + {friendly_parts(fits)}" if can.unit == "mL" else shown.in_each(fits, "g", 2)
        )
        steps.append(
            Step(
                "the strongest that fits",
                f"{say(fits, 5)} {can.unit} × {say(asked.vessel_l)}",
                amount_at_cap,
                can.unit,
                f"about {strongest}",
            )
        )
        steps.append(Step("the can then reads", "", total_at_cap, "mS/cm", "water and feed mixed"))
    return CapCheck(
        cap=cap.feed_ec_ms_cm,
        feed_ec=can.feed_ec,
        over=can.feed_ec > cap.feed_ec_ms_cm,
        over_percent=over,
        total_at_cap=asked.water.ec_ms_cm if fits == 0 else total_at_cap,
        amount_at_cap=0.0 if fits == 0 else amount_at_cap,
        strongest=strongest,
        working=tuple(steps),
    )


def _measured(can: Mixture, asked: CanAsked) -> Rounded | None:
    """The amount in measures that are owned; a dry feed by what a level spoon of it weighs."""
    owned = asked.owned or usual_measures(asked.measures or "metric")
    if can.unit == "mL":
        return round_to_owned(can.amount, owned)
    return round_to_owned(can.amount / (asked.g_per_ml or usual_dry_density()), owned)


def _rounding(can: Mixture, rounded: Rounded | None, guessed: bool) -> str:
    """What measuring that way makes of the can; empty where it makes nothing of it."""
    if rounded is None:
        return ""
    if guessed:
        lies = judgement("dry_density").range
        low, likely, high = (say(TEASPOON_ML * v, 2) for v in (lies.low, lies.typ, lies.high))
        spoon = f"if a level teaspoon of it weighs {likely} g ({low} to {high})"
        return f"{rounded.words} {spoon}: weigh one once"
    if abs(rounded.off_percent) < 0.5:
        return f"{rounded.words} is the same"
    side = "stronger" if rounded.off_percent > 0 else "weaker"
    made = ""
    if can.unit == "mL":
        made = f", {ratio_words(rounded.ml / can.vessel_l)}"
    return f"{rounded.words} makes it {abs(rounded.off_percent):.0f} % {side}{made}"


def _spoken(can: Mixture, rounded: Rounded | None) -> str:
    unit = {"mL": "millilitres", "g": "grams"}[can.unit]
    kitchen = f", about {rounded.words}" if rounded else ""
    return (
        f"{say(can.amount, 3)} {unit}{kitchen}, {strength_words(can)}, "
        f"the can reads {shown.ec_number(can.ec.value, 1)}"
    )
