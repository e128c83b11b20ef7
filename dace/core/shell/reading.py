"""The read calculator: what somebody typed, and every way in which it may be meant."""

from __future__ import annotations

import re
from collections.abc import Callable
from datetime import timedelta

from dace.core.api import (
    NUMBER,
    DaceError,
    as_decimal,
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
from dace.core.shell.weather_in import day_of
from dace.core.words.days import on_day

Reading = tuple[float | str, str, str]
_UNITS = {
    "per_litre": "mL/L", "can": "mL", "nutrient": "mg/L", "ec": "mS/cm", "wish": "of the wish",
    "label": "of the label's rate", "usual": "of what is usual",
    "usual_leaf": "of what is usual on leaves",
}  # fmt: skip
_DAYS = {"hour": 1 / 24, "day": 1.0, "week": 7.0, "fortnight": 14.0, "month": 30.4, "year": 365.25}
_TIMES = {"twice": 2.0, "once": 1.0, "three times": 3.0}
_MEASURED = ("amount", "volume", "temperature", "conductivity", "length")
_LEAST_MS_CM, _MOST_MS_CM = 0.002, 200.0  # rain and brine: what drains lies between
_VESSELS = ("can", "watering can")
_BY_NAME = (*_VESSELS, "scoop", "cap", "syringe", "jug")


def read(given: Json) -> Json:
    """Every reading of a text, likeliest first; see ``docs/computation.md`` for the shape.

    >>> [one["value"] for one in read({"text": "1:12", "as": "strength"})["readings"]]
    [76.92307692307692, 83.33333333333333]
    """
    told, kind = text(given, "text"), choice(given, "as", tuple(_READERS), "amount")
    found = _READERS[kind](told, given)
    found += [one for one in _with_a_point(told, kind, given) if one not in found]
    if kind == "conductivity":
        found = [one for one in found if _LEAST_MS_CM < float(one[0]) < _MOST_MS_CM] or found
    return {
        "readings": [{"value": v, "unit": unit, "words": words} for v, unit, words in found],
        "doubt": _doubt(told, found) if len(found) > 1 else None,
    }


def _with_a_point(told: str, kind: str, given: Json) -> list[Reading]:
    """What ``1,500`` is where the comma is a decimal point; strengths ask that themselves."""
    other = as_decimal(told) if kind in _MEASURED and measures_in(given) != "us" else None
    return _READERS[kind](other, given) if other else []


def _doubt(told: str, found: list[Reading]) -> str:
    return f"“{told.strip()}” may be {' or '.join(words for _, _, words in found)}."


def _amount(told: str, given: Json) -> list[Reading]:
    several = re.fullmatch(rf"({NUMBER}) ?(?:-|–|to) ?({NUMBER}) ?([a-z].*)", plain(told))
    if several:
        ends = (f"{several[1]} {several[3]}", f"{several[2]} {several[3]}")
        return [one for end in ends for one in _amount(end, given)]
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
    """So many of a measure or a can that is owned: ``3 scoops``, ``a capful``, ``half a can``."""
    folded = re.sub(r"^(?:an?|full) ", "1 ", plain(told))
    folded = re.sub(r"^half ", "1/2 ", folded)
    match = re.fullmatch(rf"({NUMBER}) ?(?:level )?([a-z][a-z ]*?)(?:ful)?s?", folded)
    if match is None or match[2] not in (*_BY_NAME, *(one.name for one in owned_in(given))):
        return None
    named = (one.holds_ml for one in owned_in(given) if one.name == match[2])
    ml = next(named, _can_ml(given) if match[2] in _VESSELS else None)
    if ml is None:
        would_do = f"say what a {match[2]} holds, such as 7 mL {match[2]}, among what is owned"
        raise DaceError("text", f"“{told.strip()}”", would_do)
    value = read_number(match[1], "text") * ml
    return value, "mL", f"{shown.millilitres(value)} by the {match[2]}"


def _can_ml(given: Json) -> float | None:
    """What the can holds [mL]: the first of ``vessels``, or ``vessel``."""
    several = given.get("vessels") or [given.get("vessel")]
    first = several[0] if isinstance(several, list) and several else None
    return (
        None if first is None else read_amounts(str(first), measures_in(given), "vessel")[0].value
    )


def _strength(told: str, given: Json) -> list[Reading]:
    spoken = re.fullmatch(
        r"(.+?(?:caps?|scoops?|capfuls?|scoopfuls?)) (per|to|in|/) (.+)", told.strip()
    )
    owned = _owned_in(spoken[1], given) if spoken else None
    if spoken and owned:
        told = f"{owned[0]:g} mL per {spoken[3]}"
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
    bare = re.sub(r"^(?:ec|tds|cf) (?=\d)", "", told.strip(), flags=re.IGNORECASE)
    scaled = re.sub(r"ppm ?\(? ?(500|700)(?: scale)? ?\)?$", r"ppm\1", bare, flags=re.IGNORECASE)
    value = read_conductivity(scaled, str(given.get("scale", "mS/cm")), "text")
    return [(value, "mS/cm", f"{say(value, 3)} mS/cm")]


def _date(told: str, given: Json) -> list[Reading]:
    today = day_of(given["today"], "today") if given.get("today") else None
    back = {"today": 0, "yesterday": 1}.get(plain(told))
    found = list(dict.fromkeys(ways_of(told).values()))
    if not found and today is not None:
        if back is not None:
            found = [today - timedelta(days=back)]
        else:  # without its year: the last one gone by
            years = (f"{told.strip()} {today.year - ago}" for ago in (0, 1))
            days = [day for year in years for day in ways_of(year).values() if day <= today]
            found = days[:1]
    if not found:
        raise DaceError("text", f"“{told.strip()}”", "a day such as 14 July 2026 would do")
    return [(str(day), "day", on_day(day, year=True)) for day in found]


def _interval(told: str, _: Json) -> list[Reading]:
    """How far apart, in days: ``every 10 days``, ``twice a week``, ``fortnightly``."""
    folded = re.sub(r"^every other (?=[a-z])", "every 2 ", plain(told))
    folded = re.sub(r"^every (\d+)(?:st|nd|rd|th) ", r"every \1 ", folded.replace("second", "2"))
    several = re.fullmatch(r"(?:every )?(\d+) ?(?:-|–|to) ?(\d+) ([a-z]+)", folded)
    if several:
        ends = (f"every {end} {several[3]}" for end in (several[1], several[2]))
        return [one for end in ends for one in _interval(end, {})]
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
