"""What is in a material: elements as used, what dissolves at once, what comes later."""

from __future__ import annotations

from dataclasses import dataclass
from functools import cache

from dace.core.errors import DaceError
from dace.core.figures import Range, Row, load_table, source_words
from dace.core.matter.nutrients import NUTRIENTS

ELEMENTS = (*NUTRIENTS, "S", "Na", "Cl")


@dataclass(frozen=True)
class Material:
    """A material, % of its mass as used; shares in % of that element's total.

    ``soluble`` is what dissolves at once (N, P, K, Ca, Mg); ``first_season_n`` what a crop
    can reach of the nitrogen in one warm season; ``half_life_days`` of the part that is
    not there on day one, at 20 C (None: nothing comes later).
    """

    key: str
    name: str
    family: str
    form: str
    dry_matter: float
    density_g_per_ml: float
    percent: tuple[tuple[str, Range], ...]
    soluble: tuple[tuple[str, Range], ...]
    n_mineral_share: float
    nitrate_share: float
    ammonium_share: float
    urea_share: float
    first_season_n: float
    half_life_days: float | None
    liming_cce: float | None
    c_to_n: float | None
    extraction_class: str
    solubility_g_per_l: float | None
    confidence: str
    source: str
    note: str

    def percent_of(self, element: str) -> Range:
        """% of its mass that is an element."""
        return dict(self.percent)[element]

    def soluble_of(self, nutrient: str) -> Range:
        """% of a nutrient that dissolves at once."""
        return dict(self.soluble)[nutrient]

    @property
    def tokens(self) -> frozenset[str]:
        """What a rule may name it by."""
        return frozenset({f"key:{self.key}", f"family:{self.family}"})

    @property
    def leafy(self) -> bool:
        """Whether it is leaves that float and sink in a brew."""
        return self.family in ("fresh_plant", "seaweed")


@cache
def materials() -> dict[str, Material]:
    """All materials by key, in the order of the table.

    Examples
    --------
    >>> len(materials()), materials()["poultry_pellets"].percent_of("N").typ
    (135, 4.0)
    """
    return {row.text("key"): _material(row) for row in load_table("materials")}


def material(key: str) -> Material:
    """One material by key; an unknown key is a ``DaceError`` on field ``material``."""
    try:
        return materials()[key]
    except KeyError:
        raise DaceError("material", f"“{key}”", "choose a material from the list") from None


def _material(row: Row) -> Material:
    return Material(
        key=row.text("key"),
        name=row.text("name"),
        family=row.text("family"),
        form=row.text("form"),
        dry_matter=row.number("dry_matter_pct") / 100,
        density_g_per_ml=row.number("bulk_density_g_per_ml"),
        percent=tuple((e, _range(row, e.lower())) for e in ELEMENTS),
        soluble=tuple((n, _range(row, f"water_soluble_{n.lower()}")) for n in NUTRIENTS),
        n_mineral_share=row.maybe("n_mineral_share_pct") or 0.0,
        nitrate_share=row.maybe("nitrate_share_pct") or 0.0,
        ammonium_share=row.maybe("ammonium_share_pct") or 0.0,
        urea_share=row.maybe("urea_share_pct") or 0.0,
        first_season_n=row.maybe("first_season_n_pct") or 0.0,
        half_life_days=row.maybe("n_half_life_days_20c"),
        liming_cce=row.maybe("liming_cce_pct"),
        c_to_n=row.maybe("c_to_n"),
        extraction_class=row.text("extraction_class"),
        solubility_g_per_l=row.maybe("solubility_g_per_l_20c"),
        confidence=row.text("confidence"),
        source=source_words(row.text("source_family")),
        note=row.text("note"),
    )


def _range(row: Row, stem: str) -> Range:
    """A range whose blanks say that the element is not in it."""
    if row.maybe(f"{stem}_typ") is None:
        return Range(0.0, 0.0, 0.0)
    return row.range(stem)
