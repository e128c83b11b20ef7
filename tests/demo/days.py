"""The days of the year on which Weir Yard is looked at."""

from datetime import datetime
from zoneinfo import ZoneInfo

DAYS = ("2026-04-20", "2026-06-01", "2026-07-14", "2026-08-20", "2026-10-05", "2026-12-15")


def evening(day):
    """Twenty to six on a day there."""
    return datetime.fromisoformat(f"{day}T17:40").replace(tzinfo=ZoneInfo("Europe/London"))
