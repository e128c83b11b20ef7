"""Claims of content: which nutrient, how much of it, and the most that what is named can hold."""

from __future__ import annotations

import re
from dataclasses import dataclass

from dace.core.brew.recipe import SHELL_IN_WATER_MG_L
from dace.core.matter.chemistry import element_fraction
from dace.core.matter.materials import Material, materials
from dace.core.matter.nutrients import NUTRIENTS
from dace.core.words.numbers import NUMBER, read_number

PER_PERCENT = 10_000.0  # mg/L
_NAMES = {
    "nitrogen": "N",
    "phosphorus": "P",
    "phosphate": "P2O5",
    "potassium": "K",
    "potash": "K2O",
    "calcium": "Ca",
    "magnesium": "Mg",
    "k2o": "K2O",
    "p2o5": "P2O5",
    "cao": "CaO",
    "mgo": "MgO",
    **{n.lower(): n for n in NUTRIENTS},
}
_UNITS = {
    "mg/l": 1.0,
    "mg per l": 1.0,
    "mg per litre": 1.0,
    "mg a litre": 1.0,
    "ppm": 1.0,
    "g/l": 1000.0,
    "g per l": 1000.0,
    "g per litre": 1000.0,
    "g a litre": 1000.0,
    "%": PER_PERCENT,
    "per cent": PER_PERCENT,
    "percent": PER_PERCENT,
}
_NAMED = "|".join(sorted(_NAMES, key=len, reverse=True))
_UNIT = "|".join(re.escape(unit) for unit in sorted(_UNITS, key=len, reverse=True))
_STRAIGHT = rf"({NUMBER}) ?({_UNIT}) ?(?:of )?(?:the )?({_NAMED})\b"
_TURNED = rf"\b({_NAMED}) ?(?:of|is|at|:|content of)? ?({NUMBER}) ?({_UNIT})"
_COMMON = frozenset(
    [
        *("water", "liquid", "feed", "tea", "soak", "soup", "juice", "extract", "brew", "dry"),
        *("dried", "fresh", "meal", "made", "home", "with", "from", "whole", "spent", "leaf"),
        *("leave", "the", "and", "per", "cent", "vinegar", "litre", "holds", "acid"),
    ]
)
_SHELL_IN_ACID_MG_L = 3340.0
"""Calcium for each per cent of acid [mg/L]."""
_LEAST_SCORE, _DRY_ALREADY = 0.6, 0.85
_SOLUBLE_CLASSES = ("rock", "soluble_salt")


@dataclass(frozen=True)
class Content:
    """So much of a nutrient [mg/L of the element], and how finely it was said [mg/L]."""

    nutrient: str
    mg_l: float
    half_step: float


def contents_of(folded: str) -> tuple[Content, ...]:
    """Every claim of content in a text, a grade such as ``4-3-8`` among them.

    >>> [(c.nutrient, round(c.mg_l)) for c in contents_of("2 % nitrogen and 1 % k2o")]
    [('N', 20000), ('K', 8302)]
    """
    found = []
    grade = re.search(rf"\b({NUMBER}) ?- ?({NUMBER}) ?- ?({NUMBER})\b", folded)
    if grade:
        for text, name in zip(grade.groups(), ("N", "P2O5", "K2O"), strict=True):
            found.append(_content(text, PER_PERCENT, name))
    for match in re.finditer(_STRAIGHT, folded):
        found.append(_content(match[1], _UNITS[match[2]], _NAMES[match[3]]))
    for match in re.finditer(_TURNED, folded):
        found.append(_content(match[2], _UNITS[match[3]], _NAMES[match[1]]))
    return tuple(one for one in dict.fromkeys(found) if one.mg_l > 0)


def _content(text: str, per: float, name: str) -> Content:
    element = re.sub(r"\d|O", "", name) if name in ("K2O", "P2O5", "CaO", "MgO") else name
    fraction = element_fraction(name) if element != name else 1.0
    digits = len(text.replace(",", ".").partition(".")[2]) if "/" not in text else 2
    value = read_number(text, "claim")
    return Content(element, value * per * fraction, 0.5 * 10.0**-digits * per * fraction)


def named_in(folded: str) -> Material | None:
    """The material that a text names: by the word that leads its name, and then by the others.

    >>> named_in("comfrey water with 10 % nitrogen").key
    'comfrey_fresh'
    """
    spoken = re.sub(rf"{_STRAIGHT}|{_TURNED}", " ", folded.replace("egg shell", "eggshell"))
    words = {word.rstrip("s") for word in re.findall(r"[a-z]+", spoken)} - _COMMON
    best, most = None, 0.0
    for found in materials().values():
        own = [w.rstrip("s") for w in re.findall(r"[a-z]+", f"{found.name} {found.key}".lower())]
        own = [w for w in dict.fromkeys(own) if len(w) > 2 and w not in _COMMON]
        shared = [w for w in own if w in words]
        if not shared:
            continue
        # the leading word tells what it is; others only which kind of it
        score = len(shared) + (1.0 if own[0] in words else 0.0) - 0.1 * (len(own) - len(shared))
        score += (
            0.3 if "dr" not in found.key and "dry" not in folded and found.form == "solid" else 0
        )
        if score > most:
            best, most = found, score
    return best if most >= _LEAST_SCORE else None


def most_mg_l(named: Material, nutrient: str, folded: str) -> tuple[float, str]:
    """The most of a nutrient that a material can give a litre, and why [mg/L].

    Mass balance first; then what acid can carry and what water can dissolve.
    """
    held = PER_PERCENT * named.percent_of(nutrient).high
    source = f"all that {named.name.lower()} holds, at its richest: {named.source}"
    if named.form == "liquid":
        held *= named.density_g_per_ml
    wet = re.search(r"\b(?:water|tea|soak|brew|liquid|extract|vinegar|litre|l)\b|mg/l|g/l", folded)
    if not wet:
        # told as it is used or of what is dry: nothing is impossible that one of them allows
        if named.form == "liquid" or named.dry_matter >= _DRY_ALREADY:
            return held, source
        return held / named.dry_matter, f"{source}, of its dry matter"
    if nutrient == "Ca" and named.extraction_class == "carbonate_shell":
        acid = re.search(rf"(?:({NUMBER}) ?% ?)?(?:vinegar|acid)", folded)
        if acid:
            percent = read_number(acid[1], "claim") if acid[1] else 5.0
            return _SHELL_IN_ACID_MG_L * percent, f"what vinegar of {percent:g} % can carry"
        return SHELL_IN_WATER_MG_L, "what water without acid dissolves of shell or lime"
    if named.solubility_g_per_l and named.extraction_class in _SOLUBLE_CLASSES:
        dissolved = 10 * named.solubility_g_per_l * named.percent_of(nutrient).high
        if dissolved < held:
            return dissolved, f"what a litre of water dissolves of {named.name.lower()}"
    return held, source
