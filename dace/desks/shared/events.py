"""What is planned, as one says it in a line."""

from __future__ import annotations

from dace.core.api import Event, shown


def event_words(event: Event) -> str:
    """``11.5 mL of fruiting liquid in 6 L of hard tap``."""
    if event.portion is None:
        return f"{shown.litres(event.litres, 2)} of {event.water_name}, to flush"
    amount = event.portion.words
    if event.portion.can is None:
        return f"{amount} of {event.portion.name}, dry"
    litres = shown.litres(event.litres, 2)
    cans = event.portion.cans
    each = f" in each of {cans} cans" if cans > 1 else ""
    base = event.portion.base
    first = f"{base.said.words} of {base.name} and " if base else ""
    return f"{first}{amount} of {event.portion.name}{each} for {litres} of {event.water_name}"
