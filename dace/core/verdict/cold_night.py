"""Whether the night to come may hurt what stands out, and what is said of it."""

from __future__ import annotations

import numpy as np

from dace.core.fed.records import Grows, Stop
from dace.core.figures import judgement
from dace.core.season.cold import hardiness
from dace.core.season.outlook import Outlook
from dace.core.season.shelter import air_under
from dace.core.words.listing import listed

_TENDER_C = -2.0


def harm_tonight(stop: Stop, grows: Grows, days: Outlook) -> float:
    """Chance that the low of tonight hurts tender plants where they stand.

    Tonight's low is tomorrow's; each draw has its own, of the forecast where there is one.
    """
    found = hardiness().get(grows.crop.key)
    if found is None or found.kill_c.typ < _TENDER_C or stop.shelter == "indoors":
        return 0.0
    lows = days.t_min[:, days.index(days.today) + 1]
    warmer = air_under(stop.shelter, 0.0, 0.0)[0]
    hurts = found.kill_c.typ + judgement("hurts_above_kill").range.typ
    return float(np.mean(lows + warmer < hurts))


def cold_words(stop: Stop, days: Outlook) -> str:
    """What is said of a night that may hurt something there; empty where none may."""
    least = judgement("frost_warned_from").range.typ
    chances = {one: chance for one in stop.grows if (chance := harm_tonight(stop, one, days))}
    hurt = [one for one, chance in chances.items() if chance >= least]
    if not hurt:
        return ""
    worst = max(chances[one] for one in hurt)
    names = listed([one.crop.counted(one.plants) for one in hurt])
    times = f"{max(1, round(10 * worst))} in 10"
    return f"Tonight may be too cold, {times}: cover or bring in {names}."
