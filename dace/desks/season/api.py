"""The Season desk and the page of one planting."""

from __future__ import annotations

import uuid
from datetime import date, timedelta
from typing import Annotated, Any

from ninja import Router, Schema
from pydantic import Field

from dace.core.api import shown
from dace.desks.season.page import season_page
from dace.desks.season.planting import planting_page
from dace.desks.season.schemas import PlantingOut, SeasonOut
from dace.desks.shared.out import Out
from dace.desks.shared.said import wet_words
from dace.desks.shared.written import WrittenOut, written
from dace.garden.growing import Again, repeat_every, sow_again
from dace.garden.reads import garden_of
from dace.garden.soil import NewSoilTest, keep_soil_test
from dace.garden.weather import Source, Weather, keep_own_weather, weather
from dace.households.fields import Name, Number

_AHEAD_SHOWN = 7
router = Router(tags=["season"])
Ahead = Annotated[int, Field(ge=4, le=26)]
Days = Annotated[int, Field(ge=3, le=120)]


class DayOut(Out):
    """A day foreseen: low and high [C], rain [mm]."""

    on: date
    t_min: float
    t_max: float
    rain_mm: float


class WeatherOut(Out):
    """Today and the days ahead: foreseen, or what is usual where no service speaks."""

    source: Source
    today: DayOut
    ahead: list[DayOut]
    words: str
    own_days: int


class RepeatIn(Schema):
    """Every how many days; null ends it."""

    days: Days | None = None


class AgainIn(Schema):
    """Ids of the planting that repeats one, and where it stands."""

    id: uuid.UUID
    stand_id: uuid.UUID
    fill_id: uuid.UUID | None = None


class OwnWeatherIn(Schema):
    """Her own days, as a table in text."""

    id: uuid.UUID
    text: Annotated[str, Field(max_length=400_000)]


class SoilTestIn(Schema):
    """A test of a fill's soil or medium; what was not tested is left out."""

    id: uuid.UUID
    unit: Name
    values: Annotated[dict[str, Number], Field(max_length=5)]
    tested_on: date | None = None


@router.get("/season", response=SeasonOut, operation_id="season")
def season(request: Any, ahead: Ahead = 12) -> SeasonOut:
    """Every strip on one axis of thirty weeks."""
    return season_page(request.auth, ahead)


@router.get("/plantings/{planting_id}/page", response=PlantingOut, operation_id="planting")
def planting(request: Any, planting_id: uuid.UUID) -> PlantingOut:
    """One planting: stages, books, history."""
    return planting_page(request.auth, planting_id)


@router.get("/weather", response=WeatherOut, operation_id="weather", summary="Weather")
def days_ahead(request: Any) -> WeatherOut:
    """Today's weather and the days ahead."""
    garden = garden_of(request.auth)
    found = _weather_out(weather(request.auth, garden))
    if found.source == "usual" and garden.seq == garden.edition:
        # nobody has said yet where the garden is
        return WeatherOut(**{**vars(found), "words": "", "ahead": []})
    return found


def _weather_out(known: Weather) -> WeatherOut:
    past, ahead = known.past, known.forecast
    if not ahead.t_min:
        ahead = known.outlook.likely(_AHEAD_SHOWN)
    days = [
        DayOut(on=ahead.first + timedelta(days=n), t_min=low, t_max=high, rain_mm=rain)
        for n, (low, high, rain) in enumerate(
            zip(ahead.t_min, ahead.t_max, ahead.rain_mm, strict=True)
        )
    ]
    now = DayOut(
        on=known.today, t_min=past.t_min[-1], t_max=past.t_max[-1], rain_mm=past.rain_mm[-1]
    )
    wet = wet_words(now.rain_mm)
    warm = shown.degrees(now.t_max)
    words = {
        "simulated": f"today {warm}, {wet}, simulated",
        "service": f"today {warm}, {wet}",
        "usual": f"usually about {warm} now",
    }
    return WeatherOut(
        source=known.source,
        today=now,
        ahead=days,
        words=words[known.source],
        own_days=known.own_days,
    )


@router.post("/weather", response={201: WrittenOut}, operation_id="keep_weather")
def keep_weather(request: Any, payload: OwnWeatherIn) -> Any:
    """Keep her own days of weather."""
    garden = garden_of(request.auth)
    row = keep_own_weather(request.auth, garden, payload.id, payload.text)
    return 201, written(request.auth, row.pk)


@router.post("/plantings/{planting_id}/repeat", response=WrittenOut, operation_id="repeat_every")
def repeat(request: Any, planting_id: uuid.UUID, payload: RepeatIn) -> WrittenOut:
    """Sow the same every so many days."""
    return written(request.auth, repeat_every(request.auth, planting_id, payload.days).pk)


@router.post("/plantings/{planting_id}/again", response={201: WrittenOut}, operation_id="sow_again")
def again(request: Any, planting_id: uuid.UUID, payload: AgainIn) -> Any:
    """Sow the same again today."""
    row = sow_again(request.auth, planting_id, Again(**payload.dict()))
    return 201, written(request.auth, row.pk)


@router.post("/fills/{fill_id}/tests", response={201: WrittenOut}, operation_id="keep_soil_test")
def soil_test(request: Any, fill_id: uuid.UUID, payload: SoilTestIn) -> Any:
    """Keep what a test found."""
    row = keep_soil_test(request.auth, fill_id, NewSoilTest(**payload.dict()))
    return 201, written(request.auth, row.pk)
