"""Time all of it, print it, and keep the table; nothing here passes or fails."""

from __future__ import annotations

from pathlib import Path

from tools.bench import core, mixing, moves, planning, reads, ticking
from tools.bench.table import told

KEPT = Path(__file__).resolve().parents[2] / "docs" / "benchmarks.md"
SEASONS = "## Whole seasons\n"
"""From here on the file is kept by `make seasons`."""
INTRODUCTION = """# How long things take

Written by `make bench`. Medians; a ratio to something plain in the same run says more than
milliseconds, which change with the machine and with what else it does. The core is timed by
processor time, pages and moves by the clock on the wall.
"""


def main() -> None:
    """The core first, then every read, then the Bench in a browser."""
    parts = [
        told("The core", [*core.rows(), *mixing.rows(), *planning.rows()]),
        told("Every read, on Weir Yard and after ten years of it", reads.rows()),
        told("A tick of the round", ticking.rows()),
        told("Long series and many plantings", reads.large()),
        told("A move on the Bench", moves.rows()),
    ]
    before = KEPT.read_text(encoding="utf-8")
    seasons = before[before.index(SEASONS) :] if SEASONS in before else ""
    KEPT.write_text("\n".join([INTRODUCTION, *parts, seasons]).rstrip() + "\n", encoding="utf-8")
    print(KEPT.read_text(encoding="utf-8"))


if __name__ == "__main__":
    main()
