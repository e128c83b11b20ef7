"""What happens to a planting as it grows: looks, the school it follows, sowing it again."""

from __future__ import annotations

import uuid
from dataclasses import dataclass
from datetime import date

from django.db import transaction

from dace.core.api import STAGE_WORDS, DaceError, Look, lives_on, on_day, out_of_order, wakes_on
from dace.garden.models import Fill, Planting, StageSeen, Stand
from dace.garden.planting import NewPlanting, plant_rows
from dace.garden.services import today
from dace.garden.weather import outlook
from dace.households.changes import change
from dace.households.keeping import new_row, refuse_if_changed_meanwhile
from dace.households.scope import ConflictError, Scope, require_hand, require_owner


@dataclass(frozen=True)
class Seen:
    """A stage as seen on a day (today where none is said); ``sure`` sets older looks aside."""

    id: uuid.UUID
    planting_id: uuid.UUID
    stage: str
    on: date | None = None
    sure: bool = False


@transaction.atomic
def see_stage(scope: Scope, new: Seen) -> StageSeen:
    """A look at a planting: the stage clock is set by it.

    Raises
    ------
    NotFoundError
        If the planting is none of this household's.
    DaceError
        If its crop has no such stage, or the day cannot be.
    ConflictError
        On ``stage`` where an older look says otherwise and she did not say that she is
        sure; if she is, those that contradict it are set aside.
    """
    repeat = StageSeen.objects.written_before(scope, new.id)
    if repeat is not None:
        return repeat
    planting = Planting.objects.select_related("garden").fetch(
        scope, new.planting_id, "planting_id"
    )
    grown = planting.grown
    seen = grown.stage(new.stage)
    on = new.on or today(scope, planting.garden)
    if not planting.started_on <= on <= today(scope, planting.garden):
        raise DaceError("on", f"{on}", f"a day from {planting.started_on} to today would do")
    with change(scope, "stage", f"{grown.name} {seen.words}"):
        _set_aside(scope, planting, Look(seen.key, on), new.sure)
        return StageSeen.objects.create(
            **new_row(scope, new.id), planting=planting, stage=seen.key, seen_on=on
        )


@transaction.atomic
def mend_look(scope: Scope, new: Seen) -> StageSeen:
    """Put a look right under its id: the stage that was seen, or the day.

    Raises
    ------
    NotFoundError
        If it is none of this household's.
    DaceError, ConflictError
        As :func:`see_stage`.
    """
    require_hand(scope)
    row = StageSeen.objects.select_related("planting__garden").fetch(scope, new.id, "id")
    planting = row.planting
    seen = planting.grown.stage(new.stage)
    on = new.on or row.seen_on
    if not planting.started_on <= on <= today(scope, planting.garden):
        raise DaceError("on", f"{on}", f"a day from {planting.started_on} to today would do")
    if (row.stage, row.seen_on) == (seen.key, on):
        return row
    refuse_if_changed_meanwhile(scope, row, {"stage": seen.key, "seen_on": on})
    with change(scope, "stage", f"{planting.grown.name} {seen.words}, put right"):
        _set_aside(scope, planting, Look(seen.key, on), new.sure, but=row)
        row.stage, row.seen_on = seen.key, on
        row.save(update_fields=["stage", "seen_on"])
    return row


def _set_aside(
    scope: Scope, planting: Planting, look: Look, sure: bool, but: StageSeen | None = None
) -> None:
    """What an older look says otherwise is asked about, never reordered."""
    grown = planting.grown
    rows = StageSeen.objects.of(scope).filter(planting=planting)
    if lives_on(grown.key):  # what was seen before it woke is of the year before
        woke = wakes_on(grown, outlook(scope, planting.garden))
        rows = rows.filter(seen_on__gte=woke) if look.on >= woke else rows.filter(seen_on__lt=woke)
    for row in rows:
        if but is not None and row.pk == but.pk:
            continue
        other = out_of_order(grown, (Look(row.stage, row.seen_on),), look)
        if other is None:
            continue
        if not sure:
            words = grown.stage(other.stage).words
            raise ConflictError(
                "stage",
                f"{STAGE_WORDS[look.stage]} on {on_day(look.on)}, and you saw it {words} on "
                f"{on_day(other.on)}",
                "say that you are sure, and the older look is set aside",
            )
        row.undone_at = scope.now
        row.save(update_fields=["undone_at"])


@transaction.atomic
def repeat_every(scope: Scope, planting_id: uuid.UUID, days: int | None) -> Planting:
    """Sow the same again every so many days; None ends that.

    Raises
    ------
    NotFoundError
        If the planting is none of this household's.
    """
    require_owner(scope)
    planting = Planting.objects.fetch(scope, planting_id, "planting_id")
    said = f"every {days} days" if days else "no more"
    with change(scope, "repeat", f"{planting.grown.name} {said}"):
        planting.repeat_days = days
        planting.save(update_fields=["repeat_days"])
    return planting


@dataclass(frozen=True)
class Again:
    """Ids for a planting that repeats another."""

    id: uuid.UUID
    stand_id: uuid.UUID
    fill_id: uuid.UUID | None = None


@transaction.atomic
def sow_again(scope: Scope, planting_id: uuid.UUID, new: Again) -> Planting:
    """The same crop and count again, today; the rhythm moves on to the new one.

    Raises
    ------
    NotFoundError
        If planting or fill are none of this household's.
    """
    require_owner(scope)
    repeat = Planting.objects.written_before(scope, new.id)
    if repeat is not None:
        return repeat
    before = Planting.objects.select_related("garden").fetch(scope, planting_id, "planting_id")
    first = Stand.objects.of(scope).filter(planting=before).order_by("from_on").first()
    if first is None:
        raise DaceError("planting_id", "a planting that stands nowhere", "plant it anew")
    fill_id = new.fill_id or first.fill_id
    fill = Fill.objects.select_related("place").fetch(scope, fill_id, "fill_id")
    day = today(scope, before.garden)
    every = before.repeat_days
    with change(scope, "planting", f"{before.grown.name} sown again"):
        planting = plant_rows(
            scope,
            NewPlanting(
                id=new.id,
                garden=before.garden,
                crop=before.crop,
                called=before.called,
                started_on=day,
                stage=before.grown.stages[0].key,
                seen_on=day,
                stands=((new.stand_id, fill, before.count),),
            ),
        )
        planting.repeat_days, before.repeat_days = every, None
        for one in (planting, before):
            one.save(update_fields=["repeat_days"])
    return planting
