"""What a material gives up to a liquid, how fast, by method: the table and how it is looked up."""

from __future__ import annotations

from dataclasses import dataclass
from functools import cache

from dace.core.errors import DaceError
from dace.core.figures import Range, Row, load_table, source_words
from dace.core.matter.materials import Material
from dace.core.matter.methods import Nature, natures

NOTHING = Range(0.0, 0.0, 0.0)


@dataclass(frozen=True)
class Method:
    """A way to make a liquid, with its figures; days, per cent and mS/cm as in the table.

    ``ready_days`` is the window in which it is taken off, ``keeps_days`` how long the
    liquid keeps after that.
    """

    nature: Nature
    ph: Range
    ready_days: Range
    keeps_days: Range
    recovery: Range
    n_loss: Range
    n_mineral: Range
    note: str
    source: str
    confidence: str

    @property
    def key(self) -> str:
        """What tables call it."""
        return self.nature.key

    @property
    def name(self) -> str:
        """What people call it."""
        return self.nature.name


@dataclass(frozen=True)
class Rate:
    """How one nutrient comes out of one class of material by one method."""

    absolute: bool
    fmax: Range
    unlock: Range
    k: Range
    k_unlock: Range
    q10: float | None
    confidence: str
    source: str


SPREAD_ONLY = ("coated_slow_release", "rock_phosphate", "greensand", "basalt_dust", "leaf_mould")
"""Materials that no liquid is made of: they are only ever spread."""


@cache
def methods() -> dict[str, Method]:
    """All methods by key.

    Examples
    --------
    >>> methods()["anaerobic_ferment"].ready_days.typ
    16.0
    """
    return {key: _method(nature) for key, nature in natures().items()}


def method(key: str) -> Method:
    """One method by key; an unknown key is a ``DaceError`` on field ``method``."""
    try:
        return methods()[key]
    except KeyError:
        raise DaceError("method", f"“{key}”", f"one of {', '.join(methods())} would do") from None


def _method(nature: Nature) -> Method:
    def share(stem: str) -> Range:
        filled = row.maybe(f"{stem}_typ") is not None
        return row.range(stem).scaled(0.01) if filled else NOTHING

    row = _rows()[nature.extraction]
    return Method(
        nature=nature,
        ph=row.range("ph"),
        ready_days=row.range("window_days"),
        keeps_days=row.range("shelf_life_days"),
        recovery=share("liquid_recovery_pct"),
        n_loss=share("n_loss_pct"),
        n_mineral=share("n_mineral_share_out_pct"),
        note=row.text("method_note"),
        source=source_words(row.text("source_family")),
        confidence=row.text("confidence"),
    )


@cache
def _rows() -> dict[tuple[str, str, str], Row]:
    return {
        (row.text("material_class"), row.text("method"), row.text("nutrient")): row
        for row in load_table("extraction")
    }


@cache
def rate(found: Material, method_key: str, element: str) -> Rate | None:
    """How an element of a material comes out by a method; None where nothing does.

    The row of its class and method comes first, then that of its class and any method,
    then the general one.
    """
    table = natures()[method_key].extraction[1]
    for key in (
        (found.extraction_class, table, element),
        (found.extraction_class, "any", element),
        ("general", table, element),
    ):
        if key in _rows():
            return _rate(_rows()[key])
    return None


def _rate(row: Row) -> Rate:
    def maybe(stem: str) -> Range:
        return row.range(stem) if row.maybe(f"{stem}_typ") is not None else NOTHING

    absolute = row.text("fmax_basis") == "absolute"
    return Rate(
        absolute=absolute,
        fmax=row.range("fmax"),
        unlock=NOTHING if absolute else maybe("unlock"),
        k=maybe("k_per_day"),
        k_unlock=maybe("k_unlock_per_day"),
        q10=row.maybe("q10"),
        confidence=row.text("confidence"),
        source=source_words(row.text("source_family")),
    )


@dataclass(frozen=True)
class Modifier:
    """Something about the solids or the handling that changes the pace or the share."""

    key: str
    name: str
    k: Range
    fmax: float
    note: str


@cache
def modifiers() -> dict[str, Modifier]:
    """All modifiers by key, in the order of the table."""
    return {
        row.text("key"): Modifier(
            row.text("key"),
            row.text("name"),
            row.range("k_multiplier"),
            row.number("fmax_multiplier"),
            row.text("note"),
        )
        for row in load_table("extraction_modifiers")
    }


def modifier(key: str) -> Modifier:
    """One modifier by key; an unknown key is a ``DaceError`` on field ``particle``."""
    try:
        return modifiers()[key]
    except KeyError:
        would_do = f"one of {', '.join(modifiers())} would do"
        raise DaceError("particle", f"“{key}”", would_do) from None
