"""Texts that no spreadsheet takes for a formula."""

from __future__ import annotations

import re

FORMULA = re.compile(r"'*[=+\-@\t\r]")


def harmless(text: str) -> str:
    """A text that no spreadsheet takes for a formula: one that could be gets a ``'`` in front.

    >>> harmless("=1+1"), harmless("'=1"), harmless("- two"), harmless("1 + 20")
    ("'=1+1", "''=1", "'- two", '1 + 20')
    """
    return f"'{text}" if FORMULA.match(text) else text
