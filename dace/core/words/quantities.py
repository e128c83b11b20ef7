"""Kitchen and metric measures: the core's one door to Pint.

Families of measures differ by their spoons and gallons; ``measures.csv`` says
how. A measure that a family does not know (a gallon in a metric garden) gives
every reading, each with its family named.
"""

from __future__ import annotations

import re
from dataclasses import dataclass, replace
from functools import cache

import pint

from dace.core.errors import DaceError, WhoseMeasureError
from dace.core.figures import load_table
from dace.core.words.loosely import times_told
from dace.core.words.numbers import NUMBER, plain, read_number

FAMILIES = ("metric", "us", "imperial", "australian")

_KITCHEN = {
    "teaspoon": ("tsp", "tsps", "teaspoon", "teaspoons"),
    "tablespoon": ("tbsp", "tbsps", "tbs", "tablespoon", "tablespoons"),
    "cup": ("cup", "cups"),
    "pint": ("pt", "pint", "pints"),
    "quart": ("qt", "quart", "quarts"),
    "fluid_ounce": ("floz", "fl oz", "fl. oz", "fluid ounce", "fluid ounces", "fl ounces"),
    "gallon": ("gal", "gals", "gallon", "gallons"),
    "dessertspoon": ("dsp", "dssp", "dessertspoon", "dessertspoons"),
    "drop": ("drop", "drops"),
}
_METRIC_VOLUMES = {
    "millilitre": ("ml", "mls", "cc", "millilitre", "millilitres", "milliliter", "milliliters"),
    "centilitre": ("cl",),
    "decilitre": ("dl",),
    "litre": ("l", "lt", "ltr", "ltrs", "litre", "litres", "liter", "liters"),
    "foot ** 3": ("ft3", "cu ft", "cuft", "cubic foot", "cubic feet"),
    "yard ** 3": ("yd3", "cu yd", "cubic yard", "cubic yards"),
    "meter ** 3": ("m3", *(f"cubic {one}" for one in ("metre", "metres", "meter", "meters"))),
}
_MASSES = {
    "milligram": ("mg",),
    "gram": ("g", "gr", "gram", "grams", "gramme", "grammes"),
    "kilogram": ("kg", "kgs", "kilo", "kilos", "kilogram", "kilograms"),
    "ounce": ("oz", "ozs", "ounce", "ounces"),
    "pound": ("lb", "lbs", "pound", "pounds"),
}
_NAMES = {
    spelling: name
    for table in (_KITCHEN, _METRIC_VOLUMES, _MASSES)
    for name, spellings in table.items()
    for spelling in spellings
}
_OTHER = {
    "length": {
        "meter": ("m", "metre", "metres", "meter", "meters"),
        "centimeter": ("cm", *(f"centi{one}" for one in ("metre", "metres", "meter", "meters"))),
        "millimeter": ("mm", *(f"milli{one}" for one in ("metre", "metres", "meter", "meters"))),
        "inch": ("in", "inch", "inches", '"', "”"),
        "yard": ("yd", "yds", "yard", "yards"),
        "foot": ("ft", "foot", "feet", "'"),
    },
    "area": {
        "meter ** 2": (
            *("m2", "m²", "sq m", "sqm"),
            *("square metre", "square metres", "square meter", "square meters"),
        ),
        "foot ** 2": ("ft2", "sq ft", "sqft", "sq feet", "square feet", "square foot"),
        "yard ** 2": ("yd2", "sq yd", "sq yds", "square yard", "square yards", "sq yard"),
    },
    "temperature": {
        "degC": (
            *("c", "°c", "°", "deg", "deg c", "degc", "degrees", "degrees c", "celsius"),
            *("degrees celsius", "centigrade", "degrees centigrade"),
        ),
        "degF": ("f", "°f", "deg f", "degf", "degrees f", "fahrenheit", "degrees fahrenheit"),
    },
}
_BASE = {"length": "meter", "area": "meter ** 2", "temperature": "degC"}
_EXAMPLES = {
    "length": "1.2 m or 4 ft",
    "area": "2.5 m2 or 30 sq ft",
    "temperature": "18 °C or 64 °F",
}
_WHOSE = {
    "us": ("us", "u.s.", "american"),
    "imperial": ("imperial", "imp", "uk", "british", "english"),
    "australian": ("australian", "aus", "aussie"),
    "metric": ("metric",),
}
_OWNERS = {spelling: family for family, spellings in _WHOSE.items() for spelling in spellings}
_FAMILY_FIRST = "|".join(re.escape(s) for s in sorted(_OWNERS, key=len, reverse=True))
UNIT = rf"(?:(?:{_FAMILY_FIRST}) )?(?:level )?(?:" + (
    "|".join(re.escape(s) for s in sorted(_NAMES, key=len, reverse=True)) + ")"
)
"""Pattern of every unit that is read, longest first, with whose it is before it or without."""
AREA_UNIT = "|".join(
    re.escape(spelling)
    for spelling in sorted(
        (s for row in _OTHER["area"].values() for s in row), key=len, reverse=True
    )
)
"""Pattern of every unit of area."""


_SPELT_OUT = 4  # letters: nobody means one by a bare L
_CONTAINERS = (
    "bucket|box|bag|bottle|watering can|can|jug|jar|pack|packet|pail|tub|sack|carton|canister"
    "|spoon|syringe"
)
_ABOUT = r"^(?:about|around|approx\.?|approximately|roughly|circa|ca?\.?|some|~) ?(?=\d|an? )"
_HEAPED = re.compile(r"\b(?:heap(?:ed|ing)|rounded)\b")
_QUARTERS = {"": "1", "1 ": "1", "2 ": "2", "3 ": "3"}


def bare_amount(text: str) -> str:
    """An amount without what it comes in or of: a number first, ``1`` where only a unit stands.

    A large T is a tablespoon, a small one a teaspoon.

    >>> bare_amount("5 gal bucket"), bare_amount("a quart"), bare_amount("2 T of crystals")
    ('5 gal', '1 quart', '2 tbsp')
    >>> bare_amount("about three quarters of a cup"), bare_amount("a couple of teaspoons")
    ('3/4 cup', '2 teaspoons')
    """
    spelt = re.sub(r"^(?:one|an?) (?=\d)", "", text.strip(), flags=re.IGNORECASE)
    spelt = re.sub(r"(?<=\d) ?T\b\.?", " tbsp", spelt)
    folded = plain(re.sub(r"(?<=\d) ?t\b\.?", " tsp", spelt))
    folded = re.sub(r"(?<=\d)-(?=[a-z])", " ", folded)
    folded = re.sub(_ABOUT, "", folded)
    folded = re.sub(r"^(?:an?|1) ([a-z]+) and (?:a half|1/2)$", r"1.5 \1", folded)
    folded = re.sub(r"^(?:a )?couple (?:of )?(?=[a-z])", "2 ", folded)
    folded = re.sub(
        r"^(?:an? )?(|[123] )quarters? (?:of an? )?(?=[a-z])",
        lambda m: f"{_QUARTERS[m[1]]}/4 ",
        folded,
    )
    folded = re.sub(r" of .+$", "", folded)
    folded = re.sub(rf"(?<=[a-z]) (?:{_CONTAINERS})s?$", "", folded)
    folded = re.sub(r"^(?:an? )?half (?=[a-z])", "1/2 ", folded)
    folded = re.sub(r"^(?:an?|one) (?=[a-z])", "1 ", folded)
    spelt_out = len(folded) >= _SPELT_OUT and re.fullmatch(UNIT, folded)
    return f"1 {folded}" if spelt_out else folded


@dataclass(frozen=True)
class Amount:
    """A volume [mL] or a mass [g], and the family that gave it, where one did."""

    value: float
    unit: str
    family: str = ""


@cache
def _registry() -> pint.UnitRegistry[float]:
    registry: pint.UnitRegistry[float] = pint.UnitRegistry()
    for row in load_table("measures"):
        ml = row.maybe("ml")
        if ml is not None:
            name = _unit_name(row.text("family"), row.text("measure"))
            registry.define(f"{name} = {ml!r} milliliter")
    return registry


def read_amounts(text: str, family: str | None, field: str) -> list[Amount]:
    """Every reading of an amount such as ``2 tsp``, ``9 L`` or ``2 gallon``.

    Parameters
    ----------
    text : str
        A number and a unit.
    family : str or None
        One of ``FAMILIES``, or None where nobody said.
    field : str
        Named in the error.

    Returns
    -------
    list of Amount
        One, or one for each family that could be meant.

    Raises
    ------
    DaceError
        If there is no number, or no unit that is known.

    Examples
    --------
    >>> [round(a.value) for a in read_amounts("1 gallon", None, "vessel")]
    [3785, 4546]
    """
    folded = bare_amount(text)
    if _HEAPED.search(folded):
        would_do = "level spoons would do: a heaped one holds half as much again, or twice"
        raise DaceError(field, f"“{text.strip()}”", would_do)
    times, each = times_told(folded)
    if each != folded:
        return [replace(one, value=times * one.value) for one in read_amounts(each, family, field)]
    match = re.fullmatch(rf"({NUMBER})\s*({UNIT})\.?", folded)
    two = re.fullmatch(rf"({NUMBER}\s*{UNIT})\.?,?\s*(?:and|\+)?\s*({NUMBER}\s*{UNIT})\.?", folded)
    if two and not match:
        return _summed([read_amounts(part, family, field) for part in two.groups()], text, field)
    if not match:
        such = "2 gallon" if family in ("us", "imperial") else "9 L"
        raise DaceError(
            field, f"“{text.strip()}”", f"a number and a measure such as {such} would do"
        )
    count = read_number(match[1], field)
    found: dict[float, Amount] = {}
    for candidate in families_knowing([match[2]], family):
        amount = amount_of(count, match[2], candidate)
        found.setdefault(round(amount.value, 9), amount)
    return list(found.values())


def _summed(parts: list[list[Amount]], text: str, field: str) -> list[Amount]:
    """``1 lb 2 oz`` or ``2 tbsp and 1 tsp``: the two together, each in the same family."""
    one, other = parts
    if one[0].unit != other[0].unit:
        raise DaceError(field, f"“{text.strip()}”", "two of a kind, such as 1 lb 2 oz, would do")
    pairs = zip(one, other, strict=False) if len(one) == len(other) else [(one[0], other[0])]
    return [Amount(a.value + b.value, a.unit, a.family) for a, b in pairs]


def read_amount(text: str, family: str | None, field: str) -> Amount:
    """The one amount that is meant.

    Raises
    ------
    DaceError
        As for :func:`read_amounts`, and where more than one could be meant.

    Examples
    --------
    >>> read_amount("2 US gallon", "metric", "vessel").value
    7570.823568
    """
    found = read_amounts(text, family, field)
    if len(found) > 1:
        told = [f"{_litres_words(one)} ({one.family})" for one in found]
        whose = " or ".join(dict.fromkeys(f"“{one.family} …”" for one in found))
        raise WhoseMeasureError(
            field,
            f"“{text.strip()}”, which is {' or '.join(told)}",
            f"say whose, {whose}, or say it in litres",
        )
    return found[0]


def _litres_words(amount: Amount) -> str:
    if amount.unit == "mL" and amount.value >= 1000:
        return f"{amount.value / 1000:.3g} L"
    return f"{amount.value:.3g} {amount.unit}"


def read_measure(text: str, kind: str, field: str, usual: str = "") -> float:
    """A length [m], an area [m2] or a temperature [C], in any unit that is read.

    Parameters
    ----------
    text : str
        A number and a unit; ``usual`` is taken where the unit is left out.
    kind : str
        ``"length"``, ``"area"`` or ``"temperature"``.
    field : str
        Named in the error.
    usual : str
        Spelling of the unit that a bare number has; empty where it needs one.

    Returns
    -------
    float
        In metres, square metres or degrees Celsius.

    Raises
    ------
    DaceError
        If there is no number, or no unit that is known.

    Examples
    --------
    >>> round(read_measure("64 °F", "temperature", "t"), 1)
    17.8
    >>> round(read_measure("4 ft", "length", "l"), 2)
    1.22
    """
    folded = re.sub(r"^minus (?=\d)", "-", plain(text).replace("²", "2"))
    folded = re.sub(r"^an? (?=[a-z])", "1 ", re.sub(r" of .+$", "", folded))
    two = re.fullmatch(
        rf"({NUMBER} ?(?:ft|foot|feet|')),? ?({NUMBER} ?(?:in|inch|inches|\"|”)?)", folded
    )
    if two and kind == "length":
        return read_measure(two[1], kind, field) + read_measure(two[2], kind, field, "in")
    match = re.fullmatch(r"(-?)\s*" + f"({NUMBER})" + r"\s*(\D*?)", folded)
    match = match or re.fullmatch(rf"(-?)\s*({NUMBER})\s*(m2|ft2)", folded)
    names = {spelt: unit for unit, spellings in _OTHER[kind].items() for spelt in spellings}
    unit = names.get((match[3] or usual).strip()) if match else None
    if match is None or unit is None or (match[1] and kind != "temperature"):
        raise DaceError(field, f"“{text.strip()}”", f"{_EXAMPLES[kind]} would do")
    count = read_number(match[2], field) * (-1 if match[1] else 1)
    return float(_registry().Quantity(count, unit).to(_BASE[kind]).magnitude)


_FAMILY_NAMES = {
    "us": "US",
    "imperial": "imperial",
    "australian": "Australian",
    "metric": "metric",
}


def family_words(family: str) -> str:
    """Whose measures something was said in, to be said after it; empty where any would do.

    >>> family_words("us"), family_words("")
    (', US measures', '')
    """
    return f", {_FAMILY_NAMES[family]} measures" if family else ""


def families_knowing(spellings: list[str], family: str | None) -> list[str]:
    """Families that know every kitchen measure among the units; ``[""]`` where none is kitchen.

    A family that was named and knows them is the only one.
    """
    named = [_parted(spelling) for spelling in spellings]
    kitchen = {name for _, name in named if name in _KITCHEN}
    if not kitchen:
        return [""]
    said = {whose for whose, _ in named if whose}
    if len(said) == 1:
        family = said.pop()
    known = [f for f in FAMILIES if all((f, measure) in _defined() for measure in kitchen)]
    return [family] if family in known else known


def amount_of(count: float, spelling: str, family: str) -> Amount:
    """``count`` of a unit as spelt, in one family (empty for metric and mass units)."""
    said, name = _parted(spelling)
    family = said or family
    if name in _MASSES:
        return Amount(_convert(count, name, "gram"), "g")
    if name in _METRIC_VOLUMES:
        return Amount(_convert(count, name, "milliliter"), "mL")
    return Amount(_convert(count, _unit_name(family, name), "milliliter"), "mL", family)


def _parted(spelling: str) -> tuple[str, str]:
    """Whose measure it is, empty where nobody said, and its name."""
    bare = re.sub(r"^level ", "", spelling)
    if bare in _NAMES:
        return "", _NAMES[bare]
    whose, _, unit = bare.partition(" ")
    return _OWNERS[whose], _NAMES[re.sub(r"^level ", "", unit)]


@cache
def _defined() -> frozenset[tuple[str, str]]:
    rows = load_table("measures")
    return frozenset((r.text("family"), r.text("measure")) for r in rows if r.maybe("ml"))


def family_ml(family: str, measure: str) -> float:
    """Volume [mL] of a family's ``teaspoon``, ``tablespoon``, ``pint`` or ``gallon``."""
    return _convert(1, _unit_name(family, measure), "milliliter")


def _unit_name(family: str, measure: str) -> str:
    """A name that meets none of Pint's own."""
    return f"dace_{family}_{measure}"


def converted(count: float, unit: str, target: str) -> float:
    """So many of one of Pint's own units in another; see ``words/shown``."""
    return _convert(count, unit, target)


def _convert(count: float, unit: str, target: str) -> float:
    return float(_registry().Quantity(count, unit).to(target).magnitude)
