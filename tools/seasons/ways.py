"""Ways to feed: nothing, rules of thumb, Dace as it is asked, and one who knows all."""

from __future__ import annotations

from collections.abc import Callable, Iterator
from dataclasses import dataclass
from typing import Any

import numpy as np
from numpy.typing import NDArray

from dace.core.shell.json_in import Json
from dace.core.shell.verdicts import verdict
from tools.seasons.beds import Beds
from tools.seasons.field import Field
from tools.seasons.pots import Array, ec_of, liquid

LABEL_ML_L = 5.0
BED_L_M2 = 2.0  # a can of nine litres goes over four or five square metres
_N, _P, _K, _EC = 46.0, 15.05, 76.4, 0.30
"""What a mL of the tomato feed 4-3-8 brings to a litre [mg/L], and reads [mS/cm]."""
_FORMS = {"nitrate": 1.6, "ammonium": 0.8, "urea": 1.6}
_JAR = {"grade": [4, 3, 8], "density_g_per_ml": 1.15, "nitrogen": _FORMS}
_CRYSTALS = {"grade": [16, 8, 24], "form": "solid", "also": {"mgo": 2}}
_PELLETS = {"grade": [4, 3, 2], "form": "solid", "material": "poultry_pellets", "slow": True}
_BREWS = {
    "comfrey": ({"NH4_N": 130, "K": 1600, "P": 40, "Ca": 70, "Mg": 30}, "comfrey_fresh"),
    "nettle": ({"NH4_N": 400, "NO3_N": 20, "K": 500, "P": 30, "Ca": 150, "Mg": 40}, "nettle_fresh"),
    "grass": ({"NH4_N": 300, "K": 700, "P": 60, "Ca": 60, "Mg": 30}, "grass_clippings"),
}
"""What a litre of each holds [mg], and what it is made of."""
_PELLET_G_M2, _PELLETS_ON, _N_MG_G = 100.0, (0, 42), 40.0
_READ_EVERY, _STOPS = 14, 13
_ASKED_EVERY = {"pot": 2, "bed": 7}
_POURED_AT, _READ_AT, _MOST_GOES = 18.0, 17.5, 5

Which = NDArray[np.bool_]
Way = Callable[[Any], Iterator[Array]]
"""Feeds a field of an evening; it gives the water that whatever is dry then is watered with."""


def bottle(field: Field, ml_l: float) -> Array:
    """The tomato feed in the field's water, at so many mL a litre."""
    return np.asarray(field.water + liquid(ml_l * _N, ml_l * _P, ml_l * _K, ml_l * _EC))


def nothing(field: Field) -> Iterator[Array]:
    """Plain water."""
    for _ in range(field.length):
        yield field.water


def label(field: Field, share: float = 1.0, days: tuple[int, ...] = (1,)) -> Iterator[Array]:
    """So much of the label's strength on days of the week, to the first drip; a can on a bed."""
    litres = BED_L_M2 * field.area if isinstance(field, Beds) else None
    for day in range(field.length):
        if day % 7 in days:
            much = field.to_first_drip() if litres is None else litres
            field.feed(much, bottle(field, share * LABEL_ML_L))
        yield field.water


def each_watering(field: Field, share: float = 0.25) -> Iterator[Array]:
    """So much of the label's strength whenever it is watered."""
    for _ in range(field.length):
        yield bottle(field, share * LABEL_ML_L)


def each_third_day(field: Field) -> Iterator[Array]:
    """A quarter of the label's strength on each third day, wet or dry."""
    for day in range(field.length):
        if day % 3 == 0:
            field.feed(Field.to_first_drip(field), bottle(field, LABEL_ML_L / 4))
        yield field.water


def pellets(field: Beds, labelled: bool = False) -> Iterator[Array]:
    """A handful of pellets on a square metre twice, by itself or beside the label's rule."""
    fed = label(field) if labelled else nothing(field)
    for day in range(field.length):
        if day in _PELLETS_ON:
            field.pots.strew(_PELLET_G_M2 * _N_MG_G * field.area)
        yield next(fed)


MOST = {"pot": (260.0, 60.0, 380.0), "tray": (110.0, 30.0, 140.0), "bed": (260.0, 60.0, 380.0)}
"""How strong who knows all mixes a can at most [mg/L of N, P, K]."""


AHEAD = {"tray": 0.3, "bed": 2.0}
"""How many times four days' need it keeps there, where no strength of a pore is kept."""


def knows_all(field: Field) -> Iterator[Array]:
    """What each wants till the next of two evenings and a reserve, less what is there."""
    tray = field.kind == "tray"
    for day in range(field.length):
        if tray or day % 7 in (1, 4):
            litres = field.to_first_drip()
            there, _ = field.pots.reach()
            want = 1.1 * field.need(4) * field.plants.hunger[:, None] * field.plants.size[:, None]
            reserve = np.array([45.0, 8.0, 60.0]) * field.pots.full[:, None]
            reserve = reserve if field.kind == "pot" else AHEAD[field.kind] * want
            owed = np.maximum(0.0, want + reserve - there)
            strong = np.minimum(owed / np.maximum(litres, 1e-9)[:, None], MOST[field.kind])
            mixed = [field.water + liquid(n, p, k, _K_EC * (n + p + k)) for n, p, k in strong]
            field.feed(np.where(owed[:, 0] > 0, litres, 0.0), np.array(mixed))
        yield field.water


_K_EC = 0.0035
"""mS/cm that a mg/L of N, P and K together reads, of plain salts."""


@dataclass
class _Asked:
    """A gardener who asks Dace and does as it says; her book of what was poured and read."""

    field: Any
    pen: bool
    rhythm: str
    brews: bool = False
    bottle: bool = False

    def __post_init__(self) -> None:
        self.poured: list[list[Json]] = [[] for _ in range(self.field.count)]
        self.readings: list[list[Json]] = [[] for _ in range(self.field.count)]
        self.strewn: list[list[Json]] = [[] for _ in range(self.field.count)]

    @property
    def on(self) -> str:
        return str(self.field.days[self.field.day][0])

    def read(self, which: Which, hour: float) -> None:
        """The drain of some as a pen shows it."""
        field = self.field
        for at in np.flatnonzero(which & np.isfinite(field.pots.drain_ec)):
            shown = float(field.pots.drain_ec[at] * np.exp(field.rng.normal(0, 0.06)))
            self.readings[at].append({"on": self.on, "value": round(shown, 2), "hour": hour})

    def evening(self, which: Which) -> None:
        """Ask of some and do it; a flush is read after each go, and asked of again."""
        flushed = self.follow(self.verdicts(which), _POURED_AT)
        for go in range(1, _MOST_GOES * self.pen):
            if not flushed.any():
                return
            self.read(flushed, _READ_AT + go)
            flushed = self.follow(self.verdicts(flushed), _POURED_AT + go)

    def verdicts(self, which: Which) -> list[Json]:
        """What is said of some; of the others nothing is to be done."""
        field = self.field
        found: list[Json] = [{"kind": "enough"} for _ in range(field.count)]
        jars = [{"name": "tomato feed", "jar": _JAR}, {"name": "crystals", "jar": _CRYSTALS}]
        if field.kind == "bed":
            jars.append({"name": "pellets", "jar": _PELLETS})
        if self.brews or self.bottle:
            jars = [*jars[:1], *(_brewed() if self.brews else ())]
        asked = np.flatnonzero(which)
        for first in range(0, len(asked), _STOPS):
            some = asked[first : first + _STOPS]
            given = {
                "today": self.on,
                "latitude": 51,
                "climate": "cool_temperate",
                "days": [list(one) for one in field.days[: field.day + 1]],
                "waters": {"tap": {"ec_ms_cm": float(ec_of(field.water))}},
                "vessels": ["9 L", "5 L"],
                "pen": self.pen,
                "jars": jars,
                "stops": [self.told(int(at)) for at in some],
            }
            for at, said in zip(some, verdict(given)["verdicts"], strict=True):
                found[at] = said
        return found

    def told(self, at: int) -> Json:
        """A stop with all that was done to it."""
        done = {"poured": self.poured[at], "readings": self.readings[at], "slow": self.strewn[at]}
        how = {"rhythm": self.rhythm} if self.rhythm else {}
        told: Json = self.field.told(at)
        return told | done | how

    def follow(self, found: list[Json], hour: float) -> Which:
        """Do what is said; which were flushed, and are read before they are asked of again."""
        field = self.field
        litres, mg_l = np.zeros(field.count), np.tile(field.water, (field.count, 1))
        plain, drip = np.zeros(field.count), field.to_first_drip()
        for at, said in enumerate(found):
            when = {"on": self.on, "hour": hour}
            if said["kind"] == "feed" and said["mg_l"]:
                brings, much = said["mg_l"], min(float(said["litres"]), float(drip[at]))
                if much <= 0:
                    continue
                n, p, k = (float(brings[name]) for name in ("N", "P", "K"))
                ec = float(said["ec_ms_cm"])
                litres[at], mg_l[at] = much, liquid(n, p, k, ec)
                row = {"n_mg_l": n, "p_mg_l": p, "k_mg_l": k, "ec_ms_cm": ec}
                self.poured[at].append(when | {"litres": much} | row)
            elif said["kind"] == "dress":
                grams = float(said["amounts"][0]["amount"])
                strewn = np.zeros(field.count)
                strewn[at] = grams * _N_MG_G
                field.pots.strew(strewn)
                self.strewn[at].append({"on": self.on, "grams": grams, "jar": _PELLETS})
            elif said["kind"] in ("flush", "water"):
                plan = said["flush"]
                much = float(said["litres"])
                plain[at] = much
                row = {"feed": False, "flush": bool(plan), "ec_ms_cm": float(ec_of(field.water))}
                self.poured[at].append(when | {"litres": much} | row)
        field.feed(litres, mg_l)
        field.pots.pour(plain, field.water)
        field.poured += plain
        return np.array([said["kind"] == "flush" for said in found])


def _brewed() -> list[Json]:
    return [
        {"name": name, "jar": {"mg_l": held, "method": "anaerobic_ferment", "material": made_of}}
        for name, (held, made_of) in _BREWS.items()
    ]


def dace(
    field: Any,
    pen: bool = True,
    rhythm: str = "",
    evenings: tuple[int, ...] = (),
    brews: bool = False,
    bottle: bool = False,
) -> Iterator[Array]:
    """What the verdicts say, with the drain of pots read once a fortnight and after a flush.

    Pots are asked of every second day, or on ``evenings`` by the day of the week; beds once a
    week, trays whenever they are watered. A ``rhythm`` is set, or left to Dace;
    with ``brews`` three of them and one bottle stand on the shelf, with ``bottle`` that alone.
    """
    asked = _Asked(field, pen and field.kind == "pot", rhythm, brews, bottle)
    every = np.ones(field.count, dtype=bool)
    for day in range(field.length):
        if asked.pen and day % _READ_EVERY == 3:
            asked.read(every, _READ_AT)
        if field.kind == "tray":
            asked.evening(field.dry())
        elif day and (day % 7 in evenings if evenings else day % _ASKED_EVERY[field.kind] == 0):
            asked.evening(every)
        yield field.water
