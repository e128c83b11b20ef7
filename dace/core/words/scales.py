"""Scales of conductivity pens: what each shows for one mS/cm, and how people write it."""

from __future__ import annotations

import re
from dataclasses import dataclass
from functools import cache

from dace.core.errors import DaceError
from dace.core.figures import load_table, source_words
from dace.core.words.numbers import NUMBER, plain, read_number

_WOULD_DO = "1.4 mS/cm, 1400 uS/cm or 700 ppm500 would do"


@dataclass(frozen=True)
class PenScale:
    """A scale: how it is written, what it shows for 1 mS/cm, and who says so."""

    key: str
    name: str
    per_ms: float
    spellings: tuple[str, ...]
    source: str


@cache
def pen_scales() -> dict[str, PenScale]:
    """All scales by key.

    >>> [scale.per_ms for scale in pen_scales().values()]
    [1.0, 1000.0, 500.0, 700.0, 10.0]
    """
    return {
        row.text("key"): PenScale(
            row.text("key"),
            row.text("name"),
            row.number("per_ms"),
            tuple(row.text("spellings").split("|")),
            source_words(row.text("source_family")),
        )
        for row in load_table("ec_scales")
    }


def pen_scale(key: str) -> PenScale:
    """One scale.

    Raises
    ------
    DaceError
        On ``scale``.
    """
    found = pen_scales().get(key)
    if found is None:
        raise DaceError("scale", f"“{key}”", f"use {', '.join(pen_scales())}")
    return found


def scale_spelt(text: str) -> PenScale | None:
    """The scale that somebody wrote; None where it is none, or ppm without which.

    >>> scale_spelt("µS/cm").key, scale_spelt("ppm (500").key, scale_spelt("ppm")
    ('uS/cm', 'ppm500', None)
    """
    told = re.sub(r"[()\s]", "", plain(text)).replace("µ", "u").replace("\u03bc", "u")
    return next((one for one in pen_scales().values() if told in one.spellings), None)


def read_conductivity(text: str, usual: str, field: str = "value") -> float:
    """A conductivity as typed [mS/cm]; a bare number, or bare ppm, is of the ``usual`` scale.

    Raises
    ------
    DaceError
        On ``field``.

    Examples
    --------
    >>> read_conductivity("1450 uS/cm", "mS/cm"), read_conductivity("700 ppm", "ppm500")
    (1.45, 1.4)
    >>> read_conductivity("CF 14", "mS/cm"), read_conductivity("EC 1.4", "mS/cm")
    (1.4, 1.4)
    """
    ahead = re.fullmatch(r"(ec|cf|tds|ppm) ?:? ?(\d.*)", plain(text))
    told = re.sub(r" ?scale\b", "", plain(text) if ahead is None else ahead[2])
    if ahead and re.fullmatch(NUMBER, told):
        told = f"{told} {ahead[1]}" if ahead[1] != "ec" else told
    match = re.fullmatch(rf"({NUMBER})\s*(\D*?[\d() ]*)", told)
    if match is None:
        raise DaceError(field, f"“{text.strip()}”", _WOULD_DO)
    unit = re.sub(r"^tds$", "ppm", match[2].strip())
    found = scale_spelt(unit)
    if unit in ("", "ec") or (unit == "ppm" and usual.startswith("ppm")):
        found = pen_scale(usual)
    if found is None:
        raise DaceError(field, f"“{text.strip()}”", _WOULD_DO)
    return read_number(match[1], field) / found.per_ms
