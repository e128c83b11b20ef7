"""Cautions and schools: small rules that look at a situation and speak, or not."""

from __future__ import annotations

from dataclasses import dataclass

SEVERITIES = ("info", "care", "stop", "school")


@dataclass(frozen=True)
class Advice:
    """What happens, what to do and why, in at most three short sentences."""

    key: str
    severity: str
    title: str
    text: str
    source: str
