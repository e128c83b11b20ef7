"""The shipped tables keep their own promises."""

import re
from importlib import resources

from django.test import SimpleTestCase

from dace.core.brew.extraction import methods
from dace.core.errors import FigureError
from dace.core.figures import Row, load_table, sources
from dace.core.matter.materials import ELEMENTS, materials
from dace.core.matter.media import media
from dace.core.matter.methods import natures
from dace.core.matter.nutrients import NUTRIENTS
from dace.core.matter.tokens import resolved
from dace.core.response.signs import signs
from dace.core.season.crops import crops

FIGURES = resources.files("dace.core.figures")
TABLES = sorted(f.name.removesuffix(".csv") for f in FIGURES.iterdir() if f.name.endswith(".csv"))


class Tables(SimpleTestCase):
    def test_every_row_names_a_known_source_and_confidence(self):
        for table in TABLES:
            with self.subTest(table):
                self.assertGreater(len(load_table(table)), 0)

    def test_every_source_is_used(self):
        used = {
            f for t in TABLES for r in load_table(t) for f in r.text("source_family").split(";")
        }
        self.assertEqual(set(sources()), used | {"label_rules"})

    def test_every_token_of_every_table_names_something(self):
        for table in TABLES:
            for row in load_table(table):
                for column, cell in row.cells.items():
                    if re.match(r"(key|family|method|holds|route|water):", cell):
                        resolved(cell, f"{table}.{column}")
        with self.assertRaisesRegex(FigureError, "method:lye"):
            resolved("family:acid;method:lye", "clashes")
        self.assertEqual(set(natures()), set(methods()))
        for table, column, keys in (
            ("stages", "crop", crops()),
            ("hardiness", "crop", crops()),
            ("leaves", "crop", crops()),
            ("crop_names", "crop", crops()),
            ("sign_causes", "sign", signs()),
        ):
            self.assertLessEqual({row.text(column) for row in load_table(table)}, set(keys))

        kin = {one.family for one in crops().values()}
        known = {
            "all": {""}, "kin": kin, "leaf": {one.leaf for one in crops().values()},
            "part": {one.harvest_part for one in crops().values()},
        }  # fmt: skip
        for sign in signs().values():
            self.assertIn(sign.only, ("any", "pots", "ground", "seedlings"))
            for token in sign.occurs:
                head, _, tail = token.partition(":")
                self.assertTrue(token in crops() or tail in known.get(head, ()), (sign.key, token))

    def test_disorder_is_refused_with_its_place(self):
        row = Row("stages", 7, {"n_mgl_low": "5", "n_mgl_typ": "4", "n_mgl_high": "9"})
        with self.assertRaisesRegex(FigureError, "stages.csv row 7"):
            row.range("n_mgl")
        with self.assertRaises(FigureError):
            Row("stages", 7, {"x": ""}).number("x")


class Crops(SimpleTestCase):
    def test_44_crops_of_298_stages_at_least_and_a_house_plant_that_grows_or_rests(self):
        self.assertGreaterEqual(len(crops()), 45)
        self.assertGreaterEqual(sum(len(c.stages) for c in crops().values()), 300)
        plant = crops()["house_plant"]
        self.assertEqual([s.key for s in plant.stages], ["vegetative", "wind_down"])
        self.assertEqual(plant.stages[1].wish_of("N").typ, 0)

    def test_every_stage_is_in_order_and_its_wish_below_its_high(self):
        for crop in crops().values():
            self.assertEqual([s.order for s in crop.stages], list(range(1, len(crop.stages) + 1)))
            for stage in crop.stages:
                self.assertEqual(tuple(n for n, _ in stage.wish), NUTRIENTS)
                self.assertLess(stage.drain_ec_low, stage.drain_ec_high)
                self.assertGreater(stage.water_l_day.low, 0)

    def test_shares_of_uptake_add_up_to_one(self):
        for key in crops():
            rows = [row for row in load_table("stages") if row.text("crop") == key]
            for share in ("share_n", "share_p", "share_k", "share_ca"):
                self.assertAlmostEqual(sum(r.number(share) for r in rows), 1, delta=0.011, msg=key)

    def test_media_hold_some_water_and_some_air(self):
        self.assertEqual(len(media()), 11)
        for medium in media().values():
            self.assertGreater(medium.holding.low, 0.1)
            self.assertLess(medium.holding.high, 0.7)


class Materials(SimpleTestCase):
    def test_no_material_holds_more_than_itself(self):
        for found in materials().values():
            with self.subTest(found.key):
                self.assertLess(sum(found.percent_of(e).typ for e in ELEMENTS), 100)
                self.assertTrue(0 < found.dry_matter <= 1)

    def test_forms_add_up_to_the_mineral_share(self):
        for found in materials().values():
            forms = found.nitrate_share + found.ammonium_share + found.urea_share
            with self.subTest(found.key):
                self.assertAlmostEqual(forms, found.n_mineral_share, delta=1.0)

    def test_salts_hold_what_their_formula_says(self):
        # KNO3: 13.85 % N, 38.67 % K; urea 46.65 % N; gypsum 23.28 % Ca; as pure
        for key, element, pure in (
            ("potassium_nitrate", "N", 13.85),
            ("potassium_nitrate", "K", 38.67),
            ("urea", "N", 46.65),
            ("gypsum", "Ca", 23.28),
        ):
            percent = materials()[key].percent_of(element).typ
            self.assertLessEqual(percent, pure * 1.005)
            self.assertGreater(percent, pure * 0.75)
