"""The calculators of trials and signs."""

from __future__ import annotations

from dace.core.api import Compared, DaceError, crop, judge_trial, read_sign
from dace.core.shell.json_in import Json, json_object, number, text

_WORTHWHILE = 20.0


def trial(given: Json) -> Json:
    """Fed against unfed; see ``docs/computation.md`` for the shape."""
    found = judge_trial(_compared(given))
    return {
        "verdict": found.verdict,
        "gain_percent": 100 * found.gain,
        "interval_percent": [None if end is None else 100 * end for end in found.interval],
        "p": found.p,
        "smallest_p": found.smallest_p,
        "text": found.text,
        "enough": found.enough or None,
    }


def _compared(given: Json) -> Compared:
    measure = text(given, "measure") if "measure" in given else "the measure"
    share = number(given.get("worthwhile_percent", _WORTHWHILE), "worthwhile_percent") / 100
    if "pairs" in given:
        rows = given["pairs"]
        if not isinstance(rows, list) or not all(isinstance(r, list) and len(r) == 2 for r in rows):
            raise DaceError("pairs", repr(rows)[:60], "a list of [fed, unfed] would do")
        fed, unfed = (_numbers([row[at] for row in rows], "pairs") for at in (0, 1))
        return Compared(measure, fed, unfed, True, share)
    fed, unfed = (_numbers(given.get(side), side) for side in ("fed", "unfed"))
    return Compared(measure, fed, unfed, False, share)


def _numbers(values: object, field: str) -> tuple[float, ...]:
    if not isinstance(values, list):
        raise DaceError(field, repr(values)[:60], "a list of numbers would do")
    return tuple(number(value, field) for value in values)


def signs_of(given: Json) -> Json:
    """What a sign likely means; see ``docs/computation.md`` for the shape."""
    grown = crop(text(given, "crop"))
    stage = grown.stage(text(given, "stage")) if given.get("stage") else None
    told = json_object(given, "facts") if "facts" in given else {}
    facts = {
        str(name): number(value, f"facts.{name}")
        for name, value in told.items()
        if value is not None
    }
    found = read_sign(text(given, "sign"), grown, stage, facts)
    return {
        "causes": [
            {"cause": one.cause, "kind": one.kind, "probability": one.probability,
             "why": list(one.why), "against": list(one.against)}
            for one in found.causes
        ],
        "check": found.sign.check,
        "feeding_helps": found.feeding_helps,
        "feeding_does_not": found.sign.feeding_does_not,
        "reversible": found.sign.reversible,
        "urgency": found.sign.urgency,
    }  # fmt: skip
