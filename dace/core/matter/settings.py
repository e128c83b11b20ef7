"""Places: how each kind keeps what is poured on it, and how it keeps off the weather."""

from __future__ import annotations

from dataclasses import dataclass
from functools import cache
from typing import Literal, cast, get_args

from dace.core.errors import DaceError
from dace.core.figures import load_table

Shelter = Literal["open", "cover", "indoors"]
SHELTERS: tuple[Shelter, ...] = get_args(Shelter)
"""How plants are kept from the weather."""


@dataclass(frozen=True)
class Setting:
    """How a root zone keeps water: soil ``in_ground`` or not, with rain on it or not.

    ``returns_drain`` is the share of what drains that stands below and is drawn up again by
    the next morning; ``seedlings`` whether it is what seedlings stand in.
    """

    key: str
    in_ground: bool
    rained_on: bool
    returns_drain: float
    seedlings: bool


@dataclass(frozen=True)
class PlaceKind:
    """A kind of place: its setting in the open and under cover, and what is usual of it.

    ``raises`` is ``seedlings`` where they stand until they are potted on, ``plants`` where
    young ones are begun under cover, else ``no``; ``alike`` whether several stand together.
    """

    key: str
    name: str
    label: str
    in_open: Setting
    under_cover: Setting
    shelter: Shelter
    raises: str
    usual_medium: str
    usual_size: tuple[str, str]
    usually_covered: bool
    alike: bool

    @property
    def in_ground(self) -> bool:
        """Whether it is soil, in the ground or in a raised bed."""
        return self.in_open.in_ground

    def setting(self, covered: bool) -> Setting:
        """How such a place keeps water, by whether it is covered."""
        return self.under_cover if covered else self.in_open

    def sheltered(self, covered: bool) -> Shelter:
        """How such a place is kept from the weather."""
        return "cover" if covered and self.shelter == "open" else self.shelter


@cache
def settings() -> dict[str, Setting]:
    """All settings by key.

    >>> settings()["saucer"].returns_drain
    0.5
    """
    return {
        row.text("key"): Setting(
            row.text("key"),
            row.text("in_ground") == "yes",
            row.text("rained_on") == "yes",
            row.number("returns_drain"),
            row.text("seedlings") == "yes",
        )
        for row in load_table("settings")
    }


def setting(key: str) -> Setting:
    """One setting.

    Raises
    ------
    DaceError
        On a setting that no row has.
    """
    found = settings().get(key)
    if found is None:
        raise DaceError("setting", f"“{key}”", f"one of {', '.join(settings())}")
    return found


@cache
def place_kinds() -> dict[str, PlaceKind]:
    """All kinds of place by key, in the order in which they are offered.

    >>> place_kinds()["bed"].setting(covered=True).key
    'covered_bed'
    """
    return {
        row.text("key"): PlaceKind(
            row.text("key"),
            row.text("name"),
            row.text("label"),
            setting(row.text("open")),
            setting(row.text("covered")),
            cast(Shelter, row.text("shelter")),
            row.text("raises"),
            row.text("usual_medium"),
            (row.text("usual_size"), row.text("usual_size_us")),
            row.text("usual_cover") == "yes",
            row.text("alike") == "yes",
        )
        for row in load_table("place_kinds")
    }


def raises(key: str) -> str:
    """What a kind of place raises; nothing where it is not known where something stands.

    >>> raises("tray"), raises("tub"), raises("")
    ('seedlings', '', '')
    """
    found = place_kinds().get(key)
    return "" if found is None or found.raises == "no" else found.raises


def place_kind(key: str) -> PlaceKind:
    """One kind of place.

    Raises
    ------
    DaceError
        On a kind that no row has.
    """
    found = place_kinds().get(key)
    if found is None:
        raise DaceError("kind", f"“{key}”"[:60], f"use {', '.join(place_kinds())}")
    return found
