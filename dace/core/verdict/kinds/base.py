"""What every kind of verdict says of itself: when it holds, its words, what it begins."""

from __future__ import annotations

from typing import TYPE_CHECKING, ClassVar

from dace.core.advice import Severity
from dace.core.fed.facts import Facts
from dace.core.verdict.case import Case, Decided
from dace.core.words import shown

if TYPE_CHECKING:
    from dace.core.fed.records import Question, Verdict


_BY_KEY: dict[str, VerdictKind] = {}


def kind_of(key: str) -> VerdictKind:
    """The kind with a key."""
    return _BY_KEY[key]


def matters(question: Question | None) -> bool:
    """Whether its answers lead to different things; what does nothing is all one."""
    if question is None:
        return False
    return len({one.kind if kind_of(one.kind).acts else "" for one in question.after}) > 1


class VerdictKind:
    """One kind of verdict. A new one is a module beside this, and a row in ``KINDS``.

    ``mark`` is the kind in three words; ``leads_to`` what an answer that leads to it promises;
    ``urgency`` how early it wants somebody, the lowest first. ``acts`` is whether something is
    done today, ``feeds`` whether a source is chosen for it, ``waters`` whether the litres of a
    usual watering are its own, ``softest`` whether salt is the matter, so that the softest water
    is poured. ``held`` is whether a feed is owed and kept for another day, ``waits`` whether the
    plan counts it as waiting. ``block`` is the block of the Round it stands in: ``due`` is one
    that says headline and reason, without any it stands under what waits; ``title`` is what
    that asks for, ``one`` and ``many`` how the Round counts those. ``event`` is what it is in the
    plan and ``does`` what a calendar calls that; empty where it is none. ``against`` is the
    caution of pouring a feed all the same; ``says_all`` whether its headline is its reason too.
    """

    key: ClassVar[str] = ""
    mark: ClassVar[str]
    leads_to: ClassVar[str]
    urgency: ClassVar[int]
    acts: ClassVar[bool] = True
    feeds: ClassVar[bool] = False
    waters: ClassVar[bool] = False
    softest: ClassVar[bool] = False
    waits: ClassVar[bool] = False
    held: ClassVar[bool] = False
    block: ClassVar[str] = "due"
    title: ClassVar[str] = ""
    one: ClassVar[str] = "a task"
    many: ClassVar[str] = "tasks"
    event: ClassVar[str] = ""
    does: ClassVar[str] = ""
    against: ClassVar[tuple[Severity, str] | None] = None
    says_all: ClassVar[bool] = False

    def __init_subclass__(cls) -> None:
        if "key" in cls.__dict__:
            _BY_KEY[cls.key] = cls()

    def when(self, case: Case) -> Decided | None:
        """The whole stop's verdict, where it is of this kind; asked in the order of ``KINDS``."""
        raise NotImplementedError

    def marked(self, facts: Facts, found: Verdict) -> str:
        """The kind in three words or so, for the path."""
        return self.mark

    def headline(self, facts: Facts, found: Verdict, why: str) -> str:
        """What to do, in one sentence; ``why`` is the plainest reason."""
        return f"{why.rstrip('.')}."

    def reason(self, facts: Facts, decided: Decided) -> str:
        """Why, in a sentence or two."""
        return f"{decided.why.rstrip('.')}."

    def cause(self, facts: Facts) -> str:
        """What likely made it so, in a sentence; empty where nobody can tell."""
        return ""

    def button(self, facts: Facts, found: Verdict) -> str:
        """What the green button says; empty where nothing is poured or looked at."""
        return ""

    def while_short(self, found: Verdict) -> str:
        """What is said of a nutrient that is short meanwhile; empty where the books speak."""
        return ""

    def next_feed(self, facts: Facts, found: Verdict) -> int:
        """Days until the plan may feed there again."""
        return max(1, slot_ahead(facts))


def slot_ahead(facts: Facts) -> int:
    """Days until the next slot of the stop's rhythm."""
    return (facts.slot_on - facts.today).days


def poured(found: Verdict) -> str:
    """A button for plain water."""
    return f"Pour {shown.litres(found.litres, 2)} of {found.water_name}" if found.water else ""
