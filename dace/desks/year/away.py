"""Absences as they are said."""

from __future__ import annotations

from datetime import date

from dace.core.api import on_day
from dace.desks.year.schemas import AwayOut
from dace.garden.going import aways
from dace.garden.models import Away
from dace.households.scope import Scope


def away_out(row: Away, on: date) -> AwayOut:
    """An absence in a line."""
    span = f"{on_day(row.from_on)} to {on_day(row.to_on)}"
    return AwayOut(
        id=row.pk,
        from_on=row.from_on,
        to_on=row.to_on,
        waters=row.waters,
        line=f"Away {span}: {Away.Waters(row.waters).label}",
        begun=row.from_on <= on,
    )


def to_come(scope: Scope, on: date) -> list[AwayOut]:
    """Absences that are not over; one query."""
    return [away_out(one, on) for one in aways(scope, on) if one.to_on >= on]


def back_line(scope: Scope, on: date) -> str:
    """What to begin with in the first days back; empty otherwise."""
    for one in aways(scope, on):
        if 0 < (on - one.to_on).days <= _BACK_D and one.waters != Away.Waters.HELPER:
            return "Back: look first, water what is dry, feed tomorrow."
    return ""


_BACK_D = 2
