"""What is said of pouring something that a stop's verdict does not ask for."""

from __future__ import annotations

from dace.core.advice import Advice
from dace.core.fed.records import Verdict
from dace.core.verdict.kinds import kind_of

_SOURCE = "this stop's verdict"


def advise_against(found: Verdict) -> list[Advice]:
    """Nothing where a feed is due; it never blocks writing down what was done."""
    kind = kind_of(found.kind)
    if kind.against is None:
        return []
    severity, title = kind.against
    text = found.headline if kind.says_all else f"{found.headline} {found.reason}"
    effect = "block" if severity == "stop" else ""
    return [Advice(f"verdict_{found.kind}", severity, title, text, _SOURCE, effect)]
