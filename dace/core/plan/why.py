"""Why this feed, on that day, that strong: one sentence for each thing that decided it."""

from __future__ import annotations

from dace.core.fed.options import Option
from dace.core.fed.records import Verdict
from dace.core.matter.nutrients import NUTRIENT_NAMES, NUTRIENTS
from dace.core.plan.ahead import Ahead
from dace.core.plan.walk import Given
from dace.core.words.days import on_day

_CLOSE = 0.1


def why_given(ahead: Ahead, given: Given, worth: tuple[float, ...]) -> tuple[str, ...]:
    """The day, the feed, its strength, and what changed any of them.

    Parameters
    ----------
    ahead, given : Ahead, Given
        The stop, and what it gets.
    worth : tuple of float
        What a mg of each nutrient is worth that week; empty where none was weighed.
    """
    found = [_day(ahead, given)]
    if ahead.verdict.kind == "look" and given.ahead <= given.facts.rhythm.apart:
        found.append("If what is looked at first allows it.")
    if given.moved:
        found.append(f"Not sooner: {given.moved}.")
    found += _feed(given, worth) if given.option else _dressing(given)
    return tuple(found)


def _day(ahead: Ahead, given: Given) -> str:
    lacks = NUTRIENT_NAMES[given.lacks]
    if given.dressing is not None:
        return f"From then on {lacks} within reach would not last the next weeks."
    return f"It is fed {given.facts.rhythm.words}, and {lacks} is owed."


def _feed(given: Given, worth: tuple[float, ...]) -> list[str]:
    option, stage = given.option, given.fed[0].stage.words
    assert option is not None
    best = given.others[0]
    if option.base is not None:
        first = option.base.source
        until = first.keeps_until
        keeps = f" and keeps till {on_day(until)}" if until else ""
        chosen = f"{first.name} goes first: it is ripe{keeps}."
    elif option.source.key == best.source.key:
        chosen = f"{option.source.name}: nothing else on the shelf comes nearer to {stage}."
        if len(given.others) > 1 and given.others[1].rank - option.rank < _CLOSE:
            second = given.others[1].source.name
            chosen = f"{option.source.name} suits {stage} about as well as {second}."
    else:
        more = _brings_more(option, best, worth)
        reason = f"brings more {more} in the weeks ahead" if more else "spares what others need"
        chosen = f"{option.source.name} and not {best.source.name}: it {reason}."
    return [chosen, f"Its strength is {_bound(option.bound_by)}."]


def _brings_more(option: Option, best: Option, worth: tuple[float, ...]) -> str:
    """The nutrient for which one source is worth more than the one that suits best."""
    gains = [
        (each * (option.held[n] - best.held[n]), n)
        for each, n in zip(worth, NUTRIENTS, strict=False)
    ]
    gain, nutrient = max(gains, default=(0.0, ""))
    return NUTRIENT_NAMES[nutrient] if gain > 0 else ""


def _bound(why: str) -> str:
    return why if why.startswith(("what", "the", "neat")) else f"bound by {why}"


def _dressing(given: Given) -> list[str]:
    assert given.dressing is not None
    return [
        f"{given.dressing.name}: dry, since the ground digests it for them.",
        f"So much of it carries {given.dressing.bound_by}.",
    ]


def why_today(found: Verdict) -> tuple[str, ...]:
    """The verdict's own reasons."""
    said = [found.reason]
    if found.recipe is not None and found.recipe.can is not None:
        said.append(f"Its strength is {_bound(found.recipe.bound_by)}.")
    if found.share < 1:
        said.append("Weaker than what is owed, for now.")
    return tuple(one for one in said if one)
