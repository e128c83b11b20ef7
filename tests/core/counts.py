"""How many cases a statistic is asked on: few in `make test`, all of them in `make hard`."""

from __future__ import annotations

import os

WHOLE = bool(os.environ.get("DACE_WHOLE"))


def of(whole: int, few: int) -> int:
    """So many cases in this run."""
    return whole if WHOLE else few
