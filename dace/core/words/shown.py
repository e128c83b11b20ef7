"""Volumes, weights, areas, temperatures and conductivities in the measures of a garden.

The core reckons in litres, grams, metres, degrees Celsius and mS/cm throughout; only what is
said to a person is said here, in whatever measures are in force while it is said.
"""

from __future__ import annotations

import math
from collections.abc import Iterator
from contextlib import contextmanager
from contextvars import ContextVar
from dataclasses import dataclass

from dace.core.result import say
from dace.core.words.quantities import converted, family_ml
from dace.core.words.scales import pen_scales


@dataclass(frozen=True)
class Shown:
    """How a garden measures: its family, ``C`` or ``F``, and the scale of its pen."""

    measures: str = "metric"
    degrees: str = "C"
    scale: str = "mS/cm"

    @property
    def gallons(self) -> str:
        """The family whose gallons and pints are said; empty where litres are."""
        return self.measures if self.measures in ("us", "imperial") else ""


_METRIC = Shown()
_in_force: ContextVar[Shown] = ContextVar("shown", default=_METRIC)


def show_in(shown: Shown) -> None:
    """From here on, in this request or task, say things in these measures."""
    _in_force.set(shown)


@contextmanager
def showing(shown: Shown) -> Iterator[None]:
    """Say things in these measures while this lasts."""
    token = _in_force.set(shown)
    try:
        yield
    finally:
        _in_force.reset(token)


def shown_in() -> Shown:
    """The measures in force."""
    return _in_force.get()


def litres(value: float, digits: int = 3) -> str:
    """A volume of liquid or medium [L].

    >>> litres(7.570823568), litres(0.005)
    ('7.57 L', '0.005 L')
    >>> with showing(Shown("us")): litres(7.570823568), litres(0.7), litres(0.05)
    ('2 gal', '1.48 pt', '1.69 fl oz')
    """
    return _volume((value,), digits)


def litres_span(low: float, high: float, digits: int = 2) -> str:
    """Two volumes [L] with the unit of the larger.

    >>> litres_span(4, 9), "".join(s for s in [litres_span(0.1, 0.2)])
    ('4 to 9 L', '0.1 to 0.2 L')
    """
    return _volume((low, high), digits)


def _volume(values: tuple[float, ...], digits: int) -> str:
    most = max(abs(value) for value in values)
    by = next(one for one in volume_units() if most >= one.least_l)
    return f"{' to '.join(say(one / by.litres, digits) for one in values)} {by.unit}"


_LEAST_OF = {"gallon": 0.9, "pint": 0.9, "fluid_ounce": 0.0}
_SPELT = {"gallon": "gal", "pint": "pt", "fluid_ounce": "fl oz"}


@dataclass(frozen=True)
class VolumeUnit:
    """A unit that volumes are said in, from so many litres on."""

    unit: str
    litres: float
    least_l: float


def volume_units() -> tuple[VolumeUnit, ...]:
    """The units in force, largest first.

    >>> volume_units()
    (VolumeUnit(unit='L', litres=1.0, least_l=0.0),)
    """
    family = shown_in().gallons
    if not family:
        return (VolumeUnit("L", 1.0, 0.0),)
    return tuple(
        VolumeUnit(
            _SPELT[name], family_ml(family, name) / 1000, least * family_ml(family, name) / 1000
        )
        for name, least in _LEAST_OF.items()
    )


def millilitres(value: float, digits: int = 3) -> str:
    """A small volume [mL]; from a litre on as any other.

    >>> millilitres(17.96), millilitres(1250)
    ('18 mL', '1.25 L')
    """
    return f"{say(value, digits)} mL" if value < 1000 else litres(value / 1000, digits)


def in_each(per_l: float, unit: str, digits: int = 3) -> str:
    """So much [mL or g] in each litre of a can, in a way that is read back.

    >>> in_each(2, "g")
    '2 g/L'
    >>> with showing(Shown("us")): in_each(2, "g")
    '7.57 g/gal'
    """
    largest = volume_units()[0]
    return f"{say(per_l * largest.litres, digits)} {unit}/{largest.unit}"


def grams(value: float, digits: int = 3) -> str:
    """A weight [g]; from a kilogram on in kg. In US measures ounces and pounds.

    >>> grams(147), grams(1500)
    ('147 g', '1.5 kg')
    >>> with showing(Shown("us")): grams(7), grams(147), grams(1500)
    ('7 g', '5.19 oz', '3.31 lb')
    """
    if shown_in().measures == "us" and value >= _LEAST_OUNCES_G:
        ounces = converted(value, "gram", "ounce")
        return f"{say(ounces, digits)} oz" if ounces < 16 else f"{say(ounces / 16, digits)} lb"
    return f"{say(value, digits)} g" if value < 1000 else f"{say(value / 1000, digits)} kg"


_WHOLE_TENS = 100.0  # scales of so many to a mS/cm are read in whole tens
_LEAST_OUNCES_G = 14.0  # half an ounce; below it a kitchen scale is read in grams


def degrees(value: float, digits: int = 2) -> str:
    """A temperature [C].

    >>> degrees(18.3)
    '18 °C'
    >>> with showing(Shown(degrees="F")): degrees(18.3)
    '65 °F'
    """
    if shown_in().degrees == "F":
        return f"{say(value * 9 / 5 + 32, max(digits, 2))} °F"
    return f"{say(value, digits)} °C"


def warmer_by(value: float) -> str:
    """A difference of temperatures [C].

    >>> warmer_by(5)
    '5 °C'
    """
    if shown_in().degrees == "F":
        return f"{say(value * 9 / 5, 2)} °F"
    return f"{say(value, 2)} °C"


def square_metres(value: float, digits: int = 3) -> str:
    """An area [m2].

    >>> square_metres(4.32)
    '4.32 m²'
    >>> with showing(Shown("us")): square_metres(4.32)
    '46.5 sq ft'
    """
    if shown_in().measures == "us":
        return f"{say(converted(value, 'meter ** 2', 'foot ** 2'), digits)} sq ft"
    return f"{say(value, digits)} m²"


def on_an_area(g_m2: float, digits: int = 3) -> str:
    """So much on an area [g/m2].

    >>> on_an_area(70)
    '70 g/m²'
    >>> with showing(Shown("us")): on_an_area(70)
    '1.43 lb for 100 sq ft'
    """
    if shown_in().measures == "us":
        pounds = converted(g_m2, "gram / meter ** 2", "pound / foot ** 2") * 100
        return f"{say(pounds, digits)} lb for 100 sq ft"
    return f"{say(g_m2, digits)} g/m²"


def depth(mm: float, digits: int = 2) -> str:
    """A depth [mm].

    >>> depth(5)
    '5 mm'
    >>> with showing(Shown("us")): depth(12.7)
    '0.5 in'
    """
    if shown_in().measures == "us":
        return f"{say(mm / 25.4, digits)} in"
    return f"{say(mm, digits)} mm"


def scale_name(scale: str | None = None) -> str:
    """A pen's scale as it is written; the one in force where none is said.

    >>> scale_name("ppm500")
    'ppm (500)'
    """
    return pen_scales()[scale or shown_in().scale].name


def ec_number(ms_cm: float, places: int = 2) -> str:
    """A conductivity [mS/cm] as the garden's pen shows it, without its unit.

    >>> ec_number(1.236)
    '1.24'
    >>> with showing(Shown(scale="ppm500")): ec_number(1.236)
    '620'
    >>> with showing(Shown(scale="CF")): ec_number(1.236)
    '12.4'
    """
    per_ms = pen_scales()[shown_in().scale].per_ms
    if per_ms < _WHOLE_TENS:
        places = max(0, places - round(math.log10(per_ms)))
        return f"{ms_cm * per_ms:.{places}f}"
    return f"{round(ms_cm * per_ms, -1):,.0f}"


def ec(ms_cm: float, places: int = 2) -> str:
    """A conductivity [mS/cm at 25 C] on the scale of the garden's pen.

    >>> ec(1.236)
    '1.24 mS/cm'
    """
    return f"{ec_number(ms_cm, places)} {scale_name()}"


def ec_span(low: float, high: float, places: int = 1) -> str:
    """Two conductivities [mS/cm], without their unit.

    >>> ec_span(1.04, 2.2)
    '1.0 to 2.2'
    """
    return f"{ec_number(low, places)} to {ec_number(high, places)}"
