"""Which sources a mix for some plants may take, and how much of each at most."""

from __future__ import annotations

from dataclasses import replace

from dace.core.can.ingredient import NEAT, Source
from dace.core.can.usual import For, never_there, usual_parts


def offered_for(source: Source, who: For) -> Source | None:
    """A source as a mix for some plants may use it.

    Parameters
    ----------
    source : Source
        Something on the shelf.
    who : For
        Whom the can is for.

    Returns
    -------
    Source or None
        A home-made liquid no stronger than is usual there; None where it never goes there.
    """
    if source.stock <= 0 or never_there(source.tokens, who):
        return None
    parts = usual_parts(source.tokens, who)
    return replace(source, most_per_l=NEAT if parts is None else 1000 / (1 + parts))
