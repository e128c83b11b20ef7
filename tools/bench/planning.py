"""A plan of forty plantings, thirty weeks and twelve sources, beside its bare programs."""

from __future__ import annotations

import time
from dataclasses import replace
from typing import Any

from dace.core.fed.records import Yard
from dace.core.plan import ahead, making
from dace.core.plan.choice import Choices
from dace.core.plan.making import make_plan
from dace.core.plan.problem import solve
from dace.core.plan.weeks import problems
from dace.core.rootzone.mondays import Newest
from dace.core.season.crops import crops
from dace.core.shell.yards import yard_in
from dace.core.verdict.judge import verdicts
from tools.bench.table import Row, median_of

_PLANTINGS, _SOURCES, _WEEKS = 40, 12, 30
_RUNS = 5


def rows() -> list[Row]:
    """Anew, and after one tick at one stop."""
    yard = yard_in(_garden(fed_today=False))
    ticked = yard_in(_garden(fed_today=True))

    def anew() -> None:
        _forget()
        make_plan(yard, _WEEKS, verdicts(yard))

    judged = verdicts(yard)
    aheads = [
        ahead.ahead_of(stop, one, yard, 7 * _WEEKS)
        for stop, one in zip(yard.stops, judged, strict=True)
    ]
    asked = [one for one in problems(aheads, Choices(_endless(yard))) if one is not None]

    def bare() -> None:
        for one in asked:
            solve(one, {})

    def tick() -> None:
        _forget()
        make_plan(yard, _WEEKS, judged)

    tick()
    once = _timed_tick(yard, ticked)
    size = f"{_PLANTINGS} plantings, {_WEEKS} weeks, {_SOURCES} sources"
    solver = median_of(bare, _RUNS)
    return [
        Row(f"a plan: {size}", median_of(anew, _RUNS), "its linear programs alone", solver),
        Row("the plan after one tick", once, "its linear programs alone", solver),
    ]


def _timed_tick(before: Yard, after: Yard) -> float:
    """The verdicts and the plan of a garden of which one stop was fed, the rest known."""
    found: list[float] = []
    for _ in range(_RUNS):
        _forget()
        make_plan(before, _WEEKS, verdicts(before))
        began = time.process_time()
        make_plan(after, _WEEKS, verdicts(after))
        found.append(1000 * (time.process_time() - began))
    return sorted(found)[_RUNS // 2]


def _forget() -> None:
    making._KNOWN = Newest(128)
    ahead._KNOWN = Newest(128)


def _endless(yard: Yard) -> Yard:
    return replace(yard, sources=tuple(replace(one, stock=float("inf")) for one in yard.sources))


def _garden(fed_today: bool) -> dict[str, Any]:
    names = [key for key in crops() if not key.endswith("_pot")]
    kinds = (names * 2)[:_PLANTINGS]
    stops = [_stop(turn, name) for turn, name in enumerate(kinds)]
    if fed_today:
        fed = {"on": "2026-05-28", "litres": 3, "ec_ms_cm": 1.2, "n_mg_l": 80, "k_mg_l": 120}
        stops[0]["poured"].append(fed)
    return {
        "today": "2026-05-28",
        "latitude": 51,
        "climate": "cool_temperate",
        "waters": {"tap": {"ec_ms_cm": 0.65}, "rain": {"ec_ms_cm": 0.06}},
        "vessels": ["9 L", "2 L"],
        "jars": [_jar(turn) for turn in range(_SOURCES)],
        "stops": stops,
    }


def _stop(turn: int, name: str) -> dict[str, Any]:
    bed = turn % 4 == 3
    size: dict[str, Any] = {"area_m2": 2.0} if bed else {"litres": 30}
    return size | {
        "id": f"s{turn}",
        "medium": "loam_soil" if bed else "peat_free_mix",
        "setting": "bed" if bed else "pot",
        "rhythm": "weekly",
        "filled_on": "2026-04-10",
        "plantings": [{"id": "p", "crop": name, "plants": 4, "started_on": "2026-04-20"}],
        "poured": [{"on": "2026-05-20", "litres": 3, "ec_ms_cm": 1.2, "n_mg_l": 80}],
    }


def _jar(turn: int) -> dict[str, Any]:
    grade = [4 + turn % 5, 3 + turn % 3, 5 + turn % 7]
    if turn % 2:
        return {
            "name": f"jar {turn}",
            "jar": {"grade": grade, "density_g_per_ml": 1.15},
            "stock": 9e4,
        }
    solid = {"grade": [3 * n for n in grade], "form": "solid"}
    return {"name": f"jar {turn}", "jar": solid, "stock": 9e4}
