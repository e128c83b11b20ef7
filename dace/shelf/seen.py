"""Cautions that ask for what only the gardener knows: asked once a kind and household."""

from __future__ import annotations

import uuid
from collections.abc import Collection
from datetime import date
from zoneinfo import ZoneInfo

from django.db import transaction

from dace.core import api as core
from dace.core.api import DaceError
from dace.garden.models import Garden
from dace.households.changes import change
from dace.households.keeping import new_row
from dace.households.scope import NotFoundError, Scope
from dace.shelf.models import Brew, Jar, SeenTo


@transaction.atomic
def see_to(scope: Scope, row_id: uuid.UUID, caution: str, about: uuid.UUID) -> SeenTo:
    """Remember that a caution was seen to for a jar or brew.

    Raises
    ------
    DaceError
        On ``caution`` if it is none, or one that nobody needs to settle.
    NotFoundError
        If ``about`` is no jar or brew of this household's.
    """
    repeat = SeenTo.objects.written_before(scope, row_id)
    if repeat is not None:
        return repeat
    (key,) = checked([caution])
    thing = (
        Jar.objects.of(scope).filter(pk=about).first()
        or Brew.objects.of(scope).filter(pk=about).first()
    )
    if thing is None:
        raise NotFoundError("about", "an id of no jar or brew here", "choose one on the shelf")
    with change(scope, "seen_to", f"a caution about {thing} seen to"):
        return remember(scope, row_id, key, about)


def checked(cautions: Collection[str]) -> tuple[str, ...]:
    """Keys of cautions that a gardener settles, each once.

    Raises
    ------
    DaceError
        On ``caution``, naming the first that is none.
    """
    for key in cautions:
        found = core.cautions().get(key)
        if found is None or found.plan_effect != "confirm":
            raise DaceError("caution", f"“{key}”", "the key of a caution that asks to be settled")
    return tuple(dict.fromkeys(cautions))


def remember(scope: Scope, row_id: uuid.UUID, caution: str, about: uuid.UUID) -> SeenTo:
    """Write it, inside a change that is open."""
    return SeenTo.objects.create(**new_row(scope, row_id), caution=caution, about=about)


def seen_to(scope: Scope, garden: Garden) -> dict[str, date]:
    """What was seen to in this household, with its day: asked once a kind; one query."""
    rows = SeenTo.objects.of(scope).order_by("created_at")
    zone = ZoneInfo(garden.zone)
    return {row.caution: row.created_at.astimezone(zone).date() for row in rows}
