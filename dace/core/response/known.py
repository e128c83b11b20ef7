"""What a followed root zone, the air and the last feed come to, as facts that bear on a sign."""

from __future__ import annotations

from collections.abc import Sequence

import numpy as np

from dace.core.matter.nutrients import NUTRIENTS
from dace.core.matter.settings import Shelter
from dace.core.rootzone.course import needs
from dace.core.rootzone.follow import Followed
from dace.core.season.crops import Crop, Stage, feed_cap
from dace.core.season.shelter import air_under

_WEEKS_DAYS, _WEEK, _FORTNIGHT = 42, 7, 14
_WET_MM, _FEW_MG, _FEW_MG_L = 2.0, 1.0, 1.0
_SHARES = {"N": "nitrogen_share_of_need", "K": "potassium_share_of_need"}


def root_facts(followed: Followed, stage: Stage) -> dict[str, float]:
    """What is known of roots by the names of ``TOLD``; what is not known is left out.

    Parameters
    ----------
    followed : Followed
        The root zone up to today.
    stage : Stage
        Of the plants that show a sign.

    Returns
    -------
    dict
        What drains [mS/cm] and the litres of medium a plant, of pots; what was taken and is
        still within reach as a share of what roots want over six weeks, of N and K where the
        stage wishes any; potassium to magnesium by mass in the water about the roots.
    """
    root, today = followed.root_zone, followed.today
    found: dict[str, float] = {}
    if not root.is_bed or any(one.sample.method == "pour_through" for one in followed.looked):
        found["drain_ec_ms_cm"] = followed.now[1]
    if not root.is_bed:
        plants = sum(one.plants for one in root.growing if one.until is None)
        found["pot_l"] = root.litres / max(1, plants)
    begin = max(0, today - _WEEKS_DAYS)
    wanted = needs(root, followed.first, today + 1).sum(axis=0)[begin + 1 :].sum(axis=0)
    taken = followed.larder.reached[1]
    had = taken[:, today] - taken[:, begin] + followed.larder.held[:, today]
    for nutrient, name in _SHARES.items():
        at = NUTRIENTS.index(nutrient)
        if wanted[at] > _FEW_MG and stage.wish_of(nutrient).typ > 0:
            found[name] = float(had[at] / wanted[at])
    strength = followed.larder.strength[:, today]
    potassium, magnesium = (float(strength[NUTRIENTS.index(n)]) for n in ("K", "Mg"))
    if magnesium > _FEW_MG_L:
        found["potassium_to_magnesium"] = potassium / magnesium
    return found


def air_facts(
    shelter: Shelter, t_min: Sequence[float], t_max: Sequence[float], rain_mm: Sequence[float]
) -> dict[str, float]:
    """What days that were say of air, roots and rain where plants stand, the newest day last.

    Rain counts in the open only; roots are taken to be as warm as a week's air.

    >>> found = air_facts("open", [4.0] * 14, [16.0] * 14, [0.0] * 12 + [3.0, 5.0])
    >>> found["medium_c"], found["rain_mm_week"], found["wet_days_14d"]
    (10.0, 8.0, 2.0)
    """
    week = zip(t_min[-_WEEK:], t_max[-_WEEK:], strict=True)
    air = [air_under(shelter, low, high) for low, high in week]
    found = {
        "medium_c": float(np.mean(air)),
        "night_min_c": min(low for low, _ in air),
        "day_max_c": max(high for _, high in air),
    }
    if shelter == "open":
        found["rain_mm_week"] = float(sum(rain_mm[-_WEEK:]))
        found["wet_days_14d"] = float(sum(mm >= _WET_MM for mm in rain_mm[-_FORTNIGHT:]))
    return found


def share_of_cap(can_ec: float, water_ec: float, grown: Crop, stage: Stage) -> float | None:
    """What a feed added to its water [mS/cm] beside the most that a stage bears of it."""
    cap = feed_cap(grown, stage, water_ec).feed_ec_ms_cm
    return max(0.0, can_ec - water_ec) / cap if cap > 0 else None
