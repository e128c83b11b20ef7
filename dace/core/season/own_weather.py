"""Weather that she wrote down herself, or her station did: a table as text."""

from __future__ import annotations

import csv
from dataclasses import dataclass
from datetime import date

from dace.core.errors import DaceError

_HEADS = {
    "date": ("date", "day", "datum"),
    "t_min": ("t_min", "tmin", "min", "low", "minimum"),
    "t_max": ("t_max", "tmax", "max", "high", "maximum"),
    "rain_mm": ("rain_mm", "rain", "mm", "precipitation"),
}
_WOULD_DO = "lines such as 2026-07-14, 11.5, 22.0, 0.4 (date, low, high, rain in mm) would do"
_MOST_DAYS, _MOST_CHARACTERS = 4000, 400_000


@dataclass(frozen=True)
class OwnDay:
    """One day's low and high [C] and rain [mm]; rain None where none was written."""

    on: date
    t_min: float
    t_max: float
    rain_mm: float | None


def read_own_weather(text: str) -> tuple[OwnDay, ...]:
    r"""A table of days: date, low, high and, if she has it, rain.

    Parameters
    ----------
    text : str
        Comma, semicolon or tab between; a head line names the columns, or none does.

    Returns
    -------
    tuple of OwnDay
        In order of days; a day told twice counts as told last.

    Raises
    ------
    DaceError
        On field ``text``, with the number of the line.

    Examples
    --------
    >>> read_own_weather("date,low,high\n2026-07-14,11.5,22")[0].t_max
    22.0
    """
    if len(text) > _MOST_CHARACTERS:
        raise DaceError("text", f"{len(text)} characters", "ten years of days at most would do")
    lines = [line for line in text.splitlines() if line.strip()]
    if not lines:
        raise DaceError("text", "nothing", _WOULD_DO)
    between = next((mark for mark in (";", "\t") if mark in lines[0]), ",")
    rows = list(csv.reader(lines, delimiter=between))
    columns = _columns([cell.strip().lower() for cell in rows[0]])
    begun = 1 if columns else 0
    columns = columns or {"date": 0, "t_min": 1, "t_max": 2, "rain_mm": 3}
    found = {}
    for number, row in enumerate(rows[begun:], start=begun + 1):
        day = _day(number, [cell.strip() for cell in row], columns)
        found[day.on] = day
    if not 1 <= len(found) <= _MOST_DAYS:
        raise DaceError("text", f"{len(found)} days", f"1 to {_MOST_DAYS} would do")
    return tuple(found[on] for on in sorted(found))


def _columns(heads: list[str]) -> dict[str, int]:
    """Where each column stands, where the first line names them."""
    found = {
        name: index
        for name, words in _HEADS.items()
        for index, head in enumerate(heads)
        if head in words
    }
    return found if {"date", "t_min", "t_max"} <= set(found) else {}


def _day(number: int, row: list[str], columns: dict[str, int]) -> OwnDay:
    def cell(name: str) -> str:
        index = columns.get(name, len(row))
        return row[index] if index < len(row) else ""

    where = f"line {number}: “{', '.join(row)[:50]}”"
    try:
        on = date.fromisoformat(cell("date"))
        low, high = float(cell("t_min")), float(cell("t_max"))
        rain = float(cell("rain_mm")) if cell("rain_mm") else None
    except ValueError:
        raise DaceError("text", where, _WOULD_DO) from None
    if not (-60 <= low <= high <= 60) or not (rain is None or 0 <= rain <= 1000):
        raise DaceError("text", where, "a low below the high, in °C, and rain in mm would do")
    return OwnDay(on, low, high, rain)
