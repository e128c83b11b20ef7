"""What was typed, read in the garden's measures."""

from __future__ import annotations

from dace.core import api as core
from dace.core.api import DaceError
from dace.garden.models import Garden


def read_litres(garden: Garden, text: str, field: str = "vessel") -> float:
    """A volume as typed [L], in the garden's measures."""
    found = core.read_amount(text, garden.measures, field)
    if found.unit != "mL" or not 0 < found.value <= 1000 * core.MOST_VESSEL_L:
        raise DaceError(field, f"“{text.strip()}”", "a volume such as 9 L would do")
    return found.value / 1000


def read_amount_of(garden: Garden, text: str, liquid: bool, field: str) -> float:
    """How much of a jar, as typed: mL of a liquid, g of what is dry."""
    return core.read_pack(text, "mL" if liquid else "g", garden.measures, field)
