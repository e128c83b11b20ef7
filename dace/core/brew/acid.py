"""Shell, bone and ash in acid: which of the two runs out, and what follows from that.

Notes
-----
CaCO3 + 2 CH3COOH -> Ca2+ + 2 CH3COO- + CO2 + H2O, and
Ca5(PO4)3OH + 7 CH3COOH -> 5 Ca2+ + 3 H2PO4- + 7 CH3COO- + H2O.
"""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass

from dace.core.errors import DaceError
from dace.core.matter.chemistry import atomic_weight
from dace.core.matter.materials import Material
from dace.core.result import Step, Working, say

ACETIC = 2 * atomic_weight("C") + 4 * atomic_weight("H") + 2 * atomic_weight("O")
CARBONATE = atomic_weight("Ca") + atomic_weight("C") + 3 * atomic_weight("O")
_GAS_CONSTANT = 0.082057  # L atm per mol and kelvin
_ACID_PER_CARBONATE, _ACID_PER_APATITE = 2, 7
_P_PER_APATITE, _CA_PER_APATITE = 3, 5
_ROCK_PHOSPHATE_P = 3.0  # per cent: it is apatite, as bone is


@dataclass(frozen=True)
class Mineral:
    """What in the solids meets the acid [mol]: carbonate, and bone mineral."""

    carbonate: float
    apatite: float

    @property
    def acid_wanted(self) -> float:
        """Acid that would dissolve all of it [mol]."""
        return _ACID_PER_CARBONATE * self.carbonate + _ACID_PER_APATITE * self.apatite

    @property
    def calcium(self) -> float:
        """Calcium in it [mol]."""
        return self.carbonate + _CA_PER_APATITE * self.apatite


@dataclass(frozen=True)
class Limits:
    """What the amounts allow at most.

    ``acid_runs_out`` says which side limits; ``ca_ceiling_mg_l`` is of the liquid as
    poured, ``gas_l`` at the temperature and 1 atm, ``solid_used_g`` of what went in.
    """

    acid_runs_out: bool
    ca_ceiling_mg_l: float
    gas_l: float
    acid_left_g: float
    acid_share_used: float
    solid_used_g: float
    share_dissolved: float
    working: Working


def mineral_of(found: Material, mass_g: float) -> Mineral:
    """What a mass of a material holds for acid to dissolve.

    Shell and ash by their lime value, calcium of shell beyond that as bone mineral, as in
    crab; bone and rock phosphate by their phosphorus.
    """
    phosphate = found.family == "rock_mineral" and found.percent_of("P").typ > _ROCK_PHOSPHATE_P
    if found.extraction_class == "bone" or phosphate:
        phosphorus = mass_g * found.percent_of("P").typ / 100 / atomic_weight("P")
        return Mineral(0.0, phosphorus / _P_PER_APATITE)
    cce = found.liming_cce or 0.0
    lime = (
        found.extraction_class in ("carbonate_shell", "wood_ash") or found.family == "rock_mineral"
    )
    if not lime:
        return Mineral(0.0, 0.0)
    carbonate = mass_g * max(0.0, cce) / 100 / CARBONATE
    if found.extraction_class != "carbonate_shell":
        return Mineral(carbonate, 0.0)
    calcium = mass_g * found.percent_of("Ca").typ / 100 / atomic_weight("Ca")
    return Mineral(carbonate, max(0.0, calcium - carbonate) / _CA_PER_APATITE)


def most_calcium(minerals: Iterable[Mineral], acid: float) -> float:
    """The most calcium [mol] that so much acid [mol] can free of some minerals.

    Of what gives most for its acid first: bone mineral five for seven, carbonate one for two.

    >>> round(most_calcium([Mineral(10.0, 0.0)], 1.0), 2), most_calcium([Mineral(0.1, 0.0)], 1.0)
    (0.5, 0.1)
    """
    whole = list(minerals)
    apatite, carbonate = sum(m.apatite for m in whole), sum(m.carbonate for m in whole)
    eaten = min(apatite, acid / _ACID_PER_APATITE)
    left = acid - eaten * _ACID_PER_APATITE
    return _CA_PER_APATITE * eaten + min(carbonate, left / _ACID_PER_CARBONATE)


def acid_limits(
    solids: tuple[tuple[Material, float], ...],
    acid_g_per_100_ml: float,
    volume_l: float,
    temperature_c: float = 20.0,
) -> Limits:
    """The most that so much acid and so much shell can make.

    Parameters
    ----------
    solids : tuple of (Material, g)
        What goes in.
    acid_g_per_100_ml : float
        Strength of the vinegar [g acetic acid in 100 mL].
    volume_l : float
        Vinegar [L].
    temperature_c : float
        Of the gas [C].

    Returns
    -------
    Limits
        Exact where the amounts are.

    Raises
    ------
    DaceError
        If nothing in it meets the acid, or there is no acid.

    Examples
    --------
    50 g of shell powder in 150 mL of vinegar: the acid runs out.

    >>> from dace.core.matter.materials import material
    >>> found = acid_limits(((material("eggshell_dry"), 50.0),), 5.0, 0.15)
    >>> found.acid_runs_out, round(found.solid_used_g, 1), round(found.ca_ceiling_mg_l, -2)
    (True, 6.8, 16700.0)
    """
    if not 0 < acid_g_per_100_ml <= 30:
        raise DaceError(
            "acid_percent", f"{acid_g_per_100_ml:g} g in 100 mL", "kitchen vinegar has about 5"
        )
    minerals = [mineral_of(found, mass) for found, mass in solids]
    whole = Mineral(sum(m.carbonate for m in minerals), sum(m.apatite for m in minerals))
    if whole.acid_wanted <= 0:
        raise DaceError(
            "ingredients", "nothing that acid dissolves", "add shell, bone, or choose a soak"
        )
    acid_g = 10 * acid_g_per_100_ml * volume_l
    acid = acid_g / ACETIC
    share = min(1.0, acid / whole.acid_wanted)
    mass = sum(
        m for (_, m), mineral in zip(solids, minerals, strict=True) if mineral.acid_wanted > 0
    )
    calcium = whole.calcium * share
    gas = whole.carbonate * share * _GAS_CONSTANT * (temperature_c + 273.15)
    left = max(0.0, acid_g - whole.acid_wanted * share * ACETIC)
    used = _used(solids, minerals, share)
    steps = (
        Step("acid", f"10 × {say(acid_g_per_100_ml)} × {say(volume_l)} L", acid_g, "g", "", "high"),
        Step("acid", f"{say(acid_g, 6)} g ÷ {say(ACETIC, 5)}", acid, "mol", "acetic acid", "high"),
        Step("acid that would dissolve all", "", whole.acid_wanted, "mol", "2 for each carbonate"),
        Step(
            "share of the solids that can go",
            f"{say(acid, 6)} ÷ {say(whole.acid_wanted, 6)}" if share < 1 else "",
            share,
            "",
            "the acid runs out" if share < 1 else "the shell runs out first",
            "high",
        ),
        Step(
            "calcium at most",
            f"1000 × {say(calcium, 6)} × {say(atomic_weight('Ca'), 5)} ÷ {say(volume_l)} L",
            1000 * calcium * atomic_weight("Ca") / volume_l,
            "mg/L",
            "one calcium for each carbonate",
            "high",
        ),
    )
    return Limits(
        acid_runs_out=acid < whole.acid_wanted,
        ca_ceiling_mg_l=1000 * calcium * atomic_weight("Ca") / volume_l,
        gas_l=gas,
        acid_left_g=left,
        acid_share_used=1 - left / acid_g,
        solid_used_g=min(mass, used),
        share_dissolved=share,
        working=steps,
    )


def _used(
    solids: tuple[tuple[Material, float], ...], minerals: list[Mineral], share: float
) -> float:
    """Mass of solids that goes, impurities along with the mineral they sit in [g]."""
    return sum(
        mass * share
        for (_, mass), mineral in zip(solids, minerals, strict=True)
        if mineral.acid_wanted > 0
    )
