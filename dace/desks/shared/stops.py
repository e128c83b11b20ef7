"""A stop and what grows there, as one says it."""

from __future__ import annotations

from collections.abc import Iterable

from dace.feeding.verdicts import StopVerdict
from dace.garden.reads import StandRecord


def stop_name(one: StopVerdict) -> str:
    """As the stop is called."""
    return one.root.fill.name or one.place.name


def growing_words(stands: Iterable[StandRecord]) -> str:
    """``2 cucumbers, in harvest, 2 melons, at first fruit``."""
    return ", ".join(f"{one.crop.counted(one.count)}, {one.stage.words}" for one in stands)
