"""The plan calculator: a garden in, what is to be done today and in the weeks ahead out."""

from __future__ import annotations

from dace.core.api import CanToMix, Event, make_plan
from dace.core.shell.json_in import Json, number
from dace.core.shell.verdicts import amounts_out, verdict_out
from dace.core.shell.yards import yard_in

_WEEKS = 12


def plan(given: Json) -> Json:
    """Verdicts, events, cans, waits and what runs short; see ``docs/computation.md``."""
    weeks = int(number(given.get("weeks", _WEEKS), "weeks"))
    asked = yard_in(given)
    found, names = make_plan(asked, weeks), {one.key: one.name for one in asked.sources}
    return {
        "verdicts": [verdict_out(one) for one in found.verdicts],
        "events": [_event(one) for one in found.events],
        "cans": [_can(one) for one in found.cans],
        "cans_ahead": [
            {"on": str(one.on), "litres": one.litres, "cans": one.fills, "vessel": one.vessel,
             "amounts": [{"name": names[key], "amount": ml_or_g} for key, ml_or_g in one.amounts],
             "stops": list(one.stops)}
            for one in found.cans_ahead
        ],
        "waits": [
            {"stop": one.stop, "kind": one.kind, "why": one.why,
             "until": str(one.until) if one.until else None}
            for one in found.waits
        ],
        "short": [
            {"stop": one.stop, "nutrient": one.nutrient, "share": one.share, "mg": one.mg,
             "since": str(one.since), "why": one.why, "text": one.text}
            for one in found.short
        ],
        "carried": [{"stop": one.stop, "share": one.share} for one in found.carried],
        "made": [
            {"name": names[one.source], "text": one.text, "heap_ml": one.heap_ml,
             "heap_on": str(one.heap_on) if one.heap_on else None,
             "goes": [{"on": str(each.on), "stop": each.stop, "amount": each.amount}
                      for each in one.goes]}
            for one in found.destinies
        ],
        "remedies": [
            {"kind": one.kind, "stops": list(one.stops), "nutrients": list(one.nutrients),
             "since": str(one.since), "text": one.text}
            for one in found.remedies
        ],
        "hash": found.digest,
    }  # fmt: skip


def _event(one: Event) -> Json:
    can = one.portion.can if one.portion else None
    return {
        "stop": one.stop,
        "slot": one.slot,
        "on": str(one.on),
        "kind": one.kind,
        "stage": one.stages[0][1] if one.stages else None,
        "stages": {planting.split(":", 1)[-1]: stage for planting, stage in one.stages},
        "amounts": amounts_out(one.portion) if one.portion else [],
        "water": one.water_name or None,
        "litres": one.litres,
        "each": [
            {"planting": each.planting.split(":", 1)[-1], "litres": each.litres,
             "reason": each.reason}
            for each in one.each
        ],
        "mg_l": {name: result.value for name, result in can.nutrients} if can else None,
        "ec_ms_cm": can.ec.value if can else None,
        "feed_ec_ms_cm": can.feed_ec if can else None,
        "cap_ms_cm": one.portion.cap if one.portion and can else None,
        "why": list(one.why),
    }  # fmt: skip


def _can(one: CanToMix) -> Json:
    return {
        "amounts": amounts_out(one.portion),
        "water": one.portion.water_name,
        "litres": one.portion.litres,
        "cans": one.portion.cans,
        "vessel": one.portion.vessel_name or None,
        "ec_ms_cm": one.portion.can.ec.value if one.portion.can else None,
        "served": [{"stop": served.stop, "litres": served.litres} for served in one.served],
        "why": one.why,
    }
