"""What the Bench shows beyond one can on roots: mixes, sprays, hours, corrections."""

from __future__ import annotations

import uuid
from typing import Literal

from ninja import Schema

from dace.desks.bench.schemas import CanSaidIn, PreviewIn
from dace.desks.shared.advice import AdviceOut
from dace.desks.shared.figures import Figure, StepOut
from dace.desks.shared.out import Out
from dace.households.fields import Count, Instant, Number, Typed


class MixIn(Schema):
    """Whom a mix is for, in which water and can."""

    stand_id: uuid.UUID
    water_id: uuid.UUID
    vessel: Typed


class MixSourceOut(Out):
    """So much of a jar: ``strength`` can be typed, ``words`` is how it is measured."""

    jar_id: uuid.UUID
    name: str
    strength: str
    words: str
    text: str


class MixOptionOut(Out):
    """A can to press; ``without`` names what it does without, ``costs`` what that loses."""

    without: str
    miss: float
    costs: str
    sources: list[MixSourceOut]


class MixOut(Out):
    """The nearest can, simpler ones, and what stands in the way of coming nearer."""

    best: MixOptionOut
    simpler: list[MixOptionOut]
    bound_by: list[str]
    clashes: list[str]


class SprayPreviewIn(CanSaidIn):
    """A spray to work out; ``vessel`` is what the sprayer holds."""

    stand_id: uuid.UUID
    plants: Count | None = None


class OnLeafOut(Out):
    """One nutrient on one plant: mg that land and go in, a week's need, and the share of it."""

    name: str
    lands: Figure
    enters: Figure
    need: Figure
    share: Figure
    share_text: str


class SpraySourceOut(Out):
    """So much of a jar in all that is mixed; ``per_l`` is mL or g in a litre of it."""

    jar_id: uuid.UUID
    name: str
    amount_text: str
    stock_after_text: str
    strength: str
    per_l: float
    unit: str


class SprayOut(Out):
    """A spray, as drawn on the Bench.

    ``refused`` is what bars it, and ``safe_way`` what does instead.
    """

    litres: Figure
    mix: Figure
    loads: int
    load_l: float
    load_text: str
    sprayer_l: float
    sources: list[SpraySourceOut]
    ec: Figure
    limit_text: str
    over: bool
    refused: str
    safe_way: str
    brings: str
    fit: str
    rows: list[OnLeafOut]
    plants: int
    counted: str
    air_text: str
    keeps: str
    short: bool
    advice: list[AdviceOut]
    working: list[StepOut]


class HourOut(Out):
    """An hour after midnight of today, open or shut by something."""

    at: int
    open: bool
    why: str


class RouteHoursOut(Out):
    """The hours of one way of feeding, and how it stands now in a sentence."""

    route: Literal["leaves", "roots", "dry"]
    text: str
    hours: list[HourOut]


class HoursOut(Out):
    """Today's and tomorrow's hours; ``source`` says who tells them."""

    source: str
    now: int
    routes: list[RouteHoursOut]


class SprayIn(Schema):
    """On how many plants of a stand, and when."""

    id: uuid.UUID
    stand_id: uuid.UUID
    plants: Count
    sprayed_at: Instant | None = None


class CorrectionOut(Out):
    """What makes a can right that was read."""

    kind: Literal["right", "water", "pour_off", "feed", "plain"]
    read: str
    expected: str
    text: str
    says: str
    water_l: float
    pour_off_l: float
    holds: str
    reads: Figure


class ReadCanIn(PreviewIn):
    """A can as mixed, and what the pen shows of it on the garden's scale."""

    value: Number


class CanReadOut(Out):
    """The correction of a can; None where it was never read, or is empty."""

    correction: CorrectionOut | None


class StirIn(Schema):
    """Water stirred into a can after some was poured off [L]."""

    id: uuid.UUID
    water_l: Number
    pour_off_l: Number = 0.0
