"""What a bed, pot or tray is filled with."""

from __future__ import annotations

from dataclasses import dataclass
from functools import cache

from dace.core.errors import DaceError
from dace.core.figures import Range, load_table, source_words
from dace.core.matter.nutrients import NUTRIENTS


@dataclass(frozen=True)
class Medium:
    """A medium: water held after draining [share of volume], acidity, and the food in it.

    ``start_ec`` is of its pore water as it is filled [mS/cm at 25 C].
    """

    key: str
    name: str
    kind: str
    holding: Range
    start_ec: Range
    ph_low: float
    ph_high: float
    available: tuple[tuple[str, float], ...]
    release_n_mg_l_week: float
    release_half_life_weeks: float
    kg_per_l: float
    confidence: str
    source: str

    def held_l(self, litres: float) -> float:
        """Water that so many litres of it hold after draining [L], typically."""
        return self.holding.typ * litres

    def available_of(self, nutrient: str) -> float:
        """What is dissolved or exchangeable in a litre as it is filled [mg/L]."""
        return dict(self.available)[nutrient]


@cache
def media() -> dict[str, Medium]:
    """All media by key, in the order of the table.

    Returns
    -------
    dict of str to Medium
        A medium for each row.

    Examples
    --------
    >>> media()["peat_free_mix"].holding.typ
    0.5
    """
    return {
        row.text("key"): Medium(
            row.text("key"),
            row.text("name"),
            row.text("kind"),
            row.range("holding"),
            row.range("start_pore_ec"),
            row.number("ph_low"),
            row.number("ph_high"),
            tuple((n, row.number(f"available_{n.lower()}_mg_l")) for n in NUTRIENTS),
            row.number("release_n_mg_l_week_20c"),
            row.number("release_half_life_weeks"),
            row.number("bulk_density_kg_l"),
            row.text("confidence"),
            source_words(row.text("source_family")),
        )
        for row in load_table("media")
    }


def medium(key: str) -> Medium:
    """One medium by key; an unknown key is a ``DaceError`` on field ``medium``."""
    try:
        return media()[key]
    except KeyError:
        raise DaceError("medium", f"“{key}”", f"one of {', '.join(media())} would do") from None
