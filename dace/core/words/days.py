"""Days as one says them."""

from __future__ import annotations

from datetime import date


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
