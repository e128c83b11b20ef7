"""Today's cans: those that stand mixed with what was ticked, then those still to mix."""

from __future__ import annotations

import uuid
from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from itertools import groupby

from dace.core import api as core
from dace.core.api import CanToMix, shown
from dace.desks.round.schemas import (
    RoundCanOut,
    RoundDoneOut,
    RoundRowOut,
)
from dace.desks.shared.figures import steps_out
from dace.desks.shared.recipe import Form, Poured, RecipeLineOut, form_of, source_line, water_line
from dace.desks.shared.stops import stop_name
from dace.feeding.models import CanPart, Serving, Tick
from dace.feeding.plans import cans_to_mix
from dace.feeding.ticks import parts_of, tick_words
from dace.feeding.verdicts import Judged, StopVerdict
from dace.garden.reads import StandRecord
from dace.households.scope import Scope

_MANY = 10
"""So many plants get their feed over the whole of them."""
_LETTERS = "ABCDEFGHIJKLMNOPQRSTUVWXYZ"


@dataclass(frozen=True)
class CansNow:
    """The verdicts, whom today's cans were mixed for, what was ticked, changes by row."""

    found: Judged
    served: Sequence[Serving]
    done: Mapping[uuid.UUID, Sequence[Tick]]
    changes: Mapping[uuid.UUID, int]
    weighs: bool


def cans_shown(scope: Scope, now: CansNow) -> list[RoundCanOut]:
    """Cans in the order in which one walks."""
    mixed = [_mixed(list(rows), now) for _, rows in groupby(now.served, key=lambda one: one.can_id)]
    standing = {can.id for can in mixed}
    asked = cans_to_mix(scope, now.found)
    to_mix = [_to_mix(key, can, now) for key, can in asked.items() if key not in standing]
    ordered = sorted([*mixed, *to_mix], key=lambda one: one.at)
    return [
        one.model_copy(update={"letter": _LETTERS[turn % len(_LETTERS)]})
        for turn, one in enumerate(ordered)
    ]


def _to_mix(block_id: uuid.UUID, can: CanToMix, now: CansNow) -> RoundCanOut:
    portion, stops = can.portion, now.found.by_key
    ec = portion.can.ec if portion.can else None
    base = portion.base
    lines = []
    if base is not None:
        lines.append(source_line(base.said, Poured(base.name, "brew", base.per_l), now.weighs))
    form = _form(portion.source, portion.unit, now)
    lines.append(source_line(portion.said, Poured(portion.name, form, portion.per_l), now.weighs))
    lines.append(_water(portion.fill_l, portion.water_name, now))
    left = stops.get(can.left_at)
    return RoundCanOut(
        id=block_id,
        at=_at(now, [one.stop for one in can.served]),
        letter="",
        lines=lines,
        pen=shown.ec_number(ec.value, 1) if ec else "",
        reads=shown.ec(ec.value, 1) if ec else "",
        reads_range=shown.ec_span(ec.low, ec.high) if ec else "",
        fill_l=round(portion.fill_l, 3),
        fills=portion.cans,
        left=f"What is left: {stop_name(left)}" if left else "",
        plain=[],
        water_id=uuid.UUID(portion.water),
        water=portion.water_name,
        mixed=False,
        subject_id=None,
        why=can.why,
        working=steps_out(tuple(s for _, r in portion.can.nutrients for s in r.working))
        if portion.can
        else [],
        rows=[
            _row(
                stops[one.stop],
                one.slot,
                {each.planting: each.litres for each in one.each if each.litres > 0},
                now,
            )
            for one in can.served
        ],
    )


def _at(now: CansNow, stops: Sequence[str]) -> int:
    """Where along the path the first of some stops is."""
    order = list(now.found.by_key)
    return min((order.index(stop) for stop in stops if stop in order), default=len(order))


def _water(fill_l: float, name: str, now: CansNow) -> RecipeLineOut:
    return water_line(fill_l, name, now.found.yard.vessels if now.found.yard else ())


def _form(source: str, unit: str, now: CansNow) -> Form:
    sources = now.found.yard.sources if now.found.yard else ()
    return form_of(any(one.key == source and one.home_made for one in sources), unit)


def _mixed(rows: list[Serving], now: CansNow) -> RoundCanOut:
    can, stops = rows[0].can, now.found.by_key
    parts = parts_of(can)
    yard = now.found.yard
    largest = max((one.litres for one in yard.vessels), default=0.0) if yard else 0.0
    fills = core.split_into_cans(can.vessel_l, largest or can.vessel_l)
    return RoundCanOut(
        id=can.pk,
        at=_at(now, [str(one.fill_id) for one in rows]),
        letter="",
        lines=[
            *(
                source_line(_said(part, fills.count, now), _poured(part, now), now.weighs)
                for part in parts
            ),
            _water(fills.litres, can.water.name, now),
        ],
        pen=shown.ec_number(can.ec_likely, 1),
        reads=shown.ec(can.ec_likely, 1),
        reads_range=shown.ec_span(can.ec_low, can.ec_high),
        fill_l=round(fills.litres, 3),
        fills=fills.count,
        left="",
        plain=[],
        water_id=can.water_id,
        water=can.water.name,
        mixed=True,
        subject_id=can.subject_id,
        why="",
        working=[],
        rows=[
            _row(stops[str(one.fill_id)], one.slot, one.each, now)
            for one in sorted(rows, key=lambda one: _at(now, [str(one.fill_id)]))
            if str(one.fill_id) in stops
        ],
    )


def _poured(part: CanPart, now: CansNow) -> Poured:
    unit = "mL" if part.jar.form == "liquid" else "g"
    form = _form(str(part.jar_id), unit, now)
    return Poured(part.jar.name, form, part.amount / part.can.vessel_l)


def _said(part: CanPart, fills: int, now: CansNow) -> core.AmountSaid:
    """So much of a jar in one of so many cans, as it was asked for."""
    yard = now.found.yard
    sources = yard.sources if yard else ()
    if part.jar.brew_id is not None:  # a brew goes in by the jug
        return core.by_jug(part.amount / fills, yard.owned if yard else ())
    dense = next((one.g_per_ml for one in sources if one.key == str(part.jar_id)), None)
    unit = "mL" if part.jar.form == "liquid" else "g"
    return core.measured(part.amount / fills, unit, yard.owned if yard else (), dense)


def _row(one: StopVerdict, slot: int, each: Mapping[str, float], now: CansNow) -> RoundRowOut:
    done = now.done.get(one.fill_id, ())
    poured = [(stand, each[str(stand.id)]) for stand in one.stands if str(stand.id) in each]
    litres = sum(stand.count * amount for stand, amount in poured)
    plants = sum(stand.count for stand, _ in poured)
    return RoundRowOut(
        fill_id=one.fill_id,
        place_id=one.place.id,
        slot=slot,
        name=stop_name(one),
        area=one.place.area,
        who=_who([stand for stand, _ in poured]),
        amount=_poured_words(poured),
        half=_poured_words([(stand, amount / 2) for stand, amount in poured]),
        litres=round(litres, 3),
        litres_each=round(litres / plants, 4) if plants else 0.0,
        plants=plants,
        now=bool(done) or one.verdict.kind == "feed",
        mark=one.verdict.mark,
        done=[
            RoundDoneOut(
                tick_id=tick.pk,
                how=tick.how,
                words=tick_words(tick.how, tick.litres),
                change_id=now.changes.get(tick.pk),
            )
            for tick in done
        ],
    )


def _who(stands: Sequence[StandRecord]) -> str:
    """``12 chilli peppers``: those of one crop together."""
    counts: dict[str, int] = {}
    crops = {stand.crop.key: stand.crop for stand in stands}
    for stand in stands:
        counts[stand.crop.key] = counts.get(stand.crop.key, 0) + stand.count
    return ", ".join(crops[key].counted(count) for key, count in counts.items())


def _poured_words(poured: Sequence[tuple[StandRecord, float]]) -> str:
    """``1 L each`` of several alike, ``1.7 L in all`` on a tray; ``4 × 1 L and 2 × 0.5 L``."""
    if len({round(each, 4) for _, each in poured}) == 1:
        count, each = sum(one.count for one, _ in poured), poured[0][1]
        if count >= _MANY:
            return f"{shown.litres(each * count, 2)} in all"
        return f"{shown.litres(each, 2)}{' each' if count > 1 else ''}"
    return " and ".join(f"{one.count} × {shown.litres(each, 2)}" for one, each in poured)
