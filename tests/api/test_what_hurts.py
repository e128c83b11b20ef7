"""What hurt somebody once: litres for pints, another pot's reading, days that nobody saw."""

from dace.demo.keys import key
from dace.feeding.models import Dose
from dace.measuring.models import Pen
from tests.api.base import Asking, WeirYardCase, new_id

FED = "Step, fed pots"
OWNER = {"name": "Rook", "password": "nine rusty trowels", "garden": "Back step"}


class Yard(WeirYardCase):
    def spots(self):
        stops = self.asking.get("/api/path").json()["stops"]
        return {spot["name"]: spot for stop in stops for spot in stop["spots"]}

    def in_gallons(self):
        garden = self.asking.get("/api/setup").json()["garden"]
        self.asking.put("/api/garden", garden | {"measures": "us", "degrees": "F"})

    def first_row(self):
        can = self.asking.get("/api/round").json()["cans"][0]
        return can, can["rows"][0]

    def test_two_pints_are_two_pints(self):
        """A US pint is 473.2 mL."""
        self.in_gallons()
        can, row = self.first_row()
        body = {"id": new_id(), "fill_id": row["fill_id"], "slot": row["slot"], "how": "own"}
        body |= {"can_id": can["id"], "litres": {"text": "0.5", "shown": "2 pt"}}
        self.assertEqual(self.asking.post("/api/round/ticks", body).status_code, 201)
        dose = Dose.objects.order_by("-created_at").first()
        self.assertAlmostEqual(dose.litres_each, 0.2366, places=4)

    def test_an_amount_is_read_while_it_is_typed_and_refused_in_a_sentence(self):
        self.in_gallons()

        def read(text, shown="2 pt", plants=4):
            body = {"litres": {"text": text, "shown": shown}, "plants": plants}
            return self.asking.post("/api/round/amount", body)

        for text, litres in (("2", 0.9464), ("500 ml", 0.5), ("12 fl oz", 0.3549)):
            with self.subTest(text):
                self.assertAlmostEqual(read(text).json()["litres_each"], litres, places=4)
        self.assertEqual(read("2").json()["words"], "1 gal in all")
        self.assert_refused(read("a lot"), 422, "litres_each")
        self.assert_refused(read("2", shown=""), 422, "litres_each")

    def test_a_reading_is_shown_for_what_it_was_taken_from_alone(self):
        spots = self.spots()
        self.assertRegex(spots["Cold frame, cucumber"]["read_text"], r"^read \d")
        self.assertEqual(spots["Cold frame, melon"]["read_text"], "")
        stops = self.asking.get("/api/path").json()["stops"]
        frame = next(stop for stop in stops if stop["name"] == "Cold frame")
        self.assertRegex(frame["read_text"], r"^cucumber read \d")

    def test_the_fed_pots_of_a_trial_get_its_feed_and_nothing_else(self):
        fed = next(spot for name, spot in self.spots().items() if name == FED)
        offers = fed["verdict"]["offers"]
        self.assertEqual({offer["jar_id"] for offer in offers}, {self.jar})

    def test_the_unfed_stand_in_the_same_block_with_their_litres(self):
        cans = self.asking.get("/api/round").json()["cans"]
        can = next(one for one in cans if one["plain"])
        (plain,) = can["plain"]
        fed = next(row for row in can["rows"] if row["name"] == FED)
        self.assertAlmostEqual(plain["litres"], 3 * fed["litres_each"], places=3)
        self.assertFalse(plain["done"])
        water = {"id": new_id(), "fill_id": plain["fill_id"], "water_id": plain["water_id"]}
        self.asking.post("/api/waterings", water | {"litres": f"{plain['litres']} L"})
        again = self.asking.get("/api/round").json()
        (ticked,) = next(one for one in again["cans"] if one["plain"])["plain"]
        self.assertTrue(ticked["done"] and ticked["change_id"])
        self.assertEqual([t for t in again["trials"] if t["kind"] == "water"], [])

    def test_a_pen_that_nobody_calibrated_says_so(self):
        pen = new_id()
        self.asking.put(f"/api/pens/{pen}", {"name": "new one"})
        self.assertIsNone(Pen.objects.get(pk=pen).calibrated_at)
        pens = {one["id"]: one for one in self.asking.get("/api/setup").json()["pens"]}
        self.assertTrue(pens[pen]["trust"].startswith("never calibrated"))
        self.asking.post(f"/api/pens/{pen}/calibrate")
        pens = {one["id"]: one for one in self.asking.get("/api/setup").json()["pens"]}
        self.assertTrue(pens[pen]["trust"].startswith("calibrated today"))

    def test_a_claim_at_a_brew_meets_the_acid_too(self):
        """5 % acetic acid frees at most 16.7 g of calcium in a litre."""
        brew = str(key("Eggshell in vinegar"))
        claim = {"claim": "25 g/L of calcium", "brew_id": brew}
        self.assertEqual(self.asking.post("/api/claims", claim).json()["verdict"], "impossible")
        claim["claim"] = "8 g/L of calcium"
        self.assertEqual(self.asking.post("/api/claims", claim).json()["verdict"], "possible")

    def test_a_bottle_says_how_thin_place_by_place_and_where_never(self):
        jars = self.asking.get("/api/bench").json()["jars"]
        pages = [self.asking.get(f"/api/jars/{jar['id']}/page").json() for jar in jars]
        comfrey = next(page for page in pages if page["bottle"] and "omfrey" in page["name"])
        self.assertEqual(comfrey["usual"][:2], ["1 + 10 in the ground", "1 + 20 in pots"])
        self.assertIn("seedlings", comfrey["not_for"])


class UsualWeather(WeirYardCase):
    def setUp(self):
        super().setUp()
        self.own = Asking()
        self.own.post("/api/sign-up", OWNER)
        place, self.water = new_id(), new_id()
        fill = {"id": new_id(), "size": "10 L", "medium": "peat_free_mix"}
        self.own.put(f"/api/places/{place}", {"name": "Pot", "kind": "pot", "fill": fill})
        self.stand = new_id()
        planting = {"id": new_id(), "crop": "chilli", "started_on": "2026-05-20", "count": 1}
        planting |= {"stand_id": self.stand, "fill_id": fill["id"], "stage": "flowering"}
        reply = self.own.post("/api/plantings", planting)
        self.assertEqual(reply.status_code, 201, reply.content)

    def test_no_hours_and_no_wet_days_come_from_a_climates_mean(self):
        hours = self.own.get(f"/api/bench/hours?stand_id={self.stand}").json()
        self.assertTrue(all(route["hours"] == [] for route in hours["routes"]))
        self.assertIn("No forecast", hours["routes"][0]["text"])
        body = {"stand_id": self.stand, "sign": "old_even_pale"}
        read = self.own.post("/api/signs/read", body)
        names = {fact["name"] for fact in read.json()["facts"]}
        self.assertFalse(names & {"wet_days_14d", "rain_mm_week", "night_min_c", "day_max_c"})
