"""Rules of timing: weather, warmth of the soil, waiting times, what was given just before."""

from __future__ import annotations

from collections.abc import Iterator

from dace.core.advice import Advice
from dace.core.advice.cautions import Caution, Gate, cautions, gates
from dace.core.advice.feeding import Feeding
from dace.core.figures import judgement
from dace.core.matter.settings import setting
from dace.core.words import shown

_LOW_OR_RAW = ("leaf", "root", "bulb")


def raw_manure_harvest_interval(f: Feeding) -> Advice | None:
    """Raw manure too close to picking."""
    caution = cautions()["raw_manure_harvest_interval"]
    if not caution.named(f.tokens) or f.harvest_in_days is None:
        return None
    low = f.crop.harvest_part in _LOW_OR_RAW or f.crop.fruit_on_ground
    hold = caution.limit if low else caution.other_limit
    assert hold is not None
    if f.harvest_in_days >= hold:
        return None
    facts = f"Picking may begin in {max(0, f.harvest_in_days):.0f} days; {hold:.0f} are needed."
    return caution.said("Raw manure too close to picking", facts)


def urine_hygiene(f: Feeding) -> Advice | None:
    """Urine within a month of picking."""
    caution = cautions()["urine_hygiene"]
    assert caution.limit is not None
    if not caution.named(f.tokens) or f.harvest_in_days is None:
        return None
    return caution.said("A month before picking") if f.harvest_in_days < caution.limit else None


def brew_on_salad_crops(f: Feeding) -> Advice | None:
    """A home-made liquid on what is eaten low and raw."""
    caution = cautions()["brew_on_salad_crops"]
    assert caution.other_limit is not None
    low = f.crop.harvest_part in _LOW_OR_RAW or f.crop.fruit_on_ground
    if not caution.named(f.tokens) or not low or f.harvest_in_days is None:
        return None
    if f.harvest_in_days >= caution.other_limit:
        return None
    return caution.said("Home-made liquid close to picking")


def slow_release_cold(f: Feeding) -> Advice | None:
    """An organic or coated feed on cold soil."""
    caution = cautions()["slow_release_cold"]
    assert caution.limit is not None
    if not caution.named(f.tokens) or f.soil_c is None or f.soil_c >= caution.limit:
        return None
    return caution.said("The soil is cold", f"It is about {shown.degrees(f.soil_c)}.")


def coated_release_heat(f: Feeding) -> Advice | None:
    """Coated granules in heat."""
    caution = cautions()["coated_release_heat"]
    assert caution.limit is not None
    if not caution.named(f.tokens) or f.warmest_c is None or f.warmest_c <= caution.limit:
        return None
    return caution.said("Heat opens the coat", f"{shown.degrees(f.warmest_c)} is forecast.")


def skip_heat(f: Feeding) -> Advice | None:
    """A feed in heat."""
    return _gated(f, gates()["skip_heat"], f.warmest_c, "Too hot to feed", "forecast", "drench")


def roots_cold(f: Feeding) -> Advice | None:
    """A drench on roots too cold to take it."""
    gate = gates()["drench_root_warm" if f.crop.warm else "drench_root_cool"]
    return _gated(f, gate, f.soil_c, "Roots are too cold", "at the roots", "drench")


def frost_coming(f: Feeding) -> Advice | None:
    """A feed just before frost on what frost hurts."""
    limit = judgement("frost_coming_c").range.typ
    tray = setting(f.setting).seedlings
    if f.coldest_c is None or f.coldest_c > limit or not f.nitrogen or tray:
        return None
    return Advice(
        "frost_coming",
        "care",
        "Wait until the frost is over",
        f"{shown.degrees(f.coldest_c)} is forecast; at {shown.degrees(limit)} or less, fed growth "
        "is soft and freezes first.",
        "usual caution",
    )


def leaf_heat(f: Feeding) -> Advice | None:
    """A leaf spray in heat."""
    caution = cautions()["hot_foliar_scorch"]
    assert caution.limit is not None
    if f.route != "foliar" or f.warmest_c is None or f.warmest_c <= caution.limit:
        return None
    return caution.said("Too hot for leaves", f"{shown.degrees(f.warmest_c)} is forecast.")


def _gated(
    f: Feeding, gate: Gate, value: float | None, title: str, what: str, route: str
) -> Advice | None:
    if f.route != route or value is None or not gate.shut(value):
        return None
    text = f"About {shown.degrees(value)} {what}; the limit is {shown.degrees(gate.range.typ)}. "
    text += f"{gate.outside}."
    return Advice(gate.key, "care", title, text, gate.source)


def rain_coming(f: Feeding) -> Advice | None:
    """Rain that would wash a feed out."""
    if f.rain_mm is None or not setting(f.setting).rained_on:
        return None
    key = "top_rain" if f.route == "dressing" else "drench_rain24"
    gate = gates()["drench_rain24_bed" if key == "drench_rain24" and f.in_bed else key]
    if not gate.shut(f.rain_mm):
        return None
    text = f"About {f.rain_mm:.0f} mm is forecast for the next day. {gate.outside}."
    return Advice(gate.key, "care", "Rain would wash it out", text, gate.source)


def soil_frozen(f: Feeding) -> Advice | None:
    """A dressing on frozen ground."""
    gate = gates()["top_frozen"]
    if f.route != "dressing" or f.soil_c is None or not gate.shut(f.soil_c):
        return None
    return Advice(gate.key, "stop", "Frozen ground", f"{gate.outside}.", gate.source, "block")


def _pairs(f: Feeding, caution: Caution) -> Iterator[float]:
    """Days since the other half of a pair was given, either way round."""
    for tokens, days in f.recent:
        if (caution.named(f.tokens) and caution.paired(tokens)) or (
            caution.paired(f.tokens) and caution.named(tokens)
        ):
            yield days


def ash_with_ammonium(f: Feeding) -> Advice | None:
    """Ash or lime close to ammonium."""
    return _too_close(f, "ash_with_ammonium", "Ash and ammonium apart")


def antifungal_vs_inoculants(f: Feeding) -> Advice | None:
    """What checks fungi close to a living inoculant."""
    return _too_close(f, "antifungal_vs_inoculants", "One or the other")


def _too_close(f: Feeding, key: str, title: str) -> Advice | None:
    caution = cautions()[key]
    assert caution.limit is not None
    close = [days for days in _pairs(f, caution) if days < caution.limit]
    if not close:
        return None
    gap = f"The other was given {min(close):.0f} days ago; leave {caution.limit:.0f}."
    return caution.said(title, gap)


RULES = (
    raw_manure_harvest_interval,
    urine_hygiene,
    brew_on_salad_crops,
    slow_release_cold,
    coated_release_heat,
    skip_heat,
    roots_cold,
    frost_coming,
    leaf_heat,
    rain_coming,
    soil_frozen,
    ash_with_ammonium,
    antifungal_vs_inoculants,
)
