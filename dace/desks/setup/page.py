"""The set-up desk's read model: everything that a household keeps, as it can be edited."""

from __future__ import annotations

import uuid
from datetime import datetime
from typing import TypeVar

from dace.core import api as core
from dace.core.api import say, shown
from dace.desks.setup.schemas import (
    FillOut,
    GardenOut,
    MemberOut,
    OwnJarOut,
    OwnMaterialOut,
    OwnMeasureOut,
    OwnMixOut,
    OwnStandOut,
    OwnVesselOut,
    OwnWaterOut,
    PenOut,
    PlaceOut,
    SetupOut,
)
from dace.desks.shared.out import Out
from dace.desks.shared.typed import size_words
from dace.feeding.reads import jars_with_stock
from dace.garden.models import Fill, Measure, Water
from dace.garden.placing import MIX
from dace.garden.reads import (
    StopRecord,
    core_water,
    garden_of,
    mixes,
    stops,
    vessels,
    waters,
)
from dace.households.changes import newest_number
from dace.households.people import members
from dace.households.scope import Scope
from dace.measuring.models import Pen
from dace.measuring.services import pen_days
from dace.shelf.models import Jar
from dace.shelf.reads import label_of, whole_of
from dace.shelf.recipes import own_materials

S = TypeVar("S", bound=Out)


def setup_page(scope: Scope) -> SetupOut:
    """Everything on one page; sixteen queries and one for each blend."""
    edition = newest_number()  # read first: what is written meanwhile counts as not yet seen
    garden = garden_of(scope)
    fills: dict[uuid.UUID, list[Fill]] = {}
    for fill in Fill.objects.of(scope).filter(renewed_on__isnull=True).order_by("created_at"):
        fills.setdefault(fill.place_id, []).append(fill)
    owned = Measure.objects.in_use(scope).order_by("holds_ml")
    pens = Pen.objects.in_use(scope).order_by("created_at")
    return SetupOut(
        edition=edition,
        garden=_copied(GardenOut, garden),
        places=[_place(stop, fills.get(stop.id, [])) for stop in stops(scope)],
        waters=[_water(water) for water in waters(scope)],
        vessels=[
            _copied(OwnVesselOut, row, volume_text=shown.litres(row.volume_l, 4))
            for row in vessels(scope)
        ],
        measures=[
            _copied(
                OwnMeasureOut,
                row,
                holds_text=core.amount_words(row.holds_ml, "mL", 4),
                mark_text=core.amount_words(row.step_ml, "mL", 4),
            )
            for row in owned
        ],
        jars=[_jar(jar, stock) for jar, stock in jars_with_stock(scope) if jar.contents is None],
        pens=[_pen(row, scope.now) for row in pens],
        materials=[
            OwnMaterialOut(
                id=row.pk,
                name=row.name,
                like=row.like,
                like_name=core.material(row.like).name,
                percent=row.percent,
            )
            for row in own_materials(scope)
        ],
        mixes=[_copied(OwnMixOut, row, medium=f"{MIX}{row.pk}") for row in mixes(scope)],
        people=[MemberOut(name=m.name, role=m.role) for m in members(scope)],
    )


def _pen(row: Pen, now: datetime) -> PenOut:
    """A pen with how far it can be trusted today."""
    copied = {name: getattr(row, name) for name in PenOut.model_fields if name != "trust"}
    return PenOut(**copied, trust=core.pen_words(pen_days(row, now)))


def _copied(schema: type[S], row: object, **told: str) -> S:
    """A row as a schema that has the same names, but for what is told of it in words."""
    same = {name: getattr(row, name) for name in schema.model_fields if name not in told}
    return schema(**same, **told)


def _place(stop: StopRecord, fills: list[Fill]) -> PlaceOut:
    return PlaceOut(
        id=stop.id,
        name=stop.name,
        kind=stop.kind,
        covered=stop.covered,
        area=stop.area,
        fills=[
            FillOut(
                id=fill.id,
                name=fill.name,
                medium=fill.medium if fill.mix_id is None else f"{MIX}{fill.mix_id}",
                size=size_words(fill.volume_l, fill.area_m2),
                alike=fill.alike,
                ph=fill.ph,
                filled_on=fill.filled_on,
            )
            for fill in fills
        ],
        stands=[
            OwnStandOut(
                id=s.id,
                planting_id=s.planting_id,
                fill_id=s.fill_id,
                counted=s.crop.counted(s.count),
                crop=s.crop.name,
                crop_key=s.crop_key,
                called=s.called,
                started_on=s.started_on,
                count=s.count,
                stage=s.stage.words,
                since=s.stage_since,
            )
            for s in stop.stands
        ],
    )


def _water(row: Water) -> OwnWaterOut:
    known = core_water(row)
    return OwnWaterOut(
        id=row.id,
        subject_id=row.subject_id,
        name=row.name,
        kind=row.kind,
        ec_ms_cm=known.ec_ms_cm,
        report=row.report,
        parts=row.parts,
        known_by=known.known_by,
        usual=row.usual,
    )


def _jar(jar: Jar, stock: float) -> OwnJarOut:
    label, found = label_of(jar), whole_of(jar)
    elements = ", ".join(
        f"{name} {say(found.element(name), 3)}" for name in core.NUTRIENTS if found.element(name)
    )
    return OwnJarOut(
        id=jar.id,
        name=jar.name,
        grade=label.grade,
        basis=jar.basis,
        percent=jar.percent,
        form=jar.form,
        density_g_per_ml=jar.density_g_per_ml,
        nitrogen=jar.nitrogen,
        also=jar.also,
        rate_per_l=jar.rate_per_l,
        rate_text=jar.rate_said or _rate(jar, found.unit),
        dissolves=jar.dissolves,
        slow=jar.slow,
        material=jar.material,
        spoon_g=jar.spoon_g,
        price=jar.price,
        use_by=jar.use_by,
        holds=jar.holds,
        pack_text=core.amount_words(jar.holds, found.unit, 4),
        stock=stock,
        stock_text=core.amount_words(stock, "mL" if jar.form == "liquid" else "g"),
        unit=found.unit,
        elements=f"{elements} mg in 1 {found.unit}",
    )


def _rate(jar: Jar, unit: str) -> str:
    return "" if jar.rate_per_l is None else shown.in_each(jar.rate_per_l, unit, 4)
