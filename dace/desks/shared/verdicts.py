"""A stop's verdict on its way out: the same words on every screen."""

from __future__ import annotations

import uuid
from datetime import date

from dace.core import api as core
from dace.core.api import After, Portion, Verdict, shown
from dace.desks.shared.figures import StepOut, steps_out
from dace.desks.shared.out import Out


class BaseOut(Out):
    """A brew that goes into a can first."""

    jar_id: uuid.UUID
    name: str
    words: str
    strength: str


class PortionOut(Out):
    """So much of a jar for a stop: as a can [L] or, with no vessel, spread dry.

    ``key`` tells it from the other offers; ``base`` is what goes in before.
    """

    key: str
    base: BaseOut | None
    jar_id: uuid.UUID
    name: str
    text: str
    words: str
    strength: str
    water_id: uuid.UUID | None
    vessel_id: uuid.UUID | None
    vessel_l: float
    litres: float
    cans: int
    bound_by: str


class EachOut(Out):
    """What one planting gets [L each], and why."""

    stand_id: uuid.UUID
    litres: float
    litres_text: str
    reason: str


class AnswerOut(Out):
    """What an answer leads to."""

    answer: str
    kind: str
    leads_to: str


class QuestionOut(Out):
    """Something to look at, and what the answers lead to; ``yes`` and ``no`` name stages."""

    about: str
    what: str
    mark: str
    after: list[AnswerOut]
    stand_id: uuid.UUID | None
    yes: str
    no: str


class BasisOut(Out):
    """What the verdict rests on, and how old that is."""

    what: str
    text: str
    age: str


class GoOut(Out):
    """A flush, pour by pour."""

    each_l: float
    each_text: str
    goes: int
    read_after: int
    aim_text: str
    after_text: str


class VerdictOut(Out):
    """What a stop wants today; every screen shows these words."""

    kind: str
    mark: str
    headline: str
    reason: str
    button: str
    next_on: date | None
    each: list[EachOut]
    portion: PortionOut | None
    offers: list[PortionOut]
    flush: GoOut | None
    water_id: uuid.UUID | None
    water: str
    litres: float
    question: QuestionOut | None
    rhythm: str
    basis: list[BasisOut]
    working: list[StepOut]


def verdict_out(found: Verdict) -> VerdictOut:
    """As it goes out."""
    question, plan = found.question, found.flush
    return VerdictOut(
        kind=found.kind,
        mark=found.mark,
        headline=found.headline,
        reason=found.reason,
        button=found.button,
        next_on=found.next_on,
        each=[
            EachOut(
                stand_id=uuid.UUID(one.planting),
                litres=one.litres,
                litres_text=shown.litres(one.litres, 2) if one.litres else "",
                reason=one.reason,
            )
            for one in found.each
        ],
        portion=_portion(found.recipe) if found.recipe else None,
        offers=[_portion(one) for one in found.offers],
        flush=GoOut(
            each_l=round(plan.each_l, 2),
            each_text=shown.litres(plan.each_l, 2),
            goes=plan.goes,
            read_after=plan.read_after,
            aim_text=shown.ec_number(plan.target, 1),
            after_text=f"{shown.ec_span(plan.after.low, plan.after.high)}, likely "
            f"{shown.ec_number(plan.after.value, 1)}",
        )
        if plan
        else None,
        water_id=uuid.UUID(found.water) if found.water else None,
        water=found.water_name,
        litres=round(found.litres, 3),
        question=QuestionOut(
            about=question.about,
            what=question.what,
            mark=question.mark,
            after=[_answer(one) for one in question.after],
            stand_id=uuid.UUID(question.planting) if question.planting else None,
            yes=question.yes,
            no=question.no,
        )
        if question
        else None,
        rhythm=found.rhythm,
        basis=[
            BasisOut(what=one.what, text=one.text, age=_age(one.age_days)) for one in found.basis
        ],
        working=steps_out(found.working),
    )


def _answer(one: After) -> AnswerOut:
    leads_to = core.kind_of(one.kind).leads_to
    return AnswerOut(answer=one.answer, kind=one.kind, leads_to=leads_to)


def _portion(one: Portion) -> PortionOut:
    base = one.base
    return PortionOut(
        key="+".join(one.used),
        base=BaseOut(
            jar_id=uuid.UUID(base.source),
            name=base.name,
            words=base.said.words,
            strength=base.strength,
        )
        if base
        else None,
        jar_id=uuid.UUID(one.source),
        name=one.name,
        text=_portion_text(one),
        words=one.words,
        strength=one.strength,
        water_id=uuid.UUID(one.water) if one.water else None,
        vessel_id=uuid.UUID(one.vessel) if one.vessel else None,
        vessel_l=round(one.fill_l, 3),
        litres=round(one.litres, 3),
        cans=one.cans,
        bound_by=one.bound_by,
    )


def _portion_text(one: Portion) -> str:
    if one.can is None:
        return f"{one.words} of {one.name}, {one.strength}"
    first = f"{one.base.said.words} of {one.base.name}, " if one.base else ""
    return f"{first}{one.words} of {one.name} in {core.fill_words(one.fill_l)} of {one.water_name}"


def _age(days: int | None) -> str:
    return "" if days is None else core.ago(days)
