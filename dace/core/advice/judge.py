"""All rules about feeding some plants, one after another."""

from __future__ import annotations

from collections.abc import Callable

from dace.core.advice import (
    Advice,
    gravest_first,
    leaf_rules,
    place_rules,
    stage_rules,
    timing_rules,
)
from dace.core.advice.feeding import Feeding

RULES: tuple[Callable[[Feeding], Advice | None], ...] = (
    *timing_rules.RULES,
    *stage_rules.RULES,
    *place_rules.RULES,
    *leaf_rules.RULES,
)


def barred(feeding: Feeding) -> bool:
    """Whether a caution keeps a plan or a mix from proposing it."""
    said = advise_feeding(feeding)
    return any(one.severity == "stop" and one.plan_effect == "block" for one in said)


def advise_feeding(feeding: Feeding) -> list[Advice]:
    """Everything that the rules have to say, gravest first.

    Parameters
    ----------
    feeding : Feeding
        What is to be given, to whom, where and when.

    Returns
    -------
    list of Advice
        Nothing here blocks logging what was done.
    """
    return gravest_first([said for check in RULES if (said := check(feeding))])
