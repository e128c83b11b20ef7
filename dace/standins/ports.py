"""What Dace asks of devices outside it."""

from __future__ import annotations

from dataclasses import dataclass
from datetime import date
from typing import Protocol

from dace.core.api import Days, Hours


@dataclass(frozen=True)
class Dipped:
    """What a pen is dipped in: true conductivity at 25 C [mS/cm], and its temperature [C]."""

    ec_25_ms_cm: float
    temperature_c: float


@dataclass(frozen=True)
class PenShows:
    """What a pen shows: a number on its scale, and the temperature [C] it measured."""

    value: float
    scale: str
    temperature_c: float


class ConductivityPen(Protocol):
    """A pen that can be dipped."""

    def read(self, liquid: Dipped) -> PenShows:
        """Dip it and wait until the number stands still."""
        ...


class WeatherService(Protocol):
    """A service that reports a place's days and foresees some."""

    def days(self, first: date, last: date) -> Days:
        """What was reported, both days counted."""
        ...

    def forecast(self, today: date) -> Days:
        """The days from tomorrow on, as foreseen today."""
        ...

    def hours(self, first: date, days: int, noon: float) -> Hours:
        """So many days hour by hour, by a clock on which the sun is highest at ``noon``."""
        ...
