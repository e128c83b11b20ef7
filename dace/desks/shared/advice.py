"""Cautions, remarks and schools on their way out."""

from __future__ import annotations

import uuid
from collections.abc import Iterable, Mapping
from datetime import date

from dace.core import api as core
from dace.core.api import Advice
from dace.desks.shared.out import Out


class AdviceOut(Out):
    """A caution, a remark or a school.

    ``about`` is the jar or brew for which one that only the gardener can settle is asked;
    ``seen_on`` the day on which she saw to it.
    """

    key: str
    severity: core.Severity
    title: str
    text: str
    source: str
    plan_effect: str
    about: uuid.UUID | None = None
    seen_on: date | None = None


def advice_out(
    said: Iterable[Advice],
    about: uuid.UUID | None = None,
    seen: Mapping[str, date] | None = None,
) -> list[AdviceOut]:
    """What was said, with what was seen to since for the jar or brew that it is about."""
    seen = seen or {}
    return [
        AdviceOut(
            **vars(one),
            about=about if one.plan_effect == "confirm" else None,
            seen_on=seen.get(one.key),
        )
        for one in said
    ]
