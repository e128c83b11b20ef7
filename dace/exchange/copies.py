"""Copies that are made unasked: every night while served, and before every migration."""

from __future__ import annotations

import logging
import shutil
from collections.abc import Iterable
from datetime import date, datetime, timedelta
from pathlib import Path

from django.conf import settings
from django.db import DatabaseError, connection
from django.utils import timezone

from dace.core.api import DaceError
from dace.exchange import nightcheck
from dace.exchange.backups import copy_database
from dace.households import visits, waits

_log = logging.getLogger("dace.copies")
_DAYS, _WEEKS, _MONTHS = 7, 4, 12
_DOUBTED = timedelta(days=31)


def folder() -> Path:
    """Where copies are; made where it is not there yet."""
    found = Path(settings.DATA) / "copies"
    found.mkdir(mode=0o700, parents=True, exist_ok=True)
    return found


def to_keep(days: Iterable[date], today: date) -> set[date]:
    """Which days' copies stay: the newest seven, and one of four weeks and twelve months.

    Those of days to come stay too, and all of them where today lies before the newest, or long
    after it: a board without a battery wakes in another year.

    >>> kept = to_keep([date(2026, 1, 1) + timedelta(n) for n in range(330)], date(2026, 11, 26))
    >>> len(kept), min(kept)
    (21, datetime.date(2026, 1, 1))
    """
    newest_first = sorted(days, reverse=True)
    if doubted(newest_first, today):
        return set(newest_first)
    kept = set(newest_first[:_DAYS])
    for most, name in ((_WEEKS, "%G-%V"), (_MONTHS, "%Y-%m")):
        first_of: dict[str, date] = {}
        for day in newest_first:
            first_of[day.strftime(name)] = day  # the earliest of each stays at last
        kept |= set(sorted(first_of.values(), reverse=True)[:most])
    return kept


def doubted(days: Iterable[date], today: date) -> bool:
    """Whether the copies that there are make one doubt that it is today; not without any.

    >>> doubted([date(2026, 11, 25)], date(2026, 11, 26)), doubted([], date(2020, 1, 1))
    (False, False)
    """
    newest = max((day for day in days if day != today), default=None)
    return newest is not None and not newest < today <= newest + _DOUBTED


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
    _thin(here, today)
    return to


def _thin(here: Path, today: date) -> None:
    days = _days(here)
    kept = to_keep(days, today)
    for day, path in days.items():
        if day not in kept:
            path.unlink()


def second(copy: Path, today: date) -> Path | None:
    """The same copy in the second place, where one is named; older ones go there as here.

    Raises
    ------
    OSError
        If the place is not there, or has no room.
    """
    if not settings.DACE_COPIES:
        return None
    there = Path(settings.DACE_COPIES)
    beside, to = there / f".{copy.name}.part", there / copy.name
    try:
        shutil.copyfile(copy, beside)
        beside.chmod(0o600)
        beside.replace(to)
    finally:
        beside.unlink(missing_ok=True)
    _thin(there, today)
    return to


def _looked_over(made: Path, today: date) -> None:
    """The copy goes to its second place, and Dace looks at itself."""
    copies = [made]
    try:
        elsewhere = second(made, today)
        copies += [elsewhere] if elsewhere else []
    except OSError as error:
        _log.error("no copy in %s: %s", settings.DACE_COPIES, error)
        copies.append(Path(settings.DACE_COPIES) / made.name)
    for wrong in nightcheck.check(timezone.now(), tuple(copies)).wrong:
        _log.error("checked at night: %s", wrong)


def _days(here: Path) -> dict[date, Path]:
    """The nightly copies that there are."""
    found = {_day(path): path for path in here.glob("????-??-??.sqlite3")}
    return {day: path for day, path in found.items() if day is not None}


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
    """What is to be done now and then while Dace is served: today's copy, visits that ended.

    Nothing is ended by a clock that one doubts.
    """
    today = timezone.now().astimezone().date()
    try:
        unsure = doubted(_days(folder()), today)
        if unsure:
            _log.warning("it is said to be %s: nothing old is deleted; is the clock right?", today)
        else:
            visits.end_visits(timezone.now())
        made = nightly(today)
        if made is not None:
            _log.info("copied to %s", made)
            _looked_over(made, today)
            if not unsure:
                waits.tidy()
    except DaceError as error:
        _log.error("no copy was made: %s", error.sentence)
    except (OSError, DatabaseError):  # a full disk must not end what is served
        _log.exception("no copy was made")
    finally:
        connection.close()
