"""What bears on the roots of one fill: its medium, what grows there, what came in and was read."""

from __future__ import annotations

import math
import zlib
from collections.abc import Mapping
from dataclasses import dataclass
from datetime import date

from dace.core.errors import DaceError
from dace.core.figures import judgement
from dace.core.matter.composition import Composition
from dace.core.matter.media import Medium
from dace.core.matter.nutrients import NUTRIENTS
from dace.core.matter.settings import setting
from dace.core.matter.waters import WaterIons
from dace.core.pen.readings import METHODS
from dace.core.season.crops import Crop
from dace.core.season.need import Span

CHARGED = ("NO3_N", "NH4_N", "urea_N", "P", "K", "Ca", "Mg", "Na", "HCO3")
"""What is followed [mg]; sulfur and chloride go with the charge and carry no food here."""
PER_MEQ = (math.inf, 14.007, math.inf, math.inf, 39.098, 20.04, 12.153, 22.99, math.inf)
"""Milligrams of each for one milliequivalent of cation; none where it is no cation."""
Nine = tuple[float, ...]
_NA = CHARGED.index("Na")
MOST_L = 1e6
"""More than any fill holds, or is given at once."""
MOST_MG_L = 1e6
"""A litre of solution dissolves no more than its own weight of anything followed here."""


@dataclass(frozen=True)
class Growing:
    """So many plants of a crop in the fill, from a day up to another (None: still).

    ``key`` tells plantings apart; ``sprayed`` is what went into each plant through its leaves
    and when [mg], in the order of ``NUTRIENTS``; ``aim`` the crop hoped for beside a usual one.
    """

    grown: Crop
    stages: tuple[Span, ...]
    plants: int
    since: date
    until: date | None = None
    key: str = ""
    sprayed: tuple[tuple[date, tuple[float, ...]], ...] = ()
    aim: float = 1.0


@dataclass(frozen=True)
class Poured:
    """A watering or a feed on the whole fill: litres, and mg/L in the order of ``CHARGED``.

    ``said`` is how strong it was, in words. ``hour`` sets the order of pours and samples
    within a day. ``flush`` is whether it was to take salts out; None where nobody said.
    """

    on: date
    litres: float
    mg_l: Nine
    feed: bool = True
    hour: float = 12.0
    said: str = ""
    flush: bool | None = None

    def __post_init__(self) -> None:
        if not 0 <= self.litres <= MOST_L:
            raise DaceError("litres", f"{self.litres:g} L", f"up to {MOST_L:,.0f} would do")
        wrong = [one for one in self.mg_l if not 0 <= one <= MOST_MG_L]
        if wrong:
            raise DaceError("mg_l", f"{wrong[0]:g} mg/L", f"0 to {MOST_MG_L:,.0f} would do")


@dataclass(frozen=True)
class Slow:
    """Something dry on the whole fill [mg]: what is there at once, and what comes later."""

    on: date
    at_once: Nine
    later: Nine
    half_life_days: float


@dataclass(frozen=True)
class TakenBesides:
    """What something else than a crop takes from the whole fill, day by day up to a day [mg].

    A green manure as it grows, or straw as it rots; in the order of ``NUTRIENTS``.
    """

    since: date
    until: date
    mg: tuple[float, ...]

    def __post_init__(self) -> None:
        if self.until <= self.since:
            raise DaceError("until", f"{self.until}", f"a day after {self.since} would do")
        if any(not 0 <= one <= MOST_L * MOST_MG_L for one in self.mg):
            raise DaceError("mg", "less than nothing", "0 mg or more would do")


@dataclass(frozen=True)
class Sampled:
    """A reading of the drain or of the medium: mS/cm at 25 C as its method gives it.

    ``pen_old`` is whether the pen was calibrated more than sixty days before; ``pots`` how
    many pots were averaged. A ``nitrate_strip`` is mg of nitrate in a litre of drain.
    """

    on: date
    value: float
    method: str = "pour_through"
    pen_old: bool = False
    pots: int = 1
    hour: float = 18.0

    def __post_init__(self) -> None:
        if self.method not in (*METHODS, NITRATE) or self.method == "feed_solution":
            raise DaceError("method", f"“{self.method}”", "a way of sampling a pot or bed would do")
        most = 2000.0 if self.method == NITRATE else 200.0
        if not 0 < self.value < most:
            raise DaceError("value", f"{self.value:g}", f"above 0 and below {most:g} would do")
        if not 1 <= self.pots <= 50:
            raise DaceError("pots", f"{self.pots} pots", "1 to 50 would do")


NITRATE = "nitrate_strip"
FEELS = ("dry", "moist", "wet")


@dataclass(frozen=True)
class Felt:
    """How moist the medium felt: a word of ``FEELS``."""

    on: date
    word: str
    hour: float = 18.0

    def __post_init__(self) -> None:
        if self.word not in FEELS:
            raise DaceError("word", f"“{self.word}”", f"one of {', '.join(FEELS)} would do")


@dataclass(frozen=True)
class Tested:
    """What a laboratory or a kit found in a litre of medium: nutrient and mg/L, each."""

    on: date
    mg_l: tuple[tuple[str, float], ...]
    hour: float = 9.0


@dataclass(frozen=True)
class RootZone:
    """One fill and all that happened to it; all amounts are of the whole fill.

    ``litres`` is medium, ``rain_m2`` the ground on which rain falls in (0 under cover),
    ``water_mg_l`` the usual water. ``logs_all`` is whether every watering is written down:
    otherwise it is assumed that dry medium is watered, but for ``unwatered`` spans, each up to
    and with a day. ``others`` is what takes food besides the crops. Another ``seed`` draws other
    chances.
    """

    medium: Medium
    litres: float
    setting: str
    rain_m2: float
    filled_on: date
    growing: tuple[Growing, ...]
    poured: tuple[Poured, ...]
    slow: tuple[Slow, ...]
    samples: tuple[Sampled, ...]
    water_mg_l: Nine
    logs_all: bool = False
    seed: int = 1
    felt: tuple[Felt, ...] = ()
    tested: tuple[Tested, ...] = ()
    others: tuple[TakenBesides, ...] = ()
    unwatered: tuple[tuple[date, date], ...] = ()

    def __post_init__(self) -> None:
        setting(self.setting)
        if not 0 < self.litres <= MOST_L:
            raise DaceError("litres", f"{self.litres:g} L of medium", "above 0 would do")

    @property
    def is_bed(self) -> bool:
        """Whether it is soil in the ground or a raised bed."""
        return setting(self.setting).in_ground

    @property
    def chance(self) -> int:
        """What seeds its draws: its own facts, whatever it is called and in whichever year."""
        facts = (self.medium.key, f"{self.litres:.2g}", self.setting, f"{self.filled_on:%d %b}")
        return zlib.crc32(repr(facts).encode()) + self.seed


def with_charge(mg_l: Nine, ec_ms_cm: float) -> Nine:
    """A liquid whose other salts are told by its conductivity, booked as sodium.

    Parameters
    ----------
    mg_l : tuple of float
        In the order of ``CHARGED``.
    ec_ms_cm : float
        What the whole liquid conducts at 25 C.

    Returns
    -------
    tuple of float
        With sodium for what the named cations do not explain.

    Examples
    --------
    >>> plain = (0.0,) * 9
    >>> round(with_charge(plain, 0.5)[7])
    115
    """
    named = sum(mg / per for mg, per in zip(mg_l, PER_MEQ, strict=True))
    rest = max(0.0, ec_ms_cm / judgement("kappa").range.typ - named)
    return (*mg_l[:_NA], mg_l[_NA] + rest * PER_MEQ[_NA], *mg_l[_NA + 1 :])


def charged_can(
    mg_l: Mapping[str, float],
    feeds: tuple[tuple[Composition, float], ...],
    ec_ms_cm: float,
    bicarbonate_mg_l: float = 0.0,
) -> Nine:
    """A can in the order of ``CHARGED`` [mg/L], its nitrogen by the forms of its sources.

    Parameters
    ----------
    mg_l : mapping
        N, P, K, Ca and Mg of the whole can.
    feeds : tuple
        Each source with its mL or g. Organic nitrogen goes with urea: it comes later.
    ec_ms_cm : float
        Of the whole can at 25 C.
    bicarbonate_mg_l : float
        Of the water that it was filled with.
    """
    found = dict.fromkeys(CHARGED[:3], 0.0)
    for feed, amount in feeds:
        mg = dict(feed.mg)
        for form in found:
            found[form] += amount * mg.get(form, 0.0)
        found["urea_N"] += amount * mg.get("organic_N", 0.0)
    total = sum(found.values())
    shares = [v / total for v in found.values()] if total else [1.0, 0.0, 0.0]
    nitrogen = (mg_l["N"] * share for share in shares)
    food = (mg_l[n] for n in CHARGED[3:_NA])
    return with_charge((*nitrogen, *food, 0.0, bicarbonate_mg_l), ec_ms_cm)


def charged_dry(mg_per_g: tuple[float, ...], grams: float) -> Nine:
    """Grams of a dry feed in the order of ``CHARGED`` [mg]; its nitrogen comes as ammonium.

    ``mg_per_g`` is in the order of ``NUTRIENTS``.
    """
    by_name = dict(zip(("NH4_N", *NUTRIENTS[1:]), mg_per_g, strict=True))
    return tuple(grams * by_name.get(name, 0.0) for name in CHARGED)


def charged_plain(water: WaterIons, ec_ms_cm: float) -> Nine:
    """A water scaled to a conductivity, in the order of ``CHARGED`` [mg/L]."""
    own = charged_water(water)
    if water.ec_ms_cm <= 0:
        return with_charge(own, ec_ms_cm)
    return tuple(mg * ec_ms_cm / water.ec_ms_cm for mg in own)


def with_water(mg_l: Nine, ec_ms_cm: float, water: WaterIons) -> Nine:
    """A feed by its nutrients: what they leave of its conductivity is water, then sodium."""
    named = sum(mg / per for mg, per in zip(mg_l, PER_MEQ, strict=True))
    left = max(0.0, ec_ms_cm - judgement("kappa").range.typ * named)
    plain = charged_plain(water, min(left, water.ec_ms_cm))
    return with_charge(tuple(a + b for a, b in zip(mg_l, plain, strict=True)), ec_ms_cm)


def charged_water(water: WaterIons) -> Nine:
    """A water in the order of ``CHARGED`` [mg/L]."""
    return with_charge(tuple(water.of(name) for name in CHARGED), water.ec_ms_cm)


def rain_m2(volume_l: float | None, area_m2: float | None, alike: int) -> float:
    """The ground on which rain falls into a fill: its area, or the tops of its pots [m2].

    >>> round(rain_m2(40.0, None, 1), 2), rain_m2(None, 4.32, 1)
    (0.14, 4.32)
    """
    if area_m2 is not None:
        return area_m2 * alike
    litres = volume_l or 0.0
    if not 0 <= litres <= MOST_L:
        raise DaceError("litres", f"{litres:g} L of medium", "above 0 would do")
    width_dm = (litres / judgement("pot_shape").range.typ) ** (1 / 3)
    return float(math.pi / 4 * (width_dm / 10) ** 2 * alike)
