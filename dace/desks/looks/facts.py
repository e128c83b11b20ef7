"""What the garden knows of a stand that bears on a sign: each fact from where it stands written."""

from __future__ import annotations

import uuid
from datetime import timedelta

import numpy as np

from dace.core import api as core
from dace.core.api import NUTRIENTS, Followed, shown
from dace.desks.looks.schemas import FactOut
from dace.feeding.models import Dose, Spray
from dace.feeding.verdicts import StopVerdict, stop_verdicts
from dace.garden.observing import leaf_scores
from dace.garden.reads import StandRecord, garden_of
from dace.garden.weather import weather
from dace.households.scope import NotFoundError, Scope
from dace.measuring.models import FieldTest

_FORTNIGHT, _WEEK = 14, 7
_WET_MM = 2.0
_FED_DAYS = 42


def stop_of(scope: Scope, stand_id: uuid.UUID) -> tuple[StopVerdict, StandRecord]:
    """The stop and stand of an id.

    Raises
    ------
    NotFoundError
        If nothing of that id grows here.
    """
    for stop in stop_verdicts(scope):
        for stand in stop.stands:
            if stand.id == stand_id:
                return stop, stand
    raise NotFoundError("stand_id", "an id of nothing that grows here", "choose a stop")


def facts_of(scope: Scope, stop: StopVerdict, stand: StandRecord) -> list[FactOut]:
    """Everything that is known, in the order in which it is asked; some ten queries."""
    return [*_roots(scope, stop, stand), *_air(scope, stand), *_fed(scope, stand)]


def _roots(scope: Scope, stop: StopVerdict, stand: StandRecord) -> list[FactOut]:
    followed, rows = stop.root.followed, []
    read = [one for one in followed.looked if one.sample.method == "pour_through"]
    likely = followed.now[1]
    if read or not followed.root_zone.is_bed:
        how = "read" if read else "worked out"
        rows.append(_fact("drain_ec_ms_cm", likely, f"the drain, {how}: {shown.ec(likely, 1)}"))
    ph = _ph(scope, stop) or stand.ph
    if ph is not None:
        rows.append(_fact("ph", ph, f"pH {ph:.1f}"))
    root = followed.root_zone
    plants = max(1, sum(one.plants for one in root.growing if one.until is None))
    if not root.is_bed:
        each = root.litres / plants
        rows.append(_fact("pot_l", each, f"{shown.litres(each, 2)} of medium a plant"))
    return [*rows, *_shares(followed, stand)]


def _shares(followed: Followed, stand: StandRecord) -> list[FactOut]:
    """What it had beside what it takes, over the last weeks."""
    begin, today = max(0, followed.today - _FED_DAYS), followed.today
    need = core.needs(followed.root_zone, followed.first, today + 1).sum(axis=0)[begin:]
    wanted = need.sum(axis=0)
    reached = followed.larder.reached[1]
    had = reached[:, today] - reached[:, begin] + followed.larder.held[:, begin]
    rows = []
    for name, key in (("N", "nitrogen_share_of_need"), ("K", "potassium_share_of_need")):
        at = NUTRIENTS.index(name)
        if wanted[at] > 1 and stand.clock.stage.wish_of(name).typ > 0:
            share = float(np.clip(had[at] / wanted[at], 0, 5))
            words = f"{core.NUTRIENT_NAMES[name]}: {share:.0%} of what it takes was within reach"
            rows.append(_fact(key, share, words))
    potassium, magnesium = (
        float(followed.larder.strength[NUTRIENTS.index(n), today]) for n in ("K", "Mg")
    )
    if magnesium > 1:
        ratio = min(200.0, potassium / magnesium)
        words = f"{ratio:.1f} parts of potassium to one of magnesium"
        rows.append(_fact("potassium_to_magnesium", ratio, words))
    return rows


def _ph(scope: Scope, stop: StopVerdict) -> float | None:
    """The last pH that was tested there."""
    tests = FieldTest.objects.of(scope).filter(
        subject_id=stop.root.fill.subject_id, kind=FieldTest.Kind.PH
    )
    newest = tests.order_by("-taken_at").values_list("value", flat=True).first()
    return None if newest is None else float(newest)


def _air(scope: Scope, stand: StandRecord) -> list[FactOut]:
    known = weather(scope, garden_of(scope))
    past = known.past
    week = slice(-_WEEK, None)
    low, high, rain = min(past.t_min[week]), max(past.t_max[week]), sum(past.rain_mm[week])
    mean = float(np.mean([*past.t_min[week], *past.t_max[week]]))
    rows = [
        _fact("medium_c", mean, f"roots about {shown.degrees(mean)}, as the air of a week"),
        _fact("night_min_c", low, f"coldest night of the week {shown.degrees(low)}"),
        _fact("day_max_c", high, f"warmest day of the week {shown.degrees(high)}"),
    ]
    if stand.setting in {"open_bed", "pot"}:
        wet = sum(mm >= _WET_MM for mm in past.rain_mm[-_FORTNIGHT:])
        rows.append(_fact("rain_mm_week", rain, f"{shown.depth(rain)} of rain in a week"))
        rows.append(_fact("wet_days_14d", wet, f"{wet} wet days in a fortnight"))
    return rows


def _fed(scope: Scope, stand: StandRecord) -> list[FactOut]:
    today = weather(scope, garden_of(scope)).today
    rows = []
    doses = Dose.objects.of(scope).filter(stand_id=stand.id).select_related("can")
    last = doses.order_by("-poured_at").first()
    if last is not None:
        days = (today - last.poured_at.date()).days
        rows.append(_fact("days_since_feed", days, f"fed {core.ago(days)}"))
        cap = stand.clock.stage.feed_ec.high
        water = last.can.water.ec_ms_cm
        share = max(0.0, last.can.ec_likely - water) / cap if cap else 0.0
        rows.append(
            _fact("feed_share_of_cap", share, f"the last feed was {share:.0%} of what it bears")
        )
    spray = Spray.objects.of(scope).filter(stand_id=stand.id).order_by("-sprayed_at").first()
    if spray is not None:
        days = (today - spray.sprayed_at.date()).days
        rows.append(_fact("spray_days_ago", days, f"sprayed {core.ago(days)}"))
    moved = (today - stand.since).days
    if stand.since > stand.started_on + timedelta(days=1):
        rows.append(_fact("moved_out_days_ago", moved, f"moved here {core.ago(moved)}"))
    score = leaf_scores(scope, [stand.id]).get(stand.id)
    if score is not None:
        rows.append(_fact("leaf_score", score, f"leaves scored {score:g} of 5"))
    return rows


def _fact(name: str, value: float, text: str) -> FactOut:
    low, high = core.TOLD[name]
    return FactOut(name=name, value=round(min(high, max(low, float(value))), 3), text=text)
