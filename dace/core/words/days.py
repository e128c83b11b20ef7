"""Days as one says them."""

from __future__ import annotations

from datetime import date, datetime

from dace.core.words.shown import shown_in

_SOON_DAYS = 6


def on_day(on: date, short: bool = False, year: bool = False, named: bool = False) -> str:
    """A date in the garden's own way: the month comes first where gallons are American.

    Parameters
    ----------
    on : date
        Which; of an instant the day of its own zone.
    short, year, named : bool
        The month cut to three letters; with the year; with the day's name before it.

    Examples
    --------
    >>> tuesday = date(2026, 7, 14)
    >>> on_day(tuesday), on_day(tuesday, short=True, year=True), on_day(tuesday, named=True)
    ('14 July', '14 Jul 2026', 'Tue 14 July')
    >>> from dace.core.words.shown import Shown, showing
    >>> with showing(Shown("us")): on_day(tuesday, year=True), on_day(tuesday, named=True)
    ('July 14, 2026', 'Tue, July 14')
    """
    month = f"{on:%b}" if short else f"{on:%B}"
    if shown_in().measures == "us":
        said = f"{month} {on.day}, {on.year}" if year else f"{month} {on.day}"
        return f"{on:%a}, {said}" if named else said
    said = f"{on.day} {month} {on.year}" if year else f"{on.day} {month}"
    return f"{on:%a} {said}" if named else said


def at_clock(at: datetime) -> str:
    """A time of day in the garden's own way.

    >>> at_clock(datetime(2026, 7, 14, 17, 40))
    '17:40'
    >>> from dace.core.words.shown import Shown, showing
    >>> with showing(Shown("us")): at_clock(datetime(2026, 7, 14, 0, 5))
    '12:05 AM'
    """
    if shown_in().measures == "us":
        return f"{at.hour % 12 or 12}:{at:%M} {'AM' if at.hour < 12 else 'PM'}"
    return f"{at:%H:%M}"


def ago(days: int) -> str:
    """How long since, in whole days.

    >>> ago(0), ago(1), ago(9)
    ('today', 'yesterday', '9 days ago')
    """
    return "today" if days == 0 else "yesterday" if days == 1 else f"{days} days ago"


def day_words(on: date, today: date, short: bool = False) -> str:
    """A day as one says it: by its name within the week, by its date beyond, with another's year.

    >>> today = date(2026, 7, 14)
    >>> day_words(date(2026, 7, 17), today), day_words(date(2027, 1, 2), today)
    ('Friday', '2 January 2027')
    >>> from dace.core.words.shown import Shown, showing
    >>> with showing(Shown("us")): day_words(date(2026, 9, 3), today, True)
    'Sep 3'
    """
    ahead = (on - today).days
    if ahead == 0:
        return "today"
    if ahead == 1:
        return "tomorrow"
    if 0 < ahead <= _SOON_DAYS:
        return f"{on:%a}" if short else f"{on:%A}"
    return on_day(on, short=short, year=on.year != today.year)
