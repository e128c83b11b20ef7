"""What green manure and mulch do to a bed's books: what they take from it, and give back."""

from __future__ import annotations

from dataclasses import dataclass
from datetime import date, timedelta

from dace.core.matter.nutrients import NUTRIENTS
from dace.core.matter.release import Content, content_of_material
from dace.core.rootzone.records import Nine, Slow, TakenBesides, charged_dry
from dace.core.solids.green_manure import Given
from dace.core.solids.mulch import MulchKind, taken_of

_MG = 1000.0
_SEASON = timedelta(weeks=26)
_ON_TOP = 0.5
_HALF_LIFE_D = 30.0


@dataclass(frozen=True)
class OnBed:
    """For the root zone of a bed: what is taken, and what comes back."""

    taken: tuple[TakenBesides, ...]
    given: tuple[Slow, ...]


def days_to_cut(given: Given) -> timedelta:
    """How long such a stand grows until it is cut: to its buds, or while it is short."""
    if given.stand == "short":
        return timedelta(weeks=given.kind.row.number("short_stand_weeks"))
    return timedelta(days=given.kind.row.range("days_to_flower").typ)


def green_on_bed(given: Given, sown: date, cut: date | None, dug_in: bool) -> OnBed:
    """A green manure in a bed's books.

    What it grows by comes from the bed, but for the nitrogen of the air: winter rain cannot have
    that. Cut, it hands back what the next crop can reach; a strawy one takes nitrogen first.

    Parameters
    ----------
    given : Given
        What the stand comes to on this bed, as it was or will be cut.
    sown, cut : date
        ``cut`` is None while it grows.
    dug_in : bool
        Else it lies on top.
    """
    minerals = dict(given.minerals)
    grown = tuple(_MG * (given.from_bed if name == "N" else minerals[name]) for name in NUTRIENTS)
    ends = cut or sown + days_to_cut(given)
    taken = [TakenBesides(sown, max(ends, sown + timedelta(days=1)), grown)]
    if cut is None:
        return OnBed(tuple(taken), ())
    wait = given.kind.wait_weeks(given.stand, dug_in)
    if given.taken > 0 and wait > 0:
        rots = cut + timedelta(weeks=wait)
        taken.append(TakenBesides(cut, rots, (_MG * given.taken, *(0.0,) * (len(NUTRIENTS) - 1))))
    model = content_of_material(given.kind.tops)
    whole = model.total
    at_once, later = [], []
    for at, name in enumerate(NUTRIENTS):
        if name == "N":
            first = min(given.at_once, given.next_crop)
            at_once.append(_MG * first)
            later.append(_MG * (given.next_crop - first))
        else:
            part = model.at_once[at] / whole[at] if whole[at] > 0 else 0.0
            at_once.append(_MG * minerals[name] * part)
            later.append(_MG * minerals[name] * (1 - part))
    back = Content(tuple(at_once), tuple(later), given.kind.tops.half_life_days or _HALF_LIFE_D, "")
    return OnBed(tuple(taken), (_slow(back, cut, 1.0),))


def mulch_on_bed(kind: MulchKind, kg: float, laid: date) -> OnBed:
    """A mulch in a bed's books: what it takes where it touches the soil, or gives, in a season."""
    taken = taken_of(kind, 1000 * kg)
    if taken > 0:
        mg = (_MG * taken, *(0.0,) * (len(NUTRIENTS) - 1))
        return OnBed((TakenBesides(laid, laid + _SEASON, mg),), ())
    content = content_of_material(kind.material)
    return OnBed((), (_slow(content, laid, _ON_TOP * 1000 * kg),))


def spread_on_bed(content: Content, kg: float, laid: date) -> OnBed:
    """So many kg of a feed worked in, by what a gram of it brings."""
    return OnBed((), (_slow(content, laid, 1000 * kg),))


def _slow(content: Content, on: date, times: float) -> Slow:
    at_once: Nine = charged_dry(content.at_once, times)
    return Slow(on, at_once, charged_dry(content.later, times), content.half_life_days)
