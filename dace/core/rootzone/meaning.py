"""What the salts about the roots mean for what grows there: a word, and the next feed."""

from __future__ import annotations

from dataclasses import dataclass
from datetime import date, timedelta
from typing import Literal

import numpy as np

from dace.core.figures import judgement
from dace.core.pen.methods import pour_through_ratio
from dace.core.result import Result, Step, say
from dace.core.rootzone.filter import Looked
from dace.core.rootzone.follow import Followed
from dace.core.rootzone.records import NITRATE, Growing, RootZone
from dace.core.season.crops import Crop, Stage

RootWord = Literal["low", "comfortable", "rising", "too_salty", "burning"]
FeedWord = Literal["same", "weaker", "stronger", "plain", "look"]
SHORT: dict[RootWord, str] = {
    "low": "low",
    "comfortable": "fine",
    "rising": "rising",
    "too_salty": "too salty",
    "burning": "burning",
}
"""The same in a word, where there is room for no more."""
WORDS: dict[RootWord, str] = {
    "low": "low",
    "comfortable": "comfortable",
    "rising": "rising",
    "too_salty": "too salty",
    "burning": "burning likely",
}
_BURNING = 1.5
_NEAR_TOP = 0.85
_SETTLED = 0.6
_CERTAIN = 0.9
_SURE = ((0.9, "quite sure"), (0.7, "fairly sure"), (0.5, "more likely than not"))
_TREND_DAYS, _TREND_LEAST = 28, 7
LIVING_MEDIA = ("raised_compost", "castings_coir")
SOAKED_PASTE = 2.0  # pore water beside the paste of a mineral soil


@dataclass(frozen=True)
class Comfort:
    """Drain conductivity that suits what grows there [mS/cm at 25 C], and whose it is."""

    low: float
    high: float
    whose: str
    source: str


def stage_on(growing: Growing, on: date) -> Stage:
    """The stage on a day; the nearest where it lies outside."""
    for span in growing.stages:
        if span.first <= on < span.after:
            return span.stage
    return growing.stages[0 if on < growing.stages[0].first else -1].stage


def comfort(root: RootZone, on: date) -> Comfort | None:
    """The band of the most sensitive thing that grows there; None where nothing does."""
    found: list[tuple[Crop, Stage]] = [
        (one.grown, stage_on(one, on))
        for one in root.growing
        if one.since <= on and (one.until is None or on < one.until) and one.stages
    ]
    return comfort_of(tuple(found))


def comfort_of(growing: tuple[tuple[Crop, Stage], ...]) -> Comfort | None:
    """The band that suits all of some crops at their stages; None of none."""
    if not growing:
        return None
    grown, stage = min(growing, key=lambda pair: pair[1].drain_ec_high)
    return Comfort(
        low=min(stage.drain_ec_low for _, stage in growing),
        high=stage.drain_ec_high,
        whose=f"{grown.name.lower()} {stage.words}",
        source=stage.source,
    )


def word_for(drain_ec: float, band: Comfort) -> RootWord:
    """What a drain's conductivity means there: a key of ``WORDS``.

    >>> band = Comfort(1.3, 2.6, "aubergine in flower", "")
    >>> [word_for(ec, band) for ec in (0.9, 1.8, 2.4, 3.0, 4.0)]
    ['low', 'comfortable', 'rising', 'too_salty', 'burning']
    """
    if drain_ec > _BURNING * band.high:
        return "burning"
    if drain_ec > band.high:
        return "too_salty"
    if drain_ec >= _NEAR_TOP * band.high:
        return "rising"
    return "comfortable" if drain_ec >= band.low else "low"


@dataclass(frozen=True)
class NextFeed:
    """What to do at the next feed: ``say`` is same, weaker, stronger, plain or look."""

    say: FeedWord
    words: str
    why: str
    sure: float

    @property
    def sure_words(self) -> str:
        """How sure, as one says it."""
        return next((text for least, text in _SURE if self.sure >= least), "far from sure")


def next_feed(found: Followed) -> NextFeed | None:
    """What the roots say of the next feed; None where nothing grows there.

    Never to feed where the drain is too salty; and low is not hunger by itself where soil
    life feeds the plants.
    """
    root, today = found.root_zone, found.first + timedelta(days=found.today)
    band = comfort(root, today)
    if band is None:
        return None
    over = float(np.mean(found.drains > band.high))
    near = float(np.mean(found.drains > _NEAR_TOP * band.high))
    under = float(np.mean(found.drains < band.low))
    word = word_now(found, band)
    surprised = _surprised(found, word)
    if surprised is not None:
        return surprised
    if not found.looked and over < _CERTAIN:
        why = "nothing was read here yet, and the band is wide"
        return NextFeed("same", "the same, but read first", why, 1 - over - under)
    if word in ("too_salty", "burning"):
        why = f"there is more salt than {band.whose} likes, and food would add to it"
        return NextFeed("plain", "plain water only, until it has fallen", why, over)
    if word == "rising" or over > 1 - _SETTLED:
        return NextFeed("weaker", "at half strength", "salts are near the top", near)
    if word == "low" and under > _SETTLED:
        if root.is_bed or root.medium.key in LIVING_MEDIA:
            why = (
                "it reads low, but soil life gives food out as it is used: that is no hunger by "
                "itself"
            )
            return NextFeed("same", "the same", why, under)
        return NextFeed("stronger", "somewhat stronger, below the cap", "it reads low", under)
    return NextFeed("same", "the same", "it is within what suits", 1 - over - under)


def _surprised(found: Followed, word: RootWord) -> NextFeed | None:
    """What to do after a reading that was not to be expected; None where the last one was."""
    if found.looked and found.looked[-1].again and word in ("too_salty", "burning"):
        why = (
            "the last two readings do not fit what was poured: salt from elsewhere, roots that rot "
            "or fill the pot, or a blocked drain, do that"
        )
        return NextFeed("look", "none, until you have looked at the roots", why, 0.5)
    doubted = lately_doubted(found)
    if doubted is None or doubted.sample.value <= doubted.high:
        return None
    why = "the last reading is far above what was poured here; one of the two is wrong"
    return NextFeed("plain", "read it again; plain water meanwhile", why, 0.5)


_DOUBT_LASTS_DAYS = 14


def word_now(found: Followed, band: Comfort) -> RootWord:
    """The word of today: by all draws, and by a last reading that is doubted where it says more.

    A reading far above what can well be is no comfort because it is doubted; nor is one far
    below a sign of salt.
    """
    likely, last = found.now[1], lately_doubted(found)
    if last is None:
        return word_for(likely, band)
    read = last.sample.value * pour_through_ratio(last.sample.method)
    return word_for(max(likely, read) if read > likely else min(likely, read), band)


def lately_doubted(found: Followed) -> Looked | None:
    """The last reading, where it is doubted and of late; a nitrate strip speaks of no salt."""
    if not found.looked or found.looked[-1].sample.method == NITRATE:
        return None
    last = found.looked[-1]
    today = found.first + timedelta(days=found.today)
    late = (today - last.sample.on).days <= _DOUBT_LASTS_DAYS
    return last if last.doubt and late else None


def climbing_since(found: Followed) -> date | None:
    """Since when, in four weeks, the likely line has climbed by a tenth; None if it has not."""
    begin = max(0, found.today - _TREND_DAYS)
    line = found.ec[1, begin : found.today + 1]
    low = int(np.argmin(line))
    if len(line) - 1 - low < _TREND_LEAST or line[-1] < 1.1 * line[low]:
        return None
    return found.first + timedelta(days=begin + low)


def days_to_top(found: Followed) -> int | None:
    """Days until the likely line passes the top of the comfort band; 0 where it has."""
    for index in range(found.today, found.ec.shape[1]):
        band = comfort(found.root_zone, found.first + timedelta(days=index))
        if band is not None and found.ec[1, index] > band.high:
            return index - found.today
    return None


def as_paste(drain_ec: float) -> float:
    """What a paste of mineral soil reads where a pour-through would read so much [mS/cm].

    >>> round(as_paste(2.18), 2)
    1.0
    """
    return drain_ec / judgement("pore_to_pour_through").range.typ / SOAKED_PASTE


def crop_loss(found: Followed) -> Result | None:
    """What salt costs the crop of a bed [%], by threshold and slope; None in pots.

    References
    ----------
    .. [1] ``salt_tables`` in ``figures/sources.toml``.
    """
    root, today = found.root_zone, found.first + timedelta(days=found.today)
    here = [g for g in root.growing if g.since <= today and (g.until is None or today < g.until)]
    salted = [g.grown for g in here if g.grown.salt is not None]
    if not root.is_bed or not salted:
        return None
    grown = min(salted, key=lambda crop: crop.salt[0] if crop.salt else 0.0)
    assert grown.salt is not None
    threshold, slope = grown.salt
    low, likely, high = (as_paste(ec) for ec in found.now)

    def lost(paste: float) -> float:
        return min(100.0, max(0.0, slope * (paste - threshold)))

    steps = [
        Step("in a paste of the soil", "", likely, "mS/cm", "half of the pore water", "medium")
    ]
    if likely > threshold:
        expression = f"{say(slope)} × ({say(likely, 6)} − {say(threshold)})"
        steps.append(
            Step(f"lost by {grown.name.lower()}", expression, lost(likely), "%", grown.source)
        )
    return Result(lost(likely), lost(low), lost(high), "%", tuple(steps))
