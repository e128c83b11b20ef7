"""Too much salt about the roots, or feeds that nobody checked: what flush and water share."""

from __future__ import annotations

from dace.core.fed.facts import Facts, nitrogen_of
from dace.core.fed.meals import RECKONED
from dace.core.fed.records import Verdict
from dace.core.figures import judgement
from dace.core.result import say
from dace.core.verdict.case import Case, Decided
from dace.core.verdict.kinds.base import VerdictKind
from dace.core.verdict.wants import Want
from dace.core.verdict.words import number_word
from dace.core.words import shown

_LIKELY = 0.5
_SAID = {
    "crust": "White crust or burnt edges: salt has gathered",
    "too_much": "You poured far too much",
}
_CAUSED_WITHIN_DAYS, _AGAIN_DAYS = 42, 14


class AgainstSalt(VerdictKind):
    """A kind that answers salt with plain water."""

    softest = True
    block, one, many = "flush", "a flush", "flushes"

    def when(self, case: Case) -> Decided | None:
        """Where there is too much salt, and this is what helps there."""
        salty = _too_salty(case.facts, case.pen)
        if salty is None and not case.pen:
            salty = _by_books(case.facts)
        if salty is None or salty[0] != self.key:
            return None
        return self.of_all(case, salty[1])

    def of_all(self, case: Case, why: str) -> Decided:
        """All that is awake there gets it."""
        parts = tuple(
            want if want.grows.key in case.rests else Want(want.grows, self.key, why)
            for want in case.wants
        )
        return Decided(self.key, why, parts, case.tomorrow, "", None, case.owed)

    def reason(self, facts: Facts, decided: Decided) -> str:
        """What the drain reads beside what is liked there, and what likely made it so."""
        if facts.said_salty or facts.band is None or facts.over <= _LIKELY:
            return super().reason(facts, decided)
        likely = facts.stop.followed.now[1]
        band = f"{facts.band.whose} likes {shown.ec_span(facts.band.low, facts.band.high)}"
        reads = "would read" if facts.read is None else "reads"
        said = [f"The run-off {reads} about {shown.ec(likely, 1)}; {band}.", self.cause(facts)]
        return " ".join(one for one in said if one)

    def cause(self, facts: Facts) -> str:
        """Feeds that were much stronger than suits, where the drain is likely too salty."""
        return "" if facts.band is None or facts.over <= _LIKELY else cause_of(facts)

    def while_short(self, found: Verdict) -> str:
        """Salt first."""
        return "little there; salt comes first"


def _too_salty(facts: Facts, pen: bool) -> tuple[str, str] | None:
    """The kind that answers it, and why; None where there is no salt to speak of."""
    if facts.band is None:
        return None
    if pen and facts.waits_to_be_read:
        return "water", "It was flushed; read the run-off before the next feed"
    if facts.said_salty and facts.stop.salt_said is not None:
        kind = "water" if facts.in_bed else "flush"
        return kind, _SAID[facts.stop.salt_said.word]
    if facts.surprise and facts.over <= _LIKELY:
        return None
    why = f"There is more salt about the roots than {facts.band.whose} likes"
    if facts.lately_read:
        sure = facts.over > _LIKELY or (
            facts.word in ("too_salty", "burning") and not facts.surprise
        )
        if sure:
            return ("water" if facts.in_bed else "flush"), why
        return None
    if facts.stop.followed.now[1] > RECKONED * facts.band.high:
        return "water", f"Reckoned far saltier than {facts.band.whose} likes, and long not read"
    return None


def _by_books(facts: Facts) -> tuple[str, str] | None:
    """Without a pen the books speak: a flush where salts near the top, each fortnight at most."""
    if facts.band is None or facts.in_bed or facts.in_tray:
        return None
    lately = facts.flushed is not None and (facts.today - facts.flushed.on).days < _AGAIN_DAYS
    from_ec = judgement("flush_by_books").range.typ * facts.band.high
    if lately or facts.stop.followed.now[1] <= from_ec:
        return None
    return "flush", f"Salts near the most that {facts.band.whose} likes, by what was poured"


def cause_of(facts: Facts) -> str:
    """What likely made it salty: feeds that were much stronger than suits; empty if not those."""
    if facts.strong < judgement("too_strong").range.typ:
        return ""
    fed = [
        p
        for p in facts.fed
        if (facts.today - p.on).days <= _CAUSED_WITHIN_DAYS and nitrogen_of(p) > 0
    ]
    strengths = {p.said for p in fed if p.said}
    times = f"{number_word(len(fed)).capitalize()} feed{'s' if len(fed) > 1 else ''}"
    at = f" at {strengths.pop()}" if len(strengths) == 1 else ""
    were = "was" if len(fed) == 1 else "were"
    return f"{times}{at} {were} {_times(facts.strong)} what suits."


def _times(ratio: float) -> str:
    if ratio < 1.75:
        return "half as strong again as"
    if ratio < 1.95:
        return "nearly double"
    if ratio < 2.15:
        return "double"
    return f"{say(ratio, 2)} times"
