"""Jars, waters and measures as calculators are given them."""

from __future__ import annotations

import re
from collections.abc import Mapping
from typing import Any

from dace.core.api import (
    ALSO,
    FAMILIES,
    Composition,
    Content,
    DaceError,
    Label,
    Owned,
    WaterIons,
    brew_tokens,
    composition,
    composition_of_liquid,
    content_of_feed,
    content_of_material,
    dissolving,
    filled_in,
    label_of_material,
    material,
    plain,
    read_amount,
    read_amounts,
    water_from_ec,
    water_from_report,
)
from dace.core.shell.json_in import Json, entries, number


def label_in(jar: Json) -> Label:
    """What a label says."""
    grade = jar.get("grade")
    if not isinstance(grade, list) or len(grade) != 3:
        raise DaceError("jar.grade", repr(grade), "three numbers such as [4, 3, 8] would do")
    n, p, k = (number(value, "jar.grade") for value in grade)
    nitrogen = jar.get("nitrogen")
    also = jar.get("also", {})
    density = jar.get("density_g_per_ml")
    rate = jar.get("rate_per_l")
    return Label(
        n,
        p,
        k,
        basis=str(jar.get("basis", "oxide")),
        percent=str(jar.get("percent", "mass")),
        form=str(jar.get("form", "liquid")),
        density_g_per_ml=None if density is None else number(density, "jar.density_g_per_ml"),
        nitrogen=None if nitrogen is None else _pairs(nitrogen, "jar.nitrogen"),
        also=tuple((_as_table(name), value) for name, value in _pairs(also, "jar.also")),
        rate_per_l=None if rate is None else number(rate, "jar.rate_per_l"),
    )


def _as_table(name: str) -> str:
    """``MgO`` as the tables write oxides."""
    return name.lower() if name.lower() in ALSO else name


def water_in(water: Json) -> WaterIons:
    """A water by its conductivity or its report."""
    if "ec_ms_cm" in water:
        return water_from_ec(number(water["ec_ms_cm"], "water.ec_ms_cm"))
    return water_from_report(_pairs(water, "water"))


def vessel_in(given: Json) -> float:
    """What the can or sprayer holds [L]."""
    told = given.get("vessel")
    if not isinstance(told, str):
        raise DaceError("vessel", repr(told)[:80], "a volume such as 9 L would do")
    vessel = read_amount(told, measures_in(given), "vessel")
    if vessel.unit != "mL" or vessel.value <= 0:
        raise DaceError("vessel", f"“{told}”"[:80], "a volume such as 9 L would do")
    return vessel.value / 1000


def measures_in(given: Json) -> str | None:
    """The family of kitchen measures; None where nobody said."""
    family = given.get("measures")
    if family is not None and family not in FAMILIES:
        raise DaceError("measures", f"{family!r}", f"use {', '.join(FAMILIES)}")
    return family


_MOST_OWNED = 40
_SPOONS = {
    "tsp": "teaspoon",
    "tbsp": "tablespoon",
    "0.5 tsp": "half teaspoon",
    "0.25 tsp": "quarter teaspoon",
}


def owned_in(given: Json) -> tuple[Owned, ...]:
    """The measures that somebody owns; none where nobody said."""
    return tuple(_measure(one, given) for one in entries(given, "owned", _MOST_OWNED))


def _measure(told: object, given: Json) -> Owned:
    """A measure such as ``1 tsp``, ``7 mL scoop`` or ``10 mL syringe marked 1 mL``."""
    match = re.fullmatch(
        r"(.+?)(?: (spoon|syringe|beaker|scoop|cap|jug|can))?(?: marked (.+))?", plain(str(told))
    )
    if match is None:
        raise DaceError("owned", repr(told)[:60], "a measure such as 7 mL scoop would do")
    family = measures_in(given)
    holds = read_amounts(match[1], family, "owned")[0].value
    step = read_amounts(match[3], family, "owned")[0].value if match[3] else holds
    kind = {"jug": "beaker", "can": "beaker", None: "spoon"}.get(match[2], match[2])
    bare = plain(str(told)).removeprefix("1 ")
    return Owned(str(kind), match[2] or _SPOONS.get(bare, bare), holds, step)


def _pairs(value: Any, field: str) -> tuple[tuple[str, float], ...]:
    if not isinstance(value, Mapping):
        raise DaceError(field, repr(value), "names with numbers would do")
    return tuple((str(key), number(part, f"{field}.{key}")) for key, part in value.items())


def feed_in(jar: Json, field: str) -> tuple[Composition, frozenset[str]]:
    """What is in a jar, by its label or by what a liquid holds, and what tables may name it by."""
    method, made_of = jar.get("method"), jar.get("material")
    keys = [str(made_of)] if made_of else []
    if method:
        tokens = brew_tokens(str(method), keys)
    else:
        tokens = frozenset[str]().union(*(material(key).tokens for key in keys))
    if "mg_l" in jar:
        held = dict(_pairs(jar["mg_l"], f"{field}.mg_l"))
        named = str(jar.get("name", "what is in it"))
        return composition_of_liquid(held, named, brewed=bool(method)), tokens
    if not made_of or method:
        return composition(label_in(jar)), tokens
    return composition(dissolving(_whole(jar), material(str(made_of)))), tokens


def _whole(jar: Json) -> Label:
    """A label with its blank cells from what the feed is made of, where that is told."""
    if not jar.get("material"):
        return label_in(jar)
    kind = material(str(jar["material"]))
    return filled_in(label_in(jar), kind) if "grade" in jar else label_of_material(kind)


def content_in(jar: Json) -> Content:
    """What a gram or mL of a jar brings when it is spread, at once and later."""
    if "grade" not in jar and jar.get("material"):
        return content_of_material(material(str(jar["material"])))
    like = material(str(jar["material"])) if jar.get("material") else None
    return content_of_feed(composition(_whole(jar)), True, like)
