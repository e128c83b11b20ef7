"""How a root zone's figure came about: the salts of the middle draw, counted."""

from __future__ import annotations

import numpy as np
from numpy.typing import NDArray

from dace.core.figures import judgement
from dace.core.result import Step, Working, say
from dace.core.rootzone.bucket import BOOKS
from dace.core.rootzone.follow import Followed
from dace.core.rootzone.meaning import SOAKED_PASTE, as_paste
from dace.core.rootzone.records import CHARGED, PER_MEQ

_SALTS = [CHARGED.index(name) for name in ("K", "Ca", "Mg", "Na")]
_AMMONIUM = CHARGED.index("NH4_N")
_PER = np.array(PER_MEQ)


def followed_steps(found: Followed) -> Working:
    """Steps from the medium to what drains today, for the draw in the middle of all.

    Notes
    -----
    Cations are counted in milliequivalents over the days that were followed. Ammonium, which
    turns to nitrate on the way, is counted as it stands today.
    """
    root, bucket = found.root_zone, found.bucket
    draws = len(found.drains)
    middle = int(np.argsort(found.drains, kind="stable")[draws // 2])

    def meq(mg: NDArray[np.float64]) -> float:
        return float((mg[_SALTS] / _PER[_SALTS]).sum())

    came, drained, taken, chance, settled = (
        meq(bucket.books[name][:, 0, middle]) for name in BOOKS
    )
    dissolved = bucket.dissolved[:, 0, middle]
    held = (bucket.held + bucket.slow.mg() + bucket.in_saucer)[:, 0, middle]
    still = meq(dissolved + held)
    began = still - came + drained + taken + settled - chance
    ammonium = float(dissolved[_AMMONIUM] / _PER[_AMMONIUM])
    full = float(bucket.full[0, middle])
    lacking = max(0.0, full - float(bucket.water[0, middle]))
    wetted = lacking * float((np.array(root.water_mg_l) / _PER).sum())
    pore = float(bucket.pore_ec(np.array(root.water_mg_l)[:, None])[0, middle])
    kappa = pore * full / max(meq(dissolved) + ammonium + wetted, 1e-9)
    ratio = judgement("pore_to_pour_through").range.typ
    feeds = [p for p in root.poured if p.feed and p.on >= found.first]
    looked = len(found.looked)
    kept = f"{say(began, 7)} + {say(came, 7)} − {say(drained, 7)} − {say(taken, 7)}"
    there = f"({say(still, 7)} − {say(meq(held), 7)} + {say(ammonium, 7)} + {say(wetted, 7)})"
    by = "1 reading" if looked == 1 else f"{looked} readings"
    steps = [
        Step("medium", "", root.litres, "L", root.medium.name.lower(), root.medium.confidence),
        Step("days followed", "", found.today + 1, "days"),
        Step("water that it holds", "", full, "L", root.medium.source, "low"),
        Step("salts to begin with", "", began, "meq", "K, Ca, Mg and Na, the held ones too", "low"),
        Step("brought since", "", came, "meq", f"{len(feeds)} feeds, waterings, dry feeds"),
        Step("drained away", "", drained, "meq"),
        Step("taken by roots", "", taken, "meq"),
        Step("settled as lime", "", settled, "meq", "bicarbonate beyond what stays dissolved"),
        Step("days that nobody knows", "", chance, "meq", "chance, a little every day", "low"),
        Step(
            "still there",
            f"{kept} − {say(settled, 7)} {'−' if chance < 0 else '+'} {say(abs(chance), 7)}",
            still,
            "meq",
        ),
        Step("held, slow or in a saucer", "", meq(held), "meq"),
        Step("ammonium", "", ammonium, "meq"),
        Step("in what would wet it again", "", wetted, "meq"),
        Step(
            "about the roots",
            f"{there} ÷ {say(full, 7)} × {say(kappa, 6)}",
            pore,
            "mS/cm",
            "mS/cm for each meq/L, this draw's own",
        ),
        Step(
            "in what drains",
            f"{say(pore, 7)} × {say(ratio)}",
            pore * ratio,
            "mS/cm",
            f"the middle of {draws} draws, re-weighed by {by}",
        ),
    ]
    if root.is_bed:
        drain = pore * ratio
        expression = f"{say(drain, 6)} ÷ {say(ratio)} ÷ {say(SOAKED_PASTE)}"
        source = "half of the pore water"
        steps.append(Step("in a paste of the soil", expression, as_paste(drain), "mS/cm", source))
    return tuple(steps)
