"""Ways to feed: nothing, rules of thumb, Dace as it is asked, and one who knows all."""

from __future__ import annotations

from collections.abc import Callable, Iterator

import numpy as np
from numpy.typing import NDArray

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
_POURED_AT, _READ_AT, _MOST_GOES = 18.0, 17.5, 5

Way = Callable[[Field], Iterator[Array]]
"""Feeds a field of an evening; it gives the water that whatever is dry then is watered with."""


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
            field.feed(field.to_first_drip(), bottle(share * LABEL_ML_L))
        yield TAP


def each_watering(field: Field) -> Iterator[Array]:
    """A quarter of the label's strength whenever it is watered."""
    for _ in range(DAYS):
        yield bottle(LABEL_ML_L / 4)


def knows_all(field: Field) -> Iterator[Array]:
    """What each wants till the next of two evenings and a reserve, less what is there."""
    for day in range(DAYS):
        if day % 7 in (1, 4):
            litres = field.to_first_drip()
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


def dace(
    field: Field, pen: bool = True, rhythm: str = "", evenings: tuple[int, ...] = ()
) -> Iterator[Array]:
    """What the verdicts say, with the drain read once a fortnight and after a flush.

    Asked every second day, or on ``evenings`` by the day of the week; a ``rhythm`` is set, or left
    to Dace.
    """
    count = field.count
    poured: list[list[Json]] = [[] for _ in range(count)]
    readings: list[list[Json]] = [[] for _ in range(count)]
    for day in range(DAYS):
        on = field.days[day][0]
        if pen and day % _READ_EVERY == 3:
            _read(field, readings, on, np.ones(count, dtype=bool), _READ_AT)
        asked = day % 7 in evenings if evenings else day % _ASKED_EVERY == 0
        if asked and day > 0:
            found = _asked(field, poured, readings, pen, rhythm)
            flushed = _follow(field, found, poured, on, _POURED_AT)
            for go in range(1, _MOST_GOES * pen):  # one go, then it is read and asked again
                if not flushed.any():
                    break
                _read(field, readings, on, flushed, _READ_AT + go)
                again = _asked(field, poured, readings, pen, rhythm, flushed)
                flushed = _follow(field, again, poured, on, _POURED_AT + go)
        yield TAP


def _read(
    field: Field, readings: list[list[Json]], on: str, which: NDArray[np.bool_], hour: float
) -> None:
    """The drain of some pots as a pen shows it."""
    for at in np.flatnonzero(which & np.isfinite(field.pots.drain_ec)):
        shown = float(field.pots.drain_ec[at] * np.exp(field.rng.normal(0, 0.06)))
        readings[at].append({"on": on, "value": round(shown, 2), "hour": hour})


def _asked(
    field: Field,
    poured: list[list[Json]],
    readings: list[list[Json]],
    pen: bool,
    rhythm: str,
    which: NDArray[np.bool_] | None = None,
) -> list[Json]:
    """The verdicts of some pots; of the others nothing is to be done."""
    found: list[Json] = [{"kind": "enough"} for _ in range(field.count)]
    asked = np.arange(field.count) if which is None else np.flatnonzero(which)
    for first in range(0, len(asked), _STOPS):
        some = asked[first : first + _STOPS]
        stops = [_stop(field, at, poured[at], readings[at], rhythm) for at in some]
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
        for at, said in zip(some, verdict(given)["verdicts"], strict=True):
            found[at] = said
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
    hour: float,
) -> NDArray[np.bool_]:
    """Do what is said; which were flushed, and are read before they are asked of again."""
    litres, mg_l = np.zeros(field.count), np.tile(TAP, (field.count, 1))
    plain, drip = np.zeros(field.count), field.to_first_drip()
    for at, said in enumerate(found):
        if said["kind"] == "feed" and said["mg_l"]:
            brings, much = said["mg_l"], min(float(said["litres"]), float(drip[at]))
            n, p, k = (float(brings[name]) for name in ("N", "P", "K"))
            litres[at], mg_l[at] = much, liquid(n, p, k, float(said["ec_ms_cm"]))
            row = {"n_mg_l": n, "p_mg_l": p, "k_mg_l": k, "ec_ms_cm": float(said["ec_ms_cm"])}
            poured[at].append({"on": on, "litres": much, "hour": hour} | row)
        elif said["kind"] in ("flush", "water"):
            plan = said["flush"]
            much = float(plan["each_l"] if plan else said["litres"])
            plain[at] = much
            row = {"feed": False, "ec_ms_cm": float(ec_of(TAP))}
            poured[at].append({"on": on, "litres": much, "hour": hour} | row)
    field.feed(litres, mg_l)
    field.pots.pour(plain, TAP)
    field.poured += plain
    return np.array([said["kind"] == "flush" for said in found])
