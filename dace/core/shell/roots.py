"""The rootzone calculator: plain JSON in, plain JSON out, with the usual weather of a latitude."""

from __future__ import annotations

from dataclasses import asdict
from datetime import date, timedelta

from dace.core.api import (
    Begun,
    DaceError,
    Followed,
    Growing,
    Look,
    Outlook,
    RootZone,
    charged_water,
    comfort,
    crop,
    flush,
    follow,
    medium,
    next_feed,
    next_readings,
    rain_m2,
    spans,
    stage_clock,
    water_from_ec,
    word_now,
)
from dace.core.shell.events_in import poured_in, sampled_in
from dace.core.shell.json_in import Json, number, rows, text
from dace.core.shell.weather_in import day_of, outlook_of

_RAIN_EC = 0.06


def rootzone(given: Json) -> Json:
    """A pot or bed followed up to a day; see ``docs/computation.md`` for the shape."""
    today = day_of(given.get("today"), "today")
    days = outlook_of(given, today)
    root = _root_zone(given, days)
    found = follow(root, days, int(number(given.get("ahead", 21), "ahead")))
    said, band = next_feed(found), comfort(root, today)
    return {
        "days": [str(found.first + timedelta(days=n)) for n in range(found.ec.shape[1])],
        "drain_ec_ms_cm": _band(found.now),
        "by_day": {name: found.ec[row].tolist() for row, name in enumerate(_NAMES)},
        "word": word_now(found, band) if band else None,
        "comfort": asdict(band) if band else None,
        "next_reading": {key: _band(band) for key, band in next_readings(found).items()},
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


def _root_zone(given: Json, days: Outlook) -> RootZone:
    filled = day_of(given.get("filled_on"), "filled_on")
    planted = rows(given, "plantings") or ([given] if "crop" in given else [])
    growing = tuple(_growing(row, filled, days) for row in planted)
    water = water_from_ec(number(given.get("water_ec_ms_cm", 0.5), "water_ec_ms_cm"))
    return RootZone(
        medium=medium(text(given, "medium")),
        litres=number(given.get("litres"), "litres"),
        setting=str(given.get("setting", "pot")),
        rain_m2=_open_m2(given),
        filled_on=filled,
        growing=growing,
        poured=tuple(poured_in(row, water) for row in rows(given, "poured")),
        slow=(),
        samples=tuple(sampled_in(row) for row in rows(given, "readings")),
        water_mg_l=charged_water(water),
        logs_all=bool(given.get("logs_every_watering", False)),
        seed=int(number(given.get("seed", 1), "seed")),
    )


def _growing(row: Json, filled: date, days: Outlook) -> Growing:
    grown = crop(text(row, "crop"))
    looks = (Look(text(row, "stage"), days.today),) if "stage" in row else ()
    if looks:
        grown.stage(looks[0].stage)
    begun = Begun(day_of(row.get("started_on", str(filled)), "started_on"), looks)
    plants = int(number(row.get("plants", 1), "plants"))
    if not 1 <= plants <= 10_000:
        raise DaceError("plants", f"{plants}", "1 to 10,000 would do")
    return Growing(grown, spans(stage_clock(grown, begun, days)), plants, filled)


def _open_m2(given: Json) -> float:
    """Ground that rain falls on; of an open pot that nobody measured, what its litres have."""
    if "rain_m2" in given or not given.get("open"):
        return number(given.get("rain_m2", 0.0), "rain_m2")
    if "area_m2" in given:
        return number(given["area_m2"], "area_m2")
    return rain_m2(number(given.get("litres"), "litres"), None, 1)
