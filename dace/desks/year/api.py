"""The year round over HTTP: clearing, what follows, away."""

from __future__ import annotations

import uuid
from typing import Any

from ninja import Router

from dace.desks.shared.written import WrittenOut, written
from dace.desks.year.follows import follows_page
from dace.desks.year.schemas import AwayIn, ClearedIn, FollowsOut
from dace.garden.going import come_back, go_away
from dace.shelf.clearing import Cleared, clear

router = Router(tags=["year"])


@router.post("/plantings/{planting_id}/cleared", response=WrittenOut, operation_id="clear_planting")
def cleared(request: Any, planting_id: uuid.UUID, payload: ClearedIn) -> WrittenOut:
    """A crop is over and cleared."""
    row = clear(request.auth, planting_id, Cleared(**payload.dict()))
    return written(request.auth, row.pk)


@router.get("/fills/{fill_id}/follows", response=FollowsOut, operation_id="what_follows")
def follows(request: Any, fill_id: uuid.UUID) -> FollowsOut:
    """What may follow there, from today on."""
    return follows_page(request.auth, fill_id)


@router.post("/away", response={201: WrittenOut}, operation_id="go_away")
def away(request: Any, payload: AwayIn) -> Any:
    """Nobody is there for some days."""
    row = go_away(request.auth, payload.id, payload.from_on, payload.to_on, payload.waters)
    return 201, written(request.auth, row.pk)


@router.post("/away/{away_id}/back", response=WrittenOut, operation_id="come_back")
def back(request: Any, away_id: uuid.UUID) -> WrittenOut:
    """Back early, or never gone."""
    return written(request.auth, come_back(request.auth, away_id).pk)
