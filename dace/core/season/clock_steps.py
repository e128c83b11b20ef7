"""How the next stage's start follows, for the Working."""

from __future__ import annotations

from dace.core.result import Step, Working, say
from dace.core.season.crops import Stage
from dace.core.words import shown


def stage_steps(stage: Stage, pace: float, had: float | None, after: Stage | None) -> Working:
    """A stage's length by degree days of which it ``had`` so many, or by days where it is None.

    What comes ``after`` it may wait for the length of the day.
    """
    return (*_lasts(stage, pace, had), *_lit(after))


def _lit(after: Stage | None) -> Working:
    if after is None or after.light_h is None:
        return ()
    what = f"length of day that {after.words} waits for"
    return (Step(what, "", after.light_h, "h", after.source, "low"),)


def _lasts(stage: Stage, pace: float, had: float | None) -> Working:
    first = Step("its pace beside the table", "", pace, "", "from what was seen", "low")
    source = f"{stage.words}: {stage.source}"
    if had is None or stage.duration_gdd is None:
        takes = stage.duration_days.typ
        step = Step(
            "days this stage takes",
            f"{say(takes)} × {say(pace)}",
            takes * pace,
            "days",
            source,
            stage.confidence,
        )
        return (first, step)
    base = shown.degrees(stage.gdd_base_c or 0.0)
    return (
        first,
        Step(
            "warmth this stage takes",
            f"{say(stage.duration_gdd)} × {say(pace)}",
            stage.duration_gdd * pace,
            "degree days",
            source,
            stage.confidence,
        ),
        Step("warmth it has had", "", had, "degree days", f"above {base}, since about its start"),
    )
