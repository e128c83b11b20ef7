"""What a stop is owed: its need to the next slot and a reserve, less what is within reach.

Notes
-----
Pots and tubs keep nearly the typical wish in all their water. Beds keep some nitrogen beside
five weeks' need. Seedlings in trays are owed the next days' need, whatever the mix still holds.
"""

from __future__ import annotations

from collections.abc import Collection
from dataclasses import dataclass
from datetime import date

import numpy as np
from numpy.typing import NDArray

from dace.core.fed.facts import Facts
from dace.core.fed.levers import SIZED_BY
from dace.core.fed.records import Grows
from dace.core.fed.wish import FillWish
from dace.core.figures import judgement
from dace.core.matter.nutrients import NUTRIENT_NAMES, NUTRIENTS
from dace.core.result import Step, Working, say
from dace.core.rootzone.course import needs
from dace.core.season.crops import Stage
from dace.core.season.need import in_cell

Array = NDArray[np.float64]
BED_DAYS, POT_DAYS = 35, 28
"""So long a dressing is to last."""
_FEW_MG = 1e-3
_N_ALONE = np.array([nutrient == "N" for nutrient in NUTRIENTS], dtype=float)
_MG_PER_G = 1000.0


@dataclass(frozen=True)
class Owed:
    """What a fill's plants need from today on [mg a day], and what they are owed of it.

    ``need`` has shape (days, 5) from today on; ``wish`` is that of all that is fed there;
    ``ignored`` are nutrients of which a soil test found plenty.
    """

    facts: Facts
    need: Array
    wish: FillWish
    ignored: frozenset[str]

    @property
    def litres(self) -> float:
        """What the fill takes to its first drip [L]."""
        return litres_to_drip(self.facts)

    def needed(self, ahead: int, days: int) -> Array:
        """The need of so many days after one that lies ahead [mg]."""
        return np.asarray(self.need[ahead + 1 : ahead + 1 + days].sum(axis=0))

    def within(self, ahead: int, days: int) -> Array:
        """What is within reach over them [mg]."""
        larder, at = self.facts.stop.followed.larder, self.facts.index + ahead
        return larder.within_reach(at, days, self.facts.in_bed)

    def of(self, ahead: int = 0, days: int | None = None) -> Array:
        """What is owed on a day ahead, to the slot after it or for so many days [mg]."""
        counted = self.facts.rhythm.counted if days is None else days
        return owed_of(
            self.facts, self.wish, self.needed(ahead, counted), self.within(ahead, counted),
            self.ignored, kept=days is not None or not self.facts.in_bed,
        )  # fmt: skip

    def lacks(self, ahead: int = 0) -> str:
        """The nutrient that is owed most on a day ahead; empty where none is worth a feed."""
        return feed_for(self.facts, self.wish, self.of(ahead))

    @property
    def urgent(self) -> float:
        """What is owed today beside the weak end of the wish, of what is owed most."""
        return urgent(self.of(), self.wish, self.litres)

    def first_due(self, ahead: int) -> int | None:
        """The first day from one on on which a feed is due; None within what is worked out."""
        last = len(self.need) - 1 - self.facts.rhythm.counted
        return next((day for day in range(ahead, last + 1) if self.lacks(day)), None)

    @property
    def known_days(self) -> int:
        """How far ahead it is worked out."""
        return len(self.need) - 1

    def runs_out(self) -> tuple[str, int] | None:
        """The nutrient that is gone first, and in how many days; None within what is known."""
        within = [self.within(0, days) for days in range(1, len(self.need))]
        upto = np.cumsum(self.need[1:], axis=0)
        for day, there in enumerate(within):
            for at in SIZED_BY:
                if upto[day, at] > max(there[at], _FEW_MG) and NUTRIENTS[at] not in self.ignored:
                    return NUTRIENTS[at], day
        return None

    def steps(self, ahead: int, days: int) -> Working:
        """Need beside reach, by nutrient that sizes a feed."""
        need, there, owed = self.needed(ahead, days), self.within(ahead, days), self.of(ahead, days)
        rows: list[Step] = []
        for at in SIZED_BY:
            name = NUTRIENT_NAMES[NUTRIENTS[at]]
            rows.append(
                Step(
                    f"{name} they take in {days} days",
                    f"{say(need[at] / days, 6)} mg × {days}",
                    need[at],
                    "mg",
                    "season's uptake by its stages",
                    "low",
                )
            )
            rows.append(
                Step(
                    f"{name} within their reach", "", there[at], "mg",
                    "what the medium holds and gives, the middle of all draws", "low",
                )
            )  # fmt: skip
            rows.append(
                Step(f"{name} owed", "", owed[at], "mg", "need and reserve, less what is there")
            )
        return tuple(rows)


def owed_of(
    facts: Facts,
    wish: FillWish,
    need: Array,
    within: Array,
    ignored: Collection[str],
    kept: bool = True,
) -> Array:
    """What is owed of N, P, K, Ca, Mg over some days [mg].

    Parameters
    ----------
    facts : Facts
        The stop's place, and what it holds.
    wish : FillWish
        Of what is fed there.
    need, within : ndarray
        What is taken and what is within reach over those days [mg].
    ignored : collection of str
        Nutrients that are never owed.
    kept : bool
        Whether a reserve is to stay beside: not where a bed is only drenched meanwhile.
    """
    margin = judgement("need_margin").range.typ
    if facts.in_tray:
        found = margin * need
    else:
        found = np.maximum(0.0, margin * need + kept * _reserve(facts, wish) - within)
    for nutrient in (*ignored, *(("P",) if facts.in_bed else ())):  # soil gives it as it is taken
        found[NUTRIENTS.index(nutrient)] = 0.0
    return np.asarray(np.where(wish.need > _FEW_MG * facts.plants, found, 0.0))


def _reserve(facts: Facts, wish: FillWish) -> Array:
    if not facts.in_bed:
        return np.asarray(judgement("pot_reserve").range.typ * wish.typ * facts.full_l)
    found = np.zeros(len(NUTRIENTS))
    if wish.typ[0] > 0:
        found[0] = judgement("bed_reserve_n").range.typ * _MG_PER_G * facts.area_m2
    return found


def most_owed(owed: Array, wish: FillWish, litres: float) -> str:
    """The nutrient that is owed most beside the weak end of the wish; empty if it is not worth it.

    >>> none = np.zeros(5)
    >>> most_owed(none, FillWish(none, none, none, none, 0.0), 1.0)
    ''
    """
    share, at = _worst(owed, wish, litres)
    return NUTRIENTS[at] if share > judgement("owed_counts").range.typ else ""


def urgent(owed: Array, wish: FillWish, litres: float) -> float:
    """What is owed beside the weak end of the wish, of what is owed most."""
    return _worst(owed, wish, litres)[0]


def _worst(owed: Array, wish: FillWish, litres: float) -> tuple[float, int]:
    least = np.maximum(wish.low * litres, _FEW_MG)
    share, at = max((float(owed[at] / least[at]), -at) for at in SIZED_BY)
    return share, -at


def feed_for(facts: Facts, wish: FillWish, owed: Array) -> str:
    """The nutrient that a feed is given for; in soil nitrogen alone."""
    counts = owed * _N_ALONE if facts.in_bed else owed
    return most_owed(counts, wish, litres_to_drip(facts))


def litres_to_drip(facts: Facts) -> float:
    """What a fill takes until the first drop runs through [L]; of a bed, a drench.

    What a pot lacks as it is usually watered, at most a third of what it holds; where every
    watering is written down, what it lacks today; a tray all that it lacks, and what runs through.
    """
    if facts.in_bed:
        return judgement("bed_drench").range.typ * facts.area_m2
    found = facts.stop.followed
    share = judgement("medium_share_per_drench").range
    if facts.in_tray:  # wetted through: what stays at the bottom would turn salty
        over, when = (found.unknowns.of(key, 0) for key in ("over_pouring", "watered_when"))
        return facts.full_l * float(np.quantile((1 - when) * (1 + over), _MOST_TRAYS))
    if found.root_zone.logs_all:
        lacks = float(np.median(1 - found.bucket.water[0] / found.bucket.full[0]))
        return facts.full_l * min(share.typ, max(_LEAST_SHARE, lacks))
    return facts.full_l * min(share.typ, 1 - facts.watered_when)


_LEAST_SHARE, _MOST_TRAYS = 0.1, 0.9


def owed_to(facts: Facts, fed: Collection[str], at: dict[str, Stage] | None = None) -> Owed:
    """What a stop's plantings are owed.

    Parameters
    ----------
    facts : Facts
        The stop.
    fed : collection of str
        Keys of plantings that are fed; the others need nothing here.
    at : dict, optional
        Stages that plantings are taken to be at, by key, instead of the likely ones.
    """
    found = facts.stop.followed
    root, days = found.root_zone, found.ec.shape[1]
    every = needs(root, found.first, days)
    wanted = [row for row, one in zip(every, root.growing, strict=False) if one.key in fed]
    need = np.sum(wanted, axis=0) if wanted else np.zeros_like(every[0])
    grown = [
        (one, (at or {}).get(one.key, one.clock.stage)) for one in facts.stop.grows
        if one.key in fed
    ]  # fmt: skip
    wish = FillWish.of(grown, root.litres, facts.in_bed)
    if at:  # as it would be at that stage all along
        need = np.tile(wish.need, (len(need), 1))
    return Owed(facts, need[found.today :], wish, facts.stop.tested_high)


def dressing_lacks(owed: Owed) -> str:
    """The nutrient that a dressing is owed of today, looked at every four weeks; empty if none."""
    facts = owed.facts
    if facts.dress_on > facts.today:
        return ""
    found = owed.of(0, BED_DAYS if facts.in_bed else POT_DAYS)
    return dressing_for(facts, owed.wish, found)


def dressing_for(facts: Facts, wish: FillWish, owed: Array) -> str:
    """The nutrient that a dressing is given for; in soil nitrogen alone, which it does not hold."""
    if not facts.in_bed:
        return most_owed(owed, wish, litres_to_drip(facts))
    least = judgement("bed_dressing_from").range.typ * _MG_PER_G * facts.area_m2
    return "N" if owed[0] > least else ""


def sprouted(grows: Grows, on: date) -> bool:
    """Whether a seedling has the leaves to be fed on a day; whatever is older has."""
    stage = grows.clock.stage
    begun = next((s.likely for s in grows.clock.starts if s.stage == stage), None)
    if not stage.is_seedling or begun is None:
        return True
    share, latest = judgement("true_leaves").range.typ, judgement("true_leaves_latest").range.typ
    return (on - begun).days >= min(latest, share * stage.duration_days.typ)


def to_move_on(facts: Facts, grows: Grows) -> bool:
    """Whether plants in a tray are likely past the seedling, and want a pot more than a feed."""
    root = facts.stop.followed.root_zone
    if not facts.in_tray or not in_cell(grows.crop, root.litres / facts.plants):
        return False
    later = (s.likely for s in grows.clock.starts if not s.stage.is_seedling and s.likely)
    first = min(later, default=None)
    return first is not None and first <= facts.today
