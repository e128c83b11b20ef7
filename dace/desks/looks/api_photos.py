"""Photos: taken in as they come, shown to the household alone."""

from __future__ import annotations

import uuid
from typing import Any, Literal

from django.http import FileResponse
from ninja import Query, Router, Schema

from dace.desks.looks.schemas import PhotoOut, PhotosOut
from dace.desks.shared.upload import file_body, sent_file
from dace.desks.shared.written import WrittenOut, written
from dace.households.fields import Instant
from dace.households.scope import Scope
from dace.notebook.photos import NewPhoto, keep_photo, photo_file, photos_of
from dace.notebook.pictures import MOST_BYTES, WOULD_DO

router = Router(tags=["photos"])
_MEDIA = ["image/jpeg", "image/png", "image/webp", "image/heic", "application/octet-stream"]


class PhotoIn(Schema):
    """Whose photo the body is, and when it was taken."""

    id: uuid.UUID
    stand_id: uuid.UUID
    taken_at: Instant | None = None


class SizeIn(Schema):
    """How large: 1,600 or 320 pixels along the longer side."""

    size: Literal["large", "small"] = "large"


class OfIn(Schema):
    """Whose photos."""

    place_id: uuid.UUID


@router.post(
    "/photos",
    response={201: WrittenOut},
    operation_id="keep_photo",
    openapi_extra=file_body(_MEDIA),
)
def take_in(request: Any, of: Query[PhotoIn]) -> Any:
    """Keep a photo; the body is the file itself."""
    data = sent_file(request, MOST_BYTES, "photo", WOULD_DO)
    new = NewPhoto(of.id, of.stand_id, data, of.taken_at)
    return 201, written(request.auth, keep_photo(request.auth, new).pk)


@router.get("/photos", response=PhotosOut, operation_id="photos")
def strip(request: Any, of: Query[OfIn]) -> PhotosOut:
    """The newest photos of a place, the newest first."""
    return PhotosOut(photos=photos_at(request.auth, of.place_id))


@router.get("/photos/{photo_id}", operation_id="photo", response={200: None})
def one_photo(request: Any, photo_id: uuid.UUID, of: Query[SizeIn]) -> Any:
    """The picture itself."""
    path = photo_file(request.auth, photo_id, of.size)
    reply = FileResponse(path.open("rb"), content_type="image/webp")
    reply["Content-Disposition"] = "inline"
    return reply


def photos_at(scope: Scope, place_id: uuid.UUID) -> list[PhotoOut]:
    """Photos of what stands or stood at a place; one query."""
    return [
        PhotoOut(id=row.pk, stand_id=row.stand_id, name=str(row.fill), taken_at=row.taken_at,
                 width=row.width, height=row.height)
        for row in photos_of(scope, place_id)
    ]  # fmt: skip
