"""Reading plain JSON: a field that cannot be used is named."""

from __future__ import annotations

import math
from typing import Any, TypeVar

from dace.core.errors import DaceError

Json = dict[str, Any]
_MOST_ENTRIES = 500


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


def entries(given: Json, field: str, most: int = _MOST_ENTRIES) -> list[Any]:
    """A list that may be left out, of up to so many."""
    value = given.get(field, [])
    if not isinstance(value, list) or len(value) > most:
        raise DaceError(field, repr(value)[:80], f"a list of up to {most} would do")
    return value


def rows(given: Json, field: str) -> list[Json]:
    """A list of objects, as :func:`entries`."""
    found = entries(given, field)
    for value in found:
        if not isinstance(value, dict):
            raise DaceError(field, repr(value)[:80], "a list of objects would do")
    return found


Word = TypeVar("Word", bound=str)


def choice(given: Json, field: str, among: tuple[Word, ...], usual: Word) -> Word:
    """One of some words; the usual one where nothing is said."""
    value = given.get(field, usual)
    if value not in among:
        raise DaceError(field, f"“{value}”"[:60], f"one of {', '.join(among)} would do")
    return among[among.index(value)]
