"""``make seasons``: whole seasons by each way of feeding, and the table of them.

``--pots`` and ``--seeds`` say how many; ``--places`` and ``--ways`` which, by name.
"""

from __future__ import annotations

import argparse
from functools import partial
from multiprocessing import Pool

import numpy as np

from tools.bench.__main__ import KEPT, SEASONS
from tools.seasons import ways
from tools.seasons.beds import Beds
from tools.seasons.field import Field
from tools.seasons.trays import Trays

WAYS: dict[str, ways.Way] = {
    "nothing": ways.nothing,
    "label once a week": ways.label,
    "half the label twice a week": partial(ways.label, share=0.5, days=(1, 4)),
    "a quarter in each watering": ways.each_watering,
    "one who knows all, two evenings": ways.knows_all,
    "Dace": ways.dace,
    "Dace, no pen": partial(ways.dace, pen=False),
    "Dace, Tuesday and Friday": partial(ways.dace, evenings=(1, 4)),
    "Dace, one bottle": partial(ways.dace, bottle=True),
    "Dace, three brews and one bottle": partial(ways.dace, brews=True),
    "Dace, weekly": partial(ways.dace, rhythm="weekly"),
}
INTRODUCTION = """Written by `make seasons`: pots of twelve crops and beds of eight through
15 weeks, trays of nine till potting on, in a simulator that shares no code with the core
(`tools/seasons`). Loss is the worst of what plants went without of N, P and K, and salt's
harm; feeds are the median's; nitrogen is that of a whole pot, tray or bed.
"""
COLUMNS = ("loss", "worst tenth", "salt", "N drained", "N left", "litres", "feeds")
HEADS = (
    "loss, %", "worst tenth", "salt, points", "N drained, mg", "N left, mg", "litres", "feeds"
)  # fmt: skip


OF_TRAYS: dict[str, ways.Way] = {
    "nothing": ways.nothing,
    "a quarter of label each third day": ways.each_third_day,
    "a quarter in each watering": ways.each_watering,
    "one who knows all": ways.knows_all,
    "Dace": ways.dace,
}
OF_BEDS: dict[str, ways.Way] = {
    "nothing": ways.nothing,
    "label once a week": ways.label,
    "pellets twice": ways.pellets,
    "pellets twice and label": partial(ways.pellets, labelled=True),
    "one who knows all": ways.knows_all,
    "Dace": ways.dace,
}
PLACES: dict[str, tuple[type[Field], dict[str, ways.Way]]] = {
    "pots": (Field, WAYS),
    "trays": (Trays, OF_TRAYS),
    "beds": (Beds, OF_BEDS),
}


def lived(place: str, way: str, count: int, seed: int) -> dict[str, float]:
    """A season of a field fed one way."""
    field, ways_there = PLACES[place]
    return season(field(count, seed), ways_there[way]).outcome()


def season(field: Field, way: ways.Way) -> Field:
    """All days of a field fed one way: each up to its evening, what is fed then, its watering."""
    fed = way(field)
    for _ in range(field.length):
        field.live()
        field.end(next(fed))
    return field


def main() -> None:
    """Print the tables."""
    parser = argparse.ArgumentParser(description=__doc__)
    parser.add_argument("--pots", type=int, default=52)
    parser.add_argument("--seeds", type=int, default=3)
    parser.add_argument("--places", nargs="*", default=list(PLACES), choices=list(PLACES))
    parser.add_argument("--ways", nargs="*", default=[])
    parser.add_argument("--keep", action="store_true", help="write the tables down")
    asked = parser.parse_args()
    runs = [
        (place, way, asked.pots, seed)
        for place in asked.places
        for way in PLACES[place][1]
        if not asked.ways or way in asked.ways
        for seed in range(1, asked.seeds + 1)
    ]
    with Pool(2) as pool:
        found = dict(zip(runs, pool.starmap(lived, runs, chunksize=1), strict=True))
    lines: list[str] = []
    for place in asked.places:
        lines += [f"| {asked.pots} {place}, {asked.seeds} seeds | {' | '.join(HEADS)} |"]
        lines += ["| --- |" + " ---: |" * len(HEADS)]
        for way in dict.fromkeys(run[1] for run in runs if run[0] == place):
            rows = [one for run, one in found.items() if run[:2] == (place, way)]
            cells = [float(np.mean([row[name] for row in rows])) for name in COLUMNS]
            lines.append(f"| {way} | " + " | ".join(f"{cell:.1f}" for cell in cells) + " |")
        lines.append("")
    print("\n".join(lines))
    if asked.keep:
        before = KEPT.read_text(encoding="utf-8").partition(SEASONS)[0].rstrip()
        told = "\n".join([before, "", SEASONS, INTRODUCTION, *lines])
        KEPT.write_text(told, encoding="utf-8")


if __name__ == "__main__":
    main()
