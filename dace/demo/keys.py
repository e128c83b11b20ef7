"""Ids of demo things, the same each time they are built."""

from __future__ import annotations

import uuid
from typing import Any

_ROOT = uuid.UUID("da0ce000-0000-4000-8000-000000000000")

Table = dict[str, Any]


def key(name: str) -> uuid.UUID:
    """The id of a demo thing."""
    return uuid.uuid5(_ROOT, name)
