"""``make seasons``: whole seasons by each way of feeding, and the table of them.

``--pots`` and ``--seeds`` say how many; ``--ways`` which, by their names in the table.
"""

from __future__ import annotations

import argparse
from functools import partial
from multiprocessing import Pool

import numpy as np

from tools.bench.__main__ import KEPT, SEASONS
from tools.seasons import ways
from tools.seasons.field import DAYS, Field

WAYS: dict[str, ways.Way] = {
    "nothing": ways.nothing,
    "label once a week": ways.label,
    "half the label twice a week": partial(ways.label, share=0.5, days=(1, 4)),
    "a quarter in each watering": ways.each_watering,
    "one who knows all, two evenings": ways.knows_all,
    "Dace": ways.dace,
    "Dace, no pen": partial(ways.dace, pen=False),
    "Dace, Tuesday and Friday": partial(ways.dace, evenings=(1, 4)),
    "Dace, weekly": partial(ways.dace, rhythm="weekly"),
}
INTRODUCTION = """Written by `make seasons`: pots of twelve crops through 15 weeks of a simulator
that shares no code with the core (`tools/seasons`). Loss is the worst of what plants went without
of N, P and K, and salt's harm; feeds are the median pot's.
"""
COLUMNS = ("loss", "worst tenth", "salt", "N drained", "litres", "feeds")


def lived(way: str, pots: int, seed: int) -> dict[str, float]:
    """A season of a field fed one way."""
    return season(Field(pots, seed), WAYS[way]).outcome()


def season(field: Field, way: ways.Way) -> Field:
    """All days of a field fed one way: each up to its evening, what is fed then, its watering."""
    fed = way(field)
    for _ in range(DAYS):
        field.live()
        field.end(next(fed))
    return field


def main() -> None:
    """Print the table."""
    parser = argparse.ArgumentParser(description=__doc__)
    parser.add_argument("--pots", type=int, default=52)
    parser.add_argument("--seeds", type=int, default=3)
    parser.add_argument("--ways", nargs="*", default=list(WAYS), choices=list(WAYS))
    parser.add_argument("--keep", action="store_true", help="write the table down")
    asked = parser.parse_args()
    runs = [(way, asked.pots, seed) for way in asked.ways for seed in range(1, asked.seeds + 1)]
    with Pool(2) as pool:
        found = pool.starmap(lived, runs, chunksize=1)
    heads = ("loss, %", "worst tenth", "salt, points", "N drained, mg", "litres", "feeds")
    lines = [
        f"| {asked.pots} pots, {asked.seeds} seeds, 15 weeks | {' | '.join(heads)} |",
        "| --- | ---: | ---: | ---: | ---: | ---: | ---: |",
    ]
    for way in asked.ways:
        rows = [one for run, one in zip(runs, found, strict=True) if run[0] == way]
        cells = [float(np.mean([row[name] for row in rows])) for name in COLUMNS]
        lines.append(f"| {way} | " + " | ".join(f"{cell:.1f}" for cell in cells) + " |")
    print("\n".join(lines))
    if asked.keep:
        before = KEPT.read_text(encoding="utf-8").partition(SEASONS)[0].rstrip()
        told = "\n".join([before, "", SEASONS, INTRODUCTION, *lines, ""])
        KEPT.write_text(told, encoding="utf-8")


if __name__ == "__main__":
    main()
