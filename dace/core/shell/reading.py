"""The read calculator: what somebody typed, and every way in which it may be meant."""

from __future__ import annotations

import re
from collections.abc import Callable

from dace.core.api import (
    DaceError,
    day_in_words,
    family_words,
    parse_strength,
    plain,
    read_amounts,
    read_conductivity,
    read_measure,
    read_number,
    say,
    shown,
    ways_of,
)
from dace.core.shell.jars_in import measures_in, owned_in
from dace.core.shell.json_in import Json, choice, text

Reading = tuple[float | str, str, str]
_UNITS = {
    "per_litre": "mL/L", "can": "mL", "nutrient": "mg/L", "ec": "mS/cm", "wish": "of the wish",
    "label": "of the label's rate", "usual": "of what is usual",
    "usual_leaf": "of what is usual on leaves",
}  # fmt: skip
_DAYS = {"hour": 1 / 24, "day": 1.0, "week": 7.0, "fortnight": 14.0, "month": 30.4, "year": 365.25}
_TIMES = {"twice": 2.0, "once": 1.0, "three times": 3.0}
_MOST_OWNED = 50


def read(given: Json) -> Json:
    """Every reading of a text, likeliest first; see ``docs/computation.md`` for the shape.

    >>> [one["value"] for one in read({"text": "1:12", "as": "strength"})["readings"]]
    [76.92307692307692, 83.33333333333333]
    """
    told = text(given, "text")
    found = _READERS[choice(given, "as", tuple(_READERS), "amount")](told, given)
    return {
        "readings": [{"value": v, "unit": unit, "words": words} for v, unit, words in found],
        "doubt": _doubt(told, found) if len(found) > 1 else None,
    }


def _doubt(told: str, found: list[Reading]) -> str:
    return f"“{told.strip()}” may be {' or '.join(words for _, _, words in found)}."


def _amount(told: str, given: Json) -> list[Reading]:
    owned = _owned_in(told, given)
    if owned is not None:
        return [owned]
    return [
        (one.value, one.unit, f"{_said(one.value, one.unit)}{family_words(one.family)}")
        for one in read_amounts(told, measures_in(given), "text")
    ]


def _said(value: float, unit: str) -> str:
    return shown.grams(value) if unit == "g" else f"{say(value, 3)} mL"


def _owned_in(told: str, given: Json) -> Reading | None:
    """So many of a measure that is owned, by its name: ``3 scoops``."""
    match = re.fullmatch(r"([\d.,/ ]+?)\s*(?:level )?([a-z][a-z ]*?)s?", plain(told))
    for measure in owned_in(given):
        if match and match[2] == measure.name:
            value = read_number(match[1], "text") * measure.holds_ml
            return value, "mL", f"{say(value, 3)} mL by the {measure.name}"
    return None


def _strength(told: str, given: Json) -> list[Reading]:
    found = parse_strength(told, measures_in(given), shown_as=str(given.get("shown", "")))
    return [
        (one.amount, _UNITS[one.kind].replace("mL", one.unit or "mL"), one.meaning) for one in found
    ]


def _volume(told: str, given: Json) -> list[Reading]:
    found = read_amounts(told, measures_in(given), "text")
    if found[0].unit != "mL":
        raise DaceError("text", f"“{told.strip()}”", "a volume such as 9 L would do")
    return [
        (one.value / 1000, "L", f"{say(one.value / 1000, 3)} L{family_words(one.family)}")
        for one in found
    ]


def _temperature(told: str, given: Json) -> list[Reading]:
    value = read_measure(told, "temperature", "text", "f" if measures_in(given) == "us" else "c")
    return [(value, "°C", f"{say(value, 3)} °C")]


def _length(told: str, _: Json) -> list[Reading]:
    value = read_measure(told, "length", "text")
    return [(value, "m", f"{say(value, 3)} m")]


def _conductivity(told: str, given: Json) -> list[Reading]:
    value = read_conductivity(told, str(given.get("scale", "mS/cm")), "text")
    return [(value, "mS/cm", f"{say(value, 3)} mS/cm")]


def _date(told: str, _: Json) -> list[Reading]:
    found = list(dict.fromkeys(ways_of(told).values()))
    if not found:
        raise DaceError("text", f"“{told.strip()}”", "a day such as 14 July 2026 would do")
    return [(str(day), "day", day_in_words(day)) for day in found]


def _interval(told: str, _: Json) -> list[Reading]:
    """How far apart, in days: ``every 10 days``, ``twice a week``, ``fortnightly``."""
    folded = plain(told)
    named = {"daily": 1.0, "weekly": 7.0, "fortnightly": 14.0, "monthly": 30.4}
    match = re.fullmatch(r"(?:every )?(?:([\d.,/ ]+) ?)?([a-z]+?)s?", folded)
    often = re.fullmatch(rf"({'|'.join(_TIMES)}|[\d.,]+ times?) (?:a|an|each|per) ([a-z]+)", folded)
    days: float | None = named.get(folded)
    if days is None and often and often[2] in _DAYS:
        times = _TIMES.get(often[1]) or read_number(often[1].split()[0], "text")
        days = _DAYS[often[2]] / times if times > 0 else None
    elif days is None and match and match[2] in _DAYS:
        days = _DAYS[match[2]] * (read_number(match[1], "text") if match[1] else 1.0)
    if days is None or days <= 0:
        raise DaceError("text", f"“{told.strip()}”", "every 10 days or twice a week would do")
    return [(days, "days", f"every {say(days, 3)} days" if days != 1 else "every day")]


_READERS: dict[str, Callable[[str, Json], list[Reading]]] = {
    "amount": _amount,
    "strength": _strength,
    "volume": _volume,
    "temperature": _temperature,
    "conductivity": _conductivity,
    "length": _length,
    "date": _date,
    "interval": _interval,
}
