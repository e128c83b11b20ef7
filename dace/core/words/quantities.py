"""Kitchen and metric measures: the core's one door to Pint.

Families of measures differ by their spoons and gallons; ``measures.csv`` says
how. A measure that a family does not know (a gallon in a metric garden) gives
every reading, each with its family named.
"""

from __future__ import annotations

import math
import re
import unicodedata
from dataclasses import dataclass
from functools import cache

import pint

from dace.core.errors import DaceError
from dace.core.figures import load_table

FAMILIES = ("metric", "us", "imperial", "australian")

NUMBER = r"(?:\d+\s+\d+\s*/\s*\d+|\d+\s*/\s*\d+|\d+(?:[.,]\d+)?(?:e[+-]?\d+)?|[.,]\d+)"
"""Pattern of a number as people write it, after :func:`plain`."""

_KITCHEN = {
    "teaspoon": ("tsp", "tsps", "teaspoon", "teaspoons"),
    "tablespoon": ("tbsp", "tbsps", "tbs", "tablespoon", "tablespoons"),
    "cup": ("cup", "cups"),
    "pint": ("pt", "pint", "pints"),
    "quart": ("qt", "quart", "quarts"),
    "fluid_ounce": ("floz", "fl oz", "fluid ounce", "fluid ounces"),
    "gallon": ("gal", "gals", "gallon", "gallons"),
}
_METRIC_VOLUMES = {
    "millilitre": ("ml", "mls", "cc", "millilitre", "millilitres", "milliliter", "milliliters"),
    "centilitre": ("cl",),
    "litre": ("l", "lt", "litre", "litres", "liter", "liters"),
}
_MASSES = {
    "milligram": ("mg",),
    "gram": ("g", "gr", "gram", "grams", "gramme", "grammes"),
    "kilogram": ("kg", "kilo", "kilos"),
    "ounce": ("oz", "ounce", "ounces"),
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
        "centimeter": ("cm",),
        "millimeter": ("mm",),
        "inch": ("in", "inch", "inches", '"'),
        "foot": ("ft", "foot", "feet", "'"),
    },
    "area": {
        "meter ** 2": ("m2", "m²", "sq m", "square metres", "square meters"),
        "foot ** 2": ("ft2", "sq ft", "square feet", "square foot"),
    },
    "temperature": {
        "degC": ("c", "°c", "°", "degrees", "degrees c", "celsius"),
        "degF": ("f", "°f", "degrees f", "fahrenheit"),
    },
}
_BASE = {"length": "meter", "area": "meter ** 2", "temperature": "degC"}
_EXAMPLES = {
    "length": "1.2 m or 4 ft",
    "area": "2.5 m2 or 30 sq ft",
    "temperature": "18 °C or 64 °F",
}
UNIT = "|".join(re.escape(s) for s in sorted(_NAMES, key=len, reverse=True))
"""Pattern of every unit that is read, longest first."""


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


def plain(text: str) -> str:
    """Lower case, one kind of space, fractions as ``1/2``.

    >>> plain("1 ½ Tbsp")
    '1 1/2 tbsp'
    """
    spaced = re.sub(r"(\d)([\u00bc-\u00be\u2150-\u215e])", r"\1 \2", text)
    folded = unicodedata.normalize("NFKC", spaced).replace("\u2044", "/").replace("×", "x")
    return re.sub(r"\s+", " ", folded).strip().lower()


def read_number(text: str, field: str = "number") -> float:
    """A number as people write it: ``2.5``, ``2,5``, ``1/2``, ``1 1/2``.

    Parameters
    ----------
    text : str
        What was typed.
    field : str
        Named in the error.

    Returns
    -------
    float
        The number, finite.

    Raises
    ------
    DaceError
        If it is no number, or too large to be one of a garden.

    Examples
    --------
    >>> read_number("1 ½"), read_number("2,5")
    (1.5, 2.5)
    """
    folded = plain(text)
    if not re.fullmatch(NUMBER, folded):
        raise DaceError(field, f"“{text.strip()}”", "a number such as 2.5 or 1 ½ would do")
    whole, _, fraction = folded.rpartition(" ") if "/" in folded else ("", "", "")
    if "/" in folded:
        above, below = (float(part) for part in fraction.split("/"))
        value = (float(whole) if whole else 0.0) + (above / below if below else math.inf)
    else:
        value = float(folded.replace(",", "."))
    if not value < 1e9:
        raise DaceError(field, f"“{text.strip()}”", "a number of ordinary size would do")
    return value


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
    match = re.fullmatch(rf"({NUMBER})\s*({UNIT})\.?", plain(text))
    if not match:
        raise DaceError(field, f"“{text.strip()}”", "a number and a measure such as 9 L would do")
    count = read_number(match[1], field)
    found: dict[float, Amount] = {}
    for candidate in families_knowing([match[2]], family):
        amount = amount_of(count, match[2], candidate)
        found.setdefault(round(amount.value, 9), amount)
    return list(found.values())


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
    match = re.fullmatch(r"(-?)\s*" + f"({NUMBER})" + r"\s*(\D*?)", plain(text).replace("²", "2"))
    match = match or re.fullmatch(rf"(-?)\s*({NUMBER})\s*(m2|ft2)", plain(text))
    names = {spelt: unit for unit, spellings in _OTHER[kind].items() for spelt in spellings}
    unit = names.get((match[3] or usual).strip()) if match else None
    if match is None or unit is None or (match[1] and kind != "temperature"):
        raise DaceError(field, f"“{text.strip()}”", f"{_EXAMPLES[kind]} would do")
    count = read_number(match[2], field) * (-1 if match[1] else 1)
    return float(_registry().Quantity(count, unit).to(_BASE[kind]).magnitude)


def families_knowing(spellings: list[str], family: str | None) -> list[str]:
    """Families that know every kitchen measure among the units; ``[""]`` where none is kitchen.

    A family that was named and knows them is the only one.
    """
    kitchen = {_NAMES[s] for s in spellings if _NAMES[s] in _KITCHEN}
    if not kitchen:
        return [""]
    known = [f for f in FAMILIES if all((f, measure) in _defined() for measure in kitchen)]
    return [family] if family in known else known


def amount_of(count: float, spelling: str, family: str) -> Amount:
    """``count`` of a unit as spelt, in one family (empty for metric and mass units)."""
    name = _NAMES[spelling]
    if name in _MASSES:
        return Amount(_convert(count, name, "gram"), "g")
    if name in _METRIC_VOLUMES:
        return Amount(_convert(count, name, "milliliter"), "mL")
    return Amount(_convert(count, _unit_name(family, name), "milliliter"), "mL", family)


@cache
def _defined() -> frozenset[tuple[str, str]]:
    rows = load_table("measures")
    return frozenset((r.text("family"), r.text("measure")) for r in rows if r.maybe("ml"))


def spoon_ml(family: str, measure: str) -> float:
    """Volume [mL] of a family's ``teaspoon`` or ``tablespoon``."""
    return _convert(1, _unit_name(family, measure), "milliliter")


def _unit_name(family: str, measure: str) -> str:
    """A name that meets none of Pint's own."""
    return f"dace_{family}_{measure}"


def _convert(count: float, unit: str, target: str) -> float:
    return float(_registry().Quantity(count, unit).to(target).magnitude)
