"""What is said of each nutrient's books beside a verdict: never anything that it does not say."""

from __future__ import annotations

from datetime import date

from dace.core.fed.records import Verdict
from dace.core.ledger.shortfall import Balance
from dace.core.verdict.kinds import kind_of
from dace.core.words.days import day_words

_LACKS = ("short", "hungry")


def nutrient_words(balance: Balance, found: Verdict | None, today: date) -> str:
    """One nutrient in a few words, as the verdict of its stop has it.

    Parameters
    ----------
    balance : Balance
        The books.
    found : Verdict or None
        Of the fill it stands in; None where nothing grows there now.
    today : date
        For the days named.
    """
    if balance.own:
        return "makes its own"
    if balance.word in _LACKS:
        return _lacking(balance, found, today)
    if balance.word == "plenty":
        return "plenty for weeks"
    if balance.until is not None and balance.until > today:
        return f"enough till about {day_words(balance.until, today)}"
    return "enough"


def _lacking(balance: Balance, found: Verdict | None, today: date) -> str:
    since = f" since {day_words(balance.since, today)}" if balance.since else ""
    if found is None:
        return f"{balance.word}{since}"
    return kind_of(found.kind).while_short(found) or f"{balance.word}{since}"
