"""Crops, their stages, what each stage wishes of a can and the most it bears."""

from __future__ import annotations

import re
from dataclasses import dataclass, replace
from functools import cache

from dace.core.errors import DaceError
from dace.core.figures import Range, Row, load_table, source_words
from dace.core.matter.nutrients import NUTRIENTS
from dace.core.result import Step, say

_WARM_BASE_C = 9.0
_GERMINATES = "germination"
_SEEDLINGS = (_GERMINATES, "seedling")
STAGE_WORDS = {
    "germination": "germinating",
    "seedling": "seedling",
    "establishing": "settling in",
    "vegetative": "in leaf",
    "flowering": "in flower",
    "fruit_set": "at first fruit",
    "fruit_fill": "fruit swelling",
    "heading": "hearting up",
    "bulbing": "bulbing",
    "root_fill": "roots swelling",
    "ripening": "ripening",
    "harvest": "in harvest",
    "wind_down": "winding down",
}


@dataclass(frozen=True)
class Stage:
    """One stage of one crop, with its figures."""

    crop: str
    key: str
    order: int
    words: str
    visual_cue: str
    wish: tuple[tuple[str, Range], ...]
    feed_ec: Range
    drain_ec_low: float
    drain_ec_high: float
    water_l_day: Range
    duration_days: Range
    duration_gdd: float | None
    gdd_base_c: float | None
    light_h: float | None
    """Length of day [h] under which it does not begin."""
    share: tuple[tuple[str, float], ...]
    confidence: str
    source: str

    def __hash__(self) -> int:
        return hash((self.key, self.words))  # what is equal has these; the rest is much to hash

    def share_of(self, nutrient: str) -> float:
        """Share of the season's uptake that falls in this stage [fraction]."""
        return dict(self.share)[nutrient]

    def wish_of(self, nutrient: str) -> Range:
        """What one litre of feed should hold at this stage [mg/L]."""
        return dict(self.wish)[nutrient]

    @property
    def is_seedling(self) -> bool:
        """Whether the seedling cap holds."""
        return self.key in _SEEDLINGS

    @property
    def germinates(self) -> bool:
        """Whether the seed still feeds it, under ground."""
        return self.key == _GERMINATES


@dataclass(frozen=True)
class Crop:
    """A crop and its stages in order.

    ``salt`` is the conductivity of a paste of its soil above which it yields less [mS/cm],
    and what each mS/cm more costs [%]; None where no table has it. ``family`` is of botany;
    ``leaf``, ``habit`` and ``bears`` say how it is drawn.
    """

    key: str
    name: str
    botanical: str
    feeder_class: str
    seedling_ec_max_ms_cm: float
    plants_per_m2: float
    typical_pot_litres: float
    harvest_part: str
    base_temp_c: float
    uptake_g: tuple[tuple[str, Range], ...]
    n_fixed_share: float
    late_nitrogen: str
    ph: tuple[float, float]
    eaten_raw: bool
    family: str
    leaf: str
    habit: str
    bears: str
    fruit_on_ground: bool
    gathers_nitrate: bool
    mycorrhizal: bool
    ec_group: str
    salt: tuple[float, float] | None
    stages: tuple[Stage, ...]
    confidence: str
    source: str

    @property
    def warm(self) -> bool:
        """Whether it stops in cool weather, as those with a high base do."""
        return self.base_temp_c >= _WARM_BASE_C

    @property
    def harvested_once(self) -> bool:
        """Whether it is taken in one go once it is ripe, not picked over weeks.

        >>> [crop(key).harvested_once for key in ("melon", "onion", "chilli")]
        [True, True, False]
        """
        picked = any(s.key == "harvest" and s.wish_of("N").typ > 0 for s in self.stages)
        return not picked and any(stage.key == "ripening" for stage in self.stages)

    def uptake_of(self, nutrient: str) -> Range:
        """What one plant takes up over a season [g], fixed nitrogen included."""
        return dict(self.uptake_g)[nutrient]

    def counted(self, count: int) -> str:
        """So many plants in words.

        >>> crop("aubergine").counted(4), crop("kale").counted(12), crop("leek").counted(1)
        ('4 aubergines', '12 kale plants', '1 leek')
        """
        head, mark, rest = _head(self.name)
        tail = mark + rest
        if head.split()[-1] in _mass_names():
            return f"{count} {head}{tail} plant{'' if count == 1 else 's'}"
        if count != 1:
            head = _plural(head)
        return f"{count} {head}{tail}"

    def __hash__(self) -> int:
        return hash((self.key, self.name))

    def stage(self, key: str) -> Stage:
        """One of its stages by key."""
        for stage in self.stages:
            if stage.key == key:
                return stage
        names = ", ".join(stage.key for stage in self.stages)
        raise DaceError("stage", f"“{key}” for {self.name.lower()}", f"one of {names} would do")


@cache
def _mass_names() -> frozenset[str]:
    """Last words of names that no one counts by themselves: twelve kale plants."""
    uncounted = (row for row in load_table("crops") if row.text("counted") == "n")
    return frozenset(_head(row.text("name"))[0].split()[-1] for row in uncounted)


def _head(name: str) -> list[str]:
    """A name without what stands in brackets, after a stroke or after “in”; that mark; the rest."""
    return re.split(r"( \(| / | in |$)", name.lower(), maxsplit=1)


def _plural(name: str) -> str:
    if name.endswith(("sh", "ch", "to")):
        return f"{name}es"
    return f"{name[:-1]}ies" if name.endswith("ry") else f"{name}s"


@dataclass(frozen=True)
class Cap:
    """The most conductivity that a stage bears from feed, and how that follows."""

    feed_ec_ms_cm: float
    step: Step


@cache
def crops() -> dict[str, Crop]:
    """All crops by key, in the order of the table.

    Returns
    -------
    dict of str to Crop
        A crop for each row.

    Examples
    --------
    >>> crops()["aubergine"].stage("flowering").feed_ec.high
    1.33
    """
    stages: dict[str, list[Stage]] = {}
    for row in load_table("stages"):
        stages.setdefault(row.text("crop"), []).append(_stage(row))
    return {row.text("key"): _crop(row, stages[row.text("key")]) for row in load_table("crops")}


@cache
def other_names() -> dict[str, tuple[str, ...]]:
    """What crops are called elsewhere, by crop.

    >>> other_names()["courgette"][0]
    'zucchini'
    """
    found: dict[str, list[str]] = {}
    for row in load_table("crop_names"):
        found.setdefault(row.text("crop"), []).append(row.text("name"))
    return {key: tuple(names) for key, names in found.items()}


def alike(key: str, called: str) -> Crop:
    """A crop that the table has not: the figures of one that it is most like, by its own name.

    >>> alike("courgette", "Patty pan").counted(2), alike("leek", "").name
    ('2 patty pans', 'Leek')
    """
    found = crop(key)
    return replace(found, name=called) if called else found


def crop(key: str) -> Crop:
    """One crop by key; an unknown key is a ``DaceError`` on field ``crop``."""
    try:
        return crops()[key]
    except KeyError:
        raise DaceError("crop", f"“{key}”", "choose a crop from the list") from None


def _stage(row: Row) -> Stage:
    key = row.text("stage")
    return Stage(
        crop=row.text("crop"),
        key=key,
        order=int(row.number("order")),
        words=STAGE_WORDS[key],
        visual_cue=row.text("visual_cue"),
        wish=tuple((n, row.range(f"{n.lower()}_mgl")) for n in NUTRIENTS),
        feed_ec=row.range("feed_ec"),
        drain_ec_low=row.number("pour_through_ec_low"),
        drain_ec_high=row.number("pour_through_ec_high"),
        water_l_day=row.range("water_l_day"),
        duration_days=row.range("duration_days"),
        duration_gdd=row.maybe("duration_gdd"),
        gdd_base_c=row.maybe("gdd_base_c"),
        light_h=row.maybe("light_h"),
        share=_shares(row),
        confidence=row.text("feed_confidence"),
        source=source_words(row.text("source_family")),
    )


@cache
def stand_ins() -> tuple[tuple[str, str], ...]:
    """Crops that plants of no row feed like: their keys, and which plants; lightest first.

    >>> stand_ins()[0]
    ('lettuce', 'a light feeder, eaten for its leaf')
    """
    rows = [row for row in load_table("crops") if row.text("stands_for")]
    rows.sort(key=lambda row: row.number("stands_for_order"))
    return tuple((row.text("key"), row.text("stands_for")) for row in rows)


def _shares(row: Row) -> tuple[tuple[str, float], ...]:
    """Of uptake by nutrient; magnesium, for which the table has none, goes with nitrogen."""
    shares = {n: row.number(f"share_{n.lower()}") for n in ("N", "P", "K", "Ca")}
    shares["Mg"] = shares["N"]
    return tuple((n, shares[n]) for n in NUTRIENTS)


def _crop(row: Row, stages: list[Stage]) -> Crop:
    return Crop(
        key=row.text("key"),
        name=row.text("name"),
        botanical=row.text("botanical"),
        feeder_class=row.text("feeder_class"),
        seedling_ec_max_ms_cm=row.number("seedling_ec_max_ms_cm"),
        plants_per_m2=row.number("plants_per_m2"),
        typical_pot_litres=row.number("typical_pot_litres"),
        harvest_part=row.text("harvest_part"),
        base_temp_c=row.number("base_temp_c"),
        uptake_g=tuple((n, row.range(f"{n.lower()}_g")) for n in NUTRIENTS),
        n_fixed_share=row.number("n_fixed_share"),
        late_nitrogen=row.text("nitrogen_late_risk"),
        ph=(row.number("ph_low"), row.number("ph_high")),
        eaten_raw=row.text("eaten_raw") == "y",
        family=row.text("family"),
        leaf=row.text("leaf"),
        habit=row.text("habit"),
        bears=row.text("bears"),
        fruit_on_ground=row.text("fruit_on_ground") == "y",
        gathers_nitrate=row.text("gathers_nitrate") == "y",
        mycorrhizal=row.text("mycorrhizal") == "y",
        ec_group=row.text("ec_group"),
        salt=_salt(row),
        stages=tuple(sorted(stages, key=lambda s: s.order)),
        confidence=row.text("confidence"),
        source=source_words(row.text("source_family")),
    )


def _salt(row: Row) -> tuple[float, float] | None:
    if not row.text("salt_threshold_ds_m"):
        return None
    return row.number("salt_threshold_ds_m"), row.number("salt_slope_pct")


def feed_cap(grown: Crop, stage: Stage, water_ec_ms_cm: float) -> Cap:
    """The most conductivity that feed may add to a can for this stage.

    Parameters
    ----------
    grown : Crop
        What grows.
    stage : Stage
        Where it stands.
    water_ec_ms_cm : float
        Conductivity of the water at 25 C [mS/cm]; counts for seedlings only.

    Returns
    -------
    Cap
        Feed part [mS/cm], never below zero, with its step.

    Examples
    --------
    >>> lettuce = crop("lettuce")
    >>> round(feed_cap(lettuce, lettuce.stage("seedling"), 0.65).feed_ec_ms_cm, 2)
    0.55
    """
    most = stage.feed_ec.high
    source = f"{grown.name.lower()}, {stage.words}: {stage.source}"
    room = grown.seedling_ec_max_ms_cm - water_ec_ms_cm
    if stage.is_seedling and room < most:
        expression = f"{say(grown.seedling_ec_max_ms_cm)} mS/cm − {say(water_ec_ms_cm)} mS/cm"
        if room < 0:
            expression, room = "", 0.0
        step = Step("most that feed may add", expression, room, "mS/cm", source, stage.confidence)
        return Cap(room, step)
    return Cap(most, Step("most that feed may add", "", most, "mS/cm", source, stage.confidence))
