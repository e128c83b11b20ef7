"""The verdict calculator: a garden in, what each stop wants today out."""

from __future__ import annotations

from dataclasses import asdict

from dace.core.api import NUTRIENTS, Portion, Verdict, verdicts
from dace.core.shell.json_in import Json
from dace.core.shell.yards import yard_in


def verdict(given: Json) -> Json:
    """One verdict for each stop; see ``docs/computation.md`` for the shape."""
    return {"verdicts": [verdict_out(found) for found in verdicts(yard_in(given))]}


def verdict_out(found: Verdict) -> Json:
    """A verdict as plain JSON."""
    portion, question = found.recipe, found.question
    can = portion.can if portion else None
    return {
        "id": found.stop,
        "kind": found.kind,
        "mark": found.mark,
        "headline": found.headline,
        "reason": found.reason,
        "button": found.button,
        "amounts": amounts_out(portion) if portion else [],
        "water": found.water_name or None,
        "litres": found.litres,
        "each": [
            {
                "planting": one.planting.split(":", 1)[-1],
                "litres": one.litres,
                "reason": one.reason,
            }
            for one in found.each
        ],
        "mg_l": {name: result.value for name, result in can.nutrients} if can else None,
        "owed_mg": dict(zip(NUTRIENTS, found.owed_mg, strict=True)) if found.owed_mg else None,
        "brings_mg": {name: result.value * found.litres for name, result in can.nutrients}
        if can
        else None,
        "ec_ms_cm": can.ec.value if can else None,
        "feed_ec_ms_cm": can.feed_ec if can else None,
        "cap_ms_cm": portion.cap if portion and can else None,
        "strength": portion.strength if portion else None,
        "bound_by": portion.bound_by if portion else None,
        "flush": _flush(found),
        "look": {
            "what": question.what,
            "about": question.about,
            "after": [asdict(one) for one in question.after],
        }
        if question
        else None,
        "to_get": _to_get(found),
        "rhythm": found.rhythm,
        "basis": [asdict(one) for one in found.basis],
        "next_on": str(found.next_on) if found.next_on else None,
        "working": [asdict(step) for step in found.working],
    }


def amounts_out(portion: Portion) -> list[Json]:
    """So much of each source, in the order in which it is poured."""
    base, own = (
        portion.base,
        {
            "name": portion.name,
            "amount": portion.amount,
            "unit": portion.unit,
            "words": portion.words,
        },
    )
    if base is None:
        return [own]
    first = {"name": base.name, "amount": base.amount, "unit": "mL", "words": base.said.words}
    return [first, own]


def _flush(found: Verdict) -> Json | None:
    if found.flush is None:
        return None
    plan = found.flush
    return {
        "litres": plan.litres.value,
        "goes": plan.goes,
        "each_l": plan.each_l,
        "read_after": plan.read_after,
        "target_ms_cm": plan.target,
    }


def _to_get(found: Verdict) -> list[Json]:
    if found.to_get is None:
        return []
    one = found.to_get
    return [{"nutrients": list(one.nutrients), "what": one.what, "amount": one.grams}]
