"""How strong a feed is by default: what the stage wishes, what is usual, and what bounds it."""

from __future__ import annotations

import math
from collections.abc import Collection
from dataclasses import dataclass
from functools import cache

from dace.core.can.fitting import clearly_within, friendly_parts, strongest_within
from dace.core.figures import judgement, load_table, source_words
from dace.core.matter.composition import Composition
from dace.core.matter.nutrients import NUTRIENT_NAMES, NUTRIENTS
from dace.core.matter.settings import setting
from dace.core.matter.tokens import resolved
from dace.core.matter.waters import WaterIons
from dace.core.season.crops import Crop, Stage, feed_cap
from dace.core.season.need import wish_now

_RANKS = ("method:", "family:", "key:")
_EATEN = ("leaf",)
_ACID_BELOW = 6.0
_FEW = 1e-9


@dataclass(frozen=True)
class UsualDilution:
    """How thin a home-made liquid is usually used, in parts of water; None where it is not.

    ``young`` is for seedlings, ``leaf`` for a spray; ``stops`` names where it is never poured.
    """

    of: str
    ground: float | None
    pot: float | None
    young: float | None
    leaf: float | None
    stops: tuple[str, ...]
    source: str


@dataclass(frozen=True)
class For:
    """Whom a can is for: a crop at a stage in a ``setting``, at a ``share`` of its wish."""

    crop: Crop
    stage: Stage
    setting: str = "pot"
    share: float = 1.0

    @property
    def in_ground(self) -> bool:
        """Whether it grows in a bed."""
        return setting(self.setting).in_ground


@dataclass(frozen=True)
class Default:
    """An amount of feed per litre of can [mL or g], and what bound it."""

    per_l: float
    bound_by: str


@cache
def usual_dilutions() -> dict[str, UsualDilution]:
    """All rows by what they are of, such as ``method:cold_steep``."""
    return {
        row.text("of"): UsualDilution(
            resolved(row.text("of"), "usual_dilutions"),
            row.maybe("ground_parts"),
            row.maybe("pot_parts"),
            row.maybe("young_parts"),
            row.maybe("leaf_parts"),
            tuple(stop for stop in row.text("stop_where").split(";") if stop),
            source_words(row.text("source_family")),
        )
        for row in load_table("usual_dilutions")
    }


def usual_of(tokens: Collection[str]) -> UsualDilution | None:
    """The most particular row that names a liquid: by key, by family, by method; None if none.

    >>> usual_of({"method:anaerobic_ferment", "family:manure"}).pot
    15.0
    """
    named = [row for of, row in usual_dilutions().items() if of in tokens]
    ranked = sorted(named, key=lambda row: _RANKS.index(f"{row.of.split(':')[0]}:"))
    return ranked[-1] if ranked else None


def stops_of(tokens: Collection[str]) -> list[str]:
    """Where a home-made liquid is never poured, as the table has it.

    >>> stops_of({"method:anaerobic_ferment"})
    ['seedlings']
    """
    row = usual_of(tokens)
    return list(row.stops) if row else []


def never_there(tokens: Collection[str], who: For) -> str:
    """Where a home-made liquid is never poured and these plants stand; empty where it may be."""
    row = usual_of(tokens)
    if row is None:
        return ""
    young = who.stage.is_seedling
    there = {
        "seedlings": young,
        "leaves eaten": who.crop.harvest_part in _EATEN,
        "pots": not who.in_ground,
        "pots with salts": not who.in_ground,
        "acid-loving plants": who.crop.ph[1] <= _ACID_BELOW,
    }
    return next((stop for stop in row.stops if there[stop]), "")


def usual_parts(tokens: Collection[str], who: For) -> float | None:
    """Parts of water that are usual there; None where no table has it."""
    row = usual_of(tokens)
    if row is None:
        return None
    if who.stage.is_seedling:
        return row.young if row.young is not None else row.pot
    return row.ground if who.in_ground else row.pot


def usual_in_pots(tokens: Collection[str]) -> int:
    """Parts of water that are usual in a pot, or in the ground where it is never in pots.

    >>> usual_in_pots({"method:cold_steep"}), usual_in_pots({"method:ash_lye"}), usual_in_pots(())
    (6, 100, 0)
    """
    row = usual_of(tokens)
    parts = None if row is None else row.pot if row.pot is not None else row.ground
    return round(parts or 0)


def default_amount(
    feed: Composition, tokens: Collection[str], who: For, water: WaterIons
) -> Default | None:
    """How much of a feed a litre of can takes by default.

    Parameters
    ----------
    feed : Composition
        What is in the jar.
    tokens : collection of str
        What tables may name it by; home-made liquids have a ``method:``.
    who : For
        Whom it is for.
    water : WaterIons
        What fills the can.

    Returns
    -------
    Default or None
        The thinner of what the stage wishes, what its other nutrients allow, what the roots
        bear and, for home-made liquids, what is usual; None where nothing of it suits.

    Examples
    --------
    >>> from dace.core.matter.composition import Label, composition
    >>> from dace.core.matter.waters import water_from_ec
    >>> from dace.core.season.crops import crop
    >>> chilli = For(crop("chilli"), crop("chilli").stage("fruit_set"))
    >>> fruiting = composition(Label(4, 3, 8, density_g_per_ml=1.15))
    >>> found = default_amount(fruiting, (), chilli, water_from_ec(0.65))
    >>> round(found.per_l, 2), found.bound_by
    (1.96, 'what the stage wishes of nitrogen')
    """
    if who.stage.wish_of("N").typ <= 0 or never_there(tokens, who):
        return None
    bounds = list(_bounds(feed, tokens, who, water))
    if not bounds:
        return None
    per_l, why = min(bounds)
    return Default(per_l, why) if per_l > _FEW else None


def _bounds(
    feed: Composition, tokens: Collection[str], who: For, water: WaterIons
) -> list[tuple[float, str]]:
    home_made = any(token.startswith("method:") for token in tokens)
    found: list[tuple[float, str]] = []
    wanted = _wanted(feed, who, home_made)
    if wanted is None:
        return []
    found.append(wanted)
    for nutrient in NUTRIENTS:
        held = feed.element(nutrient)
        wish = wish_now(who.crop, who.stage, nutrient, who.in_ground)
        most = min(1.0, who.share) * wish.high
        if held > 0:
            what = f"the most that the stage wishes of {NUTRIENT_NAMES[nutrient]}"
            found.append((most / held, what))
    parts = usual_parts(tokens, who) if home_made or feed.unit == "mL" else None
    if parts is not None:
        found.append(
            (
                min(1.0, who.share) * 1000 / (1 + parts),
                f"1 + {parts:g}, the strongest that is usual",
            )
        )
    found.append((1000.0 * min(1.0, who.share), "neat"))
    cap = feed_cap(who.crop, who.stage, water.ec_ms_cm).feed_ec_ms_cm
    if not clearly_within(min(found)[0], cap, feed):
        fits = strongest_within(cap, feed)
        if fits is not None:
            found.append((fits, "what the roots bear"))
    return found


def _wanted(feed: Composition, who: For, home_made: bool) -> tuple[float, str] | None:
    """What the stage wishes typically of the first thing the feed has to give it."""
    order = ("N", "K", "P", "Ca", "Mg")
    if home_made:
        # of a home-made liquid as much as suits: its first nutrient at the top of the wish
        return 1000.0, "neat"
    for nutrient in order:
        wish = wish_now(who.crop, who.stage, nutrient, who.in_ground).typ
        held = feed.element(nutrient)
        if held > 0 and nutrient == "N" and wish <= 0:
            return None  # nitrogen for what makes its own
        if held > 0 and wish > 0:
            amount = who.share * wish / held
            return amount, f"what the stage wishes of {NUTRIENT_NAMES[nutrient]}"
    return None


def usual_amount(feed: Composition, tokens: Collection[str], on_leaves: bool = False) -> float:
    """How much of a feed [mL or g] a litre usually takes, whoever it is for.

    By the label's own rate; of a home-made liquid as thin as its table has it; else a weak can.

    Examples
    --------
    >>> from dace.core.matter.composition import Label, composition
    >>> crystals = Label(16, 8, 24, form="solid", rate_per_l=1.0)
    >>> usual_amount(composition(crystals), ()), usual_amount(composition(crystals), (), True)
    (1.0, 0.5)
    """
    row = usual_of(tokens)
    parts = None if row is None else row.leaf if on_leaves else row.pot or row.ground
    if parts:
        return 1000 / (1 + parts)
    plain = judgement("usual_liquid" if feed.unit == "mL" else "usual_dry").range.typ
    rate = feed.label.rate_per_l or plain
    return rate * judgement("leaf_share_of_rate").range.typ if on_leaves else rate


_FINEST = 2


def rounded_strength(per_l: float, unit: str) -> float:
    """The strength that one would say, never stronger than was worked out [mL/L or g/L].

    >>> round(1000 / rounded_strength(1.957, "mL")), rounded_strength(0.5625, "g")
    (511, 0.56)
    """
    if unit == "mL":
        return 1000 / (1 + friendly_parts(per_l))
    step: float = 10.0 ** (math.floor(math.log10(per_l)) + 1 - _FINEST)
    return round(math.floor(per_l / step + 1e-9) * step, 9)
