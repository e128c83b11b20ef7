"""What the path shows."""

from __future__ import annotations

import uuid
from datetime import datetime

from dace.desks.shared.out import Out
from dace.desks.shared.stops import GrownOut
from dace.desks.shared.verdicts import VerdictOut


class StandOut(Out):
    """So many plants of one crop at a stop; ``also`` is what the crop is called elsewhere."""

    id: uuid.UUID
    planting_id: uuid.UUID
    spot: str
    crop_key: str
    crop: str
    also: str
    counted: str
    stage_key: str
    stage: str
    stage_since: str
    question: str
    count: int
    fed: bool
    grown: GrownOut


class SpotOut(Out):
    """One fill of a stop with something growing, its verdict, and what was last read of it."""

    fill_id: uuid.UUID
    subject_id: uuid.UUID
    name: str
    stand_ids: list[uuid.UUID]
    read_text: str
    verdict: VerdictOut


class StopOut(Out):
    """A stop along the path.

    ``mark`` is what it wants in three words, of the spot that wants somebody first; ``line``
    what grows there; ``read_text`` its last reading with its age, and of which of its pots it is
    where there are several; silent after a fortnight.
    """

    id: uuid.UUID
    name: str
    kind: str
    area: str
    line: str
    mark: str
    mark_kind: str | None
    read_text: str
    subject_id: uuid.UUID | None
    fed_at: datetime | None
    spots: list[SpotOut]
    stands: list[StandOut]


class BrewDueOut(Out):
    """A brew with something to do today."""

    id: uuid.UUID
    name: str
    text: str


class VolumeUnitOut(Out):
    """A unit that volumes are said in, from so many litres on."""

    unit: str
    litres: float
    least_l: float


class PathOut(Out):
    """The garden, its stops in walking order, and brews that want something today.

    ``scale`` is the pen's as it is written, ``per_ms`` what it shows for 1 mS/cm; ``edition`` is
    the newest change that it shows, to send back as ``If-Match``.
    """

    edition: int
    garden: str
    zone: str
    measures: str
    degrees: str
    scale: str
    per_ms: float
    volumes: list[VolumeUnitOut]
    now: datetime
    stops: list[StopOut]
    brews: list[BrewDueOut]
