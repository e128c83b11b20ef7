"""What a notebook may hold, and the columns that each kind is made of."""

from __future__ import annotations

import csv
import re
from collections.abc import Sequence
from dataclasses import dataclass
from importlib import resources
from io import StringIO
from typing import Literal

from dace.core import api as core
from dace.core.api import DaceError

KindName = Literal["doses", "readings", "harvests", "observations", "jars"]


@dataclass(frozen=True)
class Wanted:
    """A column that a kind is made of: what it is called, by what heads it is known."""

    key: str
    name: str
    known_by: str
    needed: bool = False
    units: tuple[str, ...] = ()


@dataclass(frozen=True)
class Kind:
    """A kind of entry."""

    key: KindName
    name: str
    columns: tuple[Wanted, ...]

    def column(self, key: str) -> Wanted:
        """One of its columns."""
        return next(one for one in self.columns if one.key == key)


_NAMES: dict[KindName, str] = {
    "doses": "feeds poured",
    "readings": "conductivity readings",
    "harvests": "harvests",
    "observations": "what was seen",
    "jars": "feeds on the shelf",
}


def _kinds() -> dict[str, Kind]:
    text = (resources.files(__package__) / "columns.csv").read_text(encoding="utf-8")
    rows = list(csv.DictReader(StringIO(text)))
    return {
        key: Kind(
            key,
            name,
            tuple(
                Wanted(
                    row["key"],
                    row["name"],
                    row["known_by"],
                    row["needed"] == "yes",
                    tuple(row["units"].split()),
                )
                for row in rows
                if row["kind"] == key
            ),
        )
        for key, name in _NAMES.items()
    }


KINDS = _kinds()
"""Every kind by its key; its columns stand in ``columns.csv``."""

_UNIT_SPELLINGS = {
    "c": "°C", "°c": "°C", "f": "°F", "°f": "°F", "l": "L", "litres": "L", "liters": "L",
    "ml": "mL", "gal": "gallon", "gallons": "gallon", "pints": "pint", "g": "g", "grams": "g",
    "kg": "kg", "oz": "oz", "lb": "lb", "lbs": "lb",
}  # fmt: skip


def kind_named(name: str) -> Kind:
    """A kind of entry.

    Raises
    ------
    DaceError
        On ``kind``.
    """
    if name not in KINDS:
        raise DaceError("kind", f"“{name[:40]}”", f"one of {', '.join(KINDS)} would do")
    return KINDS[name]


def matched(kind: Kind, heads: Sequence[str]) -> dict[str, int]:
    """Which column each key is in: the head that says it most nearly, each column once."""
    found: dict[str, int] = {}
    for nearly in (r"({})", r"({})\b.*", r".*\b({})\b.*"):
        for wanted in kind.columns:
            if wanted.key in found:
                continue
            pattern = re.compile(nearly.format(wanted.known_by), re.IGNORECASE)
            for index, head in enumerate(heads):
                if index not in found.values() and pattern.fullmatch(_bare(head)):
                    found[wanted.key] = index
                    break
    return found


def best_kind(heads: Sequence[str]) -> Kind:
    """The kind whose needed columns these heads name best."""

    def fits(kind: Kind) -> float:
        columns = matched(kind, heads)
        needed = [one.key for one in kind.columns if one.needed]
        return sum(key in columns for key in needed) / len(needed) + len(columns) / 100

    return max(KINDS.values(), key=fits)


def unit_in(head: str, wanted: Wanted) -> str:
    """The unit that a head names in brackets or at its end; empty where it names none."""
    plain = head.replace("µ", "u").replace("\u03bc", "u").lower()
    parts = [*re.findall(r"[(\[]([^)\]]+)[)\]]", plain), *re.split(r"[,\s]+", plain)[-1:]]
    for part in parts:
        scale = core.scale_spelt(part)
        unit = scale.key if scale else _UNIT_SPELLINGS.get(part.strip(" ()[]"), "")
        if unit in wanted.units:
            return unit
    return ""


def _bare(head: str) -> str:
    """A head without what stands in brackets, and without signs."""
    return re.sub(r"[(\[].*?[)\]]|[_:]", " ", head).strip().lower()
