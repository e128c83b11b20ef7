"""What makes a can right that was read, in words."""

from __future__ import annotations

import uuid

from dace.core import api as core
from dace.core.api import shown
from dace.desks.bench.page import laid_and_asked
from dace.desks.bench.schemas_more import CorrectionOut, ReadCanIn
from dace.desks.shared.figures import figure
from dace.feeding.correcting import correction_of
from dace.garden.reads import SPRAYER, vessels
from dace.households.scope import Scope


def correct_preview(scope: Scope, wanted: ReadCanIn) -> CorrectionOut:
    """What makes a can right before it is poured; as many queries as its preview."""
    out, asked = laid_and_asked(scope, wanted)
    can = core.answer(asked).can
    parts = zip(out.jars, can.parts, strict=True)
    cans = [v.volume_l for v in vessels(scope) if v.kind != SPRAYER]
    holds = min((v for v in cans if v >= can.vessel_l - 1e-3), default=can.vessel_l)
    scale = shown.shown_in().scale
    read = core.reading_at_25(core.PenReading(wanted.value, scale)).value
    found = core.correct_can(
        core.Misread(
            parts=tuple(core.Ingredient(jar.feed, part.per_l, jar.name) for jar, part in parts),
            water=asked.water,
            filled_l=can.vessel_l,
            holds_l=max(holds, can.vessel_l),
            read=read,
            expected=can.ec,
        )
    )
    return _out(found, read, can.ec.value, holds)


def correction_page(scope: Scope, can_id: uuid.UUID) -> CorrectionOut | None:
    """A can's newest reading beside what was expected, and what to do; ten queries."""
    read = correction_of(scope, can_id)
    if read is None:
        return None
    return _out(read.found, read.reading.ec_likely, read.expected.value, read.holds_l)


def _out(found: core.Correction, read: float, expected: float, holds_l: float) -> CorrectionOut:
    return CorrectionOut(
        kind=found.kind,
        read=shown.ec(read),
        expected=shown.ec(expected),
        text=found.text,
        says=found.says,
        water_l=found.water_l,
        pour_off_l=found.pour_off_l,
        holds=shown.litres(holds_l),
        reads=figure(found.reads),
    )
