"""Days as one says them."""

from __future__ import annotations

from datetime import date


def day_in_words(on: date) -> str:
    """A day with its year.

    >>> day_in_words(date(2026, 5, 3))
    '3 May 2026'
    """
    return f"{on.day} {on:%B %Y}"
