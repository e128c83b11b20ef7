"""One source of a can as it is measured out and said."""

from __future__ import annotations

from dataclasses import dataclass

from dace.core.can.dry import usual_dry_density
from dace.core.can.measures import TEASPOON_ML, Owned, Rounded, round_to_owned
from dace.core.can.mixing import Mixture, Poured
from dace.core.can.strength import ratio_words
from dace.core.figures import judgement
from dace.core.result import say
from dace.core.words import shown
from dace.core.words.amounts import Glass, amount_words


@dataclass(frozen=True)
class Measured:
    """One source of a can as it is measured out.

    ``readings`` are those of its strength; ``strength`` is how it is said of this can.
    """

    readings: tuple[str, ...]
    strength: str
    measure: Glass
    rounded: Rounded | None
    rounding: str
    spoken: str


def part_strength(part: Poured) -> str:
    """How strong one source is, as one says it: ``1 + 200`` for liquids, ``0.6 g/L`` for solids."""
    if part.unit == "mL":
        return ratio_words(part.per_l)
    return shown.in_each(part.per_l, "g")


def strength_words(can: Mixture) -> str:
    """How strong a can is: its first source as one says it, the others named beside it."""
    first, *others = can.parts
    said = part_strength(first)
    if not others:
        return said
    return " and ".join([said, *(f"{amount_words(o.amount, o.unit)} of {o.name}" for o in others)])


def ways_of(can: Mixture, rate: float | None) -> tuple[tuple[str, str], ...]:
    """The same can said in each way, as bare numbers; of the label, in per cent."""
    return (
        ("parts", part_strength(can.parts[0])),
        ("can", say(can.amount, 3)),
        ("per_litre", say(can.amount_per_l * shown.volume_units()[0].litres, 3)),
        ("nitrogen", say(can.nutrient("N").value, 3)),
        ("ec", shown.ec_number(can.ec.value)),
        ("label", f"{100 * can.amount_per_l / rate:.0f}" if rate else ""),
    )


def rounding_words(part: Poured, vessel_l: float, rounded: Rounded | None, guessed: bool) -> str:
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
    if part.unit == "mL":
        made = f", {ratio_words(rounded.ml / vessel_l)}"
    return f"{rounded.words} makes it {abs(rounded.off_percent):.0f} % {side}{made}"


def spoken_words(part: Poured, can: Mixture, rounded: Rounded | None) -> str:
    """It as a slider says it aloud."""
    unit = {"mL": "millilitres", "g": "grams"}[part.unit]
    kitchen = f", about {rounded.words}" if rounded else ""
    return (
        f"{say(part.amount, 3)} {unit}{kitchen}, {part_strength(part)}, "
        f"the can reads {shown.ec_number(can.ec.value, 1)}"
    )


def in_measures(part: Poured, owned: tuple[Owned, ...], g_per_ml: float | None) -> Rounded | None:
    """The amount in measures that are owned; a dry feed by what a level spoon of it weighs."""
    if part.unit == "mL":
        return round_to_owned(part.amount, owned)
    return round_to_owned(part.amount / (g_per_ml or usual_dry_density()), owned)
