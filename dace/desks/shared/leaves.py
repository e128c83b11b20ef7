"""When leaves may be sprayed, in a few words."""

from __future__ import annotations

from dace.core import api as core
from dace.garden.hours import hours_now
from dace.garden.models import Garden
from dace.garden.reads import SPRAYER, vessels
from dace.households.scope import Scope


def leaves_now(scope: Scope, garden: Garden) -> str:
    """Such as ``Too hot for leaves until 19:00``; two queries.

    Empty where no sprayer is owned, and where nobody foresees the hours.
    """
    if not any(vessel.kind == SPRAYER for vessel in vessels(scope)):
        return ""
    now = hours_now(scope, garden)
    if now.source == "usual":
        return ""
    asked = core.HoursAsked(
        route="leaves", hours=now.hours, latitude=garden.latitude, noon=now.noon
    )
    return core.said_now(core.open_hours(asked), now.now, "leaves")
