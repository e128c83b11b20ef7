"""What is left in a can: how long it keeps, and where it goes after."""

from __future__ import annotations

from collections.abc import Collection
from dataclasses import dataclass
from datetime import datetime, timedelta

from dace.core.figures import judgement
from dace.core.matter.methods import methods_in, natures

_LIVING = ("method:", "family:fish")


@dataclass(frozen=True)
class Leftover:
    """Until when a mixed can is good, and what to do with the rest."""

    until: datetime
    text: str


def keeps_until(mixed_at: datetime, tokens: Collection[str]) -> Leftover:
    """How long a mixed can keeps.

    Parameters
    ----------
    mixed_at : datetime
        When it was mixed.
    tokens : collection of str
        What tables may name its sources by.

    Examples
    --------
    >>> from datetime import datetime
    >>> noon = datetime(2026, 7, 14, 12)
    >>> (keeps_until(noon, ()).until - noon).days
    7
    >>> (keeps_until(noon, {"method:anaerobic_ferment"}).until - noon).days
    1
    """
    if any(natures()[key].uses_up_air for key in methods_in(tokens)):
        found = judgement("can_kept_aerated")
        text = "Pour the rest within hours."
    elif any(named.startswith(_LIVING) for named in tokens):
        found = judgement("can_kept_brew")
        text = "Pour the rest by tomorrow."
    else:
        found = judgement("can_kept_mineral")
        text = "Covered, the rest keeps about a week; stir it first."
    return Leftover(mixed_at + timedelta(days=found.range.typ), text)
