"""What the roots say of pouring a feed there now."""

from __future__ import annotations

from dace.core.advice import Advice, Severity
from dace.core.rootzone.meaning import FeedWord, NextFeed

_TITLES: dict[FeedWord, tuple[Severity, str]] = {
    "plain": ("stop", "The roots want plain water"),
    "look": ("stop", "Look at the roots first"),
    "weaker": ("care", "The roots want it weaker"),
}


def advise_roots(said: NextFeed | None, drain_ec: float) -> list[Advice]:
    """Nothing where the roots bear the same or more; it never blocks logging a dose.

    Parameters
    ----------
    said : NextFeed or None
        What the roots say of the next feed.
    drain_ec : float
        What the drain is likely to read now [mS/cm at 25 C].
    """
    if said is None or said.say not in _TITLES:
        return []
    severity, title = _TITLES[said.say]
    why = f"{said.why[0].upper()}{said.why[1:]}"
    text = f"The drain is likely to read {drain_ec:.1f}. {why}. The next feed: {said.words}."
    effect = "block" if severity == "stop" else ""
    return [
        Advice(f"roots_{said.say}", severity, title, text, "the readings of this place", effect)
    ]
