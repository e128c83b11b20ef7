"""A leaf spray: how much of it leaves hold, how strong it may be, what lands and what goes in."""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass

from dace.core.can.ingredient import Ingredient
from dace.core.can.leaf import FORMS, goes_in, held_each, leaf_figure, leaf_of, spread_of
from dace.core.can.leaf_limits import Limit, limits_for, salts_g_l, urea_g_l
from dace.core.can.mixing import Mixture, fill_with
from dace.core.errors import DaceError
from dace.core.figures import Range
from dace.core.matter.nutrients import NUTRIENTS
from dace.core.matter.waters import WaterIons
from dace.core.result import Result, Step, Working, say
from dace.core.season.crops import Crop, Stage
from dace.core.season.need import taken_g

WEEK_DAYS = 7
_MOST_PLANTS = 10_000


@dataclass(frozen=True)
class SprayAsked:
    """What is sprayed on whom.

    ``vessel_l`` is what the sprayer holds; ``stage_days`` how long the stage lasts, its
    usual length where nobody said; ``sour`` whether acid is in it; ``in_ground``
    whether they grow in a bed; ``room`` the share of its need that its pot carries.
    """

    parts: tuple[Ingredient, ...]
    water: WaterIons
    vessel_l: float
    crop: Crop
    stage: Stage
    plants: int
    air_c: float
    sour: bool = False
    stage_days: int | None = None
    in_ground: bool = False
    room: float = 1.0


@dataclass(frozen=True)
class OnLeaf:
    """One nutrient on one plant [mg]: what lands, what goes in, a week's need and its share."""

    nutrient: str
    lands: Result
    enters: Result
    week_need: Result
    share: Result


@dataclass(frozen=True)
class Spray:
    """A spray worked out.

    ``litres`` is what the leaf of all plants holds, ``mix`` what is mixed for that; ``can``
    is that much as mixed; ``loads`` how often the sprayer is filled, each to ``load_l``.
    """

    can: Mixture
    litres: Result
    mix: Result
    loads: int
    load_l: float
    salts_g_l: float
    urea_g_l: float
    limits: tuple[Limit, ...]
    on_leaf: tuple[OnLeaf, ...]
    plants: int
    working: Working

    @property
    def limit(self) -> Limit:
        """What bounds it first."""
        return self.limits[0]

    @property
    def over(self) -> bool:
        """Whether it is more than leaves stand."""
        return self.limit.over


def spray(asked: SprayAsked) -> Spray:
    """Work out a leaf spray.

    Parameters
    ----------
    asked : SprayAsked
        What is in it, and whom it is for.

    Returns
    -------
    Spray
        Its likely figures come from typical values alone; ranges from all that is unknown.

    Raises
    ------
    DaceError
        If there are no plants, the sprayer holds nothing, or it is no air to spray in.

    Examples
    --------
    Epsom salt at 10 g/L on a chilli at first fruit:

    >>> from dace.core.matter.composition import Label, composition
    >>> from dace.core.matter.waters import water_from_ec
    >>> from dace.core.season.crops import crop
    >>> salt = composition(Label(0, 0, 0, form="solid", also=(("Mg", 9.86), ("S", 13.0))))
    >>> chilli = crop("chilli")
    >>> parts, rain = (Ingredient(salt, 10.0),), water_from_ec(0.06)
    >>> asked = SprayAsked(parts, rain, 0.5, chilli, chilli.stage("fruit_set"), 6, 19)
    >>> magnesium = spray(asked).on_leaf[-1]
    >>> round(magnesium.lands.value), round(magnesium.enters.value)
    (47, 12)
    """
    _check(asked)
    each = held_each(asked.crop, asked.stage)
    litres = _all_plants(each, asked.plants)
    mix = _to_mix(litres)
    can = fill_with(asked.parts, mix.value, asked.water)
    loads = max(1, math.ceil(mix.value / asked.vessel_l - 1e-9))
    leaf = leaf_of(asked.crop, asked.stage)
    salts, salt_steps = salts_g_l(asked.parts)
    limits = limits_for(asked.parts, asked.water, leaf, asked.air_c, asked.sour)
    return Spray(
        can=can,
        litres=litres,
        mix=mix,
        loads=loads,
        load_l=mix.value / loads,
        salts_g_l=salts,
        urea_g_l=urea_g_l(asked.parts),
        limits=limits,
        on_leaf=tuple(_on_leaf(n, asked, can, each) for n in NUTRIENTS),
        plants=asked.plants,
        working=(*mix.working, *salt_steps, *(one.step for one in limits)),
    )


def _check(asked: SprayAsked) -> None:
    if not 1 <= asked.plants <= _MOST_PLANTS:
        raise DaceError("plants", f"{asked.plants} plants", f"1 to {_MOST_PLANTS:,} would do")
    if not asked.vessel_l > 0:
        raise DaceError("vessel", f"{asked.vessel_l:g} L", "more than 0 would do")
    if not -20 <= asked.air_c <= 60:
        raise DaceError("air_c", f"{asked.air_c:g} °C", "-20 to 60 would do")


def _all_plants(each: Result, plants: int) -> Result:
    likely = each.value * plants
    step = Step("what all their leaf holds", f"{say(each.value)} L × {plants}", likely, "L")
    return Result(likely, each.low * plants, each.high * plants, "L", (*each.working, step))


def _to_mix(litres: Result) -> Result:
    over = leaf_figure("overspray_factor")
    likely = litres.value * over.range.typ
    spread = spread_of(Range(litres.low, litres.value, litres.high), over.range)
    step = Step(
        "mixed, for what drips and drifts",
        f"{say(litres.value)} L × {say(over.range.typ)}",
        likely,
        "L",
        over.source,
        over.confidence,
    )
    ends = (likely * spread.low, likely * spread.high)
    return Result(likely, *ends, "L", (*litres.working, step))


def _on_leaf(nutrient: str, asked: SprayAsked, can: Mixture, each: Result) -> OnLeaf:
    lands = _lands(nutrient, can, each)
    enters = _enters(nutrient, asked.parts, asked.water, lands)
    need = week_need(nutrient, asked)
    return OnLeaf(nutrient, lands, enters, need, _share(nutrient, enters, need))


def _lands(nutrient: str, can: Mixture, each: Result) -> Result:
    held = can.nutrient(nutrient)
    likely = held.value * each.value
    step = Step(
        f"{nutrient} that lands on a plant",
        f"{say(held.value)} mg/L × {say(each.value)} L",
        likely,
        "mg",
    )
    spread = spread_of(_range(held), _range(each))
    ends = (likely * spread.low, likely * spread.high)
    return Result(likely, *ends, "mg", (*held.working, *each.working, step))


def _range(found: Result) -> Range:
    return Range(found.low, found.value, found.high)


def _enters(nutrient: str, parts: Sequence[Ingredient], water: WaterIons, lands: Result) -> Result:
    forms = {key: sum(p.per_l * dict(p.feed.mg)[key] for p in parts) for key in FORMS}
    forms["NO3_N"] += water.of("NO3_N")
    share = goes_in(nutrient, forms)
    row = leaf_figure("uptake_n_nitrate" if nutrient == "N" else f"uptake_{nutrient.lower()}")
    likely = lands.value * share.typ
    step = Step(
        f"{nutrient} that goes in",
        f"{say(lands.value)} mg × {say(share.typ)}",
        likely,
        "mg",
        row.source,
        row.confidence,
    )
    spread = spread_of(_range(lands), share)
    ends = (likely * spread.low, likely * spread.high)
    return Result(likely, *ends, "mg", (*lands.working, step))


def week_need(nutrient: str, asked: SprayAsked) -> Result:
    """What one plant takes up in a week of this stage [mg], in the pot that it has."""
    days = asked.stage_days or max(1, round(asked.stage.duration_days.typ))
    whole = taken_g(asked.crop, asked.stage, nutrient, asked.in_ground)
    share = asked.stage.share_of(nutrient)
    likely = 1000 * whole * share / days * WEEK_DAYS * asked.room
    expression = f"1000 × {say(whole)} × {say(share)} ÷ {days} × {WEEK_DAYS}"
    if asked.room < 1:
        expression += f" × {say(asked.room)}"
    step = Step(
        f"{nutrient} that a plant takes in a week",
        expression,
        likely,
        "mg",
        asked.stage.source,
        asked.stage.confidence,
    )
    season = asked.crop.uptake_of(nutrient)
    if season.typ <= 0:
        return Result(likely, likely, likely, "mg", (step,))
    ends = (likely * season.low / season.typ, likely * season.high / season.typ)
    return Result(likely, *ends, "mg", (step,))


def _share(nutrient: str, enters: Result, need: Result) -> Result:
    """What goes in beside a week's need [%]; 0 where nothing is needed."""
    if need.value <= 0:
        step = Step(f"share of the week's {nutrient}", "", 0.0, "%", "it needs none of it now")
        return Result(0.0, 0.0, 0.0, "%", (step,))
    likely = 100 * enters.value / need.value
    spread = spread_of(_range(enters), Range(*_turned(need)))
    step = Step(
        f"share of the week's {nutrient}",
        f"100 × {say(enters.value)} mg ÷ {say(need.value)} mg",
        likely,
        "%",
    )
    ends = (likely * spread.low, likely * spread.high)
    return Result(likely, *ends, "%", (*enters.working, *need.working, step))


def _turned(need: Result) -> tuple[float, float, float]:
    """The range of what one divides by, turned over."""
    return need.value**2 / need.high, need.value, need.value**2 / max(need.low, 1e-9)
