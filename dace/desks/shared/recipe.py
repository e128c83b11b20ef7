"""What goes into a can as a desk draws it: so many fills of a measure, and of what."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from typing import Literal

from dace.core import api as core
from dace.desks.shared.out import Out

Form = Literal["brew", "liquid", "dry", "water"]


class PieceOut(Out):
    """So many fills of a measure to be drawn; of one with marks the share that is filled."""

    kind: str
    name: str
    count: float


class RecipeLineOut(Out):
    """A line of a recipe: how much in large figures, of what, and in what it is measured.

    ``note`` is what it weighs, or how it comes from a stock; ``form`` is what it looks like, and
    ``share`` how much of the can it makes up, 0 of a powder.
    """

    amount: str
    what: str
    note: str
    pieces: list[PieceOut]
    form: Form
    share: float


@dataclass(frozen=True)
class Poured:
    """What goes in, what it looks like, and how much of it a litre of the can gets [mL or g]."""

    name: str
    form: Form
    per_l: float


def form_of(home_made: bool, unit: str) -> Form:
    """What something looks like: brown as a brew, clear, or a powder."""
    if home_made:
        return "brew"
    return "liquid" if unit == "mL" else "dry"


def source_line(said: core.AmountSaid, what: Poured, weighs: bool) -> RecipeLineOut:
    """The spoons large; what they weigh beside it for who weighs; of a stock how it is taken."""
    form = what.form
    by_weight = weighs and form == "dry"
    large, small = (said.exact, said.by) if by_weight or not said.by else (said.by, "")
    if said.stock:
        large, small = said.by, f"stock: {said.stock}"
    return RecipeLineOut(
        amount=large,
        what=what.name,
        note=small,
        pieces=[
            PieceOut(kind=one.measure.kind, name=one.measure.name, count=round(one.count, 3))
            for one in said.pieces
        ],
        form=form,
        share=0.0 if form == "dry" else round(min(1.0, what.per_l / 1000), 4),
    )


def water_line(fill_l: float, name: str, vessels: Sequence[core.Vessel]) -> RecipeLineOut:
    """How full the can is; which can only where it is not the usual one, which is the first."""
    vessel = core.vessel_for(fill_l, vessels)[0]
    share = min(1.0, fill_l / vessel.litres) if vessel else 1.0
    into = f", {vessel.name}" if vessel and vessel != vessels[0] else ""
    return RecipeLineOut(
        amount=core.fill_words(fill_l),
        what=f"{name}{into}",
        note="",
        pieces=[PieceOut(kind="can", name=vessel.name if vessel else "can", count=round(share, 3))],
        form="water",
        share=1.0,
    )
