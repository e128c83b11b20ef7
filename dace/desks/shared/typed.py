"""What was typed, read in the garden's measures."""

from __future__ import annotations

from dace.core import api as core
from dace.core.api import DaceError, shown
from dace.garden.models import Garden


def read_litres(garden: Garden, text: str, field: str = "vessel") -> float:
    """A volume as typed [L], in the garden's measures."""
    found = core.read_amount(text, garden.measures, field)
    if found.unit != "mL" or not 0 < found.value <= 1000 * core.MOST_VESSEL_L:
        raise DaceError(field, f"“{text.strip()}”", "a volume such as 9 L would do")
    return found.value / 1000


def read_or_kept(text: str, unit: str, measures: str, field: str, kept: float | None) -> float:
    """A pack or a measure as typed [mL or g]; what it was, where it still says so."""
    if kept is not None and text in (core.amount_words(kept, unit, n) for n in (3, 4)):
        return kept
    return core.read_pack(text, unit, measures, field)


def size_words(volume_l: float | None, area_m2: float | None) -> str:
    """``40 L`` or ``4.32 m2``: a size as it is read back."""
    if volume_l is not None:
        return shown.litres(volume_l, 4)
    return shown.square_metres(area_m2 or 0.0, 4).replace("m²", "m2")


def read_amount_of(garden: Garden, text: str, liquid: bool, field: str) -> float:
    """How much of a jar, as typed: mL of a liquid, g of what is dry."""
    return core.read_pack(text, "mL" if liquid else "g", garden.measures, field)
