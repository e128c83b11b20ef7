"""The rootzone calculator: plain JSON in, plain JSON out, with the usual weather of a latitude."""

from __future__ import annotations

from dataclasses import asdict
from datetime import date, timedelta
from typing import Any

from dace.core.api import (
    CHARGED,
    Begun,
    DaceError,
    Days,
    Followed,
    Growing,
    Look,
    Outlook,
    Poured,
    RootZone,
    Sampled,
    WeatherAsked,
    charged_water,
    climate_near,
    comfort,
    crop,
    flush,
    follow,
    medium,
    next_feed,
    outlook,
    spans,
    stage_clock,
    usual_days,
    water_from_ec,
    with_charge,
    word_now,
)
from dace.core.shell.json_in import Json, number, text

_BACK_DAYS, _MOST_ROWS = 400, 500
_RAIN_EC = 0.06
_FOODS = {"NO3_N": "n_mg_l", "P": "p_mg_l", "K": "k_mg_l", "Ca": "ca_mg_l", "Mg": "mg_mg_l"}


def rootzone(given: Json) -> Json:
    """A pot or bed followed up to a day; see ``docs/computation.md`` for the shape."""
    latitude = number(given.get("latitude", 51.0), "latitude")
    if not -66 <= latitude <= 66:
        raise DaceError("latitude", f"{latitude:g}", "-66 to 66 would do")
    today = _day(given.get("today"), "today")
    days = _weather(latitude, today)
    root = _root_zone(given, days)
    found = follow(root, days, int(number(given.get("ahead", 21), "ahead")))
    said, band = next_feed(found), comfort(root, today)
    return {
        "days": [str(found.first + timedelta(days=n)) for n in range(found.ec.shape[1])],
        "drain_ec_ms_cm": _band(found.now),
        "by_day": {name: found.ec[row].tolist() for row, name in enumerate(_NAMES)},
        "word": word_now(found, band) if band else None,
        "comfort": asdict(band) if band else None,
        "next_feed": asdict(said) if said else None,
        "flush": _flush(given, found),
        "conflicts": [
            {"on": str(one.sample.on), "value": one.sample.value, "reasons": one.doubt}
            for one in found.looked
            if one.doubt
        ],
        "begun_anew_on": [str(one.sample.on) for one in found.looked if one.again],
    }


_NAMES = ("low", "likely", "high")


def _band(values: tuple[float, float, float]) -> Json:
    return dict(zip(_NAMES, values, strict=True))


def _flush(given: Json, found: Followed) -> Json | None:
    water = water_from_ec(number(given.get("flush_water_ec_ms_cm", _RAIN_EC), "flush_water"))
    plan = flush(found, charged_water(water))
    if plan is None:
        return None
    return {
        "litres": _band((plan.litres.low, plan.litres.value, plan.litres.high)),
        "goes": plan.goes,
        "each_l": plan.each_l,
        "read_after": plan.read_after,
        "target_ms_cm": plan.target,
        "after_ms_cm": _band((plan.after.low, plan.after.value, plan.after.high)),
        "working": [asdict(step) for step in plan.litres.working],
    }


def _weather(latitude: float, today: date) -> Outlook:
    where, first = climate_near(latitude), today - timedelta(days=_BACK_DAYS)
    past = usual_days(where, latitude, first, _BACK_DAYS + 1)
    ahead = Days(today + timedelta(days=1), (), (), ())
    return outlook(WeatherAsked(where, latitude, past, ahead))


def _root_zone(given: Json, days: Outlook) -> RootZone:
    filled = _day(given.get("filled_on"), "filled_on")
    growing = []
    if "crop" in given:
        grown = crop(text(given, "crop"))
        looks = (Look(text(given, "stage"), days.today),) if "stage" in given else ()
        if looks:
            grown.stage(looks[0].stage)
        begun = Begun(_day(given.get("started_on", str(filled)), "started_on"), looks)
        plants = int(number(given.get("plants", 1), "plants"))
        if not 1 <= plants <= 10_000:
            raise DaceError("plants", f"{plants}", "1 to 10,000 would do")
        stages = spans(stage_clock(grown, begun, days))
        growing.append(Growing(grown, stages, plants, filled))
    water = water_from_ec(number(given.get("water_ec_ms_cm", 0.5), "water_ec_ms_cm"))
    return RootZone(
        medium=medium(text(given, "medium")),
        litres=number(given.get("litres"), "litres"),
        setting=str(given.get("setting", "pot")),
        rain_m2=number(given.get("rain_m2", 0.0), "rain_m2"),
        filled_on=filled,
        growing=tuple(growing),
        poured=tuple(_poured(row) for row in _rows(given, "poured")),
        slow=(),
        samples=tuple(_sampled(row) for row in _rows(given, "readings")),
        water_mg_l=charged_water(water),
        logs_all=bool(given.get("logs_every_watering", False)),
        seed=int(number(given.get("seed", 1), "seed")),
    )


def _poured(row: Json) -> Poured:
    named = {ion: number(row.get(key, 0.0), f"poured.{key}") for ion, key in _FOODS.items()}
    mg_l = tuple(named.get(ion, 0.0) for ion in CHARGED)
    litres = number(row.get("litres"), "poured.litres")
    if litres <= 0:
        raise DaceError("poured.litres", f"{litres:g} L", "above 0 would do")
    ec = number(row.get("ec_ms_cm"), "poured.ec_ms_cm")
    feed = bool(row.get("feed", True))
    return Poured(_day(row.get("on"), "poured.on"), litres, with_charge(mg_l, ec), feed)


def _sampled(row: Json) -> Sampled:
    return Sampled(
        on=_day(row.get("on"), "readings.on"),
        value=number(row.get("value"), "readings.value"),
        method=str(row.get("method", "pour_through")),
    )


def _rows(given: Json, field: str) -> list[Json]:
    value = given.get(field, [])
    if (
        not isinstance(value, list)
        or len(value) > 500
        or not all(isinstance(v, dict) for v in value)
    ):
        raise DaceError(field, repr(value)[:80], "a list of up to 500 would do")
    return list(value)


def _day(value: Any, field: str) -> date:
    try:
        return date.fromisoformat(str(value))
    except ValueError:
        raise DaceError(field, f"“{value}”"[:80], "a day such as 2026-07-14 would do") from None
