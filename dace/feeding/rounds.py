"""Ticking a round: a can mixed for its stops, and what was poured of it at each."""

from __future__ import annotations

import uuid
from dataclasses import dataclass

from django.db import transaction

from dace.core.api import CanToMix, DaceError, read_litres_each, shown
from dace.feeding.meanwhile import refuse_if_fed_meanwhile
from dace.feeding.mixing import NewCan, NewSource, mix
from dace.feeding.models import Can, Dose, Serving, Thinning, Tick
from dace.feeding.plans import cans_to_mix
from dace.feeding.reads import litres_left
from dace.feeding.ticks import tick_words
from dace.feeding.verdicts import judged
from dace.garden.models import Fill, Garden, Stand
from dace.garden.reads import garden_of
from dace.garden.services import today
from dace.households.changes import ChangeRecord, change, changes_of, undo
from dace.households.keeping import new_row
from dace.households.scope import ConflictError, NotFoundError, Scope

_ROUNDING_L = 1e-6
_MOST_L = 200.0


@dataclass(frozen=True)
class NewTick:
    """What is done of a stop's feed.

    Her own amount, or more, is ``litres`` as typed, or ``litres_each`` [L].
    """

    id: uuid.UUID
    fill_id: uuid.UUID
    slot: int
    how: str = "planned"
    can_id: uuid.UUID | None = None
    litres_each: float | None = None
    litres: str = ""


@transaction.atomic
def mix_for_round(scope: Scope, wanted: uuid.UUID) -> Can:
    """Mix one of today's cans for all its stops; it stands there for their ticks.

    Raises
    ------
    ConflictError
        If the round has changed since it was shown.
    DaceError
        If a jar holds too little.
    """
    before = Can.objects.written_before(scope, wanted)
    if before is not None:
        return before
    block = _block(scope, wanted)
    garden = garden_of(scope)
    with change(scope, "mix") as draft:
        can = _mixed(scope, garden, block, wanted)
        for one in block.served:
            Serving.objects.create(
                **new_row(scope, uuid.uuid5(wanted, one.stop)),
                can=can,
                fill_id=uuid.UUID(one.stop),
                slot=one.slot,
                on=today(scope, garden),
                each={each.planting: each.litres for each in one.each if each.litres > 0},
            )
        draft.summary = f"{shown.litres(can.vessel_l, 2)} mixed at {can.ratio}"
    return can


@transaction.atomic
def take_back_can(scope: Scope, can_id: uuid.UUID) -> ChangeRecord:
    """Take back a can with all that was done of it, newest first: all of it, or nothing.

    Returns
    -------
    ChangeRecord
        The undoing of the can itself.

    Raises
    ------
    NotFoundError
        If it is none of this household's.
    """
    can = Can.objects.fetch(scope, can_id, "can_id")
    rows = [can.pk]
    for used in (
        Tick.objects.of(scope).filter(serving__can=can),
        Dose.objects.of(scope).filter(can=can),
        Thinning.objects.of(scope).filter(can=can),
    ):
        rows += used.values_list("pk", flat=True)
    numbers = sorted(set(changes_of(scope, rows).values()), reverse=True)
    return [undo(scope, number) for number in numbers][-1]


def _block(scope: Scope, wanted: uuid.UUID) -> CanToMix:
    cans = cans_to_mix(scope, judged(scope))
    if wanted in cans:
        return cans[wanted]
    raise ConflictError(
        "can_id", "a can that is no longer in today's round", "look at the round as it stands now"
    )


def _mixed(scope: Scope, garden: Garden, block: CanToMix, wanted: uuid.UUID) -> Can:
    portion = block.portion
    first = next(each.planting for each in block.served[0].each if each.litres > 0)
    asked = NewCan(
        id=wanted,
        jar_id=uuid.UUID(portion.base.source if portion.base else portion.source),
        water_id=uuid.UUID(portion.water),
        vessel_l=portion.litres,
        strength=portion.base.per_l if portion.base else portion.per_l,
        measures=garden.measures,
        more=(NewSource(uuid.UUID(portion.source), portion.per_l),) if portion.base else (),
    )
    return mix(scope, asked, scope.now, uuid.UUID(first))


@transaction.atomic
def tick(scope: Scope, new: NewTick) -> Tick:
    """Write down what was done of a feed: its doses, and with the first of a can the can.

    Raises
    ------
    NotFoundError
        If the fill or the can is none of this household's.
    ConflictError
        If the round has changed since it was shown, or the stop was ticked already.
    DaceError
        On ``how`` or ``litres_each``.
    """
    repeat = Tick.objects.written_before(scope, new.id)
    if repeat is not None:
        return repeat
    if new.how not in Tick.How.values:
        raise DaceError("how", f"“{new.how}”", f"one of {', '.join(Tick.How.values)} would do")
    fill = Fill.objects.select_related("place").fetch(scope, new.fill_id, "fill_id")
    on = today(scope, garden_of(scope))
    done = Tick.objects.of(scope).filter(fill=fill, on=on).exists()
    if done and new.how != Tick.How.EXTRA:
        raise ConflictError("fill_id", f"{fill}, which is ticked already", "undo that one first")
    if new.how in (Tick.How.PLANNED, Tick.How.HALF, Tick.How.OWN):
        refuse_if_fed_meanwhile(scope, fill)
    serving = None if new.how == Tick.How.NONE else _serving(scope, new, fill)
    with change(scope, "tick") as draft:
        doses = _doses(scope, new, serving) if serving is not None else []
        litres = sum(dose.litres for dose in doses)
        row = Tick.objects.create(
            **new_row(scope, new.id),
            fill=fill,
            serving=serving,
            slot=serving.slot if serving is not None else new.slot,
            on=on,
            how=new.how,
            litres=litres,
        )
        draft.summary = f"{fill}: {tick_words(new.how, litres)}"
    return row


def _serving(scope: Scope, new: NewTick, fill: Fill) -> Serving:
    if new.can_id is None:
        raise DaceError("can_id", "no can", "the can of the round that it is poured from")
    can = mix_for_round(scope, new.can_id)
    found = Serving.objects.of(scope).filter(can=can, fill=fill).select_related("can").first()
    if found is None:
        raise NotFoundError(
            "fill_id", f"{fill}, which that can was not mixed for", "choose its can"
        )
    return found


def _doses(scope: Scope, new: NewTick, serving: Serving) -> list[Dose]:
    stands = Stand.objects.of(scope).filter(pk__in=list(serving.each), fill=serving.fill)
    own = _own_litres(scope, new, sum(stand.count for stand in stands))
    wanted = [(stand, _litres(new, own, serving.each[str(stand.pk)])) for stand in stands]
    asked = sum(stand.count * litres for stand, litres in wanted)
    left = litres_left(scope, serving.can)
    if asked > left + _ROUNDING_L:
        raise DaceError(
            "litres_each",
            f"{shown.litres(asked, 2)} asked of a can that holds {shown.litres(left, 2)}",
            "less would do, or pour the rest at the Bench",
        )
    return [
        Dose.objects.create(
            **new_row(scope, uuid.uuid5(new.id, str(stand.pk))),
            can=serving.can,
            stand=stand,
            fill=serving.fill,
            plants=stand.count,
            litres_each=litres,
            poured_at=scope.now,
        )
        for stand, litres in wanted
    ]


def _own_litres(scope: Scope, new: NewTick, plants: int) -> float | None:
    """Her own amount for each plant [L], where she says one."""
    if not new.litres:
        return new.litres_each
    return read_litres_each(new.litres, plants, None, garden_of(scope).measures)


def _litres(new: NewTick, own: float | None, planned_l: float) -> float:
    """What each plant gets [L]."""
    if new.how == Tick.How.PLANNED:
        return planned_l
    if new.how == Tick.How.HALF:
        return planned_l / 2
    if own is None or not 0 < own <= _MOST_L:
        said = "nothing" if own is None else shown.litres(own)
        raise DaceError("litres_each", said, "so much on each plant, above nothing, would do")
    return own
