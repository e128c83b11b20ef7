"""Photos of what grows: kept for the household alone."""

from __future__ import annotations

import uuid
from dataclasses import dataclass
from datetime import datetime
from pathlib import Path

from django.db import transaction

from dace.garden.models import Stand
from dace.households.changes import change
from dace.households.keeping import new_row
from dace.households.scope import NotFoundError, Scope
from dace.measuring.services import past_instant
from dace.notebook import pictures
from dace.notebook.models import Photo

STRIP = 40
"""How many photos a strip shows, the newest first."""


@dataclass(frozen=True)
class NewPhoto:
    """A picture of what grows at a stand, as bytes."""

    id: uuid.UUID
    stand_id: uuid.UUID
    data: bytes
    taken_at: datetime | None = None


def keep_photo(scope: Scope, new: NewPhoto) -> Photo:
    """Keep a photo, written anew without what it carries.

    Raises
    ------
    NotFoundError
        If the stand is none of this household's.
    DaceError
        On ``photo``; nothing is stored then.
    """
    return _keep(scope, new, pictures.read_picture(new.data))  # read before the write lock is held


@transaction.atomic
def _keep(scope: Scope, new: NewPhoto, picture: pictures.Picture) -> Photo:
    repeat = Photo.objects.written_before(scope, new.id)
    if repeat is not None:
        return repeat
    stand = Stand.objects.select_related("fill__place").fetch(scope, new.stand_id, "stand_id")
    with change(scope, "photo", f"A photo of {stand.fill}"):
        row = Photo.objects.create(
            **new_row(scope, new.id),
            stand=stand,
            fill=stand.fill,
            width=picture.width,
            height=picture.height,
            taken_at=past_instant(scope, new.taken_at, "taken_at"),
        )
        # last: where this fails nothing is written, and a file without a row is never shown
        pictures.keep(scope.household_id, row.pk, picture)
    return row


def photo_file(scope: Scope, photo_id: uuid.UUID, size: pictures.Size) -> Path:
    """The file of a photo of this household.

    Raises
    ------
    NotFoundError
        If it is none of this household's, or its file is gone.
    """
    row = Photo.objects.fetch(scope, photo_id, "photo_id")
    path = pictures.where(scope.household_id, row.pk, size)
    if not path.is_file():
        raise NotFoundError("photo_id", "a photo whose file is gone", "restore it from a backup")
    return path


def photos_of(scope: Scope, place_id: uuid.UUID) -> list[Photo]:
    """The newest photos of what stands or stood at a place, the newest first; one query."""
    rows = Photo.objects.of(scope).filter(fill__place_id=place_id).select_related("fill__place")
    return list(rows.order_by("-taken_at", "-pk")[:STRIP])
