"""Heaps, mixes, green manure and mulch that are kept: from the first layer to the bed's books."""

from dace.demo.keys import key
from dace.feeding.models import Spread
from dace.feeding.rootzones import root_zone
from dace.garden.models import Fill, Garden, GreenStand
from dace.garden.reads import garden_of
from dace.households.clock import now
from dace.households.models import User
from dace.households.scope import Scope
from dace.shelf.models import Heap, Jar
from tests.api.base import WeirYardCase, new_id


def scope_of_yard() -> Scope:
    garden = Garden.objects.get()
    return Scope(garden.household_id, User.objects.get(username="weir-yard").pk, now(), demo=True)


GRASS = {"material": "grass_clippings", "amount": "200 kg", "known": True}
STRAW = {"material": "wheat_straw", "amount": "4 bales", "known": True}
FRESH_COMFREY_K = 0.7  # percent of the fresh leaf
BED = str(key("fill Sluice bed, leek end"))


class HeapCase(WeirYardCase):
    def setUp(self):
        super().setUp()
        self.heap = new_id()

    def begin(self, *inputs, **more):
        body = {"id": self.heap, "name": "Mill heap", "method": "hot_turned"}
        return self.asking.post("/api/heaps", body | {"inputs": list(inputs)} | more)

    def do(self, what, **body):
        return self.asking.post(f"/api/heaps/{self.heap}/{what}", {"id": new_id()} | body)

    def page(self):
        return self.asking.get(f"/api/heaps/{self.heap}").json()

    def undo(self, reply):
        self.asking.post("/api/undo", {"change_id": reply.json()["change_id"]})


class Kept(HeapCase):
    def test_begun_fed_turned_tested_and_emptied_onto_a_bed_whose_books_show_it(self):
        begun = self.begin(GRASS, STRAW, begun_on="2026-06-20")
        self.assertEqual(begun.status_code, 201, begun.content)
        for amount in ("30 kg", "2 buckets", "1 barrow"):
            scraps = {"material": "vegetable_scraps_mixed", "amount": amount}
            self.assertEqual(self.do("add", **scraps).status_code, 201)
        page = self.page()
        self.assertEqual(len(page["heap"]["layers"]), 5)
        self.assertIn("turn", [step["kind"] for step in page["steps"] if step["due"]])
        self.assertEqual(self.do("steps", kind="turn").status_code, 201)
        turned = self.page()["steps"]
        self.assertFalse([step for step in turned if step["kind"] == "turn" and step["due"]])
        before = {one["name"]: one["text"] for one in page["heap"]["shares"]}
        self.assertEqual(self.do("test", ec_1_5=0.8).status_code, 201)
        after = {one["name"]: one["text"] for one in self.page()["heap"]["shares"]}
        self.assertLess(float(after["K"].split()[0]), float(before["K"].split()[0]))
        out = self.do("empty", name="Mill compost", amount="40 kg")
        self.assertEqual(out.status_code, 201, out.content)
        jar = Jar.objects.get(pk=out.json()["id"])
        self.assertEqual((jar.form, jar.holds), ("solid", 40_000))
        scope = scope_of_yard()
        fill = Fill.objects.get(pk=BED)
        bare = root_zone(scope, garden_of(scope), fill.pk)
        spread = {"id": new_id(), "fill_id": BED, "jar_id": str(jar.pk), "amount": "15 kg"}
        told = self.asking.post("/api/spreads/preview", spread).json()
        self.assertIn("15 kg", told["amount"])
        self.assertEqual(self.asking.post("/api/spreads", spread).status_code, 201)
        scope = scope_of_yard()
        fed = root_zone(scope, garden_of(scope), fill.pk)
        new = set(fed.followed.root_zone.slow) - set(bare.followed.root_zone.slow)
        (slow,) = new
        grams_n = sum(slow.at_once[:3] + slow.later[:3]) / 1000
        season = jar.n_percent / 100 * 15_000 * (jar.season_n or 0) / 100
        self.assertAlmostEqual(grams_n, season, delta=0.02 * season)
        shelf = self.asking.get("/api/shelf").json()
        left = next(one for one in shelf["jars"] if one["id"] == str(jar.pk))
        self.assertEqual(left["stock_text"], "25 kg")
        self.assertNotIn(self.heap, [one["id"] for one in shelf["heaps"]])
        too_much = spread | {"id": new_id(), "amount": "26 kg"}
        self.assert_refused(self.asking.post("/api/spreads", too_much), 422, "amount")

    def test_an_emptying_taken_back_leaves_the_heap_standing(self):
        self.begin(GRASS, STRAW)
        out = self.do("empty", name="Too early")
        self.undo(out)
        self.assertIsNone(Heap.objects.get(pk=self.heap).ended_on)
        self.assertEqual(self.page()["jar_id"], None)
        self.assertEqual(self.do("steps", kind="turn").status_code, 201)

    def test_a_repeat_writes_nothing_and_a_heap_that_is_gone_takes_nothing(self):
        self.begin(GRASS)
        self.assertEqual(self.begin(GRASS).json()["id"], self.heap)
        body = {"id": new_id(), "name": "Out"}
        first = self.asking.post(f"/api/heaps/{self.heap}/empty", body)
        again = self.asking.post(f"/api/heaps/{self.heap}/empty", body)
        self.assertEqual(first.json()["id"], again.json()["id"])
        self.assert_refused(self.do("add", **STRAW), 409, "heap_id")
        self.assert_refused(self.do("steps", kind="turn"), 409, "heap_id")

    def test_what_cannot_be_is_a_sentence(self):
        self.assert_refused(self.begin(GRASS, begun_on="2027-01-01"), 422, "begun_on")
        self.assertEqual(self.begin().status_code, 422)
        self.begin(GRASS, method="trench")
        self.assert_refused(self.do("empty", name="No"), 422, "method")
        self.assert_refused(self.do("add", material="gold", amount="1 kg"), 422, "material")
        self.assert_refused(self.do("test"), 422, "ec_1_5")
        self.assert_refused(self.do("steps", kind="uncover"), 409, "kind")
        gone = self.asking.get(f"/api/heaps/{new_id()}")
        self.assert_refused(gone, 404, "heap_id")

    def test_rain_counts_only_while_it_lies_open(self):
        self.begin(GRASS, STRAW, begun_on="2026-03-01")
        bare = self.page()["heap"]["shares"][2]["text"]
        self.assertEqual(self.do("steps", kind="cover").status_code, 201)
        self.assertEqual(self.page()["covered"], True)
        self.assertEqual(self.page()["heap"]["shares"][2]["text"], bare)  # the past is as it was
        other = HeapCase.begin
        self.heap = new_id()
        other(self, GRASS, STRAW, begun_on="2026-03-01", covered=True, name="Dry heap")
        dry = self.page()["heap"]["shares"][2]["text"]
        self.assertGreater(float(dry.split()[0]), float(bare.split()[0]))

    def test_spent_solids_hold_what_the_bottle_does_not(self):
        self.begin(STRAW)
        self.assert_refused(self.do("spent", brew_id=str(key("Comfrey ferment"))), 409, "brew_id")
        out = self.asking.post(
            f"/api/brews/{key('Comfrey ferment')}/strain",
            {"bottle_id": new_id(), "litres": "12 L", "name": "Bottled"},
        )
        self.assertEqual(out.status_code, 201, out.content)
        self.assertEqual(self.do("spent", brew_id=str(key("Comfrey ferment"))).status_code, 201)
        laid = Heap.objects.get(pk=self.heap).inputs[-1]
        self.assertLess(laid["percent"]["K"], 0.8 * FRESH_COMFREY_K)
        self.assertGreater(laid["percent"]["K"], 0)
        again = self.do("spent", brew_id=str(key("Comfrey ferment")))
        self.assert_refused(again, 409, "brew_id")

    def test_a_worm_bin_drains_into_a_bottle_and_a_heap_has_no_tap(self):
        scraps = {"material": "vegetable_scraps_mixed", "amount": "10 kg"}
        self.begin(scraps, method="worm_bin", name="Worms")
        out = self.do("drain", litres="2 L")
        self.assertEqual(out.status_code, 201, out.content)
        jar = Jar.objects.get(pk=out.json()["id"])
        self.assertEqual((jar.form, jar.holds), ("liquid", 2000))
        self.assert_refused(self.do("drain", litres="0 L"), 422, "litres")
        self.heap = new_id()
        self.begin(scraps)
        self.assert_refused(self.do("drain", litres="2 L"), 409, "heap_id")


class Manure(HeapCase):
    def test_a_load_is_hot_raw_and_suspect_each_said_apart_until_beans_are_clean(self):
        dung = {"material": "horse_fresh", "amount": "300 kg"}
        self.begin(dung, method="manure_stack", name="Given manure", begun_on="2026-07-01")
        page = self.page()
        self.assertTrue(page["raw"])
        self.assertIn("Too hot for roots", page["hot"])
        self.assertEqual([s["kind"] for s in page["steps"] if s["due"]], ["beans"])
        shed = self.asking.get("/api/round").json()["shed"]
        mine = next(one for one in shed if one["id"] == self.heap)
        self.assertEqual((mine["of"], mine["kind"]), ("heap", "beans"))
        self.do("steps", kind="beans")
        well, curled = {"curled": 0, "up": 3}, {"curled": 3, "up": 3}
        void = self.do("beans", test=[well] * 3, plain=[curled] + [well] * 2)
        self.assertEqual(void.status_code, 201)
        self.assertIn("read_beans", [s["kind"] for s in self.page()["steps"]])
        self.do("beans", test=[curled, curled, well], plain=[well] * 3)
        self.assertIn("suspect", self.page()["beans"])
        jar = Jar.objects.get(pk=self.do("empty", name="Dung").json()["id"])
        self.assertEqual(set(jar.tokens), {"family:manure", "heap:raw", "heap:suspect", "heap:hot"})
        picked = str(key("fill Sluice bed, chard end"))  # from now on
        spread = {"id": new_id(), "fill_id": picked, "jar_id": str(jar.pk), "amount": "10 kg"}
        said = self.asking.post("/api/spreads/preview", spread).json()["said"]
        keys = {one["key"] for one in said}
        self.assertLessEqual({"raw_manure_harvest_interval", "persistent_herbicide_bioassay"}, keys)

    def test_clean_beans_clear_what_lay_there_and_no_later_load(self):
        dung = {"material": "horse_composted", "amount": "100 kg"}
        self.begin(dung, method="manure_stack")
        well = {"curled": 0, "up": 3}
        self.do("beans", test=[well] * 3, plain=[well] * 3)
        self.assertIn("clean", self.page()["beans"])
        record = Jar.objects.get(pk=self.do("empty", name="Cleared").json()["id"])
        self.assertNotIn("heap:suspect", record.tokens)


class Mixes(WeirYardCase):
    def test_a_mix_is_made_potted_into_and_read_within_its_band(self):
        mix = new_id()
        body = {"name": "Tub mix", "use": "hungry_pots",
                "parts": {"coir_moist": 4, "garden_compost": 3, "perlite": 1}}  # fmt: skip
        self.assertEqual(self.asking.put(f"/api/mixes/{mix}", body).status_code, 200)
        self.assert_refused(self.asking.put(f"/api/mixes/{new_id()}", body), 422, "name")
        place, fill = new_id(), new_id()
        filled = {"id": fill, "size": "40 L", "medium": f"mix:{mix}"}
        added = {"name": "Mill tub", "kind": "tub", "fill": filled}
        reply = self.asking.put(f"/api/places/{place}", added)
        self.assertEqual(reply.status_code, 200, reply.content)
        kept = Fill.objects.get(pk=fill)
        self.assertEqual((kept.soil.key, kept.medium), (mix, "coir"))
        scope = scope_of_yard()
        followed = root_zone(scope, garden_of(scope), kept.pk).followed
        low, high = (float(end) for end in (followed.ec[:, -1].min(), followed.ec[:, -1].max()))
        self.assertTrue(low <= kept.soil.start_ec.typ <= high, (low, high))
        changed = body | {"parts": {"coir_moist": 1}}
        self.assert_refused(self.asking.put(f"/api/mixes/{mix}", changed), 409, "parts")
        shown = self.asking.get("/api/setup").json()
        self.assertIn("Tub mix", [one["name"] for one in shown["mixes"]])
        mine = next(one for one in shown["places"] if one["id"] == place)
        self.assertEqual(mine["fills"][0]["medium"], f"mix:{mix}")
        topped = {"id": new_id(), "medium": f"mix:{mix}", "fresh": 0.33}
        reply = self.asking.post(f"/api/fills/{fill}/refill", topped)
        self.assertEqual(reply.status_code, 201, reply.content)
        soil = Fill.objects.get(pk=topped["id"]).soil
        self.assertIn("topped up", soil.name)
        for wrong, field in (({"fresh": 0}, "fresh"), ({"medium": "mix:1"}, "medium")):
            asked = topped | {"id": new_id()} | wrong
            self.assert_refused(
                self.asking.post(f"/api/fills/{topped['id']}/refill", asked), 422, field
            )


class Green(WeirYardCase):
    def sow(self, **more):
        body = {"id": new_id(), "fill_id": BED, "key": "winter_vetch"}
        return self.asking.post("/api/green", body | more)

    def test_vetch_takes_from_the_bed_as_it_grows_and_gives_back_once_cut(self):
        sown = self.sow(sown_on="2026-05-01")
        self.assertEqual(sown.status_code, 201, sown.content)
        green = sown.json()["id"]
        self.assert_refused(self.sow(), 409, "fill_id")
        season = self.asking.get("/api/season").json()["green"]
        self.assertEqual([one["name"] for one in season], ["Winter vetch"])
        cut = self.asking.post(f"/api/green/{green}/cut", {"stand": "flower", "dug_in": True})
        self.assertEqual(cut.status_code, 200, cut.content)
        line = self.asking.get("/api/season").json()["green"][0]["line"]
        self.assertEqual(line, "cut; plant from 4 August")  # three weeks after 14 July
        scope = scope_of_yard()
        fill = Fill.objects.get(pk=BED)
        root = root_zone(scope, garden_of(scope), fill.pk).followed.root_zone
        area = fill.area_m2 or 0
        grown = root.others[0].mg[0] / 1000
        self.assertAlmostEqual(grown, 0.25 * 14.1 * area, places=1)
        given = root.slow[-1]
        back = (sum(given.at_once[:3]) + sum(given.later[:3])) / 1000
        self.assertAlmostEqual(back, 0.45 * 14.1 * area, places=1)
        again = self.asking.post(f"/api/green/{green}/cut", {"stand": "short"})
        self.assert_refused(again, 409, "green_id")
        self.asking.post("/api/undo", {"change_id": cut.json()["change_id"]})
        self.assertIsNone(GreenStand.objects.get(pk=green).cut_on)

    def test_straw_takes_a_little_nitrogen_and_days_that_cannot_be_are_refused(self):
        laid = {"id": new_id(), "fill_id": BED, "material": "wheat_straw", "depth": "75 mm"}
        self.assertEqual(self.asking.post("/api/mulched", laid).status_code, 201)
        row = Spread.objects.get(pk=laid["id"])
        scope = scope_of_yard()
        root = root_zone(scope, garden_of(scope), row.fill_id).followed.root_zone
        self.assertAlmostEqual(
            root.others[0].mg[0] / 1000, 2.5 * (row.fill.area_m2 or 0), delta=0.3
        )
        self.assert_refused(self.sow(sown_on="2026-09-01"), 422, "sown_on")
        self.assert_refused(self.sow(key="gold"), 422, "key")
