"""Scales and stands to score; signs, and what one means at a stand."""

from __future__ import annotations

import uuid
from collections.abc import Mapping

from dace.core import api as core
from dace.core.api import Sign, SignFound
from dace.desks.looks.facts import facts_of, stop_of
from dace.desks.looks.schemas import (
    CauseOut,
    FactOut,
    OfferedSignsOut,
    OpenCheckOut,
    ScaleOut,
    ScoredOut,
    ScoringOut,
    SignOut,
    SignReadOut,
    SignsOut,
)
from dace.desks.shared.stops import growing_words, stop_name
from dace.feeding.verdicts import StopVerdict, stop_verdicts
from dace.garden.observing import last_scores, open_checks
from dace.garden.reads import StandRecord, garden_of, stops
from dace.garden.services import today
from dace.households.scope import Scope

ROW_SCALES = ("colour", "growth", "damage", "set", "turgor")
"""What is looked over along the row, in this order."""
_LIKELY = ((0.6, "most likely"), (0.3, "likely"), (0.12, "possible"), (0.0, "less likely"))
_CAUTION = "Local rules and the labels of products come first."
_SHOWN = 5


def scoring_page(scope: Scope) -> ScoringOut:
    """Every stand in walking order with its last scores; one query beside the verdicts."""
    stops = stop_verdicts(scope)
    stands = [(stop, stand) for stop in stops for stand in stop.stands]
    last = last_scores(scope, [stand.id for _, stand in stands])
    return ScoringOut(
        scales=[
            ScaleOut(key=one.key, name=one.name, look=one.look, words=list(one.words))
            for key, one in core.scales().items()
            if key in ROW_SCALES
        ],
        stands=[_scored(stop, stand, last.get(stand.id, {})) for stop, stand in stands],
    )


def _scored(stop: StopVerdict, stand: StandRecord, last: dict[str, float]) -> ScoredOut:
    known = core.scales()
    return ScoredOut(
        stand_id=stand.id,
        place_id=stop.place.id,
        name=stop_name(stop),
        who=growing_words([stand]),
        last=last,
        last_text=", ".join(f"{known[key].name} {score:g}" for key, score in last.items()),
    )


def signs_page(scope: Scope) -> SignsOut:
    """Every sign, which each stand can have, and those whose outcome is to be told."""
    on = today(scope, garden_of(scope))
    return SignsOut(
        signs=[_sign(one) for one in core.signs().values()],
        offered=[
            OfferedSignsOut(
                stand_id=stand.id,
                signs=[
                    one.key
                    for one in core.signs_on(
                        stand.crop, stand.stage, core.setting(stand.setting).in_ground
                    )
                ],
            )
            for place in stops(scope)
            for stand in place.stands
        ],
        open=[
            OpenCheckOut(
                id=row.pk,
                name=f"{row.fill}, {row.stand.planting.grown.name.lower()}",
                pattern=core.signs()[row.sign].pattern if row.sign in core.signs() else row.sign,
                causes=[cause for cause, _ in row.causes],
                again_on=row.again_on,
                due=row.again_on <= on,
            )
            for row in open_checks(scope)
        ],
    )


def _sign(one: Sign) -> SignOut:
    return SignOut(
        key=one.key,
        name=one.name,
        position=one.position,
        pattern=one.pattern,
        crops=one.crops,
        urgency=one.urgency,
    )


def read_sign_at(
    scope: Scope, stand_id: uuid.UUID, sign: str, told: Mapping[str, float]
) -> tuple[SignReadOut, SignFound]:
    """What a sign means at a stand by all that is known; what is told outranks what is known."""
    stop, stand = stop_of(scope, stand_id)
    known = facts_of(scope, stop, stand)
    facts = {one.name: one.value for one in known} | dict(told)
    found = core.read_sign(sign, stand.crop, stand.clock.stage, facts)
    return _read(found, stop, stand, [one for one in known if one.name not in told]), found


def _read(
    found: SignFound, stop: StopVerdict, stand: StandRecord, known: list[FactOut]
) -> SignReadOut:
    return SignReadOut(
        sign=_sign(found.sign),
        who=f"{stop_name(stop)}: {growing_words([stand])}",
        facts=known,
        causes=[
            CauseOut(
                cause=one.cause[:1].upper() + one.cause[1:],
                kind=one.kind,
                share=round(one.probability, 3),
                likely=next(words for least, words in _LIKELY if one.probability >= least),
                why=list(one.why),
                against=list(one.against),
            )
            for one in found.causes[:_SHOWN]
        ],
        check=found.sign.check,
        feeding_helps=found.feeding_helps or "",
        feeding_does_not=found.sign.feeding_does_not,
        reversible=_REVERSIBLE.get(found.sign.reversible, found.sign.reversible),
        urgency=found.sign.urgency,
        caution=_CAUTION,
    )


_REVERSIBLE = {
    "y": "It can recover.",
    "partly": "It recovers in part: judge by what grows from now on.",
    "n": "What is hurt stays so: judge by what grows from now on.",
}
