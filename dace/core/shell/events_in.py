"""Pours, readings and dry feeds as calculators are given them."""

from __future__ import annotations

from dace.core.api import (
    CHARGED,
    DaceError,
    Poured,
    Sampled,
    Slow,
    WaterIons,
    charged_dry,
    charged_plain,
    charged_water,
    content_of_material,
    material,
    with_water,
)
from dace.core.shell.jars_in import content_in
from dace.core.shell.json_in import Json, json_object, number, text
from dace.core.shell.weather_in import day_of

_POURED_AT, _READ_AT = 12.0, 18.0
_FOODS = {"NO3_N": "n_mg_l", "P": "p_mg_l", "K": "k_mg_l", "Ca": "ca_mg_l", "Mg": "mg_mg_l"}


def poured_in(row: Json, water: WaterIons) -> Poured:
    """A pour. Plain water is the place's own, scaled to its conductivity.

    What the nutrients of a feed leave of its conductivity is first that water, then sodium.
    """
    named = {ion: number(row.get(key, 0.0), f"poured.{key}") for ion, key in _FOODS.items()}
    litres = number(row.get("litres"), "poured.litres")
    if litres <= 0:
        raise DaceError("poured.litres", f"{litres:g} L", "above 0 would do")
    feed = bool(row.get("feed", True))
    on, hour = (
        day_of(row.get("on"), "poured.on"),
        number(row.get("hour", _POURED_AT), "poured.hour"),
    )
    flush = None if feed or "flush" not in row else bool(row["flush"])
    if "ec_ms_cm" not in row and not feed:
        return Poured(on, litres, charged_water(water), False, hour, flush=flush)
    ec = number(row.get("ec_ms_cm"), "poured.ec_ms_cm")
    if not 0 <= ec <= 50:
        raise DaceError("poured.ec_ms_cm", f"{ec:g}", "0 to 50 would do")
    mg_l = tuple(named.get(ion, 0.0) for ion in CHARGED)
    if not feed and not any(mg_l):
        return Poured(on, litres, charged_plain(water, ec), False, hour, flush=flush)
    return Poured(on, litres, with_water(mg_l, ec, water), feed, hour, str(row.get("said", "")))


def sampled_in(row: Json) -> Sampled:
    """A reading of the drain or the medium."""
    return Sampled(
        on=day_of(row.get("on"), "readings.on"),
        value=number(row.get("value"), "readings.value"),
        method=str(row.get("method", "pour_through")),
        hour=number(row.get("hour", _READ_AT), "readings.hour"),
    )


def slow_in(row: Json) -> Slow:
    """A dry feed on the whole fill: grams of a material, or of a jar."""
    grams = number(row.get("grams"), "slow.grams")
    if not 0 < grams < 1e6:
        raise DaceError("slow.grams", f"{grams:g} g", "above 0 would do")
    if "jar" in row:
        content = content_in(json_object(row, "jar"))
    else:
        content = content_of_material(material(text(row, "material")))
    return Slow(
        on=day_of(row.get("on"), "slow.on"),
        at_once=charged_dry(content.at_once, grams),
        later=charged_dry(content.later, grams),
        half_life_days=content.half_life_days,
    )
