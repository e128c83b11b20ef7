"""Reading plain JSON: a field that cannot be used is named."""

from __future__ import annotations

import math
from typing import Any

from dace.core.errors import DaceError

Json = dict[str, Any]


def json_object(given: Json, field: str) -> Json:
    """An object that must be there."""
    value = given.get(field)
    if not isinstance(value, dict):
        raise DaceError(field, repr(value)[:80], "an object would do")
    return value


def text(given: Json, field: str) -> str:
    """A text that must be there."""
    value = given.get(field)
    if not isinstance(value, str):
        raise DaceError(field, repr(value)[:80], "a text would do")
    return value


def number(value: Any, field: str) -> float:
    """A finite number."""
    if isinstance(value, bool) or not isinstance(value, int | float) or not math.isfinite(value):
        raise DaceError(field, repr(value)[:80], "a number would do")
    return float(value)
