"""The read calculator: what somebody typed, and every way in which it may be meant."""

from __future__ import annotations

import re
from collections.abc import Callable
from datetime import date, timedelta

from dace.core.api import (
    NUMBER,
    RHYTHM_WORDS,
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
_NAMED = {"daily": "day", "weekly": "week", "fortnightly": "fortnight", "monthly": "month"}
_RHYTHMS = {
    "every_watering": r"(?:(?:at|with|in) )?(?:each|every) watering|(?:whenever|each time) i water",
    "as_needed": r"as (?:often as )?needed|when needed",
}
_WEEKDAYS = ("mon", "tue", "wed", "thu", "fri", "sat", "sun")
_WEEKDAY = r"(mon|tue|wed|thu|fri|sat|sun)(?:s|nes|rs?|ur)?(?:day)?"
_BACK = {
    "today": 0, "now": 0, "this": 0, "tonight": 0, "yesterday": 1, "last": 1,
    "day before yesterday": 2,
}  # fmt: skip
_MOST_BACK = 366
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
    same = {one[:2] for one in found}
    found += [one for one in _with_a_point(told, kind, given) if one[:2] not in same]
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
    folded = re.sub(r"^(?:(?:an? )?full|an?) ", "1 ", plain(told))
    folded = re.sub(r"^half ", "1/2 ", folded)
    match = re.fullmatch(rf"({NUMBER}) ?(?:level )?([a-z][a-z ]*?)(?:ful)?s?", folded)
    if match is None or match[2] not in (*_BY_NAME, *(one.name for one in owned_in(given))):
        return None
    named = (one.holds_ml for one in owned_in(given) if one.name == match[2])
    ml = next(named, _can_ml(given) if match[2] in _VESSELS else None)
    if ml is None:
        such = "9 L" if match[2] in _VESSELS else "7 mL"
        would_do = f"say what a {match[2]} holds, such as {such} {match[2]}, among what is owned"
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
    owned = _owned_in(told, given)
    if owned is not None:
        return [(float(owned[0]) / 1000, "L", owned[2])]
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
    usual = str(given.get("scale", "mS/cm"))
    if re.search(r"(?:ppm|tds)$|^(?:ppm|tds) ?[\d.,]+$", plain(told)) and "ppm" not in usual:
        # nobody said which ppm: both
        both = [(read_conductivity(told, one, "text"), one[3:]) for one in ("ppm500", "ppm700")]
        return [(value, "mS/cm", f"{say(value, 3)} mS/cm, {scale} scale") for value, scale in both]
    value = read_conductivity(told, usual, "text")
    if value >= _MOST_MS_CM and usual == "mS/cm":
        value = read_conductivity(told, "uS/cm", "text")  # none is so salty: microsiemens
        return [(value, "mS/cm", f"{say(value, 3)} mS/cm, told in {shown.scale_name('uS/cm')}")]
    return [(value, "mS/cm", f"{say(value, 3)} mS/cm")]


def _date(told: str, given: Json) -> list[Reading]:
    today = day_of(given["today"], "today") if given.get("today") else None
    said = re.sub(r"^(?:on|the) | (?:morning|noon|afternoon|evening|night)$", "", plain(told))
    said = re.sub(r"(?<=\d)(st|nd|rd|th) of ", r"\1 ", said)
    dated = re.sub(rf"^{_WEEKDAY},? (?=.*\d)", "", said)
    found = list(dict.fromkeys((ways_of(told) or ways_of(dated)).values()))
    if not found and today is not None:
        found = _days_gone(said, today) or _without_year(dated, today)
    if not found:
        raise DaceError("text", f"“{told.strip()}”", "a day such as 14 July 2026 would do")
    return [(str(day), "day", on_day(day, year=True)) for day in found]


def _days_gone(said: str, today: date) -> list[date]:
    """``yesterday``, ``3 days ago``, ``last Tuesday``: a day told by how far it lies back."""
    back = _BACK.get(said)
    ago = re.fullmatch(r"(an?|\d{1,3}) (day|week|fortnight)s? ago", said)
    if ago:
        back = round((1 if ago[1].startswith("a") else int(ago[1])) * _DAYS[ago[2]])
    weekday = re.fullmatch(rf"(last )?{_WEEKDAY}", said)
    if weekday:
        back = (today.weekday() - _WEEKDAYS.index(weekday[2])) % 7
        back += 7 if weekday[1] and back == 0 else 0
    return [] if back is None or back > _MOST_BACK else [today - timedelta(days=back)]


def _without_year(dated: str, today: date) -> list[date]:
    """The last one gone by, of each order of the figures that makes a day."""
    figures = re.fullmatch(r"(\d{1,2})[./-](\d{1,2})\.?", dated)
    basic = re.fullmatch(r"(\d{4})(\d\d)(\d\d)", dated)
    if basic:
        return list(ways_of("-".join(basic.groups())).values())
    last: dict[str, date] = {}
    for ago in (0, 1):
        year = today.year - ago
        cell = f"{figures[1]}/{figures[2]}/{year}" if figures else f"{dated} {year}"
        for order, day in ways_of(cell).items():
            if day <= today:
                last.setdefault(order, day)
    return list(dict.fromkeys(last.values()))


def _interval(told: str, _: Json) -> list[Reading]:
    """How far apart, in days: ``every 10 days``, ``twice a week``, ``fortnightly``."""
    for rhythm, spelt in _RHYTHMS.items():
        if re.fullmatch(spelt, plain(told)):
            return [(rhythm, "rhythm", RHYTHM_WORDS[rhythm])]
    if plain(told) in ("biweekly", "bi-weekly"):
        return [one for way in ("every 2 weeks", "twice a week") for one in _interval(way, {})]
    folded = re.sub(r"^(?:once |1 )?every other (?=[a-z])", "every 2 ", plain(told))
    folded = re.sub(r"^(?:once|1) (?=every)", "", folded)
    folded = re.sub(r"^alternate (day|week|month)s?$", r"every 2 \1s", folded)
    folded = re.sub(r"^(.+) (daily|weekly|monthly)$", lambda m: f"{m[1]} a {_NAMED[m[2]]}", folded)
    folded = re.sub(r"^(\d+) ?x (?=an?|each|per|every)", r"\1 times ", folded)
    folded = re.sub(r"^every (\d+)(?:st|nd|rd|th) ", r"every \1 ", folded.replace("second", "2"))
    several = re.fullmatch(r"(?:every )?(\d+) ?(?:-|–|to) ?(\d+) ([a-z]+)", folded)
    if several:
        ends = (f"every {end} {several[3]}" for end in (several[1], several[2]))
        return [one for end in ends for one in _interval(end, {})]
    match = re.fullmatch(r"(?:every )?(?:([\d.,/ ]+) ?)?([a-z]+?)s?", folded)
    often = re.fullmatch(rf"({'|'.join(_TIMES)}|[\d.,]+ times?) (?:a|an|each|per) ([a-z]+)", folded)
    days = _DAYS[_NAMED[folded]] if folded in _NAMED else None
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
