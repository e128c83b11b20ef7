"""Plants looked at: scores with words, notes, signs looked up and what came of them."""

from __future__ import annotations

import uuid
from collections.abc import Collection
from dataclasses import dataclass, field
from datetime import date, datetime, time, timedelta
from zoneinfo import ZoneInfo

from django.db import transaction
from django.db.models import Avg, FloatField, Max, Min, QuerySet
from django.db.models.fields.json import KeyTransform
from django.db.models.functions import Cast, TruncDate, TruncWeek

from dace.core import api as core
from dace.core.api import DaceError
from dace.garden.looked import Observation, SignCheck
from dace.garden.models import Stand
from dace.households.changes import change
from dace.households.keeping import new_row
from dace.households.scope import Scope
from dace.measuring.services import past_instant

SPEAKS_DAYS = 14
"""How long a score of the leaves weighs in a verdict."""
_DAYS_DRAWN = 400
_COLOUR = "colour"
_AGAIN_DAYS = {"today": 2, "this_week": 7, "watch": 14}
_MOST_NOTE, _CAUSES_KEPT = 500, 4


@dataclass(frozen=True)
class NewObservation:
    """Scores by scale, and a note, of what grows at a stand."""

    id: uuid.UUID
    stand_id: uuid.UUID
    scores: dict[str, float] = field(default_factory=dict)
    note: str = ""
    seen_at: datetime | None = None


@transaction.atomic
def observe(scope: Scope, new: NewObservation) -> Observation:
    """Write down how plants look.

    Raises
    ------
    NotFoundError
        If the stand is none of this household's.
    DaceError
        On ``scores`` or ``note``.
    """
    repeat = Observation.objects.written_before(scope, new.id)
    if repeat is not None:
        return repeat
    stand = Stand.objects.select_related("fill__place").fetch(scope, new.stand_id, "stand_id")
    row = observation_row(scope, new, stand)
    with change(scope, "observation" if row.scores else "note", f"{stand.fill} looked at"):
        row.save(force_insert=True)
    return row


def observation_row(scope: Scope, new: NewObservation, stand: Stand) -> Observation:
    """How plants of a stand look, as it will be written.

    Raises
    ------
    DaceError
        On ``scores`` or ``note``.
    """
    note = new.note.strip()
    if not new.scores and not note:
        raise DaceError("scores", "neither a score nor a note", "one of them would do")
    if len(note) > _MOST_NOTE:
        raise DaceError("note", f"{len(note)} letters", f"up to {_MOST_NOTE} would do")
    known = core.scales()
    for key, score in new.scores.items():
        if key not in known:
            raise DaceError("scores", f"“{key}”", f"one of {', '.join(known)} would do")
        core.check_score(score)
    return Observation(
        **new_row(scope, new.id),
        stand=stand,
        fill=stand.fill,
        scores={key: float(score) for key, score in new.scores.items()},
        note=note,
        seen_at=past_instant(scope, new.seen_at, "seen_at"),
    )


def leaf_scores(scope: Scope, stands: Collection[uuid.UUID]) -> dict[uuid.UUID, float]:
    """The newest score of the leaves of each stand, while it speaks; one query."""
    found: dict[uuid.UUID, float] = {}
    for stand_id, seen_at, scores in _scored(scope, stands):
        if _COLOUR in scores and seen_at >= scope.now - timedelta(days=SPEAKS_DAYS):
            found[stand_id] = float(scores[_COLOUR])
    return found


def last_scores(scope: Scope, stands: Collection[uuid.UUID]) -> dict[uuid.UUID, dict[str, float]]:
    """The newest scores of each stand, by scale; one query."""
    return {stand_id: scores for stand_id, _, scores in _scored(scope, stands) if scores}


def _scored(
    scope: Scope, stands: Collection[uuid.UUID]
) -> QuerySet[Observation, tuple[uuid.UUID, datetime, dict[str, float]]]:
    """Scores of some stands, the oldest first."""
    rows = Observation.objects.of(scope).filter(stand_id__in=stands, seen_at__lte=scope.now)
    return rows.order_by("seen_at").values_list("stand_id", "seen_at", "scores")


@dataclass(frozen=True)
class ScoredDays:
    """Scores of one scale by day or week: the first day of each, mean, least and most."""

    on: tuple[date, ...]
    mean: tuple[float, ...]
    low: tuple[float, ...]
    high: tuple[float, ...]


def scored_days(
    scope: Scope, zone: ZoneInfo, place_id: uuid.UUID | None, since: date, until: date
) -> tuple[dict[str, ScoredDays], bool]:
    """Scores between two days by scale, and whether a point is a week; a query for each scale.

    The database sums them up, so that ten years draw as soon as a summer.
    """
    weekly = (until - since).days > _DAYS_DRAWN
    begin, end = (datetime.combine(day, time(), tzinfo=zone) for day in (since, until))
    there = Observation.objects.of(scope).filter(
        seen_at__gte=begin, seen_at__lt=end + timedelta(days=1)
    )
    if place_id is not None:
        there = there.filter(fill__place_id=place_id)
    trunc = TruncWeek if weekly else TruncDate
    rows = there.annotate(on=trunc("seen_at", tzinfo=zone))
    found = {}
    for key in core.scales():
        score = Cast(KeyTransform(key, "scores"), FloatField())
        points = (
            rows.filter(scores__has_key=key)
            .order_by("on")
            .values("on")
            .annotate(mean=Avg(score), low=Min(score), high=Max(score))
            .values_list("on", "mean", "low", "high")
        )
        columns = list(zip(*points, strict=True))
        if columns:
            on = tuple(day.date() if isinstance(day, datetime) else day for day in columns[0])
            found[key] = ScoredDays(on, *columns[1:])
    return found, weekly


@dataclass(frozen=True)
class NewSignCheck:
    """A sign looked up on what grows at a stand, with what was known."""

    id: uuid.UUID
    stand_id: uuid.UUID
    sign: str
    facts: dict[str, float] = field(default_factory=dict)


@transaction.atomic
def keep_sign_check(scope: Scope, new: NewSignCheck, found: core.SignFound) -> SignCheck:
    """Keep what was looked up, to ask later what it was.

    Raises
    ------
    NotFoundError
        If the stand is none of this household's.
    """
    repeat = SignCheck.objects.written_before(scope, new.id)
    if repeat is not None:
        return repeat
    stand = Stand.objects.select_related("fill__place", "planting__garden").fetch(
        scope, new.stand_id, "stand_id"
    )
    today = scope.now.astimezone(ZoneInfo(stand.planting.garden.zone)).date()
    with change(scope, "sign", f"{stand.fill}: {found.sign.pattern[:80]}"):
        return SignCheck.objects.create(
            **new_row(scope, new.id),
            stand=stand,
            fill=stand.fill,
            sign=new.sign,
            facts=new.facts,
            causes=[[one.cause, round(one.probability, 3)] for one in found.causes[:_CAUSES_KEPT]],
            again_on=today + timedelta(days=_AGAIN_DAYS.get(found.sign.urgency, 7)),
            checked_at=scope.now,
        )


@transaction.atomic
def say_outcome(scope: Scope, check_id: uuid.UUID, outcome: str) -> SignCheck:
    """What it turned out to be, in her words or as one of the causes.

    Raises
    ------
    NotFoundError
        If it is none of this household's.
    DaceError
        On ``outcome``.
    """
    row = SignCheck.objects.select_related("fill__place").fetch(scope, check_id, "check_id")
    said = outcome.strip()
    if not 0 < len(said) <= 200:
        raise DaceError("outcome", f"“{said[:40]}”", "a few words would do")
    if row.outcome != said:
        with change(scope, "sign", f"{row.fill}: it was {said[:80]}"):
            row.outcome = said
            row.save(update_fields=["outcome"])
    return row


def open_checks(scope: Scope) -> list[SignCheck]:
    """Signs whose outcome nobody said yet, the oldest first; one query."""
    rows = (
        SignCheck.objects.of(scope)
        .filter(outcome="")
        .select_related("stand__planting", "fill__place")
    )
    return list(rows.order_by("again_on", "checked_at"))
