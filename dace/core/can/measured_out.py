"""One source of a can as it is measured out and said."""

from __future__ import annotations

from dataclasses import dataclass

from dace.core.can.dry import usual_dry_density
from dace.core.can.measures import TEASPOON_ML, Owned, Rounded, round_to_owned
from dace.core.can.mixing import Mixture, Poured
from dace.core.can.strength import format_strength
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


def strength_words(can: Mixture) -> str:
    """How strong a can is: its first source as one says it, the others named beside it."""
    first, *others = can.parts
    said = format_strength(first.per_l, first.unit)
    if not others:
        return said
    return " and ".join([said, *(f"{amount_words(o.amount, o.unit)} of {o.name}" for o in others)])


@dataclass(frozen=True)
class Way:
    """One way to say how strong a can is: as its box shows it, and the same in full."""

    key: str
    shown: str
    said: str


def ways_of(can: Mixture, rate: float | None) -> tuple[Way, ...]:
    """The same can said in each way that it can be said in, each as it is read back."""
    first = can.parts[0]
    said = format_strength(first.per_l, first.unit)
    feed_n = can.nutrient("N").value - dict(can.from_water)["N"]
    per_volume = shown.in_each(first.per_l, first.unit)
    ways = [
        Way("parts", said, said),
        Way("can", say(first.amount, 3), f"{say(first.amount, 3)} {first.unit}"),
        Way("per_litre", per_volume.split(" ")[0], per_volume),
    ]
    if feed_n >= _LEAST_N:
        ways.append(Way("nitrogen", say(feed_n, 3), f"N {say(feed_n, 3)} mg/L"))
    if can.ec.value - can.water_ec >= _LEAST_EC:
        number = shown.ec_number(can.ec.value).replace(",", "")
        ways.append(Way("ec", number, f"EC {number} {shown.scale_name()}"))
    if rate:
        percent = say(100 * first.per_l / rate, 3)
        ways.append(Way("label", percent, f"{percent} % of the label"))
    return tuple(ways)


_LEAST_N = 0.01  # mg/L; less is no nitrogen to say a can by
_LEAST_EC = 0.1  # mS/cm; less is within what a pen's last digit hides


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
        made = f", {format_strength(rounded.ml / vessel_l, 'mL')}"
    return f"{rounded.words} makes it {abs(rounded.off_percent):.0f} % {side}{made}"


def spoken_words(part: Poured, can: Mixture, rounded: Rounded | None) -> str:
    """It as a slider says it aloud."""
    unit = {"mL": "millilitres", "g": "grams"}[part.unit]
    kitchen = f", about {rounded.words}" if rounded else ""
    return (
        f"{say(part.amount, 3)} {unit}{kitchen}, {format_strength(part.per_l, part.unit)}, "
        f"the can reads {shown.ec_number(can.ec.value, 1)}"
    )


def in_measures(part: Poured, owned: tuple[Owned, ...], g_per_ml: float | None) -> Rounded | None:
    """The amount in measures that are owned; a dry feed by what a level spoon of it weighs."""
    if part.unit == "mL":
        return round_to_owned(part.amount, owned)
    return round_to_owned(part.amount / (g_per_ml or usual_dry_density()), owned)
