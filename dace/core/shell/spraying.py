"""The spray calculator: a jar, a sprayer and a crop in; what lands and what goes in out."""

from __future__ import annotations

from dace.core.api import (
    SAFE_WAY,
    CanAsked,
    Crop,
    DaceError,
    Feeding,
    Ingredient,
    Result,
    Spray,
    SprayAsked,
    Stage,
    advise_feeding,
    answer,
    crop,
    is_sour,
    material,
    spray,
)
from dace.core.shell.jars_in import feed_in, measures_in, vessel_in, water_in
from dace.core.shell.json_in import Json, json_object, number, text

_DISSOLVES = ("mineral_salt", "inoculant", "sugar_or_ferment_aid")
_USUAL_C = 19.0


def spray_on_leaves(given: Json) -> Json:
    """A leaf spray; see ``docs/computation.md`` for the shape."""
    jar = json_object(given, "jar")
    feed, tokens = feed_in(jar, "jar")
    grown = crop(text(given, "crop"))
    stage = grown.stage(text(given, "stage"))
    air_c = number(given.get("air_c", _USUAL_C), "air_c")
    water = water_in(json_object(given, "water"))
    vessel_l = vessel_in(given)
    asked = CanAsked(
        strength=text(given, "strength"),
        feed=feed,
        water=water,
        vessel_l=vessel_l,
        measures=measures_in(given),
        tokens=tokens,
    )
    part = Ingredient(feed, answer(asked).can.amount_per_l)
    plants = _plants(given)
    found = spray(
        SprayAsked((part,), water, vessel_l, grown, stage, plants, air_c, is_sour(tokens))
    )
    said = advise_feeding(_feeding(tokens, found, grown, stage, air_c))
    safe = _undissolved(jar) or next(
        (SAFE_WAY for one in said if one.severity == "stop" and one.plan_effect == "block"), ""
    )
    out = _out(found)
    out["cautions"] = [
        {"key": one.key, "severity": one.severity, "title": one.title, "text": one.text}
        for one in said
    ]
    return out | ({"over": True, "safe_way": safe} if safe else {})


def _plants(given: Json) -> int:
    plants = number(given.get("plants", 1), "plants")
    if plants != int(plants):
        raise DaceError("plants", f"{plants:g}", "a whole number would do")
    return int(plants)


def _feeding(
    tokens: frozenset[str], found: Spray, grown: Crop, stage: Stage, air_c: float
) -> Feeding:
    plain = dict(found.can.from_water)
    return Feeding(
        tokens=tokens | {"route:foliar"},
        crop=grown,
        stage=stage,
        route="foliar",
        brings=frozenset(n for n, r in found.can.nutrients if r.value - plain[n] > 1.0),
        warmest_c=air_c,
    )


def _undissolved(jar: Json) -> str:
    """What does instead, for something that would block the sprayer; empty where it dissolves."""
    slow = jar.get("dissolves") is False or bool(jar.get("slow", False))
    made_of = jar.get("material")
    if made_of and "method" not in jar:
        like = material(str(made_of))
        slow = slow or (like.form == "solid" and like.family not in _DISSOLVES)
    return "It does not dissolve: spread it dry on the soil and water it in." if slow else ""


def _out(found: Spray) -> Json:
    return {
        "litres": found.litres.value,
        "mix_litres": found.mix.value,
        "loads": found.loads,
        "salts_g_l": found.salts_g_l,
        "urea_g_l": found.urea_g_l,
        "ec_ms_cm": found.can.ec.value,
        "limit_g_l": found.limit.most,
        "limit_of": found.limit.of,
        "over": found.over,
        "lands_mg_per_plant": {one.nutrient: _range(one.lands) for one in found.on_leaf},
        "enters_mg_per_plant": {one.nutrient: _range(one.enters) for one in found.on_leaf},
        "week_need_mg_per_plant": {one.nutrient: _range(one.week_need) for one in found.on_leaf},
        "share_of_week": {one.nutrient: _range(one.share, 100) for one in found.on_leaf},
    }


def _range(found: Result, of: float = 1) -> Json:
    return {"low": found.low / of, "likely": found.value / of, "high": found.high / of}
