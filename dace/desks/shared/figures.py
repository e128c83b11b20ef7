"""Figures on their way out: values with range, unit, words and Working."""

from __future__ import annotations

from dace.core.api import Range, Result, Step, say
from dace.desks.shared.out import Out


class StepOut(Out):
    """One line of a Working."""

    what: str
    expression: str
    text: str
    unit: str
    source: str
    confidence: str


class Figure(Out):
    """A number for a person, with its range and how it was got."""

    value: float
    low: float
    high: float
    unit: str
    text: str
    range_text: str
    working: list[StepOut]


class RangeOut(Out):
    """A 10/50/90 % range."""

    low: float
    typ: float
    high: float
    text: str


def steps_out(steps: tuple[Step, ...]) -> list[StepOut]:
    """A Working as the pane shows it."""
    return [
        StepOut(
            what=step.what,
            expression=step.expression,
            text=say(step.value, 3),
            unit=step.unit,
            source=step.source,
            confidence=step.confidence,
        )
        for step in steps
    ]


def figure(result: Result, digits: int = 3) -> Figure:
    """A result of the core as a figure."""
    low, likely, high = (say(v, digits) for v in (result.low, result.value, result.high))
    return Figure(
        value=result.value,
        low=result.low,
        high=result.high,
        unit=result.unit,
        text=likely,
        range_text=f"{low} to {high} {result.unit}, likely {likely}",
        working=steps_out(result.working),
    )


def rough(value: float) -> str:
    """A number that is an estimate, to two digits.

    >>> rough(13014.2), rough(133.0), rough(0.0447)
    ('13,000', '130', '0.045')
    """
    kept = float(f"{value:.2g}")
    return f"{kept:,.0f}" if kept >= 100 else say(kept, 2)


def range_out(found: Range) -> RangeOut:
    """A range with its ends in words, an en dash between."""
    return RangeOut(
        low=found.low,
        typ=found.typ,
        high=found.high,
        text=f"{say(found.low, 3)}–{say(found.high, 3)}",
    )
