"""What would make a shortfall good, and how it is given."""

from __future__ import annotations

from dataclasses import dataclass

from dace.core.figures import judgement
from dace.core.ledger.shortfall import FEW_MG, Balance
from dace.core.matter.nutrients import NUTRIENTS
from dace.core.matter.release import Content
from dace.core.result import say


@dataclass(frozen=True)
class Offer:
    """Something on the shelf: what a unit (g or mL) brings, and how much there is."""

    key: str
    name: str
    unit: str
    content: Content
    dissolves: bool
    stock: float


@dataclass(frozen=True)
class Remedy:
    """So much of an offer brings what lacks, for all plants."""

    key: str
    amount: float
    text: str


def remedies(
    books: tuple[Balance, ...], offers: tuple[Offer, ...], plants: int, approach: str, pot: bool
) -> tuple[Remedy, ...]:
    """What on the shelf would bring what the next fortnight lacks of the scarcest nutrient.

    Parameters
    ----------
    books : tuple of Balance
        As they stand.
    offers : tuple of Offer
        What there is.
    plants : int
        How many share it.
    approach : str
        A key of ``APPROACHES``: what comes first.
    pot : bool
        Where they stand, for the share that roots get.

    Returns
    -------
    tuple of Remedy
        The three that suit best, first first; none where nothing lacks but what the crop
        makes itself.
    """
    lacking = [b for b in books if b.gap > FEW_MG and not b.own]
    if not lacking:
        return ()
    worst = max(lacking, key=lambda b: b.gap / max(b.need.value, 1.0))
    column = NUTRIENTS.index(worst.nutrient)
    held = reach(worst.nutrient, pot)
    found = []
    for offer in offers:
        per_unit = offer.content.total[column] * held
        if per_unit <= FEW_MG:
            continue
        amount = worst.gap * plants / per_unit
        if amount <= offer.stock:
            found.append((_rank(offer, approach), amount, offer))
    ranked = sorted(found, key=lambda f: (f[0], f[1]))[:3]
    return tuple(Remedy(o.key, amount, _fill_words(o, amount, worst)) for _, amount, o in ranked)


def reach(nutrient: str, pot: bool) -> float:
    """Share of a nutrient given that roots get, in a pot or in the ground."""
    place = "pot" if pot else "bed"
    return judgement(f"{place}_efficiency_{nutrient.lower()}").range.typ


def _rank(offer: Offer, approach: str) -> int:
    if approach == "soil_first":
        return int(offer.dissolves)
    return int(not offer.dissolves)


def _fill_words(offer: Offer, amount: float, worst: Balance) -> str:
    pace = "dissolved, at once" if offer.dissolves else "over some weeks"
    return (
        f"{say(amount, 2)} {offer.unit} of {offer.name} brings the {worst.name} "
        f"for a fortnight, {pace}"
    )


def rhythm_sentence(need_week_mg: float, per_feed_mg: float, where: str) -> str:
    """Whether one feed a week can carry the need; empty where it can.

    Parameters
    ----------
    need_week_mg : float
        Nitrogen that one plant takes in a week [mg].
    per_feed_mg : float
        Nitrogen that roots get from one feed at what the stage likes [mg a plant].
    where : str
        The place, as she calls it.

    Returns
    -------
    str
        One sentence, or nothing.
    """
    if need_week_mg <= 0 or per_feed_mg >= 0.8 * need_week_mg:
        return ""
    share = 100 * per_feed_mg / need_week_mg
    return (
        f"One feed a week at the strength this stage likes carries about {share:.0f} % of the "
        f"nitrogen that {where} takes; the medium, a slow dressing or a second weak feed carries "
        "the rest."
    )
