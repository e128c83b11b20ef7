"""How a slow feed comes out: part at once, the rest by half-lives that warmth shortens.

Notes
-----
``available(t) = I + (F - I)(1 - 2^(-age/h))``: I is there on day one, F is reached in a
season, h is the half-life at 20 C. A day at another warmth counts for more or less
than a day of age (Q10 2), below about 5 C for nothing, in dry soil for half.
"""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np
from numpy.typing import ArrayLike, NDArray

from dace.core.figures import judgement
from dace.core.matter.composition import Composition
from dace.core.matter.materials import Material
from dace.core.matter.nutrients import NUTRIENTS

Array = NDArray[np.float64]
_WARM_C, _HALF_LIFE_UNKNOWN_D = 20.0, 30.0


@dataclass(frozen=True)
class Content:
    """What a gram (or mL) of a feed brings, mg in the order of ``NUTRIENTS``.

    ``at_once`` is there on day one, ``later`` comes with ``half_life_days`` at 20 C;
    what is left of the total is next year's, or nobody's.
    """

    at_once: tuple[float, ...]
    later: tuple[float, ...]
    half_life_days: float
    source: str

    @property
    def total(self) -> tuple[float, ...]:
        """All that this season can reach [mg per g or mL]."""
        return tuple(a + b for a, b in zip(self.at_once, self.later, strict=True))


def content_of_material(found: Material) -> Content:
    """A gram of a material.

    Phosphorus, potassium, calcium and magnesium that do not dissolve at once come
    with the nitrogen, as the whole is digested.

    Examples
    --------
    >>> from dace.core.matter.materials import material
    >>> pellets = content_of_material(material("poultry_pellets"))
    >>> pellets.at_once[0], round(pellets.at_once[0] + pellets.later[0], 1)
    (4.8, 22.0)
    """
    season = max(found.first_season_n, 0.0) / 100
    at_once, later = [], []
    for nutrient in NUTRIENTS:
        total = 10 * found.percent_of(nutrient).typ
        soluble = found.soluble_of(nutrient).typ / 100
        if nutrient == "N":
            soluble = min(found.n_mineral_share / 100, soluble)
        reach = max(season, soluble)
        at_once.append(total * soluble)
        later.append(total * (reach - soluble) if found.half_life_days else 0.0)
    return Content(
        tuple(at_once), tuple(later), found.half_life_days or _HALF_LIFE_UNKNOWN_D, found.source
    )


def content_of_feed(feed: Composition, slow: bool, like: Material | None = None) -> Content:
    """A gram or mL of a bought feed, by its label.

    One that is made of something comes out as that does. Where nobody said what it is made
    of, a slow one comes as a coat lets go; organic nitrogen comes as soil life frees it, in
    part, whatever else the label says.

    Examples
    --------
    >>> from dace.core.matter.composition import Label, composition
    >>> from dace.core.matter.materials import material
    >>> bag = composition(Label(1, 0, 0, form="solid"))
    >>> round(content_of_feed(bag, False, material("worm_castings")).at_once[0], 1)
    0.9
    >>> round(content_of_feed(bag, True).at_once[0], 1)
    1.0
    """
    label = [feed.element(n) for n in NUTRIENTS]
    if like is not None:
        model = content_of_material(like)
        whole = [10 * like.percent_of(n).typ for n in NUTRIENTS]
        at_once = [_part(v, m, w) for v, m, w in zip(label, model.at_once, whole, strict=True)]
        later = [_part(v, m, w) for v, m, w in zip(label, model.later, whole, strict=True)]
        source = f"label, released as {like.name.lower()}"
        return Content(tuple(at_once), tuple(later), model.half_life_days, source)
    organic = dict(feed.mg)["organic_N"]
    salts, freed = label[0] - organic, organic * judgement("organic_season_share").range.typ
    first = judgement("slow_at_once").range.typ if slow and not organic else 1.0
    share = salts / label[0] if slow and organic else first
    others_at_once = [v * share for v in label[1:]]
    others_later = [v * (1 - share) for v in label[1:]]
    source = "label, released as soil life frees it" if organic else "label"
    if slow and not organic:
        source = "label, released as a coat lets go"
    return Content(
        (salts * first, *others_at_once),
        (salts * (1 - first) + freed, *others_later),
        _HALF_LIFE_UNKNOWN_D,
        source,
    )


def _part(value: float, modelled: float, whole: float) -> float:
    return value * modelled / whole if whole > 0 else 0.0


def ageing(mean_c: ArrayLike, moist: ArrayLike = 1.0) -> Array:
    """How many days at 20 C each day counts for.

    Parameters
    ----------
    mean_c : array
        Mean warmth of soil or medium [C].
    moist : array
        1 where moist, falling to 0 where dry.

    Returns
    -------
    ndarray
        Days at 20 C.

    Examples
    --------
    >>> ageing([20.0, 10.0, 2.0]).tolist()
    [1.0, 0.5, 0.0]
    """
    warmth = np.asarray(mean_c, dtype=float)
    q10 = judgement("release_q10").range.typ
    pace = q10 ** ((np.minimum(warmth, 35.0) - _WARM_C) / 10)
    stops = judgement("release_stops_c").range.typ
    return np.asarray(np.where(warmth < stops, 0.0, pace) * np.clip(moist, 0, 1))


def released(age_days: ArrayLike, half_life_days: float) -> Array:
    """Share of the later part that is out after so many days at 20 C [fraction].

    >>> float(released(20.0, 20.0))
    0.5
    """
    return np.asarray(1 - 0.5 ** (np.asarray(age_days, dtype=float) / half_life_days))


def release_over(content: Content, mg_scale: float, mean_c: Array, column: int = 0) -> Array:
    """What so many g or mL bring by the end of each day, of one nutrient [mg, summed].

    Parameters
    ----------
    content : Content
        Of one g or mL.
    mg_scale : float
        How many g or mL.
    mean_c : array
        Likely warmth of each day to come [C].
    column : int
        Which nutrient of ``NUTRIENTS``.

    Returns
    -------
    ndarray
        Of the shape of ``mean_c``, never falling.

    Examples
    --------
    >>> pellets = Content((1.0,) * 5, (3.0,) * 5, 10.0, "")
    >>> round(float(release_over(pellets, 2.0, np.full(10, 20.0))[-1]), 6)
    5.0
    """
    out = released(np.cumsum(ageing(mean_c)), content.half_life_days)
    return np.asarray(mg_scale * (content.at_once[column] + content.later[column] * out))
