"""Which sources a mix for some plants may take, and how much of each at most."""

from __future__ import annotations

from dace.core.can.mix_asked import Offered
from dace.core.can.usual import For, never_there, usual_parts
from dace.core.matter.composition import Composition


def offered_for(
    name: str,
    feed: Composition,
    tokens: frozenset[str],
    who: For,
    stock: float,
    g_per_ml: float | None = None,
) -> Offered | None:
    """A source as a mix for some plants may use it.

    Parameters
    ----------
    name : str
        What it is called.
    feed : Composition
        What is in it.
    tokens : frozenset of str
        What tables may name it by.
    who : For
        Whom the can is for.
    stock : float
        What is left of it [mL or g].
    g_per_ml : float, optional
        What a level mL of a dry one weighs.

    Returns
    -------
    Offered or None
        A home-made liquid no stronger than is usual there; None where it never goes there.
    """
    if stock <= 0 or never_there(tokens, who):
        return None
    parts = usual_parts(tokens, who)
    most = 1000.0 if parts is None else 1000 / (1 + parts)
    return Offered(name, feed, tokens, stock, most, g_per_ml)
