"""Pots and beds to follow, and the weather over them."""

from datetime import timedelta

import numpy as np

from dace.core.matter.media import medium
from dace.core.rootzone.bucket import WIDE, Bucket
from dace.core.rootzone.day import Day
from dace.core.rootzone.follow import follow
from dace.core.rootzone.records import (
    CHARGED,
    Growing,
    Poured,
    RootZone,
    Sampled,
    with_charge,
)
from dace.core.rootzone.slow import Slowly
from dace.core.rootzone.unknowns import DRAWS
from dace.core.season.climate import climate
from dace.core.season.crops import crop
from dace.core.season.need import Span
from dace.core.season.outlook import Days, WeatherAsked, outlook
from tests.core.rootzone.simulated import FIRST

AUBERGINE = crop("aubergine")


RAIN, TAP = (with_charge((0.0,) * WIDE, ec) for ec in (0.06, 0.5))


CA, LIME = (CHARGED.index(name) for name in ("Ca", "HCO3"))


def weather(days):
    """Mild days without rain, growing warmer."""
    low = tuple(9 + 0.05 * n for n in range(days))
    high = tuple(18 + 0.07 * n for n in range(days))
    past = Days(FIRST, low, high, (0.0,) * days)
    ahead = Days(FIRST + timedelta(days=days), (), (), ())
    return outlook(WeatherAsked(climate("cool_temperate"), 51.0, past, ahead))


def grown(key, since, begun):
    """A crop's stages at their typical lengths."""
    spans, on = [], begun
    for stage in crop(key).stages:
        after = on + timedelta(days=round(stage.duration_days.typ))
        spans.append(Span(stage, on, after))
        on = after
    return Growing(crop(key), tuple(spans), 1, since)


def feed(ec):
    """Nitrate and potassium of a usual feed."""
    return with_charge((50 * ec, 0, 0, 0, 100 * ec, 0, 0, 0, 0), ec)


def zone(told=None, seed=1, **more):
    given = {
        "medium": medium("peat_free_mix"),
        "litres": 40.0,
        "setting": "pot",
        "rain_m2": 0.0,
        "filled_on": FIRST,
        "growing": (grown("aubergine", FIRST, FIRST - timedelta(days=70)),),
        "poured": (),
        "slow": (),
        "samples": (),
        "water_mg_l": TAP,
        "seed": seed,
    }
    if told:
        given["poured"] = tuple(Poured(on, litres, feed(ec)) for on, litres, ec in told.feeds)
        given["samples"] = tuple(Sampled(on, ec) for on, ec in told.readings)
    return RootZone(**given | more)


def one_bucket(unknowns, litres, half_lives, saucer):
    """A single fill with pools of 300 mg of everything."""
    pools = len(half_lives)
    slow = Slowly(
        np.ones((pools, 1, DRAWS)),
        np.full((pools, WIDE, 1), 300.0),
        np.array(half_lives).reshape(pools, 1),
    )
    return Bucket(unknowns, np.array([litres]), slow, np.array([0.5 if saucer else 0.0]))


def one_day(use_l, need, rain_l):
    return Day(np.array([use_l]), need[:, None], np.ones(1), np.array([rain_l]))


def water_share(found):
    """How full of water it is today: 10, 50 and 90 %."""
    return np.quantile(found.bucket.water[0] / found.bucket.full[0], (0.1, 0.5, 0.9))


def read_at(*readings, **more):
    """Sixty days, with readings so many days before the last."""
    last = FIRST + timedelta(days=59)
    samples = tuple(Sampled(last - timedelta(days=ago), ec) for ago, ec in readings)
    return follow(zone(samples=samples, **more), weather(60), 30)
