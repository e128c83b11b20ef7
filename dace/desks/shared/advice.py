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
    ``seen_on`` the day on which she saw to it. ``open`` is whether it stands open: the rest
    folds away.
    """

    key: str
    severity: core.Severity
    title: str
    text: str
    source: str
    plan_effect: str
    about: uuid.UUID | None = None
    seen_on: date | None = None
    open: bool = True


def advice_out(
    said: Iterable[Advice],
    about: uuid.UUID | None = None,
    seen: Mapping[str, date] | None = None,
) -> list[AdviceOut]:
    """What was said, with what was seen to since for the jar or brew that it is about.

    At most one stop and one care stand open: the first of each, gravest first.
    """
    seen = seen or {}
    said = core.gravest_first(list(said))
    open_ = {
        next((a.key for a in said if a.severity == grave and a.key not in seen), "")
        for grave in ("stop", "care")
    }
    return [
        AdviceOut(
            **vars(one),
            about=about if one.plan_effect == "confirm" else None,
            seen_on=seen.get(one.key),
            open=one.key in open_,
        )
        for one in said
    ]
