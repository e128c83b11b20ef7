"""Which feeds do not go together, by where they meet: in a stock, in a can, mixed dry."""

from __future__ import annotations

from collections.abc import Iterable, Sequence
from dataclasses import dataclass
from functools import cache
from itertools import combinations
from typing import Literal, cast

from dace.core.figures import load_table, source_words
from dace.core.matter.composition import Composition
from dace.core.matter.materials import material, materials
from dace.core.matter.tokens import matches, resolved

Where = Literal["stock", "can", "dry"]
Right = Literal["bar", "order", "fine"]
WHERE: tuple[Where, ...] = ("stock", "can", "dry")
CHLORINATED = "water:chlorinated"
_GRAVITY: tuple[Right, ...] = ("bar", "order", "fine")

_MUCH = {"g": 20.0, "mL": 0.2}
_SOME = {"g": 5.0, "mL": 0.05}
_AMMONIUM_SHARE = 0.2
_MUCH_PERCENT = 2.0


@dataclass(frozen=True)
class Meeting:
    """A feed as clashes see it: what it is called, and what tables may name it by."""

    name: str
    tokens: frozenset[str]


@dataclass(frozen=True)
class Clash:
    """Two things that do not simply go together.

    ``right`` is what to do where they meet: ``bar`` (never), ``order`` (one after the other,
    ``first`` before ``second``), ``fine`` beyond that.
    """

    key: str
    first: str
    second: str
    where: Where
    right: Right
    how: str
    what: str
    why: str
    source: str
    confidence: str

    @property
    def text(self) -> str:
        """What to do and why, in a sentence or two."""
        if self.right == "order":
            return f"{self.how.format(first=self.first, second=self.second)}: {self.why}."
        place = {"stock": "in one stock", "can": "in one can", "dry": "mixed dry"}[self.where]
        return f"{self.first} and {self.second} never {place}: {self.why}."


@dataclass(frozen=True)
class _Rule:
    key: str
    a: str
    b: str
    right: dict[Where, Right]
    over_g_l: float | None
    first: str
    how: str
    what: str
    why: str
    source: str
    confidence: str


@cache
def _rules() -> tuple[_Rule, ...]:
    return tuple(
        _Rule(
            row.text("key"),
            resolved(row.text("a"), row.text("key")),
            resolved(row.text("b"), row.text("key")),
            {where: cast(Right, row.text(where)) for where in WHERE},
            row.maybe("stock_over_g_l"),
            row.text("first"),
            row.text("how"),
            row.text("what"),
            row.text("why"),
            source_words(row.text("source_family")),
            row.text("confidence"),
        )
        for row in load_table("clashes")
    )


def meeting(name: str, feed: Composition, tokens: Iterable[str]) -> Meeting:
    """A feed with what it holds that others may clash with.

    Parameters
    ----------
    name : str
        What it is called.
    feed : Composition
        What is in it.
    tokens : iterable of str
        What tables may name it by; a material that they name outranks its label.

    Examples
    --------
    >>> from dace.core.matter.composition import Label, composition
    >>> salt = composition(Label(0, 0, 0, form="solid", also=(("Mg", 9.9), ("S", 13.0))))
    >>> sorted(meeting("Epsom salt", salt, ()).tokens)
    ['holds:sulfate']
    """
    told = frozenset(tokens)
    keys = [token.removeprefix("key:") for token in told if token.startswith("key:")]
    known = [key for key in keys if key in materials() and material(key).form == "solid"]
    brewed = any(token.startswith("method:") for token in told)
    if known and not brewed:
        held = frozenset[str]().union(*(_held_by(key) for key in known))
    else:
        held = _held_in(feed)
    return Meeting(name, told | held)


def _held_by(key: str) -> frozenset[str]:
    """What a solid gives off in water: its ammonium, and of salts the rest."""
    found = material(key)
    held = set()
    if (found.ammonium_share + found.urea_share) / 100 >= _AMMONIUM_SHARE:
        held.add("holds:ammonium")
    if found.family == "mineral_salt":
        much = {"holds:calcium": "Ca", "holds:phosphate": "P", "holds:sulfate": "S"}
        held |= {t for t, e in much.items() if found.percent_of(e).typ >= _MUCH_PERCENT}
    return frozenset(held)


def _held_in(feed: Composition) -> frozenset[str]:
    amounts = dict(feed.mg)
    much, some = _MUCH[feed.unit], _SOME[feed.unit]
    held = {
        token
        for token, key in (
            ("holds:calcium", "Ca"),
            ("holds:phosphate", "P"),
            ("holds:sulfate", "S_SO4"),
        )
        if amounts[key] >= much
    }
    alkaline = amounts["NH4_N"] + amounts["urea_N"]
    if alkaline >= some and alkaline >= _AMMONIUM_SHARE * feed.element("N"):
        held.add("holds:ammonium")
    return frozenset(held)


def clashes_between(
    one: Meeting, other: Meeting, where: Where, strength_g_l: float | None = None
) -> list[Clash]:
    """What stands against two feeds meeting there, the gravest first; empty where it is fine.

    Parameters
    ----------
    one, other : Meeting
        The two.
    where : str
        ``stock``, ``can`` or ``dry``.
    strength_g_l : float, optional
        How strong a stock is [g/L]; below its limit a stock is as a can.
    """
    found = []
    for rule in _rules():
        place: Where = where
        weak = rule.over_g_l is not None and strength_g_l is not None
        if where == "stock" and weak and cast(float, strength_g_l) <= cast(float, rule.over_g_l):
            place = "can"
        right = rule.right[place]
        pair = _as_pair(rule, one, other)
        if right == "fine" or pair is None:
            continue
        found.append(
            Clash(
                rule.key,
                *pair,
                where,
                right,
                rule.how,
                rule.what,
                rule.why,
                rule.source,
                rule.confidence,
            )
        )
    return sorted(found, key=lambda clash: _GRAVITY.index(clash.right))


def _as_pair(rule: _Rule, one: Meeting, other: Meeting) -> tuple[str, str] | None:
    """The two names, that which goes in first before the other; None where the rule is silent."""
    for a, b in ((one, other), (other, one)):
        if matches(rule.a, a.tokens) and matches(rule.b, b.tokens):
            return (b.name, a.name) if rule.first == "b" else (a.name, b.name)
    return None


def clashes_among(found: Sequence[Meeting], where: Where) -> list[Clash]:
    """The gravest of what stands against each two of several."""
    said = (clashes_between(a, b, where)[:1] for a, b in combinations(found, 2))
    return [clash for one in said for clash in one]
