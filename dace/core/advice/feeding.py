"""What bears on feeding these plants, here, now, with this: a situation for rules to look at."""

from __future__ import annotations

from dataclasses import dataclass

from dace.core.matter.settings import setting
from dace.core.season.crops import Crop, Stage


@dataclass(frozen=True)
class Feeding:
    """A feed, whom it is for, and where and when; None where nobody knows.

    ``tokens`` name the feed (``key:``, ``family:``, ``method:``, ``route:``); ``recent``
    are those of other feeds with the days since. ``harvest_in_days`` counts to the first
    picking, 0 once it has begun. ``n_g_m2`` is the season's nitrogen with this feed,
    ``hco3_mg_l`` the bicarbonate of its water, ``soil_c`` the warmth of the soil,
    ``rain_mm`` forecast for the next day.
    """

    tokens: frozenset[str]
    crop: Crop
    stage: Stage
    route: str = "drench"
    brings: frozenset[str] = frozenset()
    total_ec: float | None = None
    feed_p_mg_l: float | None = None
    setting: str = "pot"
    ph: float | None = None
    hco3_mg_l: float | None = None
    clay: bool = False
    day_hours: float = 14.0
    soil_c: float | None = None
    warmest_c: float | None = None
    coldest_c: float | None = None
    rain_mm: float | None = None
    harvest_in_days: float | None = None
    days_planted: float | None = None
    n_g_m2: float | None = None
    drain_ec: float | None = None
    g_m2: float | None = None
    layer_mm: float | None = None
    share: float | None = None
    c_to_n: float | None = None
    tested_high: frozenset[str] = frozenset()
    recent: tuple[tuple[frozenset[str], float], ...] = ()

    @property
    def nitrogen(self) -> bool:
        """Whether it brings nitrogen."""
        return "N" in self.brings

    @property
    def in_bed(self) -> bool:
        """Whether they stand in the ground."""
        return setting(self.setting).in_ground

    @property
    def who(self) -> str:
        """The plants and their stage, in words."""
        return f"{self.crop.name.lower()} {self.stage.words}"
