"""A can that reads wrong: how much water or feed makes it right, and what that says of its jars.

Notes
-----
What is in the can is taken for the same mix, so many times as strong as meant; so many times,
that a litre of it reads what the pen read. Where one source is far less known than the rest
(a home-made liquid among bought ones), that one is taken to be as much stronger or weaker.
"""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, replace
from typing import Literal

from scipy.optimize import brentq

from dace.core.can.ingredient import Ingredient, ec_of
from dace.core.errors import DaceError
from dace.core.figures import judgement
from dace.core.matter.waters import WaterIons
from dace.core.result import Result, Step, say
from dace.core.words import shown
from dace.core.words.amounts import amount_words

CorrectionKind = Literal["right", "water", "pour_off", "feed", "plain"]
_MOST_TIMES, _CLOSE, _FAR_LESS_KNOWN = 50.0, 0.05, 1.5
_PLAIN, _FULL_L = 0.1, 0.05


@dataclass(frozen=True)
class Misread:
    """A can as mixed, and what it reads.

    ``parts`` are as they were meant to be; ``filled_l`` is what is in the can, ``holds_l``
    what it could hold; ``read`` and ``expected`` are mS/cm at 25 C.
    """

    parts: tuple[Ingredient, ...]
    water: WaterIons
    filled_l: float
    holds_l: float
    read: float
    expected: Result


@dataclass(frozen=True)
class MoreOf:
    """So much more of a source [mL or g]."""

    name: str
    amount: float
    unit: str


@dataclass(frozen=True)
class Correction:
    """What makes it right.

    ``water_l`` goes in after ``pour_off_l`` was taken out; ``more`` is what a weak can lacks;
    ``reads`` is what the can then reads. ``times`` is how many times as strong as meant
    ``source`` (or the whole can, where that is empty) seems to be.
    """

    kind: CorrectionKind
    water_l: float
    pour_off_l: float
    more: tuple[MoreOf, ...]
    reads: Result
    times: float
    source: str
    text: str
    says: str


def correct_can(found: Misread) -> Correction:
    """How to make a can read what it should.

    Parameters
    ----------
    found : Misread
        The can and its reading.

    Returns
    -------
    Correction
        ``right`` where it reads within its range, ``water``, ``pour_off`` (no room for the
        water), ``feed``, or ``plain`` where it reads like plain water.

    Raises
    ------
    DaceError
        If there is nothing in the can, or it reads more than any such feed could.

    Examples
    --------
    >>> from dace.core.matter.composition import Label, composition
    >>> from dace.core.matter.waters import water_from_ec
    >>> salt, rain = composition(Label(0, 0, 50, form="solid")), water_from_ec(0.0)
    >>> meant, twice = Ingredient(salt, 1.0), ec_of((Ingredient(salt, 2.0),), rain)
    >>> right = Result(ec_of((meant,), rain), 1.0, 1.5, "mS/cm", ())
    >>> mended = correct_can(Misread((meant,), rain, 4.0, 10.0, twice, right))
    >>> mended.kind, round(mended.water_l, 3)
    ('water', 4.0)
    """
    if not 0 < found.filled_l <= found.holds_l * (1 + 1e-9):
        would_do = f"more than 0 and up to {found.holds_l:g} L would do"
        raise DaceError("filled_l", f"{found.filled_l:g} L in the can", would_do)
    if found.expected.low <= found.read <= found.expected.high or _near(found):
        return _right(found)
    if found.read <= _plain_reads(found):
        return _plain(found)
    turn = _doubtful(found.parts)
    times = _times(found, turn)
    if found.read > found.expected.value:
        return _thinned(found, turn, times)
    return _strengthened(found, turn, times)


def _near(found: Misread) -> bool:
    return abs(found.read / found.expected.value - 1) < _CLOSE


def _plain_reads(found: Misread) -> float:
    water = found.water.ec_ms_cm
    return water + _PLAIN * max(0.0, found.expected.value - water)


def _doubtful(parts: Sequence[Ingredient]) -> int | None:
    """The one source that is far less known than the others; None where no one stands out."""
    if len(parts) == 1:
        return 0
    widths = [p.feed.spread.high - p.feed.spread.low for p in parts]
    ranked = sorted(range(len(parts)), key=lambda at: -widths[at])
    first, second = ranked[0], ranked[1]
    return first if widths[first] > _FAR_LESS_KNOWN * widths[second] else None


def _times(found: Misread, turn: int | None) -> float:
    """How many times as strong as meant the doubtful source, or the can, has to be."""

    def off(times: float) -> float:
        return ec_of(_really(found, turn, times), found.water) - found.read

    # what a liquid displaces sets a bound to how much stronger it can be by volume
    bottom, top = 1e-6, _MOST_TIMES
    if off(top) < 0:
        reads = shown.ec(found.read)
        raise DaceError("value", f"{reads} of such a can", "check the scale and read it again")
    if off(bottom) > 0:
        return bottom
    return float(brentq(off, bottom, top, xtol=1e-9))


def _really(found: Misread, turn: int | None, times: float) -> list[Ingredient]:
    """What is in the can after all."""
    return [p.times(times) if turn in (None, at) else p for at, p in enumerate(found.parts)]


def _thinned(found: Misread, turn: int | None, times: float) -> Correction:
    """Water in the can until it reads what it should; some poured off where there is no room."""
    really = _really(found, turn, times)
    share = _diluted_to(found, really)
    water_l = found.filled_l * (1 / share - 1)
    room = found.holds_l - found.filled_l
    pour_off = 0.0
    kind: CorrectionKind = "water"
    if water_l > room + 1e-9:
        kind, kept = "pour_off", found.holds_l * share
        pour_off, water_l = found.filled_l - kept, found.holds_l - kept
    steps = (
        Step("share that is left as it is", "", share, "fraction", "from the ions of the mix"),
        Step(
            "water to add",
            f"{say(found.filled_l - pour_off, 6)} L ÷ {say(share, 6)} "
            f"− {say(found.filled_l - pour_off, 6)} L",
            water_l,
            "L",
        ),
    )
    said = f"Add {shown.litres(water_l, 2)} of the same water and stir: it then reads about "
    if pour_off:
        full = "The can is full." if room < _FULL_L else ""
        said = (
            f"{full or f'There is room for {shown.litres(room, 2)} only.'} Pour "
            f"{shown.litres(pour_off, 2)} into another vessel, fill the can up with "
            f"{shown.litres(water_l, 2)} of the same water and stir: it then reads about "
        )
    reads = replace(_meant(found), working=(*found.expected.working, *steps))
    text = f"{said}{shown.ec(reads.value)}."
    says = _says(found, turn, times)
    return Correction(kind, water_l, pour_off, (), reads, times, _named(found, turn), text, says)


def _diluted_to(found: Misread, really: Sequence[Ingredient]) -> float:
    """The share of what is in the can that, filled up with its water, reads what it should."""

    def off(share: float) -> float:
        return ec_of([p.times(share) for p in really], found.water) - found.expected.value

    if off(0.0) >= 0:
        raise DaceError(
            "value",
            f"{shown.ec(found.read)} in a water that reads {shown.ec(found.water.ec_ms_cm)} alone",
            "use softer water",
        )
    return float(brentq(off, 0.0, 1.0, xtol=1e-12))


def _strengthened(found: Misread, turn: int | None, times: float) -> Correction:
    """More of what is too thin: what a label's feed lacks, or as weak a liquid as it is."""
    more = tuple(
        MoreOf(p.name, p.per_l * found.filled_l * _lacking(p, times), p.feed.unit)
        for at, p in enumerate(found.parts)
        if turn in (None, at)
    )
    steps = tuple(
        Step(
            f"more of {one.name or 'the feed'}",
            f"{say(one.amount, 6)} {one.unit}",
            one.amount,
            one.unit,
        )
        for one in more
    )
    amounts = " and ".join(
        f"{amount_words(one.amount, one.unit)} of {one.name or 'the feed'}" for one in more
    )
    reads = replace(_meant(found), working=(*found.expected.working, *steps))
    text = f"Stir and read again. If it stays so, {amounts} more brings it to about "
    text += f"{shown.ec(reads.value)}; or pour it as it is, weaker."
    says = _says(found, turn, times)
    return Correction("feed", 0.0, 0.0, more, reads, times, _named(found, turn), text, says)


def _lacking(part: Ingredient, times: float) -> float:
    """Shares of the meant amount: too little was measured, or the liquid itself is thin."""
    return 1 - times if part.feed.known_by == "label" else 1 / times - 1


def _meant(found: Misread) -> Result:
    """What it then reads: as expected, and as near as a pen reads."""
    pen = judgement("pen_scale").range.scaled(found.expected.value)
    return Result(pen.typ, pen.low, pen.high, "mS/cm", found.expected.working)


def _named(found: Misread, turn: int | None) -> str:
    return found.parts[turn].name if turn is not None else ""


def _says(found: Misread, turn: int | None, times: float) -> str:
    """What the reading says of the jar, in a sentence."""
    name = _named(found, turn)
    ratio = f"{say(times, 2)} times as strong as thought"
    if turn is None:
        return f"All together is {ratio}: was one of them measured twice, or heaped?"
    if found.parts[turn].feed.known_by == "label":
        slip = "measured twice or heaped" if times > 1 else "left half unmeasured or unstirred"
        return f"{name or 'The feed'} seems {ratio}; by its label more likely it was {slip}."
    return f"{name or 'The liquid'} is about {ratio}: thin it by that next time."


def _right(found: Misread) -> Correction:
    text = f"It reads what it should, {shown.ec_span(found.expected.low, found.expected.high)}."
    return Correction("right", 0.0, 0.0, (), _meant(found), 1.0, "", text, "")


def _plain(found: Misread) -> Correction:
    text = "It reads like plain water. Was the feed poured in and stirred? Stir and read again."
    return Correction("plain", 0.0, 0.0, (), _meant(found), 0.0, "", text, "")
