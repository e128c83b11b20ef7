"""What the books come to: short of what, since when, and what on the shelf would fill it."""

from __future__ import annotations

from dataclasses import dataclass
from datetime import date, timedelta
from typing import Literal

import numpy as np

from dace.core.ledger.accounts import Ledger
from dace.core.ledger.books import SOURCES
from dace.core.matter.nutrients import NUTRIENT_NAMES, NUTRIENTS
from dace.core.result import Result, Step, say
from dace.core.season.crops import Crop
from dace.core.season.need import Span, need_steps

_SHORT, _HUNGRY = 0.10, 0.25
_POT_WEEKS_AHEAD, _BED_WEEKS_AHEAD = 3, 6
FEW_MG = 1e-6
APPROACHES = {
    "mixed": "soluble feeds where they help soonest, slow ones as the base",
    "soil_first": "slow, digested feeds first; soluble salts only in need",
    "soluble": "dissolved feeds at each stage's strength",
}
"""Schools that a planting may follow; they order what is offered, never the arithmetic."""


BalanceWord = Literal["enough", "short", "hungry", "plenty"]


@dataclass(frozen=True)
class Balance:
    """One nutrient of one planting up to today [mg for each plant].

    ``word`` is ``enough``, ``short``, ``hungry`` or ``plenty``; ``since`` the day from
    which it was short; ``until`` the day on which what is there runs out, None where it
    lasts as long as is worked out; ``gap`` what the next fortnight lacks. ``own`` is whether
    the crop makes some of it itself, and more where it finds little.
    """

    nutrient: str
    name: str
    need: Result
    reached: Result
    by_source: tuple[tuple[str, float], ...]
    word: BalanceWord
    since: date | None
    until: date | None
    gap: float
    own: bool = False


def balances(
    grown: Crop, stages: tuple[Span, ...], found: Ledger, today: date, pot: bool
) -> tuple[Balance, ...]:
    """The books of each nutrient as they stand today.

    Parameters
    ----------
    grown, stages : Crop, tuple of Span
        What grows, and when.
    found : Ledger
        The books.
    today : date
        Up to and with this day.
    pot : bool
        Whether it stands in a pot: three weeks of need in hand are plenty there, six in a bed.

    Returns
    -------
    tuple of Balance
        In the order of ``NUTRIENTS``.
    """
    at = min(len(found.need) - 1, max(0, (today - found.first).days))
    span = _span_at(stages, today)
    weeks = _POT_WEEKS_AHEAD if pot else _BED_WEEKS_AHEAD
    return tuple(
        _balance(grown, span, found, at, column, weeks) for column in range(len(NUTRIENTS))
    )


def _span_at(stages: tuple[Span, ...], today: date) -> Span:
    begun = [span for span in stages if span.first <= today]
    return begun[-1] if begun else stages[0]


def _balance(grown: Crop, span: Span, found: Ledger, at: int, column: int, weeks: int) -> Balance:
    nutrient = NUTRIENTS[column]
    daily = np.diff(found.need[:, column], prepend=0.0)
    begun = max(0, (span.first - found.first).days)
    wanted = float(daily[begun : at + 1].sum())
    unmet = float(found.unmet[begun : at + 1, column].sum())
    missing = unmet / wanted if wanted > FEW_MG else 0.0
    ahead = float(daily[at + 1 : at + 1 + 7 * weeks].sum())
    word: BalanceWord = "hungry" if missing > _HUNGRY else "short" if missing > _SHORT else "enough"
    if word == "enough" and found.pool[at, column] > ahead > FEW_MG and nutrient in ("N", "K"):
        word = "plenty"
    return Balance(
        nutrient=nutrient,
        name=NUTRIENT_NAMES[nutrient],
        need=_need(grown, span, found, at, column),
        reached=_reached(found, at, column),
        by_source=tuple(
            (source, float(found.entered[i, : at + 1, column].sum()))
            for i, source in enumerate(SOURCES)
        ),
        word=word,
        since=_since(found, at, column) if word in ("short", "hungry") else None,
        until=_until(found, at, column),
        gap=float(found.unmet[at + 1 : at + 15, column].sum()),
        own=nutrient == "N" and grown.n_fixed_share > 0,
    )


def _need(grown: Crop, span: Span, found: Ledger, at: int, column: int) -> Result:
    value = float(found.need[at, column])
    low, high = float(found.need_low[at, column]), float(found.need_high[at, column])
    steps = need_steps(grown, span, NUTRIENTS[column])
    total = Step("taken so far, all stages", "", value, "mg", "each day's need, summed")
    return Result(value, low, high, "mg", (*steps, total))


def _reached(found: Ledger, at: int, column: int) -> Result:
    value = float(found.reached[at, column])
    parts = [float(found.entered[i, : at + 1, column].sum()) for i in range(len(SOURCES))]
    brought = sum(parts)
    steps = [
        Step(f"reached from {source}" if source != "medium" else "reached from the medium",
             "", part, "mg", "what came in, by the share that roots get")
        for source, part in zip(SOURCES, parts, strict=True)
        if part > FEW_MG
    ]  # fmt: skip
    steps.append(
        Step("in all", " + ".join(say(p, 6) for p in parts if p > FEW_MG) or "0", brought, "mg")
    )
    drained = max(0.0, brought - value)
    steps.append(
        Step("less what drained away", f"{say(brought, 6)} − {say(drained, 6)}", value, "mg")
    )
    low, high = float(found.low[at, column]), float(found.high[at, column])
    return Result(value, low, high, "mg", tuple(steps))


def _since(found: Ledger, at: int, column: int) -> date:
    """The first day of the run of short days that ends last."""
    short = found.unmet[: at + 1, column] > FEW_MG
    day = int(np.flatnonzero(short)[-1])
    while day > 0 and short[max(0, day - 7) : day].any():
        day -= 1
    return found.first + timedelta(days=day)


def _until(found: Ledger, at: int, column: int) -> date | None:
    lacking = np.flatnonzero(found.unmet[at + 1 :, column] > FEW_MG)
    if not lacking.size:
        return None
    return found.first + timedelta(days=at + 1 + int(lacking[0]))


_OWN = " Its roots make more nitrogen where they find little: feed it none unless the leaves pale."


def sentence(books: tuple[Balance, ...], today: date) -> str:
    """What is short and since when, or how long it lasts, in a sentence or two."""
    lacking = [b for b in books if b.word in ("short", "hungry")]
    if lacking:
        link = {"short": "short of", "hungry": "hungry for"}
        parts = [f"{link[b.word]} {b.name} since {_day(b.since, today)}" for b in lacking]
        said = f"{', '.join(parts)}."
        own = _OWN if any(b.own for b in lacking) else ""
        return said[0].upper() + said[1:] + own
    ends = [b for b in books if b.until is not None and (b.until - today).days <= _SOON_DAYS]
    if ends:
        first = min(ends, key=lambda b: b.until or today)
        return (
            f"Enough of everything today; {first.name} is likely to run out "
            f"about {_day(first.until, today)}."
        )
    return "Enough of everything, today and for the weeks ahead."


_SOON_DAYS = 42


def _day(on: date | None, today: date) -> str:
    if on is None:
        return "some time"
    if on == today:
        return "today"
    year = "" if on.year == today.year else f" {on.year}"
    return f"{on.day} {on:%B}{year}"
