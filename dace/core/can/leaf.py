"""What leaves are like: how much of a spray they hold, and what of it goes in."""

from __future__ import annotations

import math
from dataclasses import dataclass
from functools import cache

from dace.core.figures import Range, load_table, source_words
from dace.core.result import Result, Step, say
from dace.core.season.crops import Crop, Stage

FORMS = {"NO3_N": "nitrate", "NH4_N": "ammonium", "urea_N": "urea", "organic_N": "organic"}
"""Forms of nitrogen, each of which goes in at a share of its own."""


@dataclass(frozen=True)
class LeafFigure:
    """A figure of leaf sprays with where it comes from."""

    range: Range
    unit: str
    text: str
    confidence: str
    source: str


@dataclass(frozen=True)
class Leaf:
    """What kind of leaf a crop has at a stage."""

    tender: bool
    waxy: bool


@cache
def leaf_figure(key: str) -> LeafFigure:
    """A row of ``foliar.csv`` by its key."""
    row = next(row for row in load_table("foliar") if row.text("key") == key)
    return LeafFigure(
        row.triple(),
        row.text("unit"),
        row.text("text"),
        row.text("confidence"),
        source_words(row.text("source_family")),
    )


@cache
def _kinds() -> dict[str, tuple[str, str]]:
    return {row.text("crop"): (row.text("leaf"), row.text("until")) for row in load_table("leaves")}


def leaf_of(grown: Crop, stage: Stage) -> Leaf:
    """Whether its leaf is tender or waxy; seedlings are tender, whatever they become.

    >>> from dace.core.season.crops import crop
    >>> leaf_of(crop("kale"), crop("kale").stage("vegetative"))
    Leaf(tender=False, waxy=True)
    """
    kind, until = _kinds().get(grown.key, ("", ""))
    past = bool(until) and stage.order >= grown.stage(until).order
    return Leaf(tender=stage.is_seedling or kind == "tender", waxy=kind == "waxy" and not past)


def leaf_area_m2(grown: Crop, stage: Stage) -> Result:
    """Leaf of one plant at a stage, one face [m2]: fullest leaf, as its water use goes.

    >>> from dace.core.season.crops import crop
    >>> chilli = crop("chilli")
    >>> round(leaf_area_m2(chilli, chilli.stage("fruit_set")).value, 2)
    0.63
    """
    full = leaf_figure("lai_peak")
    most = max(one.water_l_day.typ for one in grown.stages)
    grown_to = stage.water_l_day.typ / most
    area = full.range.scaled(grown_to / grown.plants_per_m2)
    expression = (
        f"{say(full.range.typ)} ÷ {say(grown.plants_per_m2)} "
        f"× {say(stage.water_l_day.typ)} L ÷ {say(most)} L"
    )
    step = Step("leaf of one plant", expression, area.typ, "m2", full.source, full.confidence)
    return Result(area.typ, area.low, area.high, "m2", (step,))


def held_each(grown: Crop, stage: Stage) -> Result:
    """Spray that the leaf of one plant holds before it runs off [L], both faces as usual."""
    area = leaf_area_m2(grown, stage)
    held, faces = leaf_figure("retained_ml_m2"), leaf_figure("faces_wetted")
    factors = [held, faces]
    if leaf_of(grown, stage).waxy:
        factors.append(leaf_figure("waxy_factor"))
    likely = area.value * math.prod(one.range.typ for one in factors) / 1000
    spread = spread_of(Range(area.low, area.value, area.high), *(one.range for one in factors))
    expression = " × ".join([say(area.value), *(say(one.range.typ) for one in factors)])
    step = Step(
        "what its leaf holds", f"{expression} ÷ 1000", likely, "L", held.source, held.confidence
    )
    return Result(likely, likely * spread.low, likely * spread.high, "L", (*area.working, step))


def spread_of(*factors: Range) -> Range:
    """Relative range of a product of independent amounts, each log-normal on either side.

    >>> spread_of(Range(5.0, 10.0, 20.0))
    Range(low=0.5, typ=1.0, high=2.0)
    """
    below = math.hypot(*(math.log(f.typ / _low(f)) for f in factors if f.typ > 0))
    above = math.hypot(*(math.log(f.high / f.typ) for f in factors if f.typ > 0))
    return Range(math.exp(-below), 1.0, math.exp(above))


def _low(found: Range) -> float:
    return found.low if found.low > 0 else min(found.typ, found.high) / 10


def goes_in(nutrient: str, forms: dict[str, float] | None = None) -> Range:
    """The share of a nutrient on a leaf that goes in [fraction].

    Parameters
    ----------
    nutrient : str
        ``N``, ``P``, ``K``, ``Ca`` or ``Mg``.
    forms : dict, optional
        Of nitrogen: how much of it is in each form, by key of ``FORMS``.

    Examples
    --------
    >>> goes_in("Mg").typ, round(goes_in("N", {"urea_N": 3.0, "NO3_N": 1.0}).typ, 3)
    (0.25, 0.475)
    """
    if nutrient != "N":
        return leaf_figure(f"uptake_{nutrient.lower()}").range
    given = {form: amount for form, amount in (forms or {}).items() if amount > 0}
    whole = sum(given.values())
    if whole <= 0:
        return Range(0.0, 0.0, 0.0)
    ranges = [(a / whole, leaf_figure(f"uptake_n_{FORMS[f]}").range) for f, a in given.items()]
    typ = sum(share * r.typ for share, r in ranges)
    below = math.hypot(*(share * (r.typ - r.low) for share, r in ranges))
    above = math.hypot(*(share * (r.high - r.typ) for share, r in ranges))
    return Range(max(0.0, typ - below), typ, typ + above)
