"""What stands about the roots of a stop today: salts, readings, feeds, flushes."""

from __future__ import annotations

import math
from dataclasses import dataclass
from datetime import date, timedelta

import numpy as np

from dace.core.fed.evenings import fitted, used_on
from dace.core.fed.records import AS_NEEDED, Rhythm, Stop
from dace.core.figures import judgement
from dace.core.matter.settings import setting
from dace.core.pen.methods import pour_through_ratio
from dace.core.rootzone.filter import Looked
from dace.core.rootzone.meaning import (
    LIVING_MEDIA,
    Comfort,
    RootWord,
    comfort,
    lately_doubted,
    stage_on,
    word_now,
)
from dace.core.rootzone.records import CHARGED, NITRATE, Poured
from dace.core.season.need import wish_now

_NITROGEN = tuple(CHARGED.index(key) for key in ("NO3_N", "NH4_N", "urea_N"))
_STATE_DAYS, _A_GO = 14, 0.2
_LOOKED_BACK_DAYS, _LEAST_FEED = 42, 0.1
_MEALS = 2  # half of what a pot takes at most counts as all of it
_SLOW = ("soil_first",)
DRESSED_FOR_DAYS = 28
"""So long a dressing feeds."""
SAID_FOR_DAYS = 14
"""So long it holds what somebody said of salt."""


@dataclass(frozen=True)
class Facts:
    """A stop's state.

    ``over`` is the chance that what drains lies above the comfort band; ``read`` its newest
    reading of conductivity and ``read_age`` the days since; ``flushed`` is the last go of its
    newest flush; ``strong`` how many times the typical wish the feeds of late were, 0 where none
    were; ``rhythm`` how often it is fed now.
    ``full_l`` is the water that the medium holds and ``watered_when`` the share of it at which
    it is watered, in the middle draw.
    """

    stop: Stop
    rhythm: Rhythm
    today: date
    band: Comfort | None
    word: RootWord
    over: float
    read: Looked | None
    read_age: int | None
    surprise: bool
    fed: tuple[Poured, ...]
    flushed: Poured | None
    strong: float
    full_l: float
    watered_when: float

    @property
    def index(self) -> int:
        """Today as a day of what was followed."""
        return self.stop.followed.today

    @property
    def fresh(self) -> bool:
        """Whether a reading is still gone by as it stands."""
        return self.read_age is not None and self.read_age <= judgement("reading_fresh").range.typ

    @property
    def lately_read(self) -> bool:
        """Whether a reading of the last three weeks speaks of its salt."""
        return self.read_age is not None and self.read_age <= judgement("reading_fresh").range.high

    @property
    def in_bed(self) -> bool:
        """Whether it is a bed."""
        return self.stop.followed.root_zone.is_bed

    @property
    def last_fed(self) -> date | None:
        """The day of the last feed."""
        return self.fed[-1].on if self.fed else None

    @property
    def in_tray(self) -> bool:
        """Whether it is what seedlings stand in."""
        return setting(self.stop.followed.root_zone.setting).seedlings

    @property
    def plants(self) -> int:
        """How many plants stand there."""
        return max(1, sum(one.plants for one in self.stop.grows))

    @property
    def area_m2(self) -> float:
        """The ground of a bed [m2]."""
        deep = 1000 * judgement("bed_depth").range.typ
        return self.stop.area_m2 or self.stop.followed.root_zone.litres / deep

    @property
    def dressed(self) -> bool:
        """Whether it is fed by what is strewn: beds, and whatever feeds the soil first."""
        approach = self.stop.approach
        return approach in _SLOW or (self.in_bed and approach != "soluble")

    @property
    def last_dressed(self) -> date | None:
        """The day of the last dressing."""
        root = self.stop.followed.root_zone
        return max((one.on for one in root.slow if one.on <= self.today), default=None)

    @property
    def _slot_opened(self) -> date | None:
        """When the last feed or leaving-out left room for the next; a dressing counts in pots."""
        opened = [one.on + timedelta(days=self._carries(one)) for one in self.fed]
        if self.stop.left_out is not None:
            opened.append(self.stop.left_out + timedelta(days=self.rhythm.apart))
        if self.dressed and not self.in_bed and self.last_dressed is not None:
            opened.append(self.last_dressed + timedelta(days=DRESSED_FOR_DAYS))
        return max(opened, default=None)

    def _carries(self, poured: Poured) -> int:
        """For how many days a feed uses its slot up; less where the pot was wet and took a sip."""
        if self.stop.rhythm != AS_NEEDED or self.in_bed:
            return self.rhythm.apart
        meal = judgement("medium_share_per_drench").range.typ * self.full_l
        return math.ceil(self.rhythm.apart * min(1.0, _MEALS * poured.litres / meal))

    @property
    def slot_on(self) -> date:
        """The first day from today on that rhythm and evenings allow a feed."""
        opens = self._slot_opened or self.today
        evenings = frozenset() if self.rhythm.with_water else self.stop.evenings
        return used_on(opens, self.today, evenings, self.stop.away)

    @property
    def dress_on(self) -> date:
        """The first day from today on on which it is looked at for a dressing."""
        used = [on for on in (self.last_dressed, self.stop.left_out) if on is not None]
        opened = [on + timedelta(days=DRESSED_FOR_DAYS) for on in used]
        return max([self.today, *opened])

    @property
    def slot_open_days(self) -> int:
        """For how many days the rhythm has allowed a feed."""
        opened = self._slot_opened
        if opened is None:
            opened = min((one.since for one in self.stop.grows), default=self.today)
        return max(0, (self.today - opened).days)

    @property
    def read_since_flush(self) -> bool:
        """Whether it was read after it was flushed."""
        if self.flushed is None:
            return True
        moment = (self.flushed.on, self.flushed.hour)
        return self.read is not None and (self.read.sample.on, self.read.sample.hour) > moment

    @property
    def salt_lately_said(self) -> bool:
        """Whether what was said of salt still holds: a fortnight."""
        said = self.stop.salt_said
        return said is not None and (self.today - said.on).days < SAID_FOR_DAYS

    @property
    def said_salty(self) -> bool:
        """Whether salt was seen, or far too much poured, and nothing washed it out since."""
        said = self.stop.salt_said
        if said is None or not self.salt_lately_said or said.word == "clean":
            return False
        gone = self.flushed
        return gone is None or (gone.on, gone.hour) < (said.on, said.hour)

    @property
    def waits_to_be_read(self) -> bool:
        """Whether it was flushed and nobody read it yet, unless that was too long ago to wait."""
        if self.flushed is None or self.read_since_flush:
            return False
        return (self.today - self.flushed.on).days < judgement("flush_waits").range.typ

    @property
    def after_flush(self) -> bool:
        """Whether the next feed is the first one after a flush."""
        if self.flushed is None or (self.today - self.flushed.on).days > _STATE_DAYS:
            return False
        return self.last_fed is None or self.last_fed < self.flushed.on

    @property
    def reads_low(self) -> bool:
        """Whether a fresh reading, not the sums alone, lies under the band of a poor medium."""
        root = self.stop.followed.root_zone
        if self.read is None or not self.fresh or self.band is None or self.read.doubt:
            return False
        if root.is_bed or root.medium.key in LIVING_MEDIA:
            return False
        sample = self.read.sample
        return sample.value * pour_through_ratio(sample.method) < self.band.low


def facts_of(stop: Stop, rhythm: Rhythm) -> Facts:
    """Gather a stop's state from what was followed."""
    found = stop.followed
    today = found.first + timedelta(days=found.today)
    band = comfort(found.root_zone, today)
    read = next((one for one in reversed(found.looked) if one.sample.method != NITRATE), None)
    fed = tuple(p for p in found.root_zone.poured if p.feed and p.on <= today)
    doubted = lately_doubted(found)
    return Facts(
        stop=stop,
        rhythm=fitted(rhythm, today, stop.evenings),
        today=today,
        band=band,
        word="comfortable" if band is None else word_now(found, band),
        over=0.0 if band is None else float(np.mean(found.drains > band.high)),
        read=read,
        read_age=None if read is None else (today - read.sample.on).days,
        surprise=doubted is not None and doubted.sample.value > doubted.high,
        fed=tuple(sorted(fed, key=lambda p: (p.on, p.hour))),
        flushed=_flushed(stop, today),
        strong=_strong(stop, today),
        full_l=float(np.median(found.bucket.full)),
        watered_when=float(np.median(found.unknowns.of("watered_when", 0))),
    )


def _flushed(stop: Stop, today: date) -> Poured | None:
    """The last go of the newest flush; where nobody said, much plain water on much salt."""
    found = stop.followed
    least = _A_GO * float(np.median(found.bucket.full))
    plain = [p for p in found.root_zone.poured if not p.feed and found.first <= p.on <= today]
    for last in sorted(plain, key=lambda p: (p.on, p.hour), reverse=True):
        if last.flush is not None:
            if last.flush:
                return last
            continue
        before = max(0, (last.on - found.first).days - 1)
        band = comfort(found.root_zone, found.first + timedelta(days=before))
        if last.litres >= least and band is not None and found.ec[1, before] > band.high:
            return last
    return None


def nitrogen_of(poured: Poured) -> float:
    """Nitrogen in a litre of what was poured [mg/L]."""
    return sum(poured.mg_l[at] for at in _NITROGEN)


def _strong(stop: Stop, today: date) -> float:
    """How strong the feeds of the last weeks were beside what their stage wished, on average."""
    root = stop.followed.root_zone
    ratios = []
    for poured in root.poured:
        if not poured.feed or not 0 <= (today - poured.on).days <= _LOOKED_BACK_DAYS:
            continue
        wishes = [
            wish_now(one.grown, stage_on(one, poured.on), "N", root.is_bed).typ
            for one in root.growing
            if one.stages
            and one.since <= poured.on
            and (one.until is None or poured.on < one.until)
        ]
        least = min((wish for wish in wishes if wish > 0), default=0.0)
        if least > 0 and nitrogen_of(poured) > _LEAST_FEED * least:
            ratios.append(nitrogen_of(poured) / least)
    return float(np.mean(ratios)) if ratios else 0.0
