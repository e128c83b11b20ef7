"""What goes into a brew, by which method, in how much of which liquid, how warm."""

from __future__ import annotations

from dataclasses import dataclass

from dace.core.brew.acid import ACETIC, mineral_of, most_calcium
from dace.core.brew.extraction import method, modifier
from dace.core.draws.learned import Told
from dace.core.errors import DaceError
from dace.core.figures import Range, judgement
from dace.core.matter.chemistry import atomic_weight
from dace.core.matter.materials import material
from dace.core.matter.methods import natures
from dace.core.matter.nutrients import NUTRIENTS
from dace.core.matter.waters import WaterIons

_OWN_LOW = 0.85  # what somebody read off a bag, at its low end
_MOST_MASS_G, _MOST_LITRES, _MOST_THINGS = 2e5, 2000.0, 12
_LEAST_L = 0.01
_SHELL, _DISSOLVES_SO_FAR = "carbonate_shell", ("rock", "soluble_salt")
SHELL_IN_WATER_MG_L = 40.0
"""Calcium that plain water dissolves of shell or lime, with carbon dioxide of its own [mg/L]."""


@dataclass(frozen=True)
class RecipeItem:
    """A material, how much of it [g], how it was measured and how fine it is.

    ``dry_matter`` is what she knows of it [fraction]; None takes the table's. ``percent``
    are elements [% of mass] that she knows better than the table. ``since_day`` is the
    day on which it was added, 0 from the beginning.
    """

    material: str
    mass_g: float
    weighed: bool = True
    particle: str = "chopped_coarse"
    dry_matter: float | None = None
    percent: tuple[tuple[str, float], ...] = ()
    since_day: float = 0.0

    def percent_of(self, element: str) -> Range:
        """% of its mass that is an element: hers where she knows it, else the table's."""
        own = dict(self.percent).get(element)
        if own is None:
            return material(self.material).percent_of(element)
        return Range(_OWN_LOW * own, own, min(100.0, own / _OWN_LOW))

    def __post_init__(self) -> None:
        found = material(self.material)
        modifier(self.particle)
        if not 0 < self.mass_g <= _MOST_MASS_G:
            raise DaceError(
                "mass_g", f"{self.mass_g:g} g of {found.name}", "more than 0 and up to 200 kg"
            )


@dataclass(frozen=True)
class Recipe:
    """What goes in, by which method, in how much of which liquid, how warm.

    ``acid_percent`` is of the liquid [g acetic acid in 100 mL], 0 for water. ``handling``
    are keys of modifiers, such as ``unstirred`` or ``mesh_bag``. ``first_run_days`` is how
    long the same solids were soaked before; None for a first run. ``past`` is what readings of
    this household's earlier batches of it said.
    """

    method: str
    ingredients: tuple[RecipeItem, ...]
    volume_l: float
    water: WaterIons
    temperature_c: float = 18.0
    acid_percent: float = 0.0
    handling: tuple[str, ...] = ()
    first_run_days: float | None = None
    past: tuple[Told, ...] = ()

    def __post_init__(self) -> None:
        method(self.method)
        for key in self.handling:
            modifier(key)
        if not self.ingredients:
            raise DaceError("ingredients", "nothing in it", "one ingredient at least would do")
        if len(self.ingredients) > _MOST_THINGS:
            raise DaceError("ingredients", f"{len(self.ingredients)} of them", "12 at most")
        liquid = natures()[self.method].liquid
        sugar = liquid == "sugar"
        if not (0 < self.volume_l <= _MOST_LITRES or (sugar and self.volume_l == 0)):
            raise DaceError("volume_l", f"{self.volume_l:g} L", "above 0 and up to 2000 L")
        if not -5 <= self.temperature_c <= 60:
            raise DaceError("temperature_c", f"{self.temperature_c:g} °C", "-5 to 60 °C would do")
        if liquid == "vinegar" and not 0 < self.acid_percent <= 30:
            raise DaceError(
                "acid_percent", f"{self.acid_percent:g} %", "kitchen vinegar has about 5"
            )

    def most_mg_l(self) -> tuple[tuple[str, float], ...]:
        """The most that what goes in could make of each nutrient [mg/L].

        All of it at its richest, but of salts and rock no more than water dissolves, and of
        shell and bone no more calcium than the acid frees, or than plain water dissolves.
        """
        volume = self.filled_l()
        totals = {
            n: sum(self._most_mg(item, n, volume) for item in self.ingredients) for n in NUTRIENTS
        }
        if self.acid_percent > 0:
            totals["Ca"] = min(totals["Ca"], self._acid_frees_mg())
        return tuple((n, total / volume + self.water.of(n)) for n, total in totals.items())

    def _most_mg(self, item: RecipeItem, nutrient: str, volume_l: float) -> float:
        """All of a nutrient in an ingredient, or what the liquid dissolves of it [mg]."""
        found = material(item.material)
        share = item.percent_of(nutrient).high / 100
        held = 1000 * item.mass_g * share
        nature = natures()[self.method]
        plain = self.acid_percent <= 0 and not (nature.sour or nature.living)
        if found.extraction_class in _DISSOLVES_SO_FAR and found.solubility_g_per_l:
            return min(held, 1000 * found.solubility_g_per_l * volume_l * share)
        if nutrient == "Ca" and found.extraction_class == _SHELL and plain:
            return min(held, SHELL_IN_WATER_MG_L * volume_l)
        return held

    def _acid_frees_mg(self) -> float:
        """Calcium that the acid can free of shell and bone, and all that is in the rest [mg]."""
        minerals, rest = [], 0.0
        for item in self.ingredients:
            found = material(item.material)
            calcium = found.percent_of("Ca")
            richest = calcium.high / calcium.typ if calcium.typ > 0 else 1.0
            mineral = mineral_of(found, item.mass_g * richest)
            minerals.append(mineral)
            if mineral.acid_wanted <= 0:
                rest += self._most_mg(item, "Ca", self.filled_l())
        acid = 10 * self.acid_percent * self.volume_l / ACETIC
        return 1000 * most_calcium(minerals, acid) * atomic_weight("Ca") + rest

    def filled_l(self) -> float:
        """Liquid in the vessel [L]: what was poured on, and the water in the solids."""
        litres = self.volume_l
        for item in self.ingredients:
            found = material(item.material)
            if found.form == "liquid":
                litres += item.mass_g / 1000 / found.density_g_per_ml
            elif found.key == "brown_sugar":
                litres += item.mass_g / 1000 * judgement("sugar_volume").range.typ
            else:
                dry = found.dry_matter if item.dry_matter is None else item.dry_matter
                litres += item.mass_g / 1000 * (1 - dry)
        return max(litres, _LEAST_L)
