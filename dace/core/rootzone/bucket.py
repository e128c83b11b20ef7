"""One day of root zones: water and what is dissolved in it, for every fill and draw at once.

Notes
-----
Order of a day: what a saucer gives back, evaporation, slow release, uptake, lime that
settles, what comes in from above, what drains, and what nobody knows. Nothing is made or
lost but in the books. Arrays have shape (fills, draws), with the ions of ``CHARGED`` before
them where they count ions; no fill's figures depend on which others go along.
"""

from __future__ import annotations

from collections.abc import Sequence

import numpy as np
from numpy.typing import NDArray

from dace.core.figures import judgement
from dace.core.rootzone.day import Day
from dace.core.rootzone.pushing import thinned
from dace.core.rootzone.records import CHARGED, PER_MEQ
from dace.core.rootzone.slow import Slowly
from dace.core.rootzone.unknowns import HABITS, Unknowns

Array = NDArray[np.float64]
Whole = NDArray[np.int64]
WIDE = len(CHARGED)
ALL = slice(None)
_NO3, _NH4, _UREA = (CHARGED.index(name) for name in ("NO3_N", "NH4_N", "urea_N"))
_CA, _NA, _LIME = (CHARGED.index(name) for name in ("Ca", "Na", "HCO3"))
_NITROGEN = [_NO3, _NH4, _UREA]
_FOOD = slice(CHARGED.index("P"), CHARGED.index("Mg") + 1)
_LIME_PER_MEQ = 61.017
_LEAST_WATER = 0.05
_MOST_TAKEN = 0.9
_PART = 0.15  # of what it holds, poured at a time
_MOST_PARTS = 400  # after sixty times what it holds nothing of before is left
_BEGUN_FULL = 0.9
_PER = np.array(PER_MEQ)
_MEQ_PER_MG = 1 / _PER
HALF_MG_L = {"N": 10.0, "P": 2.0, "K": 10.0, "Ca": 5.0, "Mg": 3.0}
"""Concentration at which a root takes half of what it would [mg/L]."""
_HALF_MG_L = np.array(list(HALF_MG_L.values()))[:, None, None]
_ONE = ("full", "water", "saucer", "water_in", "water_out", "water_used", "pushed", "topped")
_EACH = ("dissolved", "held", "began", "in_saucer")
BOOKS = ("came_in", "drained", "taken", "shaken", "settled")
_USE, _UPTAKE, _KAPPA, _LIME_STAYS, _MIXING, _WHEN, _OVER = range(len(HABITS))


class Bucket:
    """Water [L], what is dissolved [mg], and what is still held or slow [mg].

    ``books`` are what came in, drained, was taken, shaken and settled since the beginning
    [mg], each with the ions; ``water_in``, ``water_out`` and ``water_used`` the same of water.
    """

    def __init__(self, unknowns: Unknowns, litres: Array, slow: Slowly, gives_back: Array) -> None:
        full = litres[:, None] * unknowns.fixed["holding"]
        self._lay(
            np.zeros((len(_ONE), *full.shape)),
            np.zeros((len(_EACH) + len(BOOKS), WIDE, *full.shape)),
        )
        self.full[:] = full
        self.water[:] = _BEGUN_FULL * full
        self.slow = slow
        self._stand(gives_back[:, None].astype(float))
        self.habits = unknowns.habits()

    def _lay(self, one: Array, each: Array) -> None:
        """Name the parts of two blocks, which are kept whole so that draws are chosen at once."""
        self._one, self._each = one, each
        self.full, self.water, self.saucer = one[:3]
        self.water_in, self.water_out, self.water_used, self.pushed, self.topped = one[3:]
        self.dissolved, self.held, self.began, self.in_saucer = each[: len(_EACH)]
        self.books = dict(zip(BOOKS, each[len(_EACH) :], strict=True))

    def _stand(self, gives_back: Array) -> None:
        """Which share of what drains a saucer keeps for the next morning, by fill."""
        self.gives_back, self.saucers = gives_back, bool(gives_back.any())

    def retune(self, unknowns: Unknowns, fill: int) -> None:
        """Take the habits of one fill's draws from now on."""
        self.habits[:, fill] = unknowns.habits(fill)

    def choose(self, fill: int, index: Whole) -> None:
        """Keep one fill's draws of an index."""
        self._one[:, fill] = self._one[:, fill][..., index]
        self._each[:, :, fill] = self._each[:, :, fill][..., index]
        self.slow.choose(fill, index)

    @classmethod
    def _from(cls, one: Array, each: Array, slow: Slowly, gives: Array, habits: Array) -> Bucket:
        copy = object.__new__(cls)
        copy._lay(one, each)
        copy.slow, copy.habits = slow, habits
        copy._stand(gives)
        return copy

    def of(self, fill: int) -> Bucket:
        """One fill's own, to be gone on with in another way; shapes keep one fill."""
        at = slice(fill, fill + 1)
        one, each = self._one[:, at].copy(), self._each[:, :, at].copy()
        gives, habits = self.gives_back[at].copy(), self.habits[:, at].copy()
        return self._from(one, each, self.slow.of(fill), gives, habits)

    def middle(self) -> Bucket:
        """A single draw in place of many: the median of each of its figures."""
        one, each, habits = (
            np.median(rows, axis=-1, keepdims=True) for rows in (self._one, self._each, self.habits)
        )
        return self._from(one, each, self.slow.middle(), self.gives_back.copy(), habits)

    @staticmethod
    def joined(several: Sequence[Bucket]) -> Bucket:
        """Fills that were followed apart, side by side."""
        return Bucket._from(
            np.concatenate([one._one for one in several], axis=1),
            np.concatenate([one._each for one in several], axis=2),
            Slowly.joined([one.slow for one in several]),
            np.concatenate([one.gives_back for one in several]),
            np.concatenate([one.habits for one in several], axis=1),
        )

    def fresh(self, available: Array, start_ec: Array, stock: Array, soil: bool) -> None:
        """New fills: some of their food dissolved, as the conductivity says, the rest held.

        ``available`` [mg] has shape (ions, fills). What the conductivity says beyond all the
        food is other salt, booked as sodium. Nitrogen is never held: in soil all that is mineral
        is dissolved, in a mix what its conductivity speaks of.
        """
        food = available[:, :, None] * stock
        wanted = start_ec / self.habits[_KAPPA] * self.full
        there = np.einsum("i,ifd->fd", _MEQ_PER_MG, food)
        share = np.minimum(1.0, wanted / np.maximum(there, 1e-9))
        self.dissolved[:] = food * share
        self.held[:] = food - self.dissolved
        self.held[_NITROGEN] = 0.0
        if soil:
            self.dissolved[_NITROGEN] = food[_NITROGEN]
        self.dissolved[_NA] += np.maximum(0.0, wanted - there) * _PER[_NA]
        self.began[:] = self.dissolved / self.full

    def morning(self, day: Day) -> None:
        """A day goes by, up to where somebody pours or reads."""
        self._give_back()
        self.pushed[:] = self.topped[:] = 0.0
        self._evaporate(day.use_l)
        self._release(day.age)
        self._take(day.need_mg)
        self._settle()
        if day.rain_l.any():
            self.pour(np.zeros_like(self.water) + day.rain_l[:, None], np.zeros((WIDE, 1)))

    def dry(self) -> NDArray[np.bool_]:
        """Whether each is as dry as its gardener waters it at, by draw."""
        return np.asarray(self.water < self.habits[_WHEN] * self.full)

    def evening(self, water_mg_l: Array, assumed: NDArray[np.bool_], noise: Array) -> None:
        """What was not written down: a watering where ``assumed``, and what nobody knows.

        ``water_mg_l`` has shape (ions, fills); ``noise`` is the share by which salts
        change, (fills, draws).
        """
        dry = self.dry() & assumed[:, None]
        if dry.any():
            lacking = (self.full - self.water) * (1 + self.habits[_OVER])
            self.topped[:] = np.where(dry, self.full - self.water, 0.0)
            self.pour(np.where(dry, lacking, 0.0), water_mg_l)
        moved = self.dissolved * noise
        self.books["shaken"] += moved
        self.dissolved += moved

    def pour(self, litres: Array, mg_l: Array, at: slice = ALL) -> None:
        """Water comes in from above; it mixes, and what does not fit drains, a part at a time.

        ``litres`` has shape (fills, draws), ``mg_l`` (ions, fills); ``at`` are the fills.
        """
        most = ((self.water[at] + litres) / self.full[at]).max(axis=1) - 1
        if most.max() <= _PART:
            self._pour(litres, mg_l[:, :, None], at)
            return
        parts = np.clip(np.ceil(most / _PART), 1, _MOST_PARTS)[:, None]
        each = litres / parts
        for turn in range(int(parts.max())):
            self._pour(np.where(turn < parts, each, 0.0), mg_l[:, :, None], at)

    def push(self, litres: Array, mg_l: Array, at: slice) -> None:
        """Much plain water in a day: layers push each other out before they mix."""
        over = np.maximum(0.0, self.water[at] + litres - self.full[at]) / self.full[at]
        replaced, before = over * self.habits[_MIXING][at], self.pushed[at].copy()
        self.pour(litres, mg_l, at)
        self.pushed[at] = before + replaced
        stays = np.exp(replaced) * thinned(before) / thinned(before + replaced)
        less = self.dissolved[:, at] * (1 - np.minimum(1.0, stays))
        self.dissolved[:, at] -= less
        self.books["drained"][:, at] += less

    def _pour(self, litres: Array, mg_l: Array, at: slice) -> None:
        dissolved, water = self.dissolved[:, at], self.water[at]
        if mg_l.any():  # rain brings nothing
            coming = litres * mg_l
            dissolved += coming
            self.books["came_in"][:, at] += coming
        self.water_in[at] += litres
        water += litres
        excess = water - self.full[at]
        np.maximum(excess, 0.0, out=excess)
        if not excess.any():
            return
        e = self.habits[_MIXING][at]
        gone = dissolved * (e * excess / water)
        if mg_l.any():
            gone += ((1 - e) * excess) * mg_l
            np.minimum(gone, dissolved, out=gone)
        dissolved -= gone
        water -= excess
        if self.saucers:
            back = self.gives_back[at]
            self.saucer[at] += back * excess
            self.in_saucer[:, at] += back * gone
            gone *= 1 - back
            excess *= 1 - back
        self.books["drained"][:, at] += gone
        self.water_out[at] += excess

    def _give_back(self) -> None:
        if not self.saucers:
            return
        back = np.minimum(self.saucer, self.full - self.water)
        salts = self.in_saucer * (back / np.maximum(self.saucer, 1e-9))
        self.water += back
        self.dissolved += salts
        self.books["drained"] += self.in_saucer - salts
        self.water_out += self.saucer - back
        self.saucer[:] = 0.0
        self.in_saucer[:] = 0.0

    def _evaporate(self, use_l: Array) -> None:
        share = self.water / self.full
        wanted = self.habits[_USE] * use_l[:, None] * np.minimum(1.0, 2 * share)
        used = np.minimum(wanted, np.maximum(0.0, self.water - _LEAST_WATER * self.full))
        self.water -= used
        self.water_used += used

    def _release(self, age: Array) -> None:
        moist = np.minimum(1.0, 2 * self.water / self.full)
        self.slow.release(age[:, None] * moist, self.dissolved)
        # what is held lets go as what is dissolved falls below where it began
        freed = self.dissolved / np.maximum(self.water * self.began, 1e-9)
        np.subtract(1.0, freed, out=freed)
        np.maximum(freed, 0.0, out=freed)
        freed *= self.held
        freed *= 1 - 0.5 ** (1 / judgement("held_half_life").range.typ)
        self.held -= freed
        self.dissolved += freed
        for source, into, half_life in ((_UREA, _NH4, "urea"), (_NH4, _NO3, "ammonium")):
            share = 1 - 0.5 ** (age / judgement(f"{half_life}_half_life").range.typ)
            turned = self.dissolved[source] * share[:, None]
            self.dissolved[source] -= turned
            self.dissolved[into] += turned

    def _take(self, need_mg: Array) -> None:
        if not need_mg.any():
            return
        there = self.food()
        strength = there / np.maximum(self.water, 1e-9)
        taken = self.habits[_UPTAKE] * need_mg[:, :, None]
        taken = taken * strength / (strength + _HALF_MG_L)
        np.minimum(taken, _MOST_TAKEN * there, out=taken)
        share = taken[0] / np.maximum(there[0], 1e-12)
        out = np.zeros_like(self.dissolved)
        out[_NO3], out[_NH4] = self.dissolved[_NO3] * share, self.dissolved[_NH4] * share
        out[_FOOD] = taken[1:]
        self.dissolved -= out
        self.books["taken"] += out

    def food(self) -> Array:
        """N, P, K, Ca, Mg that roots can take today [mg], shape (5, fills, draws)."""
        nitrogen = self.dissolved[_NO3] + self.dissolved[_NH4]
        return np.concatenate([nitrogen[None], self.dissolved[_FOOD]])

    def _settle(self) -> None:
        """Bicarbonate beyond what stays dissolved goes out with calcium, as lime."""
        lime = self.dissolved[_LIME] / _LIME_PER_MEQ
        over = np.maximum(0.0, lime - self.habits[_LIME_STAYS] * self.water)
        if not over.any():
            return
        meq = np.minimum(over, self.dissolved[_CA] / _PER[_CA])
        for ion, per in ((_LIME, _LIME_PER_MEQ), (_CA, _PER[_CA])):
            gone = np.minimum(meq * per, self.dissolved[ion])
            self.dissolved[ion] -= gone
            self.books["settled"][ion] += gone

    def pore_ec(self, water_mg_l: Array, at: slice = ALL) -> Array:
        """Conductivity of the pore water once it is wet again [mS/cm at 25 C], by draw."""
        lacking = np.maximum(0.0, self.full[at] - self.water[at])
        meq = np.einsum("i,ifd->fd", _MEQ_PER_MG, self.dissolved[:, at])
        meq += lacking * (_MEQ_PER_MG @ water_mg_l)[:, None]
        return np.asarray(self.habits[_KAPPA][at] * meq / self.full[at])

    def nitrate_mg_l(self, at: slice = ALL) -> Array:
        """Nitrate nitrogen of the pore water once it is wet again [mg/L], by draw."""
        return np.asarray(self.dissolved[_NO3, at] / self.full[at])
