"""Every calculator with anything in any place of what it reads: an answer, or one sentence."""

import copy
import json
import math

from django.test import SimpleTestCase

from dace.core.shell import CALCULATORS
from tests.core import counts
from tests.core.shell.test_calculators import GIVEN, run

BREW = {
    "method": "anaerobic_ferment",
    "ingredients": [{"material": "comfrey_fresh", "mass_g": 1500, "particle": "chopped_coarse"}],
    "liquid": {"material": "rain_water", "volume_l": 15},
    "temperature_c": 16,
    "days": 3,
    "readings": [{"day": 2, "ec_ms_cm": 0.31, "parts_water": 19}],
}
POT = {
    "id": "tub", "medium": "peat_free_mix", "litres": 40, "setting": "pot", "shelter": "open",
    "rhythm": "weekly", "filled_on": "2026-07-01",
    "slow": [{"on": "2026-07-05", "material": "poultry_pellets", "grams": 20}],
    "plantings": [
        {"id": "a", "crop": "chilli", "stage": "flowering", "seen_on": "2026-07-08", "plants": 6,
         "started_on": "2026-06-01"}
    ],
    "poured": [{"on": "2026-07-07", "litres": 6, "ec_ms_cm": 1.4, "n_mg_l": 110}],
    "readings": [{"on": "2026-07-12", "value": 1.9}],
}  # fmt: skip
YARD = {
    "today": "2026-07-14", "latitude": 51, "vessels": ["9 L"],
    "waters": {"tap": {"ec_ms_cm": 0.65}},
    "jars": [{"name": "fruiting", "jar": {"grade": [4, 3, 8]}, "stock": 500, "price": 0.01}],
    "stops": [POT],
}  # fmt: skip
EPSOM = {"material": "magnesium_sulfate_heptahydrate"}
EXAMPLES = {
    "dilute": GIVEN,
    "ec": {"ions": {"K": 390.98, "Cl": 354.53}, "ph": 7, "temperature_c": 15},
    "brew": BREW,
    "claim": {"claim": "3 % nitrogen in rinse water", "vessel_l": 9, "brew": BREW},
    "rootzone": {key: POT[key] for key in ("medium", "litres", "filled_on", "poured", "readings")}
    | {"today": "2026-07-14", "crop": "chilli", "plants": 6, "started_on": "2026-06-01"},
    "clock": {
        "crop": "aubergine", "latitude": 51, "today": "2026-07-14", "started_on": "2026-03-10",
        "looks": [{"on": "2026-07-10", "stage": "flowering", "last_look": "2026-07-04"}],
        "days": [["2026-05-01", 8, 17, 0]],
    },
    "verdict": YARD,
    "plan": YARD | {"weeks": 2, "slider": 0},
    "trial": {"measure": "grams", "worthwhile_percent": 20, "pairs": [[30, 20], [28, 21]]},
    "signs": {"sign": "fruit_end_black", "crop": "sweet_pepper", "facts": {"dry_spells_14d": 1}},
    "mix": {
        "sources": [{"name": "crystals", "jar": {"grade": [16, 8, 24], "form": "solid"}}],
        "water": {"ec_ms_cm": 0.3}, "vessel": "9 L", "wish": {"N": [54, 90, 144]},
        "cap_ec_ms_cm": 1.4,
    },
    "learned": {"kind": "recipe", "table": {"low": 1.7, "typ": 3.4, "high": 6.8},
                "values": [{"log": -0.2, "sd": 0.1}]},
    "frost": {"crop": "chilli", "stage": "seedling", "shelter": "open", "forecast_low_c": 2,
              "spread_c": 1.5, "clear": True, "still": False},
    "follows": {"families_before": [[2025, "legume"]], "latitude": 51, "climate": "cool_temperate",
                "on": "2026-08-20", "crops": ["kale"]},
    "heap": {
        "method": "cold_unturned", "cover": "open", "rain_mm": 200, "temperature_c": 12, "weeks": 8,
        "inputs": [{"material": "grass_clippings", "kg": 20, "on": 3}],
        "reach": {"c_to_n": 28, "with": "wheat_straw"}, "test": {"ec_1_5_ms_cm": 1.3}, "seed": 2,
    },
    "soil_mix": {"litres": 40, "parts": {"coir": 4, "perlite": 1}, "use": "pots",
                 "dry_g_per_l": {"coated_slow_release": 2}},
    "green_manure": {"key": "winter_vetch", "area_m2": 4, "stand": "short", "dug_in": True,
                     "days": [["2026-05-01", 8, 17, 0], 12], "weeks": 3},
    "mulch": {"material": "wheat_straw", "area_m2": 6, "settled_mm": 75, "bin_l": 240},
    "bean_test": {"test": [[0, 3], [0, 3], [2, 3]], "plain": [[0, 3], [0, 3], [0, 3]]},
    "spray": {
        "jar": EPSOM, "water": {"ec_ms_cm": 0.06}, "vessel": "0.5 L", "strength": "10 g/L",
        "crop": "chilli", "stage": "fruit_set", "plants": 6, "air_c": 19,
    },
    "read": {
        "text": "3 scoops", "as": "amount", "measures": "us", "owned": ["7 mL scoop"],
        "scale": "ppm500", "shown": "1 + 499",
    },
}  # fmt: skip
ODD = (None, "", "custard", -1, 0, 1e308, [], {}, [[]], True, "2026-02-30")


def places(found, way=()):
    """The way to every value, leaves and wholes."""
    inner = found.items() if isinstance(found, dict) else enumerate(found)
    for key, value in inner:
        yield (*way, key)
        if isinstance(value, dict | list):
            yield from places(value, (*way, key))


def put(given, way, odd):
    made = copy.deepcopy(given)
    inner = made
    for key in way[:-1]:
        inner = inner[key]
    inner[way[-1]] = odd
    return made


def finite(found):
    if isinstance(found, dict | list):
        inner = found.values() if isinstance(found, dict) else found
        return all(finite(one) for one in inner)
    return not isinstance(found, float) or math.isfinite(found)


class Anything(SimpleTestCase):
    def test_every_calculator_has_its_example_and_answers_it(self):
        self.assertEqual(set(EXAMPLES), set(CALCULATORS))
        for name, given in EXAMPLES.items():
            with self.subTest(name):
                code, out, err = run(name, given)
                self.assertEqual((code, err), (0, ""))
                self.assertTrue(finite(json.loads(out)))

    def test_an_answer_or_one_sentence_whatever_stands_where(self):
        for name, given in EXAMPLES.items():
            for way in places(given):
                for odd in ODD[:: counts.of(1, 2)]:
                    with self.subTest(name, way=way, odd=odd):
                        code, out, err = run(name, put(given, way, odd))
                        if code:
                            self.assertEqual((code, out), (2, ""))
                            self.assertEqual(len(err.strip().splitlines()), 1, err)
                            self.assertNotIn("could not be read as JSON", err)
                        else:
                            self.assertTrue(finite(json.loads(out)))

    def test_what_is_missing_is_named(self):
        for name, needed in (
            ("dilute", ("jar", "vessel", "strength")),
            ("ec", ("ions",)),
            ("brew", ("method",)),
            ("claim", ("claim",)),
            ("clock", ("crop", "today", "started_on")),
            ("signs", ("sign", "crop")),
            ("mix", ("vessel",)),
            ("read", ("text",)),
            ("spray", ("jar", "crop", "strength")),
        ):
            for key in needed:
                with self.subTest(name, key=key):
                    left = {k: v for k, v in EXAMPLES[name].items() if k != key}
                    code, _, err = run(name, left)
                    self.assertEqual(code, 2)
                    self.assertIn(key, err)
