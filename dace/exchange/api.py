"""The whole household out, and into a garden that holds nothing yet."""

from __future__ import annotations

import re
import tempfile
from io import BytesIO
from pathlib import Path
from typing import Any
from zoneinfo import ZoneInfo

from django.http import FileResponse, HttpResponse
from ninja import Router

from dace.core.api import text_of
from dace.desks.shared.at_home import AtHome
from dace.desks.shared.out import Out
from dace.desks.shared.upload import file_body, sent_file
from dace.exchange.bringing import bring_in
from dace.exchange.nightcheck import last_night
from dace.exchange.packing import pack
from dace.exchange.recipes import recipes_file, take_recipes
from dace.exchange.unpacking import opened
from dace.garden.reads import garden_of
from dace.households.scope import require_owner

router = Router(tags=["exchange"])
_MOST_BYTES, _MOST_RECIPES = 60_000_000, 1_000_000


class BroughtOut(Out):
    """What came in."""

    title: str
    rows: int
    photos: int


@router.get("/export", auth=AtHome(), operation_id="export")
def export(request: Any) -> FileResponse:
    """Everything as an open package: tables, photos, calendar."""
    require_owner(request.auth)
    garden = garden_of(request.auth)
    day = request.auth.now.astimezone(ZoneInfo(garden.zone)).date()
    name = re.sub(r"\W+", "-", garden.name.lower()).strip("-") or "garden"
    with tempfile.TemporaryDirectory(prefix="dace-export-") as folder:
        made = pack(request.auth, Path(folder) / "package.zip")
        data = made.path.open("rb")  # it can be read to its end, though its name is gone
    return FileResponse(
        data, as_attachment=True, filename=f"{name}-{day}.zip", content_type="application/zip"
    )


class SharedOut(Out):
    """Recipes and materials that came in, and those that were here already."""

    recipes: int
    materials: int
    here: int


@router.get("/recipes-file", operation_id="recipes_file")
def hand_out(request: Any) -> HttpResponse:
    """The household's own recipes and materials as a small file."""
    reply = HttpResponse(recipes_file(request.auth), content_type="application/json")
    reply["Content-Disposition"] = 'attachment; filename="recipes.json"'
    return reply


@router.post(
    "/recipes-file",
    response={201: SharedOut},
    operation_id="take_recipes_in",
    openapi_extra=file_body(["application/json"]),
)
def take_in_recipes(request: Any) -> Any:
    """Take somebody's recipes in; the body is the file itself."""
    data = sent_file(request, _MOST_RECIPES, "file", "up to 1 MB would do")
    shared = take_recipes(request.auth, text_of(data))
    return 201, SharedOut(recipes=shared.recipes, materials=shared.materials, here=shared.here)


@router.post(
    "/import",
    auth=AtHome(),
    response={201: BroughtOut},
    operation_id="import_package",
    openapi_extra=file_body(["application/zip"]),
)
def take_in(request: Any) -> Any:
    """Fill an empty garden with a package; the body is the file itself."""
    require_owner(request.auth)
    data = sent_file(request, _MOST_BYTES, "file", "up to 60 MB here; `manage.py import` for more")
    with opened(BytesIO(data)) as package:
        brought = bring_in(request.auth, package)
    return 201, BroughtOut(title=package.title, rows=brought.rows, photos=brought.photos)


class SelfCheckOut(Out):
    """What Dace found wrong when it looked itself over at night; ``at`` is empty before that."""

    at: str
    wrong: list[str]


@router.get("/self-check", response=SelfCheckOut, operation_id="self_check")
def self_check(request: Any) -> SelfCheckOut:
    """Whether database, copies, photos and disk were well last night."""
    require_owner(request.auth)
    night = last_night()
    if night is None:
        return SelfCheckOut(at="", wrong=[])
    return SelfCheckOut(at=night.at, wrong=list(night.wrong))
