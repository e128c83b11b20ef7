"""Rules about one can for one stage."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass

from dace.core.advice import Advice, Severity, gravest_first
from dace.core.can.answer import Answer, CanAsked
from dace.core.can.fitting import friendly_parts
from dace.core.can.mixing import Mixture, Poured
from dace.core.matter.clashes import Clash
from dace.core.matter.composition import Composition
from dace.core.season.crops import Crop, Stage
from dace.core.words import shown
from dace.core.words.amounts import amount_words

_BADLY_OVER = 1.5
_UNSEEN_SHARE = 0.2
_TRACE = 0.1


@dataclass(frozen=True)
class CanSituation:
    """A can, who it is for, and what bears on it.

    ``cap`` is the most that feed may add [mS/cm]; ``fits`` the amount per litre
    that just reaches it (None: even neat feed stays below); ``stock`` what the
    jar still holds, in the can's unit.
    """

    can: Mixture
    feed: Composition
    crop: Crop | None
    stage: Stage | None
    cap: float | None
    fits: float | None
    stock: float | None


def advise_can(situation: CanSituation) -> list[Advice]:
    """Everything that the rules have to say, gravest first.

    Parameters
    ----------
    situation : CanSituation
        The can and its stop.

    Returns
    -------
    list of Advice
        Ordered stop, care, info, school.
    """
    return gravest_first([advice for advice in _said(situation) if advice])


def advise_answer(asked: CanAsked, found: Answer) -> list[Advice]:
    """What the rules say of a can that was asked for, gravest first.

    Parameters
    ----------
    asked : CanAsked
        What was wanted, and for whom.
    found : Answer
        The can that it makes.

    Returns
    -------
    list of Advice
        As for :func:`advise_can`.
    """
    cap = found.cap
    fits = None if cap is None or cap.amount_at_cap is None else cap.amount_at_cap / asked.vessel_l
    return advise_can(
        CanSituation(
            found.can,
            asked.feed,
            asked.crop,
            asked.stage,
            cap.cap if cap else None,
            fits,
            asked.stock,
        )
    )


def _said(situation: CanSituation) -> Iterator[Advice | None]:
    for rule in (
        over_cap,
        short_of_stock,
        no_feed_wished,
        unseen_nitrogen,
        feeding_in_flower,
        label_first,
    ):
        yield rule(situation)


def _who(s: CanSituation) -> str:
    return f"{s.crop.name.lower()} {s.stage.words}" if s.crop and s.stage else "this stage"


def over_cap(s: CanSituation) -> Advice | None:
    """The feed alone reads more than the stage bears."""
    if s.cap is None or s.can.feed_ec <= s.cap:
        return None
    if s.cap <= 0 or not s.fits:
        return Advice(
            "over_cap",
            "stop",
            "No room for feed in this water",
            f"The water alone reads {shown.ec(s.can.water_ec)}, as much as {_who(s)} bears. "
            "Use rain water, or water without feed.",
            "the stage's cap",
        )
    over = 100 * (s.can.feed_ec / s.cap - 1)
    severity: Severity = "stop" if s.can.feed_ec > _BADLY_OVER * s.cap else "care"
    fits = f"1 + {friendly_parts(s.fits)}" if s.can.unit == "mL" else shown.in_each(s.fits, "g", 2)
    return Advice(
        "over_cap",
        severity,
        f"Too strong for {_who(s)}",
        f"The feed alone reads {shown.ec(s.can.feed_ec)} where at most "
        f"{shown.ec_number(s.cap)} fits: {over:.0f} % over. "
        f"About {fits} is the strongest that fits. Salt at the roots burns.",
        "the stage's cap",
    )


def short_of_stock(s: CanSituation) -> Advice | None:
    """The jar holds less than the can asks for."""
    return None if s.stock is None else short_of(s.can.parts[0], s.stock)


def short_of(part: Poured, stock: float) -> Advice | None:
    """One source of which there is less than goes in; None where there is enough."""
    if part.amount <= stock:
        return None
    missing = amount_words(part.amount - stock, part.unit)
    title = f"{part.name or 'The jar'} is {missing} short"
    if stock <= 0:
        return Advice(
            "short_of_stock", "stop", title, "It is empty. Choose another jar.", "the shelf"
        )
    litres = stock / part.per_l
    return Advice(
        "short_of_stock",
        "stop",
        title,
        f"This can wants {amount_words(part.amount, part.unit)} and the jar holds "
        f"{amount_words(stock, part.unit)}. "
        f"A can of {shown.litres(litres, 2)} at this strength fits.",
        "the shelf",
    )


def advise_clash(clash: Clash) -> Advice:
    """Two sources that do not simply go together, as a caution."""
    barred = clash.right == "bar"
    pair = f"{clash.first} and {clash.second}"
    return Advice(
        f"clash_{clash.key}",
        "stop" if barred else "info",
        f"Not together: {pair}" if barred else f"In turn: {pair}",
        clash.text,
        clash.source,
        "block" if barred else "",
    )


def no_feed_wished(s: CanSituation) -> Advice | None:
    """A stage whose nitrogen wish is nothing."""
    if s.stage is None or s.stage.wish_of("N").typ > 0:
        return None
    return Advice(
        "no_feed_wished",
        "care",
        f"{_who(s).capitalize()} wants no nitrogen",
        "Plain water does here. Feed now goes into soft growth or runs to waste.",
        s.stage.source,
    )


def unseen_nitrogen(s: CanSituation) -> Advice | None:
    """Part of the nitrogen carries no charge."""
    amounts = dict(s.feed.mg)
    n = s.feed.element("N")
    unseen = amounts["urea_N"] + amounts["organic_N"]
    if n <= 0 or unseen / n < _UNSEEN_SHARE or _is_trace(s):
        return None
    kind = "urea" if amounts["urea_N"] >= amounts["organic_N"] else "organic"
    share = f"{100 * unseen / n:.0f} %" if s.feed.forms_declared else "An unknown part"
    return Advice(
        "unseen_nitrogen",
        "info",
        "What the pen cannot see",
        f"{share} of this nitrogen is {kind} and carries no charge. The can may read "
        "low and still be rich; and the pen cannot tell food from salt.",
        "ion chemistry",
    )


def _is_trace(s: CanSituation) -> bool:
    """Whether a can holds so little nitrogen that no rule need speak of it."""
    if s.stage is None:
        return False
    return s.can.nutrient("N").value < _TRACE * s.stage.wish_of("N").low


def feeding_in_flower(s: CanSituation) -> Advice | None:
    """Gardeners disagree whether to feed in flower."""
    if s.stage is None or s.stage.key != "flowering":
        return None
    return Advice(
        "feeding_in_flower",
        "school",
        "Gardeners differ",
        "Some pause feeding in flower; others feed fully now. Dace feeds through, "
        "with the stage's own balance.",
        "two schools",
    )


def label_first(_: CanSituation) -> Advice | None:
    """A product's label and local rules outrank Dace."""
    return Advice(
        "label_first",
        "info",
        "The label comes first",
        "Where the product's label or a local rule says less, follow it. "
        "Keep feeds in their own bottles, away from children and pets.",
        "usual caution",
    )
