"""Tests of soil and medium that she had done."""

from __future__ import annotations

import uuid
from dataclasses import dataclass, field
from datetime import date

from django.db import transaction

from dace.core.api import DaceError, read_soil_test
from dace.garden.models import Fill, SoilTest
from dace.garden.services import today
from dace.households.changes import change
from dace.households.keeping import new_row
from dace.households.scope import Scope, require_owner


@dataclass(frozen=True)
class NewSoilTest:
    """Numbers by nutrient in a unit, and the day."""

    id: uuid.UUID
    unit: str
    values: dict[str, float] = field(default_factory=dict)
    tested_on: date | None = None


@transaction.atomic
def keep_soil_test(scope: Scope, fill_id: uuid.UUID, new: NewSoilTest) -> SoilTest:
    """What a test of a fill found; the books go by it from then on.

    Raises
    ------
    NotFoundError
        If the fill is none of this household's.
    DaceError
        Naming the nutrient, the unit or the day.
    """
    require_owner(scope)
    repeat = SoilTest.objects.written_before(scope, new.id)
    if repeat is not None:
        return repeat
    fill = Fill.objects.select_related("place__garden", "mix").fetch(scope, fill_id, "fill_id")
    read_soil_test(new.values, new.unit, fill.soil)
    day = today(scope, fill.place.garden)
    if new.tested_on is not None and new.tested_on > day:
        raise DaceError("tested_on", f"{new.tested_on}", "a day that has been would do")
    with change(scope, "test", f"{fill} tested"):
        return SoilTest.objects.create(
            **new_row(scope, new.id),
            fill=fill,
            tested_on=new.tested_on or day,
            unit=new.unit,
            values=dict(new.values),
        )
