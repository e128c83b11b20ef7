"""A reading as the pen showed it, turned to mS/cm at 25 C with its range."""

from __future__ import annotations

import math
from dataclasses import dataclass
from typing import Literal

from scipy.optimize import brentq

from dace.core.errors import DaceError
from dace.core.figures import Range, judgement
from dace.core.matter.chemistry import atomic_weight
from dace.core.matter.conductivity import ec_25
from dace.core.matter.temperature import temperature_factor
from dace.core.result import Result, Step, say
from dace.core.words.days import ago
from dace.core.words.scales import pen_scale

METHODS = {
    "feed_solution": "can_method",
    "pour_through": "pour_through_method",
    "ext_1_2_vv": "one_to_two_method",
    "ext_1_1.5_vv": "one_to_one_half_method",
    "ext_1_5_vv": "one_to_five_method",
    "saturated_media_extract": "paste_method",
}
"""Sampling methods that are read, each with the judgement of its scatter."""
_MOST_EC = 200.0


@dataclass(frozen=True)
class PenReading:
    """What was read: the number, its scale, the liquid's temperature, how it was sampled.

    ``compensates`` is whether the pen turns readings to 25 C by itself; ``parts_water``
    how many parts of pure water were added to one part before it was read.
    """

    value: float
    scale: str = "mS/cm"
    temperature_c: float | None = None
    compensates: bool = True
    method: str = "feed_solution"
    parts_water: float = 0.0


def reading_at_25(reading: PenReading) -> Result:
    """A pen's reading as conductivity at 25 C.

    Parameters
    ----------
    reading : PenReading
        As it was taken.

    Returns
    -------
    Result
        mS/cm at 25 C with the range of pen and method.

    Raises
    ------
    DaceError
        If the number is not above zero and below 200 mS/cm, a word is unknown,
        or a pen that does not compensate gave no temperature.

    Examples
    --------
    >>> round(reading_at_25(PenReading(2.10, temperature_c=12, compensates=False)).value, 2)
    2.82
    """
    if reading.method not in METHODS:
        raise DaceError("method", f"“{reading.method}”", f"use {', '.join(METHODS)}")
    told = pen_scale(reading.scale)
    per_ms, source = told.per_ms, told.source
    raw = reading.value / per_ms
    if not (math.isfinite(raw) and 0 < raw < _MOST_EC):
        raise DaceError(
            "value",
            f"{reading.value:g} {reading.scale}",
            "a reading above 0 and below 200 mS/cm would do",
        )
    steps = [Step("as the pen showed it", "", reading.value, reading.scale)]
    if per_ms != 1:
        steps.append(
            Step(
                "in mS/cm", f"{say(reading.value, 6)} ÷ {say(per_ms)}", raw, "mS/cm", source, "high"
            )
        )
    value = raw
    if not reading.compensates:
        if reading.temperature_c is None:
            raise DaceError(
                "temperature_c",
                "no temperature",
                "a pen that does not compensate needs the liquid's temperature",
            )
        value, step = _compensated(raw, reading.temperature_c)
        steps.append(step)
    errors = [judgement("pen_scale").range, judgement(METHODS[reading.method]).range]
    if reading.parts_water:
        errors.append(judgement("diluted_method").range)
        value = _undiluted(value, reading.parts_water)
        source = (
            f"read at 1 + {say(reading.parts_water)}; strong liquids conduct less in proportion"
        )
        steps.append(Step("before it was diluted", "", value, "mS/cm", source, "medium"))
    spread = spread_of(*errors)
    return Result(value, value * spread.low, value * spread.high, "mS/cm", tuple(steps))


def _compensated(raw: float, temperature_c: float) -> tuple[float, Step]:
    value = raw / temperature_factor(temperature_c)
    d = say(abs(temperature_c - 25))
    sign = "+" if temperature_c >= 25 else "−"
    expression = f"{say(raw, 6)} ÷ (1 {sign} 0.0203 × {d} + 0.000055 × {d} × {d})"
    source = f"read at {temperature_c:g} °C by a pen that does not compensate"
    return value, Step("at 25 °C", expression, value, "mS/cm", source, "high")


def _undiluted(read: float, parts_water: float) -> float:
    """What a liquid conducts that read so much when diluted, by way of a plain salt of that EC."""
    if not 0 <= parts_water <= _MOST_PARTS:
        raise DaceError("parts_water", f"1 + {parts_water:g}", "up to 1 + 200 would do")

    def salt(k_mg_l: float) -> float:
        return float(ec_25({"K": k_mg_l, "NO3_N": k_mg_l * _NITRATE_PER_K}, 7.0))

    most = 3e4
    if read >= salt(most):
        raise DaceError("value", f"{read:.3g} mS/cm when diluted", "dilute it more, and read again")
    diluted = float(brentq(lambda k: salt(k) - read, 0.0, most, rtol=1e-8))
    return salt(min(diluted * (1 + parts_water), 3e5))


_NITRATE_PER_K = atomic_weight("N") / atomic_weight("K")
_MOST_PARTS = 200.0
_FRIENDLY_PARTS = (4, 9, 19, 49, 99, 199)


def parts_for_pen(expected_ms_cm: float, pen_most_ms_cm: float) -> int:
    """How many parts of water bring a liquid into a pen's easy range; 0 where none are needed.

    Parameters
    ----------
    expected_ms_cm : float
        What the liquid is likely to conduct at 25 C.
    pen_most_ms_cm : float
        The most the pen shows.

    Returns
    -------
    int
        0, 4, 9, 19, 49, 99 or 199.

    Raises
    ------
    DaceError
        If even that is too strong for the pen.

    Examples
    --------
    >>> parts_for_pen(1.2, 5.0), parts_for_pen(21.3, 5.0)
    (0, 9)
    """
    easy = pen_most_ms_cm * judgement("pen_room").range.typ
    if expected_ms_cm <= pen_most_ms_cm * judgement("pen_room").range.high:
        return 0
    for parts in _FRIENDLY_PARTS:
        if expected_ms_cm / (1 + parts) <= easy:
            return parts
    raise DaceError(
        "value", f"about {expected_ms_cm:.3g} mS/cm", "too strong for this pen at 1 + 199"
    )


PEN_OLD_DAYS = 60.0
"""From then on a pen's own error is taken for that of one left alone."""
NEVER_CALIBRATED_DAYS = 36_525.0
"""Days since its calibration of a pen that had none: no pen lasts a hundred years."""


def pen_words(days: float) -> str:
    """How far a pen can be trusted so many days after it was set right.

    >>> pen_words(13)
    'calibrated 13 days ago: good to about 3 %'
    >>> pen_words(75)
    'not calibrated for 75 days: good to about 14 %; dip it in its standard, 1.413 mS/cm'
    >>> pen_words(NEVER_CALIBRATED_DAYS)
    'never calibrated: good to about 14 %; dip it in its standard, 1.413 mS/cm'
    """
    whole = int(days)
    old = days > PEN_OLD_DAYS
    for_long = "never calibrated"
    if days < NEVER_CALIBRATED_DAYS:
        for_long = f"not calibrated for {whole} days"
    off = round(100 * (judgement("pen_old" if old else "pen_scale").range.high - 1))
    if old:
        return f"{for_long}: good to about {off} %; dip it in its standard, 1.413 mS/cm"
    return f"calibrated {ago(whole)}: good to about {off} %"


def spread_of(*parts: Range) -> Range:
    """Range of a product of independent factors, each around 1, in logarithms.

    >>> round(spread_of(Range(1 / 1.03, 1, 1.03), Range(1 / 1.04, 1, 1.04)).high, 2)
    1.05
    """
    low = math.exp(-math.sqrt(sum(math.log(p.low) ** 2 for p in parts)))
    high = math.exp(math.sqrt(sum(math.log(p.high) ** 2 for p in parts)))
    return Range(low, 1.0, high)


ReadVerdict = Literal["as_expected", "weaker", "stronger"]


@dataclass(frozen=True)
class Comparison:
    """A reading beside what was expected, in words."""

    verdict: ReadVerdict
    text: str


def compare_with_expected(read: Result, expected: Result) -> Comparison:
    """Say what a can's reading means beside its expected conductivity.

    Parameters
    ----------
    read, expected : Result
        Both mS/cm at 25 C.

    Returns
    -------
    Comparison
        ``verdict`` is ``as_expected``, ``weaker`` or ``stronger``.
    """
    span = f"{expected.low:.2f} to {expected.high:.2f}"
    if read.high < expected.low:
        return Comparison(
            "weaker",
            f"Weaker than expected ({span}). Stir and read again; a dirty pen or another scale "
            "reads low, and urea and organic nitrogen do not show at all.",
        )
    if read.low > expected.high:
        return Comparison(
            "stronger",
            f"Stronger than expected ({span}). Check the measure and the pen's scale; "
            "a saltier water or an unrinsed can also reads high.",
        )
    return Comparison("as_expected", f"As expected ({span}).")
