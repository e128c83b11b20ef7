"""Numbers as people write and say them."""

from __future__ import annotations

import math
import re
import unicodedata

from dace.core.errors import DaceError

_GROUPED = r"[1-9]\d{0,2}(?:[,'’]\d{3})+(?:\.\d+)?(?![\d.,])"
NUMBER = (
    rf"(?:\d+\s+\d+\s*/\s*\d+|\d+\s*/\s*\d+|{_GROUPED}"
    r"|\d+(?:[.,]\d+)?(?:e[+-]?\d+)?|[.,]\d+)"
)
"""Pattern of a number as people write it, after :func:`plain`."""

_FIRST = "one two three four five six seven eight nine ten eleven twelve"
_COUNTED = {word: str(value) for value, word in enumerate(_FIRST.split(), 1)}
_PARTS = {"half": "1/2", "third": "1/3", "quarter": "1/4"}


def plain(text: str) -> str:
    """Lower case, one kind of space, fractions as ``1/2``, small numbers in digits.

    >>> plain("1 ½ Tbsp"), plain("Half an ounce"), plain("three and a half cups")
    ('1 1/2 tbsp', '1/2 ounce', '3 1/2 cups')
    """
    spaced = re.sub(r"(\d)([\u00bc-\u00be\u2150-\u215e])", r"\1 \2", text)
    spaced = re.sub(r"(?<=\d)[\u00a0\u2009\u202f](?=\d{3}(?!\d))", ",", spaced)
    folded = unicodedata.normalize("NFKC", spaced).replace("\u2044", "/").replace("×", "x")
    folded = re.sub(r"\s+", " ", folded).strip().lower()
    folded = re.sub(r"\b(half|third|quarter)(?: of)? an? ", lambda m: f"{_PARTS[m[1]]} ", folded)
    folded = re.sub(r"\ban? (?=1/[234] )", "", folded)
    folded = re.sub(
        rf"\b({'|'.join(_COUNTED)})(?= (?!in\b|to\b|part))", lambda m: _COUNTED[m[1]], folded
    )
    return re.sub(r"(\d) and (?:a half|1/2)\b", r"\1 1/2", folded)


def as_decimal(text: str) -> str | None:
    """A text whose ``1,000`` may be one rather than a thousand, so told; None where none may.

    >>> as_decimal("1,000 ml"), as_decimal("2,5 L"), as_decimal("1,000,000 mL")
    ('1.000 ml', None, None)
    """
    doubtful = r"(?<![\d.,])([1-9]\d{0,2}),(\d{3})(?![\d.,])"
    changed = re.sub(doubtful, r"\1.\2", text)
    return changed if changed != text else None


def read_number(text: str, field: str = "number") -> float:
    """A number as people write it: ``2.5``, ``2,5``, ``1,000``, ``1/2``, ``1 1/2``.

    A comma before one group of three digits parts thousands; see :func:`as_decimal`.

    Parameters
    ----------
    text : str
        What was typed.
    field : str
        Named in the error.

    Returns
    -------
    float
        The number, finite.

    Raises
    ------
    DaceError
        If it is no number, or too large to be one of a garden.

    Examples
    --------
    >>> read_number("1 ½"), read_number("2,5"), read_number("1,000")
    (1.5, 2.5, 1000.0)
    """
    folded = plain(text)
    if not re.fullmatch(NUMBER, folded):
        raise DaceError(field, f"“{text.strip()}”", "a number such as 2.5 or 1 ½ would do")
    whole, _, fraction = folded.rpartition(" ") if "/" in folded else ("", "", "")
    if "/" in folded:
        above, below = (float(part) for part in fraction.split("/"))
        value = (float(whole) if whole else 0.0) + (above / below if below else math.inf)
    elif re.fullmatch(_GROUPED, folded):
        value = float(re.sub("[,'’]", "", folded))
    else:
        value = float(folded.replace(",", "."))
    if not value < 1e9:
        raise DaceError(field, f"“{text.strip()}”", "a number of ordinary size would do")
    return value
