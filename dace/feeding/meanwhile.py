"""Two hands at one stop: who pours is told of what was given since her page was read."""

from __future__ import annotations

from zoneinfo import ZoneInfo

from dace.core.api import amount_words, at_clock, shown
from dace.feeding.models import Dose, Dressing, Spray
from dace.garden.models import Fill
from dace.garden.reads import garden_of
from dace.households.models import Change
from dace.households.scope import ConflictError, Scope


def refuse_if_fed_meanwhile(scope: Scope, fill: Fill) -> None:
    """Nothing is fed twice unsaid.

    Raises
    ------
    ConflictError
        On ``seen``, if a feed of the fill was written after the newest change on her screen.
    """
    if scope.seen is None:
        return
    since = {"fill": fill, "seq__gt": scope.seen}
    poured = Dose.objects.of(scope).filter(**since).order_by("-seq")
    spread = Dressing.objects.of(scope).filter(**since).order_by("-seq")
    sprayed = Spray.objects.of(scope).filter(**since).order_by("-seq")
    told = [
        *((dose.seq, shown.litres(dose.litres, 2), dose.poured_at) for dose in poured[:1]),
        *((one.seq, amount_words(one.grams, "g"), one.given_at) for one in spread[:1]),
        *((one.seq, "its leaves sprayed", one.sprayed_at) for one in sprayed[:1]),
    ]
    if not told:
        return
    number, what, at = max(told)
    by = Change.objects.filter(pk=number).values_list("revision__user__username", flat=True).first()
    clock = f"{at_clock(at.astimezone(ZoneInfo(garden_of(scope).zone)))}"
    raise ConflictError(
        "seen",
        f"{fill}, fed meanwhile: {what} at {clock}{f' by {by}' if by else ''}",
        "press again only if it shall have more",
    )
