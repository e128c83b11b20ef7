"""Field types of the API that refuse what no database can hold."""

from __future__ import annotations

from typing import Annotated

from pydantic import AfterValidator, AwareDatetime, Field


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
