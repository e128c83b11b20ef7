"""Signs on a plant and their likely causes, food and other, with what the garden's facts say.

Notes
-----
A cause has a prior from the table; each fact multiplies the causes whose mechanism it speaks
for or against (``sign_facts.csv``), and together they come to 1. Without facts the table's own
order stands. A feed is spoken of only where food is the likeliest cause and more of it helps.
"""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass
from functools import cache

from dace.core.errors import DaceError
from dace.core.figures import Row, load_table, source_words
from dace.core.response.facts import Known, derived, fact_rows
from dace.core.season.crops import Crop, Stage

FOOD = "nutrition"
_EXCESS = frozenset({"n_high", "k_high", "surface_feed", "ammonia", "manure", "trace_high"})
_HUNGER = frozenset({"n_low", "k_low", "mg_low", "ca_low", "p_low", "s_low", "trace_low", "woody"})


@dataclass(frozen=True)
class Cause:
    """A likely cause: its kind, its chance (all come to 1), what speaks for it and against."""

    cause: str
    kind: str
    probability: float
    why: tuple[str, ...]
    against: tuple[str, ...]
    tags: frozenset[str]


@dataclass(frozen=True)
class Sign:
    """Something seen: its name, where on the plant, the pattern, on which crops it is common.

    ``occurs`` are the crops that can have it: ``all``, keys of crops, ``kin:`` a family of botany,
    ``part:`` what is picked, ``leaf:`` a kind of leaf; ``only`` is any, pots, ground or seedlings.
    """

    key: str
    name: str
    position: str
    pattern: str
    crops: str
    occurs: frozenset[str]
    only: str
    check: str
    feeding_helps: str
    feeding_does_not: str
    reversible: str
    urgency: str
    confidence: str
    source: str
    note: str


@dataclass(frozen=True)
class Found:
    """What a sign comes to: causes by chance, the check to do first, what feeding would do.

    ``feeding_helps`` is None unless the likeliest cause is a lack of food.
    """

    sign: Sign
    causes: tuple[Cause, ...]
    feeding_helps: str | None

    @property
    def first(self) -> Cause:
        """The likeliest."""
        return self.causes[0]


@cache
def signs() -> dict[str, Sign]:
    """All sixty, by key."""
    return {
        row.text("key"): Sign(
            **{name: row.text(name) for name in _COLUMNS},
            occurs=frozenset(row.text("occurs").split()),
            source=source_words(row.text("source_family")),
        )
        for row in load_table("signs")
    }


_COLUMNS = ("key", "name", "position", "pattern", "crops", "only", "check", "feeding_helps",
            "feeding_does_not", "reversible", "urgency", "confidence", "note")  # fmt: skip


def signs_on(crop: Crop, stage: Stage | None = None, in_ground: bool = False) -> list[Sign]:
    """The signs that a crop can have where it stands, in the table's order.

    Parameters
    ----------
    crop, stage : Crop, Stage or None
        What grows; a seedling bears no fruit, and only seedlings fall over as seedlings do.
    in_ground : bool
        Whether it stands in the ground and not in a pot.

    Examples
    --------
    >>> from dace.core.season.crops import crop
    >>> [one.key for one in signs_on(crop("sweetcorn")) if one.position == "fruit"]
    ['corn_gaps']
    """
    young = stage is not None and stage.is_seedling
    own = {"all", crop.key, f"kin:{crop.family}", f"part:{crop.harvest_part}", f"leaf:{crop.leaf}"}
    barred = {"pots" if in_ground else "ground"} | (set() if young else {"seedlings"})
    return [
        one
        for one in signs().values()
        if own & one.occurs
        and one.only not in barred
        and not (young and one.position in ("fruit", "root/bulb"))
    ]


@cache
def causes() -> dict[str, tuple[Row, ...]]:
    """The table's causes of each sign, in its order."""
    found: dict[str, list[Row]] = {}
    for row in load_table("sign_causes"):
        found.setdefault(row.text("sign"), []).append(row)
    return {key: tuple(rows) for key, rows in found.items()}


def read_sign(
    key: str, crop: Crop, stage: Stage | None = None, facts: Mapping[str, float] | None = None
) -> Found:
    """What a sign likely means on a crop, by what is known of it.

    Parameters
    ----------
    key : str
        Of a sign.
    crop, stage : Crop, Stage or None
        On what; the stage sets what its drain may read.
    facts : mapping, optional
        What is known, by the names of ``TOLD``; what is not known is left out.

    Returns
    -------
    Found
        Causes by chance.

    Raises
    ------
    DaceError
        On a sign or a fact that is none, or a number that cannot be.

    Examples
    --------
    >>> from dace.core.season.crops import crop
    >>> found = read_sign("fruit_end_black", crop("sweet_pepper"), None, {"drain_ec_ms_cm": 5})
    >>> found.first.kind, found.feeding_helps is None
    ('salt', True)
    """
    if key not in signs():
        raise DaceError("sign", f"“{key}”", f"one of {', '.join(signs())} would do")
    known = derived(crop, stage, facts or {})
    weighed = [(*_weighed(row, known), row) for row in causes()[key]]
    total = sum(weight for weight, *_ in weighed)
    ranked = sorted(
        (
            Cause(
                row.text("cause"), row.text("kind"), weight / total, why, against,
                frozenset(row.text("tags").split(";")),
            )
            for weight, why, against, row in weighed
        ),
        key=lambda one: -one.probability,
    )  # fmt: skip
    young = stage is not None and stage.is_seedling
    return Found(signs()[key], tuple(ranked), _helps(signs()[key], ranked[0], young))


def _weighed(row: Row, known: Known) -> tuple[float, tuple[str, ...], tuple[str, ...]]:
    """A cause's weight, what speaks for it and what against: strongest first."""
    tags = set(row.text("tags").split(";"))
    weight = row.number("prior")
    spoken: list[tuple[float, str]] = []
    for fact in fact_rows():
        if tags & fact.tags and fact.holds(known):
            weight *= fact.factor
            spoken.append((fact.factor, fact.said(known)))
    spoken.sort(key=lambda pair: -max(pair[0], 1 / pair[0]))
    speaks_for = dict.fromkeys(words for factor, words in spoken if factor > 1)
    against = dict.fromkeys(words for factor, words in spoken if factor < 1)
    return weight, tuple(speaks_for), tuple(words for words in against if words not in speaks_for)


def _helps(sign: Sign, first: Cause, young: bool) -> str | None:
    """What feeding would do: nothing for what is no lack of food; seedlings bear a quarter."""
    if first.kind != FOOD or first.tags & _EXCESS or not first.tags & _HUNGER:
        return None
    if sign.feeding_helps.lower().startswith(("none", "nothing")):
        return None
    return sign.feeding_helps.format(strength=_FOR_SEEDLINGS if young else "normal strength")


_FOR_SEEDLINGS = "a quarter of the usual strength"
