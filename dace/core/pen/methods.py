"""Other ways to sample a medium, as what drains."""

from __future__ import annotations

from dace.core.figures import Range, load_table, source_words
from dace.core.pen.readings import PenReading, reading_at_25, spread_of
from dace.core.result import Result, Step, say

_TO_POUR_THROUGH = {
    "ext_1_2_vv": ("c_12_pt",),
    "saturated_media_extract": ("c_sme_pt",),
    "ext_1_1.5_vv": ("c_115_sme", "c_sme_pt"),
    "ext_1_5_vv": ("c_15vv_sme", "c_sme_pt"),
}


def as_pour_through(reading: PenReading) -> Result | None:
    """A sample of the medium as the pour-through it stands for; None for a can.

    Parameters
    ----------
    reading : PenReading
        As it was taken.

    Returns
    -------
    Result or None
        mS/cm at 25 C, with the range of pen, sample and conversion.

    Examples
    --------
    >>> round(as_pour_through(PenReading(1.35, method="ext_1_2_vv")).value, 2)
    4.86
    """
    at_25 = reading_at_25(reading)
    if reading.method == "feed_solution":
        return None
    value, steps = at_25.value, list(at_25.working)
    errors = [Range(at_25.low / at_25.value, 1.0, at_25.high / at_25.value)]
    for key in _TO_POUR_THROUGH.get(reading.method, ()):
        row = next(r for r in load_table("ec_methods") if r.text("key") == key)
        ratio = row.triple()
        source = f"{row.text('applies_to')}: {source_words(row.text('source_family'))}"
        expression = f"{say(value, 6)} mS/cm × {say(ratio.typ)}"
        value *= ratio.typ
        steps.append(
            Step(
                f"as {row.text('method_to').replace('_', ' ')}",
                expression,
                value,
                "mS/cm",
                source,
                row.text("confidence"),
            )
        )
        errors.append(ratio.scaled(1 / ratio.typ))
    spread = spread_of(*errors)
    return Result(value, value * spread.low, value * spread.high, "mS/cm", tuple(steps))


def pour_through_ratio(method: str) -> float:
    """How many times more a pour-through reads than another sample of the same pot.

    >>> pour_through_ratio("pour_through"), pour_through_ratio("ext_1_2_vv")
    (1.0, 3.6)
    """
    ratio = 1.0
    for key in _TO_POUR_THROUGH.get(method, ()):
        ratio *= next(r for r in load_table("ec_methods") if r.text("key") == key).number("typ")
    return ratio
