"""What scores and signs show."""

from __future__ import annotations

import uuid
from datetime import date, datetime

from dace.desks.shared.out import Out


class ScaleOut(Out):
    """A scale: what it is of, where to look, and the words of its points from 0 to 5."""

    key: str
    name: str
    look: str
    words: list[str]


class ScoredOut(Out):
    """A stand to score, with the last scores of it, by scale."""

    stand_id: uuid.UUID
    place_id: uuid.UUID
    name: str
    who: str
    last: dict[str, float]
    last_text: str


class ScoringOut(Out):
    """The scales, and every stand in walking order."""

    scales: list[ScaleOut]
    stands: list[ScoredOut]


class SignOut(Out):
    """A sign that can be seen: its name, where on the plant, what, on what it is common."""

    key: str
    name: str
    position: str
    pattern: str
    crops: str
    urgency: str


class FactOut(Out):
    """Something that is known of a stand: a name, its value, and how one says it."""

    name: str
    value: float
    text: str


class CauseOut(Out):
    """A likely cause.

    ``likely`` is its chance in words, ``why`` what speaks for it, ``against`` what does not.
    """

    cause: str
    kind: str
    share: float
    likely: str
    why: list[str]
    against: list[str]


class SignReadOut(Out):
    """What a sign likely means here: causes, the check to do first, what feeding would do."""

    sign: SignOut
    who: str
    facts: list[FactOut]
    causes: list[CauseOut]
    check: str
    feeding_helps: str
    feeding_does_not: str
    reversible: str
    urgency: str
    caution: str


class OfferedSignsOut(Out):
    """The signs that what grows at a stand can have, by key."""

    stand_id: uuid.UUID
    signs: list[str]


class SignsOut(Out):
    """Every sign, which each stand can have, and those whose outcome is to be told."""

    signs: list[SignOut]
    offered: list[OfferedSignsOut]
    open: list[OpenCheckOut]


class OpenCheckOut(Out):
    """A sign looked up before: what was thought, and when to look again."""

    id: uuid.UUID
    name: str
    pattern: str
    causes: list[str]
    again_on: date
    due: bool


class PhotoOut(Out):
    """A photo: of which stand, when, and its size in pixels."""

    id: uuid.UUID
    stand_id: uuid.UUID
    name: str
    taken_at: datetime
    width: int
    height: int


class PhotosOut(Out):
    """Photos, the newest first."""

    photos: list[PhotoOut]
