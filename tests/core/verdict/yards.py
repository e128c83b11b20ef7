"""Gardens told as the calculator is told them."""

from dace.core.shell.verdicts import verdict

FRUITING = {
    "name": "fruiting",
    "jar": {"grade": [4, 3, 8], "density_g_per_ml": 1.15},
    "stock": 900,
}
CRYSTALS = {
    "name": "crystals",
    "jar": {"grade": [16, 8, 24], "form": "solid", "also": {"mgo": 2}},
    "stock": 400,
}
POTASH = {"name": "potash", "jar": {"grade": [0, 0, 50], "form": "solid"}, "stock": 400}
PELLETS = {
    "name": "pellets",
    "jar": {"grade": [4, 3, 2], "form": "solid", "material": "poultry_pellets", "slow": True},
    "stock": 3000,
}
COMFREY = {
    "name": "comfrey",
    "jar": {
        "mg_l": {"NH4_N": 130, "K": 1600, "P": 40, "Ca": 70, "Mg": 30},
        "method": "anaerobic_ferment",
        "material": "comfrey_fresh",
    },
    "stock": 5000,
}
SHELF = [FRUITING, CRYSTALS, POTASH, PELLETS, COMFREY]


def yard(*stops, **more):
    """A summer's day at 51 degrees north."""
    given = {
        "today": "2026-07-14",
        "latitude": 51,
        "climate": "cool_temperate",
        "waters": {"tap": {"ec_ms_cm": 0.65}, "rain": {"ec_ms_cm": 0.06}},
        "vessels": ["9 L", "2 L"],
        "jars": SHELF,
        "stops": list(stops),
    }
    return given | more


def pot(crop="chilli", stage="fruit_set", litres=40, plants=6, **more):
    """A tub that was fed a week ago, and read since."""
    planting = {"id": "p", "crop": crop, "stage": stage, "seen_on": "2026-07-08"}
    planting |= {"plants": plants, "started_on": "2026-03-01"}
    poured = [
        {"on": f"2026-{day}", "litres": 5, "ec_ms_cm": 1.2, "n_mg_l": 90, "k_mg_l": 150}
        for day in ("06-16", "06-23", "06-30", "07-07")
    ]
    told = {
        "id": "pot",
        "medium": "old_mix",
        "litres": litres,
        "filled_on": "2026-04-01",
        "plantings": [planting],
        "poured": poured,
        "readings": [{"on": "2026-07-12", "value": 1.7}],
    }
    return told | more


def judged(*stops, **more):
    """Verdicts in the order of the stops."""
    return verdict(yard(*stops, **more))["verdicts"]


def one(stop, **more):
    """The verdict of a single stop."""
    return judged(stop, **more)[0]
