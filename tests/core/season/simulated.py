"""A season as it might really go, by code of its own: hours, not days; nothing from the core.

It reads the climate and the stages as printed in the tables, and nothing else.
"""

import csv
import math
import random
from datetime import date, timedelta
from pathlib import Path

TABLES = Path(__file__).resolve().parents[3] / "dace" / "core" / "figures"
YEAR = 365.25


def rows(name):
    with (TABLES / f"{name}.csv").open(encoding="utf-8") as file:
        return list(csv.DictReader(file))


class Weather:
    """Hourly warmth of one year in one climate."""

    def __init__(self, climate, rng):
        row = next(r for r in rows("climates") if r["key"] == climate)
        self.c = {
            k: float(row[k])
            for k in row
            if k not in ("key", "name", "like", "by_name", "confidence", "source_family", "note")
        }
        self.rng = rng
        self.year_off = rng.gauss(0, self.c["year_sd_c"])
        self.off = rng.gauss(0, self.c["day_sd_c"])

    def day(self, on):
        """24 temperatures, and the chain moves on by a day."""
        c = self.c
        turn = (
            2
            * math.pi
            * ((on - date(on.year, 6, 21)).days + (YEAR / 2 if c["latitude"] < 0 else 0))
            / YEAR
        )
        wave = math.cos(turn - 2 * math.pi * c["lag_days"] / YEAR)
        middle = c["mean_c"] + c["swing_c"] * wave + self.year_off + self.off
        half = (
            (c["span_bright_c"] + c["span_dim_c"]) + (c["span_bright_c"] - c["span_dim_c"]) * wave
        ) / 4
        keep = c["persistence"]
        self.off = keep * self.off + math.sqrt(1 - keep * keep) * self.rng.gauss(0, c["day_sd_c"])
        return [middle - half * math.cos(2 * math.pi * (h - 3) / 24) for h in range(24)]


def season(crop, sown, climate, seed):
    """The true first day of each stage: {stage: date}."""
    rng = random.Random(seed)
    weather = Weather(climate, rng)
    pace = math.exp(rng.gauss(0, 0.12))
    starts, on, today = {}, sown, None
    for row in (r for r in rows("stages") if r["crop"] == crop):
        starts[row["stage"]] = on
        own = pace * math.exp(rng.gauss(0, 0.08))
        left = float(row["duration_gdd"] or row["duration_days_typ"]) * own
        base = float(row["gdd_base_c"] or 0)
        while left > 0 and (on - sown).days < 380:
            today = weather.day(on)
            mean = sum(today) / 24
            left -= max(0.0, mean - base) if row["duration_gdd"] else 1.0
            on += timedelta(days=1)
    return starts
