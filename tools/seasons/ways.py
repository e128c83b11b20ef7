"""Ways to feed: nothing, rules of thumb, Dace as it is asked, and one who knows all."""

from __future__ import annotations

from collections.abc import Callable, Iterator

import numpy as np

from dace.core.shell.json_in import Json
from dace.core.shell.verdicts import verdict
from tools.seasons.field import DAYS, TAP, Field
from tools.seasons.pots import Array, ec_of, liquid
from tools.seasons.weather import START

LABEL_ML_L = 5.0
_N, _P, _K, _EC = 46.0, 15.05, 76.4, 0.28
"""What a mL of the tomato feed 4-3-8 brings to a litre [mg/L], and reads [mS/cm]."""
_JAR = {"grade": [4, 3, 8], "density_g_per_ml": 1.15}
_CRYSTALS = {"grade": [16, 8, 24], "form": "solid", "also": {"mgo": 2}}
_READ_EVERY, _ASKED_EVERY, _STOPS = 14, 2, 13
_SPILT = 1.03

Way = Callable[[Field], Iterator[Array]]
"""Feeds a field; each day it gives the water that whatever is dry is watered with."""


def bottle(ml_l: float) -> Array:
    """The tomato feed in tap water, at so many mL a litre."""
    return np.asarray(TAP + liquid(ml_l * _N, ml_l * _P, ml_l * _K, ml_l * _EC))


def nothing(field: Field) -> Iterator[Array]:
    """Plain water."""
    for _ in range(DAYS):
        yield TAP


def label(field: Field, share: float = 1.0, days: tuple[int, ...] = (1,)) -> Iterator[Array]:
    """So much of the label's strength on days of the week, to the first drip."""
    for day in range(DAYS):
        if day % 7 in days:
            field.feed(_to_first_drip(field), bottle(share * LABEL_ML_L))
        yield TAP


def each_watering(field: Field) -> Iterator[Array]:
    """A quarter of the label's strength whenever it is watered."""
    for _ in range(DAYS):
        yield bottle(LABEL_ML_L / 4)


def knows_all(field: Field) -> Iterator[Array]:
    """What each wants till the next of two evenings and a reserve, less what is there."""
    for day in range(DAYS):
        if day % 7 in (1, 4):
            litres = _to_first_drip(field)
            there, _ = field.pots.reach()
            want = 1.1 * field.need(4) * field.plants.hunger[:, None] * field.plants.size[:, None]
            reserve = np.array([45.0, 8.0, 60.0]) * field.pots.full[:, None]
            owed = np.maximum(0.0, want + reserve - there)
            strong = np.minimum(owed / litres[:, None], [260.0, 60.0, 380.0])
            mixed = [TAP + liquid(n, p, k, _K_EC * (n + p + k)) for n, p, k in strong]
            field.feed(np.where(owed[:, 0] > 0, litres, 0.0), np.array(mixed))
        yield TAP


_K_EC = 0.0035
"""mS/cm that a mg/L of N, P and K together reads, of plain salts."""


def _to_first_drip(field: Field) -> Array:
    return np.asarray(np.maximum(field.pots.lack() * _SPILT, 0.04 * field.pots.full))


def dace(field: Field, pen: bool = True, rhythm: str = "weekly") -> Iterator[Array]:
    """What the verdicts say, asked every second day, with the drain read once a fortnight."""
    count = field.count
    poured: list[list[Json]] = [[] for _ in range(count)]
    readings: list[list[Json]] = [[] for _ in range(count)]
    for day in range(DAYS):
        on = field.days[day][0]
        if pen and day % _READ_EVERY == 3:
            for at, value in enumerate(field.pots.drain_ec):
                if np.isfinite(value):
                    shown = float(value * np.exp(field.rng.normal(0, 0.06)))
                    readings[at].append({"on": on, "value": round(shown, 2)})
        if day % _ASKED_EVERY == 0 and day > 0:
            found = _asked(field, poured, readings, pen, rhythm)
            _follow(field, found, poured, on)
        yield TAP


def _asked(
    field: Field,
    poured: list[list[Json]],
    readings: list[list[Json]],
    pen: bool,
    rhythm: str,
) -> list[Json]:
    found: list[Json] = []
    for first in range(0, field.count, _STOPS):
        stops = [
            _stop(field, at, poured[at], readings[at], rhythm)
            for at in range(first, min(field.count, first + _STOPS))
        ]
        given = {
            "today": field.days[field.day][0],
            "latitude": 51,
            "climate": "cool_temperate",
            "days": [list(one) for one in field.days[: field.day + 1]],
            "waters": {"tap": {"ec_ms_cm": float(ec_of(TAP))}},
            "vessels": ["9 L", "5 L"],
            "pen": pen,
            "jars": [
                {"name": "tomato feed", "jar": _JAR},
                {"name": "crystals", "jar": _CRYSTALS},
            ],
            "stops": stops,
        }
        found += verdict(given)["verdicts"]
    return found


def _stop(
    field: Field,
    at: int,
    poured: list[Json],
    readings: list[Json],
    rhythm: str,
) -> Json:
    grown, now = field.crops[at], field.day
    stage, first = grown.stages[now], now
    while first > 0 and grown.stages[first - 1] == stage:
        first -= 1
    planting = {"id": "p", "crop": grown.crop, "plants": 1, "started_on": "2026-04-01"}
    told = {
        "id": f"pot {at}",
        "medium": "peat_free_mix",
        "litres": float(field.pots.litres[at]),
        "filled_on": str(START),
        "shelter": "open" if field.open[at] else "cover",
        "plantings": [planting | {"stage": stage, "seen_on": field.days[first][0]}],
        "poured": poured,
        "readings": readings,
    }
    return told | ({"rhythm": rhythm} if rhythm else {})


def _follow(
    field: Field,
    found: list[Json],
    poured: list[list[Json]],
    on: str,
) -> None:
    litres, mg_l = np.zeros(field.count), np.tile(TAP, (field.count, 1))
    plain = np.zeros(field.count)
    for at, said in enumerate(found):
        if said["kind"] == "feed" and said["mg_l"]:
            brings, much = said["mg_l"], float(said["litres"])
            n, p, k = (float(brings[name]) for name in ("N", "P", "K"))
            litres[at], mg_l[at] = much, liquid(n, p, k, float(said["ec_ms_cm"]))
            row = {"n_mg_l": n, "p_mg_l": p, "k_mg_l": k, "ec_ms_cm": float(said["ec_ms_cm"])}
            poured[at].append({"on": on, "litres": much} | row)
        elif said["kind"] in ("flush", "water"):
            plan = said["flush"]
            much = plan["goes"] * plan["each_l"] if plan else said["litres"]
            much = float(much) or float(0.6 * field.pots.full[at])
            plain[at] = much
            row = {"feed": False, "ec_ms_cm": float(ec_of(TAP))}
            poured[at].append({"on": on, "litres": round(much, 2)} | row)
    field.feed(litres, mg_l)
    field.pots.pour(plain, TAP)
    field.poured += plain
