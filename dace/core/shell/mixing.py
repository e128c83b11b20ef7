"""The mix calculator: sources and a wish in, the nearest can out."""

from __future__ import annotations

import math

from dace.core.api import (
    NUTRIENTS,
    Clash,
    DaceError,
    FoundMix,
    MixAsked,
    Range,
    Source,
    find_mix,
    place_kind,
    place_kinds,
)
from dace.core.shell.jars_in import feed_in, vessel_in, water_in
from dace.core.shell.json_in import Json, choice, json_object, number, rows, text

_SETTINGS = ("any", *place_kinds())
_ENDS = 3


def mix(given: Json) -> Json:
    """What to pour together for a wish; see ``docs/computation.md`` for the shape."""
    told = rows(given, "sources")
    cap = given.get("cap_ec_ms_cm")
    asked = MixAsked(
        sources=tuple(_offered(row) for row in told),
        water=water_in(json_object(given, "water")) if "water" in given else water_in(_NO_WATER),
        vessel_l=vessel_in(given),
        wish=_wish(json_object(given, "wish")),
        cap=None if cap is None else _not_negative(number(cap, "cap_ec_ms_cm"), "cap_ec_ms_cm"),
        in_pot=_in_pot(choice(given, "setting", _SETTINGS, "any")),
    )
    return _out(find_mix(asked))


def _in_pot(kind: str) -> bool:
    return kind != "any" and not place_kind(kind).in_ground


_NO_WATER: Json = {"ec_ms_cm": 0.0}


def _offered(row: Json) -> Source:
    feed, tokens = feed_in(json_object(row, "jar"), "jar")
    stock = row.get("stock")
    left = math.inf if stock is None else _not_negative(number(stock, "sources.stock"), "stock")
    return Source(text(row, "name"), text(row, "name"), feed, left, tokens)


def _not_negative(value: float, field: str) -> float:
    if value < 0:
        raise DaceError(field, f"{value:g}", "0 or more would do")
    return value


def _wish(given: Json) -> dict[str, Range]:
    found = {}
    for nutrient, ends in given.items():
        if nutrient not in NUTRIENTS:
            raise DaceError("wish", f"“{nutrient}”"[:40], f"use {', '.join(NUTRIENTS)}")
        if not isinstance(ends, list) or len(ends) != _ENDS:
            raise DaceError(f"wish.{nutrient}", repr(ends)[:60], "[low, typical, high] would do")
        low, typ, high = (number(end, f"wish.{nutrient}") for end in ends)
        if not 0 <= low <= typ <= high:
            raise DaceError(f"wish.{nutrient}", f"{ends}", "low, typical, high in order would do")
        found[nutrient] = Range(low, typ, high)
    return found


def _out(found: FoundMix) -> Json:
    can = found.can
    return {
        "amounts": [
            {
                "name": one.source.name,
                "amount": one.amount,
                "unit": one.source.feed.unit,
                "words": one.words,
            }
            for one in found.taken
        ],
        "mg_l": dict(found.mg_l),
        "ec_ms_cm": can.ec.value if can else None,
        "feed_ec_ms_cm": can.feed_ec if can else 0.0,
        "miss": found.miss,
        "bound_by": list(found.bound_by),
        "simpler": [{"without": one.without, "miss": one.miss} for one in found.simpler],
        "clashes": [clash_out(clash) for clash in found.clashes],
    }


def clash_out(clash: Clash) -> Json:
    """Two that do not go together, where, and what is right there."""
    return {
        "pair": [clash.first, clash.second],
        "where": clash.where,
        "right": clash.right,
        "order": [clash.first, clash.second] if clash.right == "order" else None,
        "what": clash.what,
        "why": clash.text,
    }
