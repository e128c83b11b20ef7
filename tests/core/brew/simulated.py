"""A brew as it might really go, by code of its own: hour by hour, with a lag, and amounts off.

It reads the tables as printed and shares nothing else with the core. It is wrong in known
ways: the solids only begin to give after a lag, what was weighed is a tenth off, warmth
swings between day and night, and conductivity follows a plain sum of ions.
"""

import csv
import math
import random
from pathlib import Path

TABLES = Path(__file__).resolve().parents[3] / "dace" / "core" / "figures"
Z = 1.2816
# limiting conductivities [S cm2 per mol of charge], handbook values, and molar masses
IONS = {"K": (73.5, 39.1, 1), "Ca": (59.5, 40.08, 2), "Mg": (53.0, 24.3, 2), "Na": (50.1, 23.0, 1)}
ANION = 41.0


def table(name):
    with (TABLES / f"{name}.csv").open(encoding="utf-8") as file:
        return list(csv.DictReader(file))


MATERIALS = {row["key"]: row for row in table("materials")}
EXTRACTION = {
    (row["material_class"], row["method"], row["nutrient"]): row for row in table("extraction")
}


def drawn(rng, low, typ, high, lean=None):
    """A log-normal draw from printed ends, leaning as others do."""
    z = (
        rng.gauss(0, 1)
        if lean is None
        else math.sqrt(0.6) * lean + math.sqrt(0.4) * rng.gauss(0, 1)
    )
    low, typ, high = float(low or 0), float(typ or 0), float(high or 0)
    if typ <= 0:
        return 0.0
    low = low if low > 0 else typ / 10
    side = math.log(typ / low) if z < 0 else math.log(max(high, typ) / typ)
    return typ * math.exp(z * side / Z)


def share(rng, low, typ, high):
    """A draw of a share."""

    def logit(x):
        x = min(max(float(x or 0), 1e-3), 1 - 1e-3)
        return math.log(x / (1 - x))

    if not float(high or 0):
        return 0.0
    z = rng.gauss(0, 1)
    side = logit(typ) - logit(low) if z < 0 else logit(high) - logit(typ)
    return 1 / (1 + math.exp(-(logit(typ) + z * side / Z)))


def brew(key, grams, litres, method, warmth, days, seed):
    """The true liquid on each day: {element: [mg/L by day]}, and its conductivity by day."""
    rng = random.Random(seed)
    row = MATERIALS[key]
    grams *= rng.choice((0.9, 1.1)) * math.exp(rng.gauss(0, 0.05))
    volume = litres + grams / 1000 * (1 - float(row["dry_matter_pct"]) / 100)
    lean, pace, lag = rng.gauss(0, 1), rng.gauss(0, 1), rng.uniform(0, 12)
    off = rng.gauss(0, 2)
    pools = {}
    for element in ("N", "P", "K", "Ca", "Mg", "Na", "Cl", "S"):
        e = element.lower()
        held = 10 * grams * drawn(rng, row[f"{e}_low"], row[f"{e}_typ"], row[f"{e}_high"], lean)
        told = EXTRACTION[("general", method, element)]
        soon = share(rng, told["fmax_low"], told["fmax_typ"], told["fmax_high"])
        if told["fmax_basis"].startswith("multiplier"):
            w = f"water_soluble_{e}"
            soon *= share(rng, *(float(row[f"{w}_{end}"]) / 100 for end in ("low", "typ", "high")))
        unlock = share(rng, told["unlock_low"], told["unlock_typ"], told["unlock_high"])
        later = (1 - soon) * unlock
        if element == "N":
            later *= min(1.2, float(row["first_season_n_pct"]) / 50)

        def rate(stem, told=told):
            low, typ, high = (float(told[f"{stem}_{end}"] or 0) for end in ("low", "typ", "high"))
            if typ <= 0:
                return 0.0
            side = math.log(typ / low) if pace < 0 else math.log(high / typ)
            return typ * math.exp(pace * side / Z)

        pools[element] = [
            held * soon,
            held * later,
            rate("k_per_day"),
            rate("k_unlock_per_day"),
            0.0,
        ]
        pools[element].append(float(told["q10"] or 1))
    loss = share(rng, 0.05, 0.15, 0.40) if method == "anaerobic_ferment" else 0.0
    mineral = share(rng, 0.4, 0.65, 0.9)
    found = {element: [0.0] for element in pools}
    readings = [0.0]
    for day in range(1, days + 1):
        for hour in range(24):
            now = warmth + off + 3 * math.sin(2 * math.pi * hour / 24)
            for pool in pools.values():
                if 24 * (day - 1) + hour < lag:
                    continue
                speed = pool[5] ** ((min(35, max(5, now)) - 20) / 10) / 24
                for which, k in ((0, pool[2]), (1, pool[3])):
                    gone = pool[which] * min(1.0, k * speed)
                    pool[which] -= gone
                    pool[4] += gone
        for element, pool in pools.items():
            kept = 1 - loss * min(1.0, day / 16) if element == "N" else 1.0
            found[element].append(pool[4] / volume * kept)
        readings.append(conductivity({e: v[day] for e, v in found.items()}, mineral))
    return found, readings


def conductivity(mg_l, mineral):
    """A plain sum over ions, slowed by the square root of their strength [mS/cm]."""
    charge = {ion: mg_l[ion] / mass * z for ion, (_, mass, z) in IONS.items()}
    ammonium = mg_l["N"] * mineral / 14.007
    total = sum(charge.values()) + ammonium
    strength = (total + sum(charge[i] for i in ("Ca", "Mg"))) / 1000
    plain = sum(charge[ion] * (IONS[ion][0] + ANION) for ion in IONS) + ammonium * (73.5 + ANION)
    chloride = mg_l["Cl"] / 35.45 * (76.3 - ANION)
    return (
        (plain + chloride)
        / 1000
        * (1 - 0.65 * math.sqrt(strength) / (1 + 1.4 * math.sqrt(strength)))
    )
