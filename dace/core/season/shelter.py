"""The air where plants stand: a room, a frame, or outside."""

from __future__ import annotations

from dace.core.figures import judgement
from dace.core.matter.settings import Shelter


def air_under(shelter: Shelter, low_c: float, high_c: float) -> tuple[float, float]:
    """Low and high of a day where the plants stand, by those outside [C].

    A cover warms days and nights a little; a room is never colder than a room nor warmer than
    one in summer.

    >>> low, high = air_under("indoors", -4.0, 6.0)
    >>> low == high == judgement("indoor_c").range.typ
    True
    """
    if shelter == "indoors":
        room = judgement("indoor_c").range
        low, high = (min(max(air, room.typ), room.high) for air in (low_c, high_c))
        return low, high
    if shelter == "cover":
        night, day = judgement("cover_night_c").range.typ, judgement("cover_day_c").range.low
        return low_c + night, high_c + day
    return low_c, high_c
