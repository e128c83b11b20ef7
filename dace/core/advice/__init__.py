"""Cautions and schools: small rules that look at a situation and speak, or not."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Literal, get_args

Severity = Literal["stop", "care", "info", "school"]
SEVERITIES: tuple[Severity, ...] = get_args(Severity)
"""Gravest first."""


@dataclass(frozen=True)
class Advice:
    """What happens, what to do and why, in at most three short sentences.

    ``plan_effect`` is ``block`` (a plan or mix never proposes it), ``confirm`` (only the
    gardener knows: asked once) or empty. Nothing ever blocks logging what was done.
    """

    key: str
    severity: Severity
    title: str
    text: str
    source: str
    plan_effect: str = ""


def gravest_first(said: list[Advice]) -> list[Advice]:
    """The same pieces of advice, stops before cares before infos."""
    return sorted(said, key=lambda a: SEVERITIES.index(a.severity))
