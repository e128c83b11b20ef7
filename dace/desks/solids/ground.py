"""Green manure and mulch as the page says them."""

from __future__ import annotations

from dace.core import api as core
from dace.core.api import DaceError, shown
from dace.desks.solids.schemas import GivesOut, GreenManureIn, MulchIn, MulchOut

_WEEKS = 16


def gives(asked: GreenManureIn, measures: str) -> GivesOut:
    """What a cut stand gives; nothing is read but the garden's measures."""
    found = core.given_by(
        asked.key, _area(asked.area, measures), asked.stand, asked.dug_in,
        asked.temperature_c, _WEEKS,
    )  # fmt: skip
    said = [f"{shown.grams(found.nitrogen, 2)} of nitrogen in it"]
    if found.from_air > 0:
        said.append(f"{shown.grams(found.from_air, 2)} of that from the air")
    said.append(f"{shown.grams(found.next_crop, 2)} for the next crop")
    if found.taken > 0:
        said.append(f"Rotting, it takes {shown.grams(found.taken, 2)} first")
    weeks = found.kind.wait_weeks(asked.stand, asked.dug_in)
    return GivesOut(
        said=said,
        wait=f"Wait {weeks:g} weeks, then plant",
        by_week_g=list(found.by_week),
        whole_g=found.next_crop,
        caution=found.kind.row.text("caution"),
    )


def mulch_of(asked: MulchIn, measures: str) -> MulchOut:
    """What a mulch comes to; nothing is read but the garden's measures."""
    depth = depth_mm(asked.depth) if asked.depth else None
    found = core.mulch_for(asked.material, _area(asked.area, measures), depth)
    taken = found.taken_on_top_g
    nitrogen = "It takes hardly any nitrogen on top"
    if taken >= 1:
        nitrogen = (
            f"On top it takes {shown.grams(taken, 2)} of nitrogen; "
            f"dug in {shown.grams(found.taken_dug_in_g, 2)}"
        )
    elif taken <= -1:
        nitrogen = f"It gives {shown.grams(-taken, 2)} of nitrogen in a season"
    settled = found.loose_mm * (1 - found.kind.settles.typ)
    plural = "s" if found.bins > 1 else ""
    return MulchOut(
        bring=f"{shown.litres(found.litres, 2)}: {found.bins} wheelie bin{plural} of 240 L, "
        f"{shown.grams(1000 * found.kg, 2)}",
        lies=f"Lay it {shown.depth(found.loose_mm, 2)} deep; it settles to {shown.depth(settled)}",
        nitrogen=nitrogen,
        caution=found.kind.caution,
    )


def _area(told: str, measures: str) -> float:
    would_do = "an area such as 3.6 x 1.2 m or 4 m2 would do"
    try:
        size = core.read_size(told, measures)
    except DaceError as error:
        raise DaceError("area", error.read, would_do) from None
    if size.area_m2 is None:
        raise DaceError("area", f"“{told}”", would_do)
    return size.area_m2


def depth_mm(told: str) -> float:
    """How deep a mulch shall lie [mm], as typed."""
    return 1000 * core.read_measure(told, "length", "depth", "mm")
