"""A median, what it is held against, and the table of them all."""

from __future__ import annotations

import statistics
import time
from collections.abc import Callable, Iterable
from dataclasses import dataclass

RUNS = 15


@dataclass(frozen=True)
class Row:
    """What was timed and the plain thing beside it: medians [ms]."""

    what: str
    median: float
    plain: str
    plain_median: float

    @property
    def ratio(self) -> float:
        """How many times the plain thing it takes."""
        return self.median / self.plain_median


def median_of(
    work: Callable[[], object], runs: int = RUNS, clock: Callable[[], float] = time.process_time
) -> float:
    """Median [ms] of processor time; the first run, which reads tables, does not count."""
    work()
    times = []
    for _ in range(runs):
        began = clock()
        work()
        times.append(1000 * (clock() - began))
    return statistics.median(times)


def told(title: str, rows: Iterable[Row]) -> str:
    """A heading and a table in Markdown."""
    lines = [
        f"## {title}",
        "",
        "| what | median, ms | beside | median, ms | ratio |",
        "| --- | ---: | --- | ---: | ---: |",
    ]
    for row in rows:
        figures = (f"{row.median:.1f}", row.plain, f"{row.plain_median:.2f}", f"{row.ratio:.1f}")
        lines.append(f"| {row.what} | {' | '.join(figures)} |")
    return "\n".join([*lines, ""])
