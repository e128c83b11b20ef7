"""What makes a can right that was read, in words."""

from __future__ import annotations

import uuid

from dace.core.api import shown
from dace.desks.bench.schemas_more import CorrectionOut
from dace.desks.shared.figures import figure
from dace.feeding.correcting import correction_of
from dace.households.scope import Scope


def correction_page(scope: Scope, can_id: uuid.UUID) -> CorrectionOut | None:
    """A can's newest reading beside what was expected, and what to do; nine queries."""
    read = correction_of(scope, can_id)
    if read is None:
        return None
    found = read.found
    return CorrectionOut(
        kind=found.kind,
        read=shown.ec(read.reading.ec_likely),
        expected=shown.ec(read.expected.value),
        text=found.text,
        says=found.says,
        water_l=found.water_l,
        pour_off_l=found.pour_off_l,
        holds=shown.litres(read.holds_l),
        reads=figure(found.reads),
    )
