"""Dipping a pen that sends: the demo garden's simulated one, or one that a setting names."""

from __future__ import annotations

import uuid
from collections.abc import Sequence
from datetime import UTC, date, datetime, time, timedelta

from django.conf import settings
from django.utils.module_loading import import_string

from dace.desks.notebook.schemas import ShownOut
from dace.feeding.models import Can, Watering
from dace.feeding.reads import doses_on
from dace.garden.models import Fill, Water
from dace.garden.reads import StandRecord, core_water, stops, waters
from dace.households.scope import ConflictError, Scope
from dace.measuring.models import Pen, Reading, Subject
from dace.shelf.brews import brew_now
from dace.shelf.models import Brew
from dace.standins.pen import PenMake, SimulatedPen
from dace.standins.ports import ConductivityPen, Dipped
from dace.standins.tank import Pot, Pour, bucket_ec, drain_ec, off

_FILLED_BY_HAND, _GUESSED_WATER = 0.04, 0.15
_LIQUID_C = 18.0
_A_MOMENT = timedelta(minutes=2)


def pen_sends(scope: Scope) -> bool:
    """Whether a pen here says its number itself."""
    if scope.demo or settings.DACE_PEN:
        return True
    return Pen.objects.in_use(scope).filter(shown_at__isnull=False).exists()


def dip(scope: Scope, pen_id: uuid.UUID, subject_id: uuid.UUID, practice: bool) -> ShownOut:
    """Dip a pen in a can, a brew, a water, or in what drains from a fill; writes nothing.

    ``practice`` asks for a pretend pen, whose reading weighs nothing.

    Raises
    ------
    ConflictError
        On ``pen_id`` where no pen sends its number.
    """
    row = Pen.objects.fetch(scope, pen_id, "pen_id")
    if not (scope.demo or settings.DACE_PEN or practice):
        return _sent(scope, row)
    subject = Subject.objects.fetch(scope, subject_id, "subject_id")
    make = PenMake(row.scale, row.most_ms_cm, row.step_ms_cm, row.compensates)
    since = row.calibrated_at or row.created_at  # a made-up one was right when it came
    days = (scope.now - since).total_seconds() / 86_400
    dips = Reading.objects.of(scope).filter(subject=subject).count()
    kind = SimulatedPen if scope.demo or practice else import_string(settings.DACE_PEN)
    pen: ConductivityPen = kind(make, days, str(row.pk), f"{subject.pk} {dips}")
    shown = pen.read(Dipped(_truth(scope, subject), _LIQUID_C))
    return ShownOut(
        **vars(shown), compensates=row.compensates, practice=practice and not scope.demo
    )


def _sent(scope: Scope, pen: Pen) -> ShownOut:
    """What a pen sent by itself a moment ago."""
    if pen.shown is None or pen.shown_at is None:
        raise ConflictError("pen_id", "a pen that sends nothing", "type the number that it shows")
    if scope.now - pen.shown_at > _A_MOMENT:
        raise ConflictError("pen_id", f"nothing of {pen} just now", "dip it, or type its number")
    return ShownOut(
        value=pen.shown,
        scale=pen.scale,
        temperature_c=pen.shown_c,
        compensates=pen.compensates,
        practice=False,
    )


def _truth(scope: Scope, subject: Subject) -> float:
    """The hidden conductivity of a subject [mS/cm at 25 C]."""
    if subject.kind == Subject.Kind.CAN:
        can = Can.objects.of(scope).get(subject=subject)
        return can.ec_likely * off(scope.luck(can.pk), _FILLED_BY_HAND)
    if subject.kind == Subject.Kind.WATER:
        water = Water.objects.of(scope).get(subject=subject)
        guessed = water.kind not in ("read", "report", "blend")
        sd = _GUESSED_WATER if guessed else _FILLED_BY_HAND
        return max(0.01, core_water(water).ec_ms_cm) * off(scope.luck(water.pk), sd)
    if subject.kind == Subject.Kind.BREW:
        return _brew(scope, Brew.objects.of(scope).get(subject=subject))
    return _drain(scope, Fill.objects.of(scope).get(subject=subject))


def _brew(scope: Scope, brew: Brew) -> float:
    grams = sum(item["mass_g"] for item in brew.ingredients)
    per_l = grams / max(brew.volume_l, 0.1)
    return bucket_ec(scope.luck(brew.pk), per_l, brew.acid_percent, brew_now(scope, brew.pk).day)


def _uses(standing: Sequence[StandRecord], filled_on: date) -> tuple[tuple[int, float], ...]:
    """What all that stands there uses a day [L], from each day on which one of it changed."""
    begins = sorted(
        {
            max(0, (start.likely - filled_on).days)
            for stand in standing
            for start in stand.clock.starts
            if start.likely is not None
        }
    )
    return tuple(
        (day, sum(s.count * _use_on(s, filled_on + timedelta(days=day)) for s in standing))
        for day in begins
    )


def _use_on(stand: StandRecord, on: date) -> float:
    begun = [s for s in stand.clock.starts if s.likely is not None and s.likely <= on]
    return begun[-1].stage.water_l_day.typ if begun and stand.since <= on else 0.0


def _drain(scope: Scope, fill: Fill) -> float:
    pours = [
        Pour(
            d.poured_at,
            d.litres,
            d.can.ec_likely * off(scope.luck(d.can_id), _FILLED_BY_HAND),
            core_water(d.can.water).of("HCO3"),
        )
        for d in doses_on(scope, fill.pk)
    ]
    plain = Watering.objects.of(scope).filter(fill=fill).select_related("water")
    for w in plain:
        water = core_water(w.water)
        pours.append(Pour(w.poured_at, w.litres, water.ec_ms_cm, water.of("HCO3")))
    standing = [s for stop in stops(scope) for s in stop.stands if s.fill_id == fill.pk]
    usual = next(iter(waters(scope)), None)
    tap = core_water(usual) if usual else None
    pot = Pot(
        seed=scope.luck(fill.pk),
        since=datetime.combine(fill.filled_on, time(12), tzinfo=UTC),
        holds_l=standing[0].holding_l if standing else None,
        uses_l_day=_uses(standing, fill.filled_on),
        tap_ec=tap.ec_ms_cm if tap else 0.0,
        tap_hco3_mg_l=tap.of("HCO3") if tap else 0.0,
    )
    return drain_ec(pot, pours, scope.now)
