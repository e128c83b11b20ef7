"""A soil mix as the page draws it."""

from __future__ import annotations

from dace.core import api as core
from dace.core.api import Advice, say, shown
from dace.desks.shared.advice import advice_out
from dace.desks.solids.schemas import MixPartOut, ShareOut, SoilMixIn, SoilMixOut


def mix_of(asked: SoilMixIn, measures: str) -> SoilMixOut:
    """Work out a mix; nothing is read but the garden's measures."""
    litres = core.read_amounts(asked.litres, measures, "litres")[0]
    if litres.unit != "mL":
        raise core.DaceError("litres", f"“{asked.litres}”", "40 L would do")
    found = core.soil_mix(
        core.SoilMixAsked(
            litres.value / 1000, tuple(asked.parts.items()), tuple(asked.dry.items()), asked.use
        )
    )
    take, shares = dict(found.litres_of), found.asked.shares
    low, high = found.pore_ec.low, found.pore_ec.high
    return SoilMixOut(
        layers=[
            MixPartOut(
                key=key,
                name=core.material(key).name,
                share=share,
                take=shown.litres(take[key], 2),
                grain=core.mix_ingredients()[key].grain,
            )
            for key, share in shares.items()
        ],
        dry=[
            f"{shown.grams(grams * found.asked.litres, 2)} of {core.material(key).name.lower()}"
            for key, grams in found.asked.dry
            if grams > 0
        ],
        salt=shown.ec(found.pore_ec.value, 1),
        salt_range=shown.ec_span(low, high),
        holds=f"{100 * found.holding.value:.0f} %",
        ph=f"about {found.ph:.1f}",
        food=[
            ShareOut(name=name, text=f"{say(mg, 2)} mg/L", range_text="")
            for name, mg in found.at_once
        ],
        slow=_slow(found),
        breaks=advice_out([_said(one) for one in found.breaks]),
    )


def _slow(found: core.SoilMix) -> str:
    left = dict(found.slow)["N"] - found.taken
    if left < 1:
        return "Nitrogen runs short: wood takes it"
    return f"{say(left, 2)} mg/L of nitrogen later"


_NAMES = {
    "max_pore_ec": ("Too salty", "{found:.1f}; at most {limit:g} mS/cm"),
    "max_mg_l": ("Too much nitrogen", "{found:.0f}; at most {limit:g} mg/L"),
    "min_holding": ("Dries fast", "holds {found:.0%}; {limit:.0%} would do"),
    "min_coarse_share": ("Too little air", "{found:.0%} coarse; {limit:.0%} would do"),
    "min_ph": ("Too sour", "pH about {found:.1f}; {limit:g} or more"),
    "max_ph": ("Too limy", "pH about {found:.1f}; {limit:g} or less"),
    "max_share": ("Too much of it", "{found:.0%}; at most {limit:.0%}"),
    "max_g_l": ("Too much of it", "{found:g} g/L; at most {limit:g}"),
}


def _said(one: core.Break) -> Advice:
    """A limit that is broken: what of, how far, and why."""
    _, of, measure = one.rule.split(".")
    title, words = _NAMES[measure]
    if measure in ("max_share", "max_g_l") and of in core.materials():
        title = f"Too much {core.material(of).name.split(',')[0].lower()}"
    facts = words.format(found=one.found, limit=one.limit).replace("%", " %")
    said = facts if facts.startswith("pH") else f"{facts[0].upper()}{facts[1:]}"
    text = f"{said}. {one.reason}"
    return Advice(one.rule.replace(".", "_"), one.severity, title, text, "", "")
