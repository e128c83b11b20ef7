"""A stop and what grows there, as one says it."""

from __future__ import annotations

from collections.abc import Iterable
from typing import Literal

from dace.core.api import Crop
from dace.desks.shared.out import Out
from dace.feeding.verdicts import StopVerdict
from dace.garden.reads import StandRecord


def stop_name(one: StopVerdict) -> str:
    """As the stop is called."""
    return one.root.fill.name or one.place.name


def growing_words(stands: Iterable[StandRecord]) -> str:
    """``2 cucumbers, in harvest, 2 melons, at first fruit``."""
    return ", ".join(f"{one.crop.counted(one.count)}, {one.stage.words}" for one in stands)


class GrownOut(Out):
    """How a crop is drawn: the kind of its leaf, how it grows, what is picked of it."""

    leaf: Literal["compound", "lobed", "heart", "long", "fan", "feathery", "strap", "rosette"]
    habit: Literal["vine", "bush", "leaf", "head", "root", "bulb", "grass"]
    bears: Literal[
        "round", "block", "pointed", "egg", "long", "gourd", "strawberry", "pod", "cob", "berries",
        "fig", "lemon", "taproot", "globe", "tuber", "bulb", "shank", "head", "curd", "flower",
        "leaves",
    ]  # fmt: skip


def grown_out(crop: Crop) -> GrownOut:
    """How it is drawn."""
    return GrownOut.model_validate({"leaf": crop.leaf, "habit": crop.habit, "bears": crop.bears})
