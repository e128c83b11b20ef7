"""What Dace has learned here, with the evidence for it."""

from __future__ import annotations

import math
from dataclasses import replace

from dace.core import api as core
from dace.core.api import say
from dace.desks.year.schemas import LearnedOut, LearnedPageOut
from dace.households.scope import Scope
from dace.shelf.as_core import core_recipe
from dace.shelf.taught import Batch, batches

_EVEN = 0.05


def learned_page(scope: Scope) -> LearnedPageOut:
    """Each recipe whose batches were read; four queries."""
    if scope.demo:
        return LearnedPageOut(learned=[], simulated=True)
    found = batches(scope)
    return LearnedPageOut(
        learned=[_line(key, several) for key, several in found.items()], simulated=False
    )


def _line(key: str, several: tuple[Batch, ...]) -> LearnedOut:
    method, made_of = key.split(" ", 1)
    names = core.listed([core.material(one).name.lower() for one in made_of.split("+")])
    told = [one.told for one in several]
    factors = sorted(math.exp(one.log) for one in told)
    span = f"{say(factors[0], 2)} to {say(factors[-1], 2)}" if len(told) > 1 else say(factors[0], 2)
    count = core.number_word(len(told))
    batch = "batch" if len(told) == 1 else "batches"
    newest = core_recipe(several[-1].brew)
    start = core.taught_factor(replace(newest, past=tuple(told)))
    if abs(math.log(start)) < _EVEN:
        starts = "the next starts as the table has it"
    else:
        side = "weaker" if start < 1 else "stronger"
        starts = f"the next starts {abs(1 - start):.0%} {side}".replace("%", " %")
    return LearnedOut(
        what=key,
        name=f"{core.method(method).name}, {names}",
        evidence=f"{count} {batch} read {span} times the table",
        starts=starts,
    )
