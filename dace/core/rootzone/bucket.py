"""One day of a root zone: water and what is dissolved in it, for every draw at once.

Notes
-----
Order of a day: what a saucer gives back, evaporation, slow release, uptake, lime that
settles, what comes in from above, what drains, and what nobody knows. Nothing is made or
lost but in the books.
"""

from __future__ import annotations

import math
from copy import deepcopy
from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from dace.core.figures import judgement
from dace.core.rootzone.records import CHARGED, PER_MEQ
from dace.core.rootzone.unknowns import Unknowns

Array = NDArray[np.float64]
WIDE = len(CHARGED)
_NO3, _NH4, _UREA = (CHARGED.index(name) for name in ("NO3_N", "NH4_N", "urea_N"))
_CA, _NA, _LIME = (CHARGED.index(name) for name in ("Ca", "Na", "HCO3"))
_LIME_PER_MEQ = 61.017
_FOOD = tuple(CHARGED.index(name) for name in ("P", "K", "Ca", "Mg"))
_LEAST_WATER = 0.05
_MOST_TAKEN = 0.9
_SAUCER_BACK = 0.5
_PART = 0.15  # of what it holds, poured at a time
_PER = np.array(PER_MEQ)
_HALF_MG_L = np.array([10.0, 2.0, 10.0, 5.0, 3.0])
"""N, P, K, Ca, Mg: concentration at which a root takes half of what it would [mg/L]."""
_STATE = ("full", "water", "dissolved", "held", "began", "slow", "saucer", "in_saucer")
BOOKS = ("came_in", "drained", "taken", "shaken", "settled")


@dataclass(frozen=True)
class Day:
    """What one day brings before anybody comes.

    ``use_l`` is what all plants would use [L], ``need_mg`` what they would take of N, P, K,
    Ca, Mg; ``age`` how many days at 20 C it counts for.
    """

    use_l: float
    need_mg: Array
    age: float
    rain_l: float


class Bucket:
    """Water [L], what is dissolved [mg], and what is still held or slow [mg], by draw."""

    def __init__(self, unknowns: Unknowns, litres: float, slow: Array, half_lives: Array) -> None:
        draws = len(unknowns.z)
        self.full = litres * unknowns.fixed["holding"]
        self.water = 0.9 * self.full
        self.dissolved: Array = np.zeros((draws, WIDE))
        self.held: Array = np.zeros((draws, WIDE))
        self.began: Array = np.zeros((draws, WIDE))
        self.slow = np.repeat(slow[None], draws, axis=0)
        self.half_lives = half_lives
        self.saucer: Array = np.zeros(draws)
        self.in_saucer: Array = np.zeros((draws, WIDE))
        self.books = {name: np.zeros((draws, WIDE)) for name in BOOKS}
        self.water_books = {name: np.zeros(draws) for name in (*BOOKS, "used")}
        self.retune(unknowns)

    def retune(self, unknowns: Unknowns) -> None:
        """Take the habits of these draws from now on."""
        self._use, self._uptake = unknowns.of("water_use"), unknowns.of("uptake_pace")
        self._mixing, self._over = unknowns.of("mixing"), unknowns.of("over_pouring")
        self._dry, self._kappa = unknowns.of("watered_when"), unknowns.of("kappa")

    def chosen(self, index: NDArray[np.int64], unknowns: Unknowns) -> None:
        """Keep the draws of an index, with their habits."""
        for name in _STATE:
            setattr(self, name, getattr(self, name)[index])
        self.books = {name: book[index] for name, book in self.books.items()}
        self.water_books = {name: book[index] for name, book in self.water_books.items()}
        self.retune(unknowns)

    def copy(self) -> Bucket:
        """As it stands, to be gone on with in another way."""
        return deepcopy(self)

    def fresh(self, available: Array, start_ec: Array, stock: Array) -> None:
        """A new fill: some of its food dissolved, as its conductivity says, the rest held.

        What the conductivity says beyond all its food is other salt, booked as sodium.
        """
        food = available[None] * stock[:, None]
        wanted = start_ec / self._kappa * self.full
        there = (food / _PER).sum(axis=1)
        share = np.minimum(1.0, wanted / np.maximum(there, 1e-9))
        self.dissolved = food * share[:, None]
        self.held = food - self.dissolved
        self.dissolved[:, _NA] += np.maximum(0.0, wanted - there) * _PER[_NA]
        self.began = self.dissolved / self.full[:, None]

    def morning(self, day: Day) -> None:
        """A day goes by, up to where somebody pours or reads."""
        self._give_back()
        self._evaporate(day.use_l)
        self._release(day.age)
        self._take(day.need_mg)
        self._settle()
        if day.rain_l > 0:
            self.pour(np.full_like(self.water, day.rain_l), np.zeros(WIDE))

    def evening(self, water_mg_l: Array, assumed: bool, noise: Array) -> None:
        """What was not written down: a watering where ``assumed``, and what nobody knows.

        ``noise`` is standard normal, one value a draw.
        """
        dry = self.water < self._dry * self.full
        if assumed and dry.any():
            lacking = (self.full - self.water) * (1 + self._over)
            self.pour(np.where(dry, lacking, 0.0), water_mg_l)
        factor = np.exp(judgement("root_noise").range.typ * noise)[:, None] - 1
        self.books["shaken"] += self.dissolved * factor
        self.dissolved = self.dissolved * (1 + factor)

    def pour(self, litres: Array, mg_l: Array) -> None:
        """Water comes in from above; it mixes, and what does not fit drains, a part at a time."""
        excess = float(np.max((self.water + litres) / self.full)) - 1
        parts = max(1, math.ceil(excess / _PART))
        for _ in range(parts):
            self._pour(litres / parts, mg_l)

    def _pour(self, litres: Array, mg_l: Array) -> None:
        coming = litres[:, None] * mg_l
        self.books["came_in"] += coming
        self.water_books["came_in"] += litres
        water = self.water + litres
        mixed = (self.dissolved + coming) / np.maximum(water, 1e-9)[:, None]
        excess = np.maximum(0.0, water - self.full)
        e = self._mixing[:, None]
        gone = excess[:, None] * (e * mixed + (1 - e) * mg_l)
        self.water = water - excess
        self.dissolved = np.maximum(0.0, self.dissolved + coming - gone)
        back = _SAUCER_BACK if self.has_saucer else 0.0
        self.saucer, self.in_saucer = self.saucer + back * excess, self.in_saucer + back * gone
        self.books["drained"] += (1 - back) * gone
        self.water_books["drained"] += (1 - back) * excess

    has_saucer = False

    def _give_back(self) -> None:
        if not self.has_saucer:
            return
        back = np.minimum(self.saucer, self.full - self.water)
        share = back / np.maximum(self.saucer, 1e-9)
        salts = self.in_saucer * share[:, None]
        self.water, self.dissolved = self.water + back, self.dissolved + salts
        self.books["drained"] += self.in_saucer - salts
        self.water_books["drained"] += self.saucer - back
        self.saucer, self.in_saucer = np.zeros_like(back), np.zeros_like(salts)

    def _evaporate(self, use_l: float) -> None:
        share = self.water / self.full
        wanted = self._use * use_l * np.minimum(1.0, 2 * share)
        used = np.minimum(wanted, np.maximum(0.0, self.water - _LEAST_WATER * self.full))
        self.water = self.water - used
        self.water_books["used"] += used

    def _release(self, age: float) -> None:
        moist = np.minimum(1.0, 2 * self.water / self.full)
        if self.slow.shape[1]:
            out = 1 - 0.5 ** (age * moist[:, None] / self.half_lives[None])
            freed = self.slow * out[:, :, None]
            self.slow = self.slow - freed
            self.dissolved = self.dissolved + freed.sum(axis=1)
        # what is held lets go as what is dissolved falls below where it began
        strength = self.dissolved / np.maximum(self.water, 1e-9)[:, None]
        room = np.clip(1 - strength / np.maximum(self.began, 1e-9), 0.0, 1.0)
        freed = self.held * room * (1 - 0.5 ** (1 / judgement("held_half_life").range.typ))
        self.held, self.dissolved = self.held - freed, self.dissolved + freed
        for source, into, half_life in ((_UREA, _NH4, "urea"), (_NH4, _NO3, "ammonium")):
            share = 1 - 0.5 ** (age / judgement(f"{half_life}_half_life").range.typ)
            turned = self.dissolved[:, source] * share
            self.dissolved[:, source] -= turned
            self.dissolved[:, into] += turned

    def _take(self, need_mg: Array) -> None:
        if not need_mg.any():
            return
        nitrogen = self.dissolved[:, _NO3] + self.dissolved[:, _NH4]
        there = np.column_stack([nitrogen, self.dissolved[:, _FOOD]])
        strength = there / np.maximum(self.water, 1e-9)[:, None]
        wanted = self._uptake[:, None] * need_mg * strength / (strength + _HALF_MG_L)
        taken = np.minimum(_MOST_TAKEN * there, wanted)
        out = np.zeros_like(self.dissolved)
        share = taken[:, 0] / np.maximum(nitrogen, 1e-12)
        out[:, _NO3], out[:, _NH4] = (self.dissolved[:, i] * share for i in (_NO3, _NH4))
        out[:, _FOOD] = taken[:, 1:]
        self.dissolved = self.dissolved - out
        self.books["taken"] += out

    def _settle(self) -> None:
        """Bicarbonate beyond what stays dissolved goes out with calcium, as lime."""
        lime = self.dissolved[:, _LIME] / _LIME_PER_MEQ
        over = np.maximum(0.0, lime - judgement("lime_stays").range.typ * self.water)
        meq = np.minimum(over, self.dissolved[:, _CA] / _PER[_CA])
        out = np.zeros_like(self.dissolved)
        out[:, _LIME], out[:, _CA] = meq * _LIME_PER_MEQ, meq * _PER[_CA]
        self.dissolved = self.dissolved - out
        self.books["settled"] += out

    def pore_ec(self, water_mg_l: Array) -> Array:
        """Conductivity of the pore water once it is wet again [mS/cm at 25 C], by draw."""
        lacking = np.maximum(0.0, self.full - self.water)[:, None]
        meq = ((self.dissolved + lacking * water_mg_l) / _PER).sum(axis=1)
        return np.asarray(self._kappa * meq / self.full)

    def nitrate_mg_l(self) -> Array:
        """Nitrate nitrogen of the pore water once it is wet again [mg/L], by draw."""
        return np.asarray(self.dissolved[:, _NO3] / self.full)
