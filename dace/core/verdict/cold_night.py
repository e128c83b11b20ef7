"""Whether the night to come may hurt what stands out, and what is said of it."""

from __future__ import annotations

from dace.core.fed.records import Grows, Stop
from dace.core.figures import judgement
from dace.core.season.outlook import Outlook
from dace.core.season.shelter import air_under
from dace.core.words.listing import listed
from dace.core.year.frost import harm_in

_IN_FLOWER = ("flowering", "fruit_set")
_SKY_UNKNOWN = 1.0  # as after a night that is clear or still, not both


def harm_tonight(stop: Stop, grows: Grows, days: Outlook) -> float:
    """Chance that the low of tonight marks plants where they stand.

    Tonight's low is tomorrow's; each draw has its own, of the forecast where there is one.
    """
    if stop.shelter == "indoors":
        return 0.0
    stage = grows.clock.stage
    part = "flower" if stage.key in _IN_FLOWER else "seedling" if stage.is_seedling else "grown"
    lows = days.t_min[:, days.index(days.today) + 1] + air_under(stop.shelter, 0.0, 0.0)[0]
    if stop.shelter == "open":
        lows = lows - _SKY_UNKNOWN * judgement("leaf_below_air").range.typ
    return harm_in(grows.crop.key, part, lows)


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
