"""Setting up: garden, waters, cans, measures, jars and pens."""

from __future__ import annotations

import uuid
from dataclasses import replace
from datetime import date
from typing import Annotated, Any

from ninja import Router, Schema
from pydantic import Field

from dace.core import api as core
from dace.core.api import shown
from dace.desks.notebook.dip import dip
from dace.desks.notebook.schemas import ShownOut
from dace.desks.setup.page import setup_page
from dace.desks.setup.schemas import SetupOut
from dace.desks.shared.typed import read_litres, read_or_kept
from dace.desks.shared.written import WrittenOut, written
from dace.feeding.reads import jar_with_stock
from dace.garden.models import Measure, SoilMix, Vessel, Water
from dace.garden.reads import garden_of
from dace.garden.services import (
    NewGarden,
    NewVessel,
    NewWater,
    save_garden,
    save_measure,
    save_vessel,
    save_water,
    today,
)
from dace.households.fields import Line, Name, Number, Typed
from dace.households.keeping import put_away
from dace.measuring.models import Pen
from dace.measuring.services import NewPen, calibrate, pen_showed, save_pen
from dace.shelf.models import Jar, OwnMaterial, OwnRecipe
from dace.shelf.services import NewJar, look_at_stock, save_jar

router = Router(tags=["setup"])
Amounts = Annotated[dict[Name, Number], Field(max_length=20)]
_PUT_AWAY: dict[str, type[Any]] = {
    "waters": Water,
    "vessels": Vessel,
    "measures": Measure,
    "jars": Jar,
    "pens": Pen,
    "materials": OwnMaterial,
    "recipes": OwnRecipe,
    "mixes": SoilMix,
}


class GardenIn(Schema):
    """Where the garden is and how it measures."""

    name: Name
    zone: Name
    latitude: Number
    measures: Name
    degrees: Name
    climate: Line = ""
    approach: Name = "mixed"


class WaterIn(Schema):
    """A water: its kind, and whatever that kind is known by."""

    name: Name
    kind: Name
    ec_ms_cm: Number | None = None
    report: Amounts | None = None
    parts: Amounts | None = None
    usual: bool = False


class VesselIn(Schema):
    """A can: its volume as typed."""

    name: Name
    volume: Typed
    kind: Name = "can"
    usual: bool = False


class MeasureIn(Schema):
    """A measure: what it holds and its finest mark as typed; a spoon needs no mark."""

    kind: Name
    name: Name
    holds: Typed
    mark: Typed = ""


class JarIn(Schema):
    """A jar: the label as printed; pack, stock and the label's own rate as typed."""

    name: Name
    grade: Line
    basis: Name = "oxide"
    percent: Name = "mass"
    form: Name = "liquid"
    density_g_per_ml: Number | None = None
    nitrogen: Amounts | None = None
    also: Amounts = {}
    rate: Typed = ""
    pack: Typed
    stock: Typed = ""
    dissolves: bool = True
    slow: bool = False
    material: Line = ""
    muriate: bool = False
    spoon_g: Number | None = None
    price: Number | None = None
    use_by: date | None = None


class StockIn(Schema):
    """What is in a jar by looking, as typed."""

    stock: Typed


class PenIn(Schema):
    """A pen; its range and step in mS/cm."""

    name: Name
    scale: Name = "mS/cm"
    most_ms_cm: Number = 10.0
    step_ms_cm: Number = 0.01
    compensates: bool = True


class DipIn(Schema):
    """What the pen is dipped in."""

    subject_id: uuid.UUID
    practice: bool = False


@router.get("/setup", response=SetupOut, operation_id="setup")
def setup(request: Any) -> SetupOut:
    """Everything that the household keeps."""
    return setup_page(request.auth)


@router.put("/garden", response=WrittenOut, operation_id="save_garden")
def garden(request: Any, payload: GardenIn) -> WrittenOut:
    """The garden's habits."""
    row = save_garden(request.auth, garden_of(request.auth).pk, NewGarden(**payload.dict()))
    return written(request.auth, row.pk)


@router.put("/waters/{water_id}", response=WrittenOut, operation_id="save_water")
def water(request: Any, water_id: uuid.UUID, payload: WaterIn) -> WrittenOut:
    """Add a water, or say what is newly known of it."""
    scope = request.auth
    row = save_water(scope, garden_of(scope), water_id, NewWater(**payload.dict()))
    return written(scope, row.pk)


@router.put("/vessels/{vessel_id}", response=WrittenOut, operation_id="save_vessel")
def vessel(request: Any, vessel_id: uuid.UUID, payload: VesselIn) -> WrittenOut:
    """Add or edit a can, jug or sprayer."""
    given, scope = payload.dict(), request.auth
    kept = Vessel.objects.of(scope).filter(pk=vessel_id).first()
    said = given.pop("volume")
    shown_now = kept is not None and said == shown.litres(kept.volume_l, 4)
    litres = kept.volume_l if kept and shown_now else read_litres(garden_of(scope), said, "volume")
    row = save_vessel(scope, garden_of(scope), vessel_id, NewVessel(**given, volume_l=litres))
    return written(scope, row.pk)


@router.put("/measures/{measure_id}", response=WrittenOut, operation_id="save_measure")
def measure(request: Any, measure_id: uuid.UUID, payload: MeasureIn) -> WrittenOut:
    """Add or edit a spoon, syringe, beaker, scoop or cap."""
    scope = request.auth
    measures = garden_of(scope).measures
    kept = Measure.objects.of(scope).filter(pk=measure_id).first()
    holds = read_or_kept(payload.holds, "mL", measures, "holds", kept.holds_ml if kept else None)
    mark = holds
    if payload.mark:
        mark = read_or_kept(payload.mark, "mL", measures, "mark", kept.step_ml if kept else None)
    owned = core.Owned(payload.kind, payload.name, holds, mark)
    row = save_measure(scope, garden_of(scope), measure_id, owned)
    return written(scope, row.pk)


@router.put("/jars/{jar_id}", response=WrittenOut, operation_id="save_jar")
def jar(request: Any, jar_id: uuid.UUID, payload: JarIn) -> WrittenOut:
    """Add a jar from its label, or put the label right."""
    kept = Jar.objects.of(request.auth).filter(pk=jar_id).first()
    new = _new_jar(payload, garden_of(request.auth).measures, kept)
    return written(request.auth, save_jar(request.auth, jar_id, new).pk)


def _new_jar(payload: JarIn, measures: str, kept: Jar | None) -> NewJar:
    given = payload.dict()
    unit = "mL" if payload.form == "liquid" else "g"
    pack, stock, rate = (given.pop(name) for name in ("pack", "stock", "rate"))
    given["holds"] = read_or_kept(pack, unit, measures, "pack", kept.holds if kept else None)
    given["rate_said"] = rate
    given["stock"] = core.read_pack(stock, unit, measures, "stock") if stock else None
    n, p, k = core.read_grade(given.pop("grade"))
    nitrogen, also = given.pop("nitrogen"), given.pop("also")
    muriate, lies = given.pop("muriate"), given["spoon_g"]
    g_per_ml = lies / core.TEASPOON_ML if lies else core.usual_dry_density()
    if unit == "mL":
        g_per_ml = given["density_g_per_ml"] or 1.0
    names = ("basis", "percent", "form", "density_g_per_ml")
    label = core.Label(
        n,
        p,
        k,
        nitrogen=None if nitrogen is None else tuple(sorted(nitrogen.items())),
        also=tuple(sorted(also.items())),
        rate_per_l=core.read_rate(rate, unit, measures, g_per_ml) if rate else None,
        **{name: given.pop(name) for name in names},
    )
    return NewJar(label=_with_chloride(label, muriate), **given)


def _with_chloride(label: core.Label, muriate: bool) -> core.Label:
    """The chloride of muriate of potash, where the label itself says nothing of it."""
    if muriate and "Cl" not in dict(label.also):
        chloride = (("Cl", round(core.potash_chloride(label), 3)),)
        label = replace(label, also=tuple(sorted({*label.also, *chloride})))
    return label


@router.post("/jars/{jar_id}/stock", response=WrittenOut, operation_id="look_at_stock")
def stock(request: Any, jar_id: uuid.UUID, payload: StockIn) -> WrittenOut:
    """Say what is in a jar now."""
    row, left = jar_with_stock(request.auth, jar_id)
    unit, measures = "mL" if row.form == "liquid" else "g", garden_of(request.auth).measures
    left = read_or_kept(payload.stock, unit, measures, "stock", left)
    return written(request.auth, look_at_stock(request.auth, jar_id, left).pk)


@router.put("/pens/{pen_id}", response=WrittenOut, operation_id="save_pen")
def pen(request: Any, pen_id: uuid.UUID, payload: PenIn) -> WrittenOut:
    """Add or edit a pen."""
    row = save_pen(request.auth, pen_id, NewPen(**payload.dict()))
    return written(request.auth, row.pk)


@router.post("/pens/{pen_id}/calibrate", response=WrittenOut, operation_id="calibrate_pen")
def calibrate_pen(request: Any, pen_id: uuid.UUID) -> WrittenOut:
    """The pen was set right in its standard."""
    return written(request.auth, calibrate(request.auth, pen_id).pk)


@router.post("/pens/{pen_id}/dip", response=ShownOut, operation_id="dip_pen")
def dip_pen(request: Any, pen_id: uuid.UUID, payload: DipIn) -> ShownOut:
    """Dip the simulated pen; writes nothing."""
    return dip(request.auth, pen_id, payload.subject_id, payload.practice)


class PenShowedIn(Schema):
    """The number that a pen shows on its scale, and the temperature [C] that it measured."""

    value: Number
    temperature_c: Number | None = None


@router.post("/pens/{pen_id}/shown", response={204: None}, operation_id="pen_showed")
def showed(request: Any, pen_id: uuid.UUID, payload: PenShowedIn) -> Any:
    """A pen sends its number: the reading sheet has it for two minutes."""
    pen_showed(request.auth, pen_id, payload.value, payload.temperature_c)
    return 204, None


@router.post("/{kind}/{row_id}/put-away", response=WrittenOut, operation_id="put_away")
def put_it_away(request: Any, kind: str, row_id: uuid.UUID) -> WrittenOut:
    """Stop using a water, a can, a measure, a jar, a pen, or a material or recipe of her own."""
    if kind not in _PUT_AWAY:
        raise core.DaceError("kind", f"“{kind}”", f"use {', '.join(_PUT_AWAY)}")
    scope = request.auth
    row = put_away(scope, _PUT_AWAY[kind], row_id, today(scope, garden_of(scope)))
    return written(scope, row.pk)
