"""Copies that are made unasked: every night while served, and before every migration."""

from __future__ import annotations

import logging
from collections.abc import Iterable
from datetime import date, datetime
from pathlib import Path

from django.conf import settings
from django.db import DatabaseError, connection
from django.utils import timezone

from dace.core.api import DaceError
from dace.exchange.backups import copy_database
from dace.households import visits, waits

_log = logging.getLogger("dace.copies")
_DAYS, _WEEKS, _MONTHS = 7, 4, 12


def folder() -> Path:
    """Where copies are; made where it is not there yet."""
    found = Path(settings.DATA) / "copies"
    found.mkdir(mode=0o700, parents=True, exist_ok=True)
    return found


def to_keep(days: Iterable[date], today: date) -> set[date]:
    """Which days' copies stay: the last seven days, four weeks and twelve months, one of each.

    >>> kept = to_keep([date(2026, 1, 1) + timedelta(n) for n in range(330)], date(2026, 11, 26))
    >>> len(kept), min(kept)
    (21, datetime.date(2026, 1, 1))
    """
    newest_first = sorted((day for day in days if day <= today), reverse=True)
    kept = {day for day in newest_first if (today - day).days < _DAYS}
    for most, name in ((_WEEKS, "%G-%V"), (_MONTHS, "%Y-%m")):
        first_of: dict[str, date] = {}
        for day in newest_first:
            first_of[day.strftime(name)] = day  # the earliest of each stays at last
        kept |= set(sorted(first_of.values(), reverse=True)[:most])
    return kept


def nightly(today: date) -> Path | None:
    """Today's copy, where there is none yet; older ones that are not to be kept go.

    Raises
    ------
    DaceError
        If the database is not sound, or the copy cannot be written.
    """
    here = folder()
    to = here / f"{today.isoformat()}.sqlite3"
    if to.exists():
        return None
    copy_database(to)
    days = {_day(path): path for path in here.glob("????-??-??.sqlite3")}
    kept = to_keep([day for day in days if day], today)
    for day, path in days.items():
        if day is not None and day not in kept:
            path.unlink()
    return to


def _day(path: Path) -> date | None:
    try:
        return date.fromisoformat(path.stem)
    except ValueError:
        return None


def before_migrating(at: datetime) -> Path:
    """A copy of what stands, before its tables are changed.

    Raises
    ------
    DaceError
        If the database is not sound, or the copy cannot be written.
    """
    to = folder() / f"before-migrating-{at:%Y%m%dT%H%M%S}.sqlite3"
    copy_database(to)
    return to


def keep_up() -> None:
    """What is to be done now and then while Dace is served: today's copy, visits that ended."""
    try:
        visits.end_visits(timezone.now())
        made = nightly(datetime.now().astimezone().date())
        if made is not None:
            waits.tidy()
            _log.info("copied to %s", made)
    except DaceError as error:
        _log.error("no copy was made: %s", error.sentence)
    except (OSError, DatabaseError):  # a full disk must not end what is served
        _log.exception("no copy was made")
    finally:
        connection.close()
