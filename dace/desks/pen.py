"""Dipping the simulated pen: gathers what it is dipped in, and lets it show a number."""

from __future__ import annotations

import uuid

from ninja import Schema

from dace.feeding.models import Can
from dace.feeding.reads import doses
from dace.garden.models import Fill, Water
from dace.garden.reads import core_water, stops
from dace.households.scope import Scope
from dace.measuring.models import Pen, Reading, Subject
from dace.standins.pen import PenMake, SimulatedPen
from dace.standins.ports import ConductivityPen, Liquid
from dace.standins.tank import Pour, drain_ec, off

_FILLED_BY_HAND, _GUESSED_WATER = 0.04, 0.15
_LIQUID_C = 18.0


class ShownOut(Schema):
    """What the pen shows; temperature in C."""

    value: float
    scale: str
    temperature_c: float
    compensates: bool


def dip(scope: Scope, pen_id: uuid.UUID, subject_id: uuid.UUID) -> ShownOut:
    """Dip a pen in a can, in what drains from a fill, or in a water; writes nothing."""
    row = Pen.objects.fetch(scope, pen_id, "pen_id")
    subject = Subject.objects.fetch(scope, subject_id, "subject_id")
    make = PenMake(row.scale, row.most_ms_cm, row.step_ms_cm, row.compensates)
    days = (scope.now - row.calibrated_at).total_seconds() / 86_400
    dips = Reading.objects.of(scope).filter(subject=subject).count()
    pen: ConductivityPen = SimulatedPen(make, days, str(row.pk), f"{subject.pk} {dips}")
    shown = pen.read(Liquid(_truth(scope, subject), _LIQUID_C))
    return ShownOut(**vars(shown), compensates=row.compensates)


def _truth(scope: Scope, subject: Subject) -> float:
    """The hidden conductivity of a subject [mS/cm at 25 C]."""
    if subject.kind == Subject.Kind.CAN:
        can = Can.objects.of(scope).get(subject=subject)
        return can.ec_likely * off(str(can.pk), _FILLED_BY_HAND)
    if subject.kind == Subject.Kind.WATER:
        water = Water.objects.of(scope).get(subject=subject)
        guessed = water.kind not in ("read", "report", "blend")
        sd = _GUESSED_WATER if guessed else _FILLED_BY_HAND
        return max(0.01, core_water(water).ec_ms_cm) * off(str(water.pk), sd)
    return _drain(scope, Fill.objects.of(scope).get(subject=subject))


def _drain(scope: Scope, fill: Fill) -> float:
    pours = [
        Pour(d.poured_at, d.litres, d.can.ec_likely * off(str(d.can_id), _FILLED_BY_HAND))
        for d in doses(scope)
        if d.fill_id == fill.pk
    ]
    standing = [s for stop in stops(scope) for s in stop.stands if s.fill_id == fill.pk]
    return drain_ec(str(fill.pk), standing[0].holding_l if standing else None, pours, scope.now)
