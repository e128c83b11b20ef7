"""A summer of its own: warmth that lasts some days, dry and wet spells."""

from __future__ import annotations

from datetime import date, timedelta

import numpy as np

START = date(2026, 5, 18)
_COOLEST, _SWING = 12.5, 6.0


def summer(rng: np.random.Generator, days: int) -> list[tuple[str, float, float, float]]:
    """Days as (day, least, most [C], rain [mm])."""
    off, wet, found = 0.0, False, []
    for at in range(days):
        off = 0.75 * off + rng.normal(0, 1.6)
        mean = _COOLEST + _SWING * np.sin(np.pi * (at + 25) / 150) + off
        wet = rng.random() < (0.55 if wet else 0.25)
        rain = float(rng.gamma(0.8, 5.0)) if wet else 0.0
        half = (3.5 if wet else 6.0) + rng.normal(0, 0.7)
        day = START + timedelta(days=at)
        found.append((str(day), round(mean - half, 1), round(mean + half, 1), round(rain, 1)))
    return found


def evaporates(day: tuple[str, float, float, float]) -> float:
    """What a well watered lawn would lose on a day [mm], by warmth and its span alone."""
    _, low, high, _ = day
    return max(0.4, 0.0023 * 16.5 * ((low + high) / 2 + 17.8) * float(np.sqrt(high - low)))
