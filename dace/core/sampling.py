"""A reading as the pen showed it, turned to mS/cm at 25 C with its range."""

from __future__ import annotations

import math
from dataclasses import dataclass

from dace.core.conductivity import temperature_factor
from dace.core.errors import DaceError
from dace.core.figures import Range, judgement, load_table, source_words
from dace.core.result import Result, Step, say

_SCALE_ROWS = {"uS/cm": "c_ms", "ppm500": "c_ppm500", "ppm700": "c_ppm700"}
SCALES = ("mS/cm", *_SCALE_ROWS)
METHODS = {"feed_solution": "can_method", "pour_through": "pour_through_method"}
"""Sampling methods that are read, each with the judgement of its scatter."""
_MOST_EC = 200.0


@dataclass(frozen=True)
class PenReading:
    """What was read: the number, its scale, the liquid's temperature, how it was sampled.

    ``compensates`` is whether the pen turns readings to 25 C by itself.
    """

    value: float
    scale: str = "mS/cm"
    temperature_c: float | None = None
    compensates: bool = True
    method: str = "feed_solution"


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
    if reading.scale not in SCALES:
        raise DaceError("scale", f"“{reading.scale}”", f"use {', '.join(SCALES)}")
    if reading.method not in METHODS:
        raise DaceError("method", f"“{reading.method}”", f"use {', '.join(METHODS)}")
    per_ms, source = _scale(reading.scale)
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
    spread = _spread(judgement("pen_scale").range, judgement(METHODS[reading.method]).range)
    return Result(value, value * spread.low, value * spread.high, "mS/cm", tuple(steps))


def _scale(scale: str) -> tuple[float, str]:
    """Units of a scale per mS/cm, and where that comes from."""
    if scale == "mS/cm":
        return 1.0, ""
    row = next(r for r in load_table("ec_methods") if r.text("key") == _SCALE_ROWS[scale])
    return row.number("typ"), source_words(row.text("source_family"))


def _compensated(raw: float, temperature_c: float) -> tuple[float, Step]:
    value = raw / temperature_factor(temperature_c)
    d = say(abs(temperature_c - 25))
    sign = "+" if temperature_c >= 25 else "−"
    expression = f"{say(raw, 6)} ÷ (1 {sign} 0.0203 × {d} + 0.000055 × {d} × {d})"
    source = f"read at {temperature_c:g} °C by a pen that does not compensate"
    return value, Step("at 25 °C", expression, value, "mS/cm", source, "high")


def _spread(*parts: Range) -> Range:
    low = math.exp(-math.sqrt(sum(math.log(p.low) ** 2 for p in parts)))
    high = math.exp(math.sqrt(sum(math.log(p.high) ** 2 for p in parts)))
    return Range(low, 1.0, high)


@dataclass(frozen=True)
class Comparison:
    """A reading beside what was expected, in words."""

    verdict: str
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
