"""What is planned, as one says it in a line."""

from __future__ import annotations

from dace.core.api import Event, fill_words, shown


def event_words(event: Event) -> str:
    """``6 L: 2 teaspoons of fruiting liquid in 9 L of hard tap``."""
    if event.portion is None:
        return f"{shown.litres(event.litres, 2)} of {event.water_name}, to flush"
    amount = event.portion.words
    if event.portion.can is None:
        return f"{amount} of {event.portion.name}, dry"
    base = event.portion.base
    first = f"{base.said.words} of {base.name} and " if base else ""
    fill = f"{fill_words(event.portion.fill_l)} of {event.water_name}"
    return f"{shown.litres(event.litres, 2)}: {first}{amount} of {event.portion.name} in {fill}"
