"""Soil mixes: what so many parts by volume come to in a pot, and what stands against it."""

from __future__ import annotations

import math
from collections.abc import Mapping
from dataclasses import dataclass, replace
from functools import cache, lru_cache
from typing import cast

import numpy as np

from dace.core.advice import Severity
from dace.core.errors import DaceError
from dace.core.figures import Range, Row, load_table
from dace.core.matter.materials import Material, material
from dace.core.matter.media import Medium, medium
from dace.core.matter.nutrients import NUTRIENTS
from dace.core.matter.release import Content, content_of_material, released
from dace.core.matter.tokens import matches
from dace.core.result import Result
from dace.core.solids.heap import result_of
from dace.core.solids.heap_figures import Drawing

USES = ("seed", "potting_on", "hungry_pots", "raised_bed", "house_plant", "ericaceous", "cactus")
_MEDIA = {"coir_moist": "coir", "peat_mix": "peat_mix", "topsoil_screened": "loam_soil"}
_COATED = "coated_slow_release"
_SHRINKS, _SHRINKS_MIXED, _MOST_HELD = 0.04, 0.4, 0.65
_PER_MEQ = 0.10
_CHARGES = {"K": 39.1, "Ca": 20.04, "Mg": 12.15}
_NH4_G = 14.0
_PH_EITHER = 0.5
_MOST_LITRES, _MOST_PARTS, _MOST_G_L = 100_000.0, 1000.0, 200.0
_WEEK_D = 7.0
_EARTHY, _USED = 0.5, "old_mix"


@dataclass(frozen=True)
class MixIngredient:
    """What a material brings to a mix, per litre of it: water held, salt, acidity, grain."""

    material: Material
    grain: str
    holding: Range
    pore_ec: Range
    ph: float
    ph_weight: float
    n_taken: Range
    note: str


@cache
def mix_ingredients() -> dict[str, MixIngredient]:
    """What may be a part of a mix, by its material's key.

    >>> mix_ingredients()["perlite"].grain
    'coarse'
    """
    return {
        row.text("key"): MixIngredient(
            material(row.text("key")),
            row.text("grain"),
            row.range("holding"),
            row.range("pore_ec"),
            (row.number("ph_low") + row.number("ph_high")) / 2,
            row.number("ph_weight"),
            row.range("n_taken_mg_l"),
            row.text("note"),
        )
        for row in load_table("mix_ingredients")
    }


@dataclass(frozen=True)
class MixRecipe:
    """A mix of our own: parts by volume, dry feeds [g/L], what it is for, how it is made."""

    key: str
    name: str
    use: str
    parts: tuple[tuple[str, float], ...]
    dry: tuple[tuple[str, float], ...]
    text: str


@cache
def mix_recipes() -> dict[str, MixRecipe]:
    """All recipes by key.

    >>> mix_recipes()["big_supper"].parts[0]
    ('coir_moist', 4.0)
    """
    found: dict[str, list[Row]] = {}
    for row in load_table("soil_mixes"):
        found.setdefault(row.text("key"), []).append(row)
    return {key: _recipe(rows) for key, rows in found.items()}


def _recipe(rows: list[Row]) -> MixRecipe:
    first = rows[0]
    amounts = [(row.text("material"), row.maybe("parts_by_volume"), row.maybe("g_per_l"))
               for row in rows]  # fmt: skip
    return MixRecipe(
        first.text("key"),
        first.text("name"),
        first.text("use"),
        tuple((key, parts) for key, parts, _ in amounts if parts is not None),
        tuple((key, grams) for key, _, grams in amounts if grams is not None),
        first.text("text"),
    )


@dataclass(frozen=True)
class SoilMixAsked:
    """So many litres of so many parts, with dry feeds [g a litre], for a use."""

    litres: float
    parts: tuple[tuple[str, float], ...]
    dry: tuple[tuple[str, float], ...] = ()
    use: str = "potting_on"

    def __post_init__(self) -> None:
        if not 0 < self.litres <= _MOST_LITRES:
            raise DaceError("litres", f"{self.litres:g} L", "above 0 would do, such as 40")
        if self.use not in USES:
            raise DaceError("use", f"“{self.use}”", f"one of {', '.join(USES)} would do")
        for key, parts in self.parts:
            if key not in mix_ingredients():
                known = ", ".join(mix_ingredients())
                raise DaceError("parts", f"“{key}”", f"one of {known} would do")
            if not 0 <= parts <= _MOST_PARTS:
                raise DaceError(f"parts.{key}", f"{parts:g}", "0 or more would do")
        if not sum(parts for _, parts in self.parts) > 0:
            raise DaceError("parts", "parts that are all 0", "say how many parts of what")
        for key, grams in self.dry:
            material(key)
            if not 0 <= grams <= _MOST_G_L:
                raise DaceError(f"dry_g_per_l.{key}", f"{grams:g} g/L", "0 to 200 would do")

    @property
    def shares(self) -> dict[str, float]:
        """Shares of the parts, which add to 1."""
        whole = sum(parts for _, parts in self.parts)
        return {key: parts / whole for key, parts in self.parts if parts > 0}


@dataclass(frozen=True)
class Break:
    """A limit that a mix breaks: by which rule, what it is, and why."""

    rule: str
    limit: float
    found: float
    severity: Severity
    reason: str
    note: str


@dataclass(frozen=True)
class SoilMix:
    """What a mix comes to, a litre of it; ``at_once`` and ``slow`` [mg/L] by nutrient.

    ``taken`` is the nitrogen that wood in it takes, ``slow_weeks`` the half-life of what comes
    later.
    """

    asked: SoilMixAsked
    shrinkage: float
    litres_of: tuple[tuple[str, float], ...]
    holding: Result
    pore_ec: Result
    ph: float
    coarse: float
    at_once: tuple[tuple[str, float], ...]
    slow: tuple[tuple[str, float], ...]
    slow_weeks: float
    taken: float
    breaks: tuple[Break, ...]


def soil_mix(asked: SoilMixAsked, seed: int | None = 1) -> SoilMix:
    """Work out a mix.

    Parameters
    ----------
    asked : SoilMixAsked
        Parts, dry feeds and use.
    seed : int or None
        None for typical figures without draws.

    Examples
    --------
    >>> supper = mix_recipes()["big_supper"]
    >>> found = soil_mix(SoilMixAsked(40, supper.parts, use=supper.use), seed=None)
    >>> round(found.pore_ec.value, 2), round(found.holding.value, 2), round(found.ph, 1)
    (2.16, 0.5, 7.0)
    """
    shares = asked.shares
    figures = Drawing(seed)
    coarse, fine = (_of_grain(shares, grain) for grain in ("coarse", "fine"))
    shrinks = _SHRINKS + _SHRINKS_MIXED * coarse * fine
    held = {k: figures.share(f"{k}.holding", mix_ingredients()[k].holding) for k in shares}
    summed = sum((f * held[k] for k, f in shares.items()), np.zeros(figures.count))
    holding = np.minimum(_MOST_HELD, summed / (1 - shrinks))
    content = {
        k: (v[0] / (1 - shrinks), v[1] / (1 - shrinks)) for k, v in _contents(shares).items()
    }
    dry = {name: _of_dry(asked, name) for name in NUTRIENTS}
    salt = sum(
        (f * held[k] * figures.factor(f"{k}.ec", mix_ingredients()[k].pore_ec)
         for k, f in shares.items()),
        np.zeros(figures.count),
    )  # fmt: skip
    pore_ec = salt / summed + _PER_MEQ * _dry_meq(asked) / holding
    weights = {k: f * mix_ingredients()[k].ph_weight for k, f in shares.items()}
    slow = {name: content[name][1] + dry[name][1] for name in NUTRIENTS}
    found = SoilMix(
        asked=asked,
        shrinkage=shrinks,
        litres_of=tuple((k, asked.litres * f / (1 - shrinks)) for k, f in shares.items()),
        holding=result_of(holding, ""),
        pore_ec=result_of(pore_ec, "mS/cm"),
        ph=sum(w * mix_ingredients()[k].ph for k, w in weights.items()) / sum(weights.values()),
        coarse=coarse,
        at_once=tuple((name, content[name][0] + dry[name][0]) for name in NUTRIENTS),
        slow=tuple(slow.items()),
        slow_weeks=_slow_weeks(asked, slow["N"], shrinks),
        taken=sum(f * mix_ingredients()[k].n_taken.typ for k, f in shares.items()) / (1 - shrinks),
        breaks=(),
    )
    return SoilMix(**{**vars(found), "breaks": _breaks(found)})


def _of_grain(shares: Mapping[str, float], grain: str) -> float:
    return sum(f for key, f in shares.items() if mix_ingredients()[key].grain == grain)


def _contents(shares: Mapping[str, float]) -> dict[str, tuple[float, float]]:
    """At once and later [mg a litre of what was put together, before it shrinks]."""
    found = dict.fromkeys(NUTRIENTS, (0.0, 0.0))
    for key, share in shares.items():
        for at, name in enumerate(NUTRIENTS):
            once, later = _litre_of(key, at, name)
            found[name] = (found[name][0] + share * once, found[name][1] + share * later)
    return found


def _litre_of(key: str, at: int, name: str) -> tuple[float, float]:
    """What a litre of an ingredient has at once, and later [mg]."""
    if key in _MEDIA:
        like = medium(_MEDIA[key])
        later = like.release_n_mg_l_week * like.release_half_life_weeks / math.log(2)
        return like.available_of(name), later if name == "N" else 0.0
    brings = content_of_material(material(key))
    grams = 1000 * material(key).density_g_per_ml
    return grams * brings.at_once[at], grams * brings.later[at]


def _out_at_once(key: str, brings: Content, at: int) -> tuple[float, float]:
    """At once and later of a gram of a dry feed [mg]; of a coated one what is out in a week."""
    once, later = brings.at_once[at], brings.later[at]
    if key != _COATED:
        return once, later
    out = later * float(released(_WEEK_D, brings.half_life_days))
    return once + out, later - out


def _of_dry(asked: SoilMixAsked, name: str) -> tuple[float, float]:
    """At once and later of the dry feeds, of a nutrient [mg a litre of mix]."""
    at = NUTRIENTS.index(name)
    pairs = [
        (grams, _out_at_once(key, content_of_material(material(key)), at))
        for key, grams in asked.dry
    ]
    return sum(g * pair[0] for g, pair in pairs), sum(g * pair[1] for g, pair in pairs)


def _dry_meq(asked: SoilMixAsked) -> float:
    """Charge that the dry feeds bring into solution [meq a litre of mix], by their cations."""
    charge = sum(_of_dry(asked, name)[0] / weight for name, weight in _CHARGES.items())
    for key, grams in asked.dry:
        found = material(key)
        if found.n_mineral_share > 0:
            once = _out_at_once(key, content_of_material(found), NUTRIENTS.index("N"))[0]
            charge += grams * once * found.ammonium_share / found.n_mineral_share / _NH4_G
    return charge


def _slow_weeks(asked: SoilMixAsked, slow_n: float, shrinks: float) -> float:
    """The half-life of the slow nitrogen as a whole [weeks]: that of its first week's pace."""
    weekly = 0.0
    for key, share in asked.shares.items():
        if key in _MEDIA:
            weekly += share * medium(_MEDIA[key]).release_n_mg_l_week / (1 - shrinks)
        else:
            later = _litre_of(key, 0, "N")[1] * share / (1 - shrinks)
            weekly += (
                later * math.log(2) * _WEEK_D / content_of_material(material(key)).half_life_days
            )
    for key, grams in asked.dry:
        brings = content_of_material(material(key))
        weekly += (
            grams * _out_at_once(key, brings, 0)[1] * math.log(2) * _WEEK_D / brings.half_life_days
        )
    return slow_n * math.log(2) / weekly if weekly > 0 else 0.0


def _breaks(found: SoilMix) -> tuple[Break, ...]:
    said = []
    for row in load_table("mixing_rules"):
        if row.text("use") != found.asked.use:
            continue
        value, limit = _measured(row, found), row.number("limit")
        over = (
            value < limit - 1e-9 if row.text("measure").startswith("min_") else value > limit + 1e-9
        )
        if over:
            said.append(
                Break(row.text("key"), limit, value, cast(Severity, row.text("severity")),
                      row.text("reason"), row.text("note"))
            )  # fmt: skip
    return tuple(said)


def _measured(row: Row, found: SoilMix) -> float:
    """What a rule looks at."""
    applies, quantity = row.text("applies_to"), row.text("applies_to").removeprefix("quantity:")
    if not applies.startswith("quantity:"):
        amounts = (
            found.asked.dry if row.text("measure") == "max_g_l" else found.asked.shares.items()
        )
        return sum(amount for key, amount in amounts if matches(applies, material(key).tokens))
    sand = found.asked.shares.get("horticultural_sand", 0.0) if found.asked.use == "cactus" else 0.0
    return {
        "mix_pore_ec": found.pore_ec.value,
        "mix_available_n": dict(found.at_once)["N"],
        "mix_holding": found.holding.value,
        "mix_coarse": found.coarse + sand,
        "mix_ph_low": found.ph,
        "mix_ph_high": found.ph,
    }[quantity]


@lru_cache(maxsize=256)
def mixed_medium(asked: SoilMixAsked, key: str, name: str) -> Medium:
    """A mix that was asked for, worked out once, as a medium."""
    return medium_of(soil_mix(asked), key, name)


def most_like(asked: SoilMixAsked) -> str:
    """The row of the table of media that a mix is most like: coir or peat, whichever leads."""
    shares = asked.shares
    if shares.get("topsoil_screened", 0.0) >= _EARTHY:
        return "loam_mix"
    return "coir" if shares.get("coir_moist", 0.0) > shares.get("peat_mix", 0.0) else "peat_mix"


def topped_up(new: Medium, fresh: float) -> Medium:
    """Last season's mix with so large a share of new: what a pot topped up with it starts from.

    Examples
    --------
    >>> third = topped_up(medium("coir"), 1 / 3)
    >>> between = (medium("coir").start_ec.typ, medium("old_mix").start_ec.typ)
    >>> min(between) <= third.start_ec.typ <= max(between)
    True
    """
    if not 0 <= fresh <= 1:
        raise DaceError("fresh", f"{fresh:g}", "a share from 0 to 1 would do")
    old = medium(_USED)

    def both(a: float, b: float) -> float:
        return fresh * a + (1 - fresh) * b

    def ranged(a: Range, b: Range) -> Range:
        return Range(both(a.low, b.low), both(a.typ, b.typ), both(a.high, b.high))

    rows = dict(old.available)
    later = both(
        new.release_n_mg_l_week * new.release_half_life_weeks,
        old.release_n_mg_l_week * old.release_half_life_weeks,
    )
    weekly = both(new.release_n_mg_l_week, old.release_n_mg_l_week)
    return replace(
        new,
        name=f"{new.name}, topped up",
        holding=ranged(new.holding, old.holding),
        start_ec=ranged(new.start_ec, old.start_ec),
        available=tuple((name, both(mg, rows.get(name, 0.0))) for name, mg in new.available),
        release_n_mg_l_week=weekly,
        release_half_life_weeks=later / weekly if weekly > 0 else 0.0,
    )


def medium_of(found: SoilMix, key: str, name: str) -> Medium:
    """A mix as a medium like a row of the table of media: what a pot filled with it starts from."""
    slow = max(0.0, dict(found.slow)["N"] - found.taken)
    weeks = found.slow_weeks
    return Medium(
        key=key,
        name=name,
        kind="soilless",
        holding=Range(found.holding.low, found.holding.value, found.holding.high),
        start_ec=Range(found.pore_ec.low, found.pore_ec.value, found.pore_ec.high),
        ph_low=found.ph - _PH_EITHER,
        ph_high=found.ph + _PH_EITHER,
        available=found.at_once,
        release_n_mg_l_week=slow * math.log(2) / weeks if weeks else 0.0,
        release_half_life_weeks=weeks,
        kg_per_l=sum(
            share * material(part).density_g_per_ml
            for part, share in found.asked.shares.items()
        ) / (1 - found.shrinkage),
        confidence="low",
        source="worked out from its parts",
    )  # fmt: skip
