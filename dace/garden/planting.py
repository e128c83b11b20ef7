"""What grows where: planting, moving, splitting, thinning, ending, and stages seen."""

from __future__ import annotations

import uuid
from collections.abc import Sequence
from dataclasses import dataclass
from datetime import date

from django.db import transaction

from dace.core.api import STAGE_WORDS, DaceError, alike, on_day
from dace.garden.models import Fill, Garden, Planting, StageSeen, Stand
from dace.garden.services import today
from dace.households.changes import change
from dace.households.keeping import new_row, refuse_if_changed_meanwhile
from dace.households.scope import ConflictError, Scope, require_owner

_MOST_YEARS = 40


@dataclass(frozen=True)
class NewPlanting:
    """What grows: the crop, and how many stand in which fill."""

    id: uuid.UUID
    garden: Garden
    crop: str
    started_on: date
    stage: str
    seen_on: date
    stands: tuple[tuple[uuid.UUID, Fill, int], ...]
    unfed: tuple[uuid.UUID, ...] = ()
    called: str = ""


@dataclass(frozen=True)
class Move:
    """So many plants of a stand, to another fill, from a day on."""

    id: uuid.UUID
    stand_id: uuid.UUID
    fill_id: uuid.UUID
    count: int
    on: date | None = None


@transaction.atomic
def plant(scope: Scope, new: NewPlanting) -> Planting:
    """A planting with its stands and the stage it is at.

    Raises
    ------
    DaceError
        On ``crop``, ``stage`` or ``started_on``.
    """
    require_owner(scope)
    repeat = Planting.objects.written_before(scope, new.id)
    if repeat is not None:
        return repeat
    with change(scope, "planting", f"{alike(new.crop, new.called).name} planted"):
        return plant_rows(scope, new)


def plant_rows(scope: Scope, new: NewPlanting) -> Planting:
    """The rows of a planting, within a change that the caller has begun."""
    grown = alike(new.crop, new.called)
    stage = grown.stage(new.stage)
    _check_day(new.started_on, today(scope, new.garden))
    planting = Planting.objects.create(
        **new_row(scope, new.id),
        garden=new.garden,
        crop=grown.key,
        called=new.called,
        count=sum(count for _, _, count in new.stands),
        started_on=new.started_on,
    )
    for stand_id, fill, count in new.stands:
        if Stand.objects.written_before(scope, stand_id) is not None:
            raise ConflictError("stand_id", "an id that is in use", "make a new one")
        Stand.objects.create(
            **new_row(scope, stand_id),
            planting=planting,
            fill=fill,
            count=count,
            from_on=new.started_on,
            fed=stand_id not in new.unfed,
        )
    StageSeen.objects.create(
        **new_row(scope, uuid.uuid5(new.id, "first stage")),
        planting=planting,
        stage=stage.key,
        seen_on=new.seen_on,
    )
    return planting


Over = tuple[Planting, Stand, StageSeen]
"""The rows of a planting that was over before it came here."""


def over_rows(
    scope: Scope,
    garden: Garden,
    planting_id: uuid.UUID,
    fill: Fill,
    crop: str,
    span: tuple[date, date],
) -> Over:
    """A planting that began and ended on days that were, as it will be written; one plant of it."""
    from_on, to_on = span
    planting = Planting(
        **new_row(scope, planting_id),
        garden=garden,
        crop=crop,
        count=1,
        started_on=from_on,
        ended_on=to_on,
    )
    stand = Stand(
        **new_row(scope, uuid.uuid5(planting_id, "stand")),
        planting=planting,
        fill=fill,
        count=1,
        from_on=from_on,
        to_on=to_on,
    )
    seen = StageSeen(
        **new_row(scope, uuid.uuid5(planting_id, "first stage")),
        planting=planting,
        stage=alike(crop, "").stages[0].key,
        seen_on=from_on,
    )
    return planting, stand, seen


def _check_day(on: date, today: date) -> None:
    """A day that a planting may have begun; one long ago is likelier a slip."""
    if on > today:
        raise DaceError("started_on", on_day(on, year=True), "a day that has been would do")
    if (today - on).days > _MOST_YEARS * 366:
        years = (today - on).days // 365
        raise DaceError(
            "started_on", f"{on_day(on, year=True)}, {years} years ago", "is the year right?"
        )


@transaction.atomic
def move(scope: Scope, new: Move) -> Stand:
    """Pot on, plant out, move or split: the old stand ends, and others begin.

    Parameters
    ----------
    scope : Scope
        An owner's.
    new : Move
        How many, and where to; the rest stays where it is.

    Returns
    -------
    Stand
        The one that was moved to.

    Raises
    ------
    NotFoundError
        If stand or fill are none of this household's.
    DaceError
        If more are moved than stand there, or nowhere.
    """
    require_owner(scope)
    repeat = Stand.objects.written_before(scope, new.id)
    if repeat is not None:
        return repeat
    stand = _standing(scope, new.stand_id)
    fill = Fill.objects.select_related("place").fetch(scope, new.fill_id, "fill_id")
    if fill.pk == stand.fill_id:
        raise DaceError("fill_id", "where they stand already", "another place would do")
    _check_count(new.count, stand)
    on = new.on or today(scope, stand.planting.garden)
    name = stand.planting.grown.counted(new.count)
    with change(scope, "move", f"{name} moved to {fill}"):
        _end(stand, on)
        if new.count < stand.count:
            _begin(
                scope, uuid.uuid5(new.id, "rest"), stand, stand.fill, stand.count - new.count, on
            )
        return _begin(scope, new.id, stand, fill, new.count, on)


@transaction.atomic
def thin(scope: Scope, row_id: uuid.UUID, stand_id: uuid.UUID, keep_count: int) -> Stand:
    """Fewer plants where they stand.

    Raises
    ------
    DaceError
        If more would be kept than stand there.
    """
    require_owner(scope)
    repeat = Stand.objects.written_before(scope, row_id)
    if repeat is not None:
        return repeat
    stand = _standing(scope, stand_id)
    _check_count(keep_count, stand)
    on = today(scope, stand.planting.garden)
    name = stand.planting.grown.counted(keep_count)
    with change(scope, "thin", f"thinned to {name} at {stand.fill}"):
        _end(stand, on)
        return _begin(scope, row_id, stand, stand.fill, keep_count, on)


@transaction.atomic
def mend(
    scope: Scope, planting_id: uuid.UUID, crop_key: str, started_on: date, called: str = ""
) -> Planting:
    """Another crop or another day, where the first was a slip.

    Raises
    ------
    DaceError
        On ``crop`` if the other crop has not the stage it stands at; on ``started_on``.
    """
    require_owner(scope)
    planting = Planting.objects.fetch(scope, planting_id, "planting_id")
    _check_day(started_on, today(scope, planting.garden))
    grown = alike(crop_key, called)
    seen = StageSeen.objects.of(scope).filter(planting=planting).order_by("-seen_on", "-created_at")
    known = {stage.key for stage in grown.stages}
    if seen[0].stage not in known:
        raise DaceError(
            "crop",
            f"{grown.name.lower()}, which is never {STAGE_WORDS[seen[0].stage]}",
            "end this planting and begin another",
        )
    if planting.ended_on is not None:
        raise ConflictError(
            "planting_id", f"{grown.name}, which has ended", "take its end back from the Notebook"
        )
    wanted = {"crop": grown.key, "called": called, "started_on": started_on}
    refuse_if_changed_meanwhile(scope, planting, wanted)
    with change(scope, "planting", f"{grown.name} put right"):
        planting.crop, planting.called, planting.started_on = grown.key, called, started_on
        planting.save(update_fields=list(wanted))
    return planting


@transaction.atomic
def recount(scope: Scope, stand_id: uuid.UUID, count: int) -> Stand:
    """So many stand there, where the first count was a slip.

    Raises
    ------
    NotFoundError
        If the stand is none of this household's.
    """
    require_owner(scope)
    stand = _standing(scope, stand_id)
    refuse_if_changed_meanwhile(scope, stand, {"count": count})
    with change(scope, "count", f"{stand.planting.grown.counted(count)} at {stand.fill}"):
        stand.count = count
        stand.save(update_fields=["count"])
    return stand


@transaction.atomic
def end_planting(scope: Scope, planting_id: uuid.UUID, on: date | None = None) -> Planting:
    """The crop is over, today or since a day that was; its history stays.

    Raises
    ------
    NotFoundError
        If it is none of this household's.
    DaceError
        On ``on`` before it began, or to come.
    """
    require_owner(scope)
    planting = Planting.objects.fetch(scope, planting_id, "planting_id")
    now = today(scope, planting.garden)
    if on is not None and not planting.started_on <= on <= max(now, planting.started_on):
        since = on_day(planting.started_on, year=True)
        raise DaceError("on", on_day(on, year=True), f"a day from {since} to today would do")
    if planting.ended_on is None:
        with change(scope, "end", f"{planting.grown.name} ended"):
            planting.ended_on = on or max(now, planting.started_on)
            planting.save(update_fields=["ended_on"])
    return planting


@transaction.atomic
def feed_or_not(
    scope: Scope, stand_id: uuid.UUID, fed: bool, only: Sequence[uuid.UUID] | None = None
) -> Stand:
    """What stands there is fed from now on, or kept unfed to compare with.

    ``only`` are jars that alone may feed it, none where all may; as it is where left out.

    Raises
    ------
    NotFoundError
        If the stand is none of this household's.
    """
    require_owner(scope)
    stand = _standing(scope, stand_id)
    sources = stand.sources if only is None else [str(jar_id) for jar_id in only]
    if (stand.fed, stand.sources) != (fed, sources):
        with change(scope, "stand", f"{stand.fill} {'fed' if fed else 'kept unfed'} from now on"):
            stand.fed, stand.sources = fed, sources
            stand.save(update_fields=["fed", "sources"])
    return stand


def _standing(scope: Scope, stand_id: uuid.UUID) -> Stand:
    rows = Stand.objects.select_related("planting__garden", "fill__place")
    return rows.filter(to_on__isnull=True).fetch(scope, stand_id, "stand_id")


def _check_count(count: int, stand: Stand) -> None:
    if not 1 <= count <= stand.count:
        raise DaceError("count", f"{count} plants", f"1 to {stand.count} stand there")


def _end(stand: Stand, on: date) -> None:
    stand.to_on = max(on, stand.from_on)
    stand.save(update_fields=["to_on"])


def _begin(
    scope: Scope, row_id: uuid.UUID, before: Stand, fill: Fill, count: int, on: date
) -> Stand:
    return Stand.objects.create(
        **new_row(scope, row_id),
        planting=before.planting,
        fill=fill,
        count=count,
        from_on=on,
        fed=before.fed,
    )
