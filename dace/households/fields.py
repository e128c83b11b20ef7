"""Field types of the API that refuse what no database can hold."""

from __future__ import annotations

from typing import Annotated

from ninja import Schema
from pydantic import AfterValidator, AwareDatetime, BeforeValidator, Field

from dace.core.api import completed


def _writable(text: str) -> str:
    try:
        text.encode("utf-8")
    except UnicodeEncodeError:
        raise ValueError("Characters that can be written down would do") from None
    if "\x00" in text:
        raise ValueError("A text without empty characters would do")
    return text.strip()


def _as_typed(text: str) -> str:
    _writable(text)
    return text


def _filled(text: str) -> str:
    if not text:
        raise ValueError("A few letters would do")
    return text


Line = Annotated[str, Field(max_length=80), AfterValidator(_writable)]
"""One line of text, possibly empty."""


class BoxIn(Schema):
    """What was typed into a box, and what the box showed in full: a bare number keeps its unit."""

    text: Line
    shown: Line = ""


def _completed(told: object) -> object:
    if isinstance(told, dict) and isinstance(told.get("text"), str):
        shown = told.get("shown", "")
        return completed(told["text"], shown) if isinstance(shown, str) else told["text"]
    return told


Typed = Annotated[Line, BeforeValidator(_completed, json_schema_input_type=Line | BoxIn)]
"""An amount or a strength as typed: a text, or what was typed beside what its box showed."""

Name = Annotated[str, Field(max_length=60), AfterValidator(_writable), AfterValidator(_filled)]
"""A name: one line, not empty."""

Password = Annotated[str, Field(max_length=200), AfterValidator(_as_typed)]
"""As typed; never stored."""

Number = Annotated[float, Field(allow_inf_nan=False)]
"""A finite number."""

Instant = AwareDatetime
"""A time with its zone, such as ``2026-07-14T17:40Z``."""

Count = Annotated[int, Field(ge=1, le=10_000)]
"""How many plants or pots."""
