"""What every write answers: the row, and the change that can undo it."""

from __future__ import annotations

import uuid
from datetime import datetime
from typing import Any

from ninja import Schema

from dace.desks.shared.out import Out
from dace.households.changes import change_written


class RowIn(Schema):
    """An id for what is written."""

    id: uuid.UUID


class WrittenOut(Out):
    """What was written, and the change that can undo it."""

    id: uuid.UUID
    change_id: int | None
    summary: str


class ChangeOut(Out):
    """A change that was made."""

    id: int
    kind: str
    summary: str
    at: datetime


def written(scope: Any, row_id: uuid.UUID) -> WrittenOut:
    """What the client needs to offer an undo."""
    change = change_written(scope, row_id)
    return WrittenOut(
        id=row_id, change_id=change.id if change else None, summary=change.summary if change else ""
    )
