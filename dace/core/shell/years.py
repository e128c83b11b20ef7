"""Calculators of the year round: what was learned, a cold night, what follows what."""

from __future__ import annotations

from dace.core.api import (
    SHELTERS,
    DaceError,
    Night,
    Range,
    Told,
    crop,
    crops,
    follows,
    frost_words,
    harm_chance,
    learned,
)
from dace.core.shell.json_in import Json, choice, entries, json_object, number, rows, text
from dace.core.shell.weather_in import day_of, outlook_of

_MOST = 200


def learned_of(given: Json) -> Json:
    """Where the next estimate starts; see ``docs/computation.md`` for the shape.

    >>> table = {"low": 1.7, "typ": 3.4, "high": 6.8}
    >>> learned_of({"kind": "recipe", "table": table, "values": []})
    {'low': 1.7, 'likely': 3.4, 'high': 6.8, 'n': 0}
    """
    told = json_object(given, "table")
    low, typ, high = (number(told.get(name), f"table.{name}") for name in ("low", "typ", "high"))
    values = [
        Told(number(row.get("log"), "values.log"), number(row.get("sd"), "values.sd"))
        for row in rows(given, "values")[:_MOST]
    ]
    found = learned(text(given, "kind"), Range(low, typ, high), values)
    return {"low": found.low, "likely": found.typ, "high": found.high, "n": len(values)}


def frost(given: Json) -> Json:
    """The chance that tonight marks a crop; see ``docs/computation.md`` for the shape.

    >>> frost({"crop": "chilli", "stage": "grown", "forecast_low_c": 12})["say"]
    'No harm likely tonight.'
    """
    night = Night(
        number(given.get("forecast_low_c"), "forecast_low_c"),
        number(given.get("spread_c", 1.5), "spread_c"),
        _yes(given, "clear"),
        _yes(given, "still"),
    )
    shelter = choice(given, "shelter", SHELTERS, "open")
    key = text(given, "crop")
    chance = harm_chance(key, str(given.get("stage", "grown")), night, shelter)
    return {"harm_chance": chance, "say": frost_words(key, chance, night, shelter)}


def _yes(given: Json, field: str) -> bool:
    value = given.get(field, False)
    if not isinstance(value, bool):
        raise DaceError(field, repr(value)[:60], "true or false would do")
    return value


def follows_of(given: Json) -> Json:
    """What may follow; see ``docs/computation.md`` for the shape."""
    on = day_of(given.get("on"), "on")
    days = outlook_of(given | {"days": None}, on)
    named = [str(key) for key in entries(given, "crops", _MOST)]
    chosen = [crop(key) for key in named] or list(crops().values())
    found = follows(chosen, _before(given), days)
    return {
        "follows": [
            {"green_manure" if one.green_manure else "crop": one.key, "why": one.why,
             "against": one.against or None}
            for one in found
        ]
    }  # fmt: skip


def _before(given: Json) -> list[tuple[int, str]]:
    told = []
    for row in entries(given, "families_before", _MOST):
        if not isinstance(row, list) or len(row) != 2:
            raise DaceError(
                "families_before", repr(row)[:60], "rows such as [2025, legume] would do"
            )
        told.append((int(number(row[0], "families_before")), str(row[1])))
    return told
