"""What is said of pouring something that a stop's verdict does not ask for."""

from __future__ import annotations

from dace.core.advice import Advice, Severity
from dace.core.verdict.records import Kind, Verdict

_TITLES: dict[Kind, tuple[Severity, str]] = {
    "flush": ("stop", "No feed today: flush first"),
    "water": ("stop", "No feed today: plain water"),
    "look": ("care", "Look before you feed"),
    "rest": ("care", "No feed wanted"),
    "wait": ("care", "Not yet"),
    "enough": ("care", "Nothing is wanted yet"),
    "dress": ("info", "A slow feed suits better here"),
}
_SOURCE = "this stop's verdict"


def advise_against(found: Verdict) -> list[Advice]:
    """Nothing where a feed is due; it never blocks writing down what was done."""
    if found.kind not in _TITLES:
        return []
    severity, title = _TITLES[found.kind]
    text = found.headline if found.kind in ("look", "rest") else f"{found.headline} {found.reason}"
    effect = "block" if severity == "stop" else ""
    return [Advice(f"verdict_{found.kind}", severity, title, text, _SOURCE, effect)]
