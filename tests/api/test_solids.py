"""Heaps, mixes, green manure and mulch, asked over HTTP."""

from tests.api.base import WeirYardCase

HEAP = {
    "method": "hot_turned", "rain_mm": 300, "temperature_c": 10, "weeks": 8,
    "inputs": [
        {"material": "grass_clippings", "amount": "200 kg"},
        {"material": "wheat_straw", "amount": "4 bales"},
        {"material": "vegetable_scraps_mixed", "amount": "50 kg"},
    ],
}  # fmt: skip


class Solids(WeirYardCase):
    def test_a_heap_says_what_it_lacks_in_bales(self):
        found = self.asking.post("/api/solids/heap", HEAP).json()
        self.assertEqual((found["ratio"], found["moisture"]), ("23", "67 %"))
        self.assertEqual(found["add"], ["36 kg of wheat straw, 2.4 bales"])
        self.assertIn("Too wet", [one["title"] for one in found["said"]])
        self.assertAlmostEqual(sum(layer["share"] for layer in found["layers"]), 1.0)

    def test_what_cannot_be_read_names_its_layer(self):
        bad = HEAP | {"inputs": [{"material": "wheat_straw", "amount": "some"}]}
        reply = self.asking.post("/api/solids/heap", bad)
        self.assert_refused(reply, 422, "inputs.0.amount")
        for wrong in ({"method": "piled"}, {"inputs": []}, {"rain_mm": -3}):
            self.assertEqual(self.asking.post("/api/solids/heap", HEAP | wrong).status_code, 422)

    def test_a_trench_is_never_taken_out(self):
        found = self.asking.post("/api/solids/heap", HEAP | {"method": "trench"}).json()
        self.assertEqual((found["shares"], found["reads"]), ([], ""))

    def test_a_mix_too_salty_for_seeds_says_so(self):
        parts = {"coir_moist": 4, "garden_compost": 3, "worm_castings": 1, "perlite": 1}
        asked = {"litres": "40 L", "parts": parts, "use": "seed"}
        found = self.asking.post("/api/solids/mix", asked).json()
        self.assertIn("Too salty", [one["title"] for one in found["breaks"]])
        self.assertEqual(
            self.asking.post("/api/solids/mix", asked | {"parts": {}}).status_code, 422
        )

    def test_green_manure_mulch_and_beans(self):
        vetch = {"key": "winter_vetch", "area": "4 m2"}
        found = self.asking.post("/api/solids/green-manure", vetch).json()
        self.assertIn("42 g of that from the air", found["said"])
        straw = {"material": "wheat_straw", "area": "3 x 2 m", "depth": "75 mm"}
        found = self.asking.post("/api/solids/mulch", straw).json()
        self.assertIn("5 wheelie bins", found["bring"])
        pots = [{"curled": 3, "up": 3}] * 3
        plain = [{"curled": 0, "up": 3}] * 3
        beans = self.asking.post("/api/solids/bean-test", {"test": pots, "plain": plain}).json()
        self.assertEqual(beans["result"], "suspect")
        self.assertEqual(
            self.asking.post("/api/solids/mulch", straw | {"area": "40 L"}).status_code, 422
        )
