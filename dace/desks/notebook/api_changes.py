"""Undo."""

from __future__ import annotations

from typing import Annotated, Any

from ninja import Router, Schema
from pydantic import Field

from dace.desks.shared.out import Out
from dace.desks.shared.written import ChangeOut
from dace.households import changes

router = Router(tags=["changes"])


class UndoIn(Schema):
    """Which change; none takes the newest."""

    change_id: Annotated[int, Field(ge=1, le=2**62)] | None = None


class LastOut(Out):
    """The newest change that can be undone, if any."""

    change: ChangeOut | None


@router.get("/changes/last", response=LastOut, operation_id="last_change")
def last(request: Any) -> LastOut:
    """What undo would take back."""
    found = changes.last_change(request.auth)
    return LastOut(change=ChangeOut(**vars(found)) if found else None)


@router.post("/undo", response=ChangeOut, operation_id="undo")
def undo(request: Any, payload: UndoIn) -> ChangeOut:
    """Take back a change, or take back an undo."""
    return ChangeOut(**vars(changes.undo(request.auth, payload.change_id)))
