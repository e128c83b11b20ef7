"""A garden as a list: places and what grows in them, one a line, as somebody keeps them."""

from __future__ import annotations

import re
from collections.abc import Collection, Sequence
from dataclasses import dataclass
from datetime import date
from functools import cache

from dace.core.errors import DaceError
from dace.core.matter.settings import PlaceKind, place_kinds
from dace.core.season.crops import crops, other_names
from dace.core.words.dates import ways_of
from dace.core.words.sizes import Size, read_size

_MOST_LINES, _MOST_ALIKE = 300, 200
_SPLIT = re.compile(r"\s*[,;\t|]\s*")
_KIND_WORDS = (
    ("raised bed", "raised"), ("bed", "bed"), ("border", "bed"), ("plot", "bed"),
    ("hanging basket", "basket"), ("basket", "basket"), ("seed tray", "tray"), ("tray", "tray"),
    ("greenhouse", "frame"), ("glasshouse", "frame"), ("polytunnel", "frame"),
    ("tunnel", "frame"), ("cold frame", "frame"), ("frame", "frame"), ("tub", "tub"),
    ("planter", "tub"), ("container", "tub"), ("grow bag", "tub"), ("pot", "pot"),
)  # fmt: skip
_MEDIA = (
    ("peat-free", "peat_free_mix"), ("peat free", "peat_free_mix"), ("peat", "peat_mix"),
    ("coir", "coir"), ("clay", "clay_soil"), ("sand", "sandy_soil"), ("loam", "loam_soil"),
    ("seed", "seed_mix"), ("compost", "raised_compost"), ("soil", "loam_soil"),
)  # fmt: skip
_COVERED = ("covered", "under cover", "under glass", "indoors")
_OPEN = ("open", "outdoors", "in the open")
_HEADS = {"name", "place", "places", "size", "medium", "crop", "count", "date", "sown", "kind"}
_FILLED = "filled with "


@dataclass(frozen=True)
class PlaceLine:
    """Places of one line: their names, how large, what is in them; ``alike`` pots are one stop."""

    names: tuple[str, ...]
    kind: str
    size: Size
    said_size: str
    medium: str
    covered: bool
    area: str
    alike: int


@dataclass(frozen=True)
class CropLine:
    """What grows: so many of a crop, at the place that was named, since a day."""

    crop: str
    count: int
    place: str
    started_on: date


@dataclass(frozen=True)
class Line:
    """A line as it was read: one of the two, or what is wrong with it."""

    number: int
    text: str
    place: PlaceLine | None = None
    planting: CropLine | None = None
    trouble: str = ""


def read_list(
    text: str, family: str | None, today: date, places: Collection[str] = ()
) -> tuple[Line, ...]:
    r"""Every line of a list; blank ones and headings are left out.

    Parameters
    ----------
    text : str
        One a line, cells apart by commas, semicolons or tabs: ``10 tubs of 40 L``, ``Bed 1-14,
        3 x 1.2 m, clay`` or ``12 chard, Bed 3, 12 April``.
    family : str or None
        Family of kitchen measures, for gallons.
    today : date
        What a day without its year lies before.
    places : collection of str
        Names of places that stand already.

    Raises
    ------
    DaceError
        On ``text`` with nothing in it, or too many lines.

    Examples
    --------
    >>> one, two = read_list("10 tubs of 40 L\n12 chard, tub 3", None, date(2026, 7, 14))
    >>> len(one.place.names), one.place.kind, two.planting.crop, two.planting.place
    (10, 'tub', 'chard', 'Tub 3')
    """
    rows = [(n, line.strip()) for n, line in enumerate(text.splitlines(), 1) if line.strip()]
    if not rows:
        raise DaceError("text", "an empty list", "a line such as “10 tubs of 40 L” would do")
    if len(rows) > _MOST_LINES:
        raise DaceError("text", f"{len(rows)} lines", f"up to {_MOST_LINES} would do")
    known = list(places)
    found = []
    for number, line in rows:
        if _is_heading(line):
            continue
        one = _read(number, line, family, today, known)
        if one.place is not None:
            known += one.place.names
        found.append(one)
    return tuple(found)


def _is_heading(line: str) -> bool:
    words = [word for cell in _SPLIT.split(line) for word in cell.casefold().split()]
    return bool(words) and all(word in _HEADS for word in words)


def _read(number: int, line: str, family: str | None, today: date, known: Sequence[str]) -> Line:
    cells = [cell for cell in _SPLIT.split(line) if cell]
    try:
        planted = _planting(cells, today, known)
        if planted is not None:
            return Line(number, line, planting=planted)
        return Line(number, line, place=_place(cells, family, known))
    except DaceError as error:
        return Line(number, line, trouble=f"{error.read}: {error.would_do}")


def _planting(cells: Sequence[str], today: date, known: Sequence[str]) -> CropLine | None:
    """What grows, where the first cell is a crop with or without its number."""
    said, where = cells[0], [*cells[1:]]
    told = re.fullmatch(r"(.+?)\s+(?:in|on|at)\s+(.+)", said)
    if told and crop_spelt(_counted(told[1])[1]):
        said, where = told[1], [told[2], *where]
    count, name = _counted(said)
    key = crop_spelt(name)
    if key is None:
        return None
    place, started = "", None
    for cell in where:
        if (day := _day(cell, today)) is not None:
            started = day
        elif re.fullmatch(r"\d{1,5}", cell):
            count = int(cell)
        elif not place:
            place = _known(cell, known)
        else:
            raise DaceError("text", f"“{cell}”", "a place, a number or a day would do")
    if not place:
        raise DaceError("text", f"“{said}” without its place", "say where, such as “, Bed 3”")
    return CropLine(key, max(1, count), place, started or today)


def _counted(text: str) -> tuple[int, str]:
    """``12 chard`` or ``12 x chard``; one where no number stands."""
    match = re.fullmatch(r"(\d{1,5})\s*(?:x|×)?\s+(.+)", text.strip())
    return (int(match[1]), match[2]) if match else (1, text.strip())


@cache
def _crop_names() -> dict[str, str]:
    found: dict[str, str] = {}
    for key, grown in crops().items():
        several = grown.counted(2).split(" ", 1)[1]
        bare = re.sub(r"\s*\(.*?\)", "", grown.name)
        names = (key.replace("_", " "), grown.name, bare, several, *other_names().get(key, ()))
        for name in names:
            for form in (name, f"{name}s", f"{name}es", f"{name} plants"):
                found.setdefault(form.casefold(), key)
    return found


def crop_spelt(name: str) -> str | None:
    """The crop that a name means, in one or in several, by any name that it has; None of none.

    >>> crop_spelt("Courgettes"), crop_spelt("leek seedlings"), crop_spelt("gnome")
    ('courgette', 'leek', None)
    """
    plain = re.sub(r"\s*\(.*?\)", "", name).strip().casefold()
    return _crop_names().get(plain) or _crop_names().get(plain.removesuffix(" seedlings"))


def _day(cell: str, today: date) -> date | None:
    """A day that has been; one without its year is the last such day."""
    said = re.sub(r"^(sown|planted|since|on)\s+", "", cell.strip(), flags=re.IGNORECASE)
    if not re.search(r"\d", said) or re.fullmatch(r"\d{1,5}", said):
        return None
    for text in (said, f"{said} {today.year}", f"{said} {today.year - 1}"):
        for day in ways_of(text).values():
            if day <= today:
                return day
    return None


def _known(cell: str, known: Sequence[str]) -> str:
    """A place by its name, however its letters and blanks were typed."""
    plain = _folded(cell)
    for name in known:
        if _folded(name) == plain:
            return name
    near = ", ".join(known[:6]) or "none stands yet: list the places first"
    raise DaceError("text", f"“{cell}”, which is no place here", near)


def _folded(name: str) -> str:
    return re.sub(r"[\s_.-]+", "", name).casefold()


class _Told:
    """What the cells of a place say of it, whatever their order."""

    def __init__(self, family: str | None) -> None:
        self.family = family
        self.size: Size | None = None
        self.said = self.medium = self.area = ""
        self.covered: bool | None = None
        self.count = 0

    def read(self, cell: str) -> None:
        low = cell.casefold().removeprefix(_FILLED)
        if re.fullmatch(r"\d{1,3}", low):
            self.count = int(low)
        elif low.startswith(("in ", "area ")):
            self.area = cell.split(" ", 1)[1].removeprefix("the ").strip()[:40]
        elif low in _COVERED or low in _OPEN:
            self.covered = low in _COVERED
        elif (found := _size(cell, self.family)) is not None:
            self.size, self.said = found, cell
        elif key := next((m for word, m in _MEDIA if word in low), ""):
            self.medium = key
        elif _kind(low) is None:
            raise DaceError("text", f"“{cell}”", "a size, a medium, “covered” or “in the tunnel”")


def _place(cells: Sequence[str], family: str | None, known: Sequence[str]) -> PlaceLine:
    first, rest = cells[0], [*cells[1:]]
    if of := re.fullmatch(r"(.+?)\s+of\s+(.+)", first):
        first, rest = of[1], [of[2], *rest]
    told = _Told(family)
    for cell in rest:
        told.read(cell)
    there = {_folded(name) for name in known}
    named = [first, *(text for text in rest if _folded(text) not in there)]
    kinds = (_kind(text.casefold()) for text in named)
    kind = next((one for one in kinds if one is not None), None)
    if kind is None:
        raise DaceError(
            "text", f"“{first}”", "a tub, pots, a bed, a tray, a frame, or a crop would do"
        )
    usual = place_kinds()[kind]
    names, alike = _names(first, told.count, usual, known)
    said = told.said or usual.usual_size[0]
    return PlaceLine(
        names=names,
        kind=kind,
        size=told.size or read_size(said, family),
        said_size=said,
        medium=told.medium or usual.usual_medium,
        covered=usual.usually_covered if told.covered is None else told.covered,
        area=told.area,
        alike=alike,
    )


def _size(cell: str, family: str | None) -> Size | None:
    try:
        return read_size(cell, family)
    except DaceError:
        return None


def _kind(text: str) -> str | None:
    """The kind of place that a text names: by its last such word, the longest first."""
    found: list[tuple[int, int, str]] = []
    for word, kind in _KIND_WORDS:
        found += [(m.end(1), len(word), kind) for m in re.finditer(rf"\b({word})(?=s?\b|\d)", text)]
    return max(found)[2] if found else None


def _names(
    first: str, count: int, kind: PlaceKind, known: Sequence[str]
) -> tuple[tuple[str, ...], int]:
    """``10 tubs`` are ten stops, ``12 pots`` one stop of twelve; ``Bed 1-14`` are fourteen."""
    span = re.fullmatch(r"(.*?)\s*(\d{1,3})\s*(?:-|–|to)\s*(\d{1,3})", first)
    if span:
        low, high = int(span[2]), int(span[3])
        if not 0 <= high - low < _MOST_ALIKE:
            raise DaceError("text", f"“{first}”", "such as “Bed 1-14”")
        stem = span[1].strip() or kind.label
        return tuple(_fresh(f"{stem} {n}", known) for n in range(low, high + 1)), 1
    many, stem = _counted(first)
    many = count or many
    if not 1 <= many <= _MOST_ALIKE:
        raise DaceError("text", f"{many} of them", f"1 to {_MOST_ALIKE} would do")
    if many == 1:
        return (_fresh(_capital(stem), known),), 1
    if kind.alike:
        return (_fresh(_capital(stem), known),), many
    single = _capital(re.sub(r"(?<=[^s])s$", "", stem))
    taken = {_folded(name) for name in known}
    numbers = (n for n in range(1, 10_000) if _folded(f"{single} {n}") not in taken)
    return tuple(f"{single} {next(numbers)}" for _ in range(many)), 1


def _capital(text: str) -> str:
    return f"{text[0].upper()}{text[1:]}"[:60]


def _fresh(name: str, known: Sequence[str]) -> str:
    """A name that no other place has."""
    if _folded(name) in {_folded(one) for one in known}:
        raise DaceError("text", f"“{name}”, which stands already", "another name would do")
    return name[:60]
