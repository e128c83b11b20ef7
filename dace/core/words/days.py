"""Days as one says them."""

from __future__ import annotations

from datetime import date

_SOON_DAYS = 6


def day_in_words(on: date) -> str:
    """A day with its year.

    >>> day_in_words(date(2026, 5, 3))
    '3 May 2026'
    """
    return f"{on.day} {on:%B %Y}"


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
    """
    ahead = (on - today).days
    if ahead == 0:
        return "today"
    if ahead == 1:
        return "tomorrow"
    if 0 < ahead <= _SOON_DAYS:
        return f"{on:%a}" if short else f"{on:%A}"
    year = "" if on.year == today.year else f" {on.year}"
    return f"{on.day} {on:%b}{year}" if short else f"{on.day} {on:%B}{year}"
