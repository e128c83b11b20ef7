"""What newcomers met: told in their measures, asked where it is not clear, never in our keys."""

import calendar
import re
from datetime import UTC, datetime, timedelta
from unittest import mock

from dace.core.api import shown
from dace.households import clock
from dace.shelf.models import Jar
from dace.shelf.reads import composition_of
from tests.api.base import Asking, WeirYardCase, new_id
from tests.core import counts

SAID = ("text", "words", "summary", "headline", "line", "title", "why", "name", "question", "stage")
RAW = re.compile(r"\b[a-z]+_[a-z_]+\b|\d{4}-\d{2}-\d{2}T|\bppm[57]00\b|uS/cm|\.\.")


def sentences(answer, name=""):
    """Every text of an answer that is meant to be read."""
    if isinstance(answer, dict):
        for key, value in answer.items():
            yield from sentences(value, key)
    elif isinstance(answer, list):
        for value in answer:
            yield from sentences(value, name)
    elif isinstance(answer, str) and (name in SAID or name.endswith(("_text", "_words"))):
        yield answer


class OwnGarden(WeirYardCase):
    measures, degrees, zone = "metric", "C", "Europe/London"

    def setUp(self):
        super().setUp()
        self.own = Asking()
        who = {"name": "Rook", "password": "nine rusty trowels", "garden": "Back step"}
        self.own.post("/api/sign-up", who)
        garden = {"name": "Back step", "zone": self.zone, "latitude": 52}
        garden |= {"measures": self.measures, "degrees": self.degrees}
        self.assertEqual(self.own.put("/api/garden", garden).status_code, 200)
        self.place, self.fill = new_id(), new_id()
        pot = {"id": self.fill, "size": "40 L", "medium": "peat_free_mix"}
        tub = {"name": "Door tub", "kind": "tub", "fill": pot}
        self.assertEqual(self.own.put(f"/api/places/{self.place}", tub).status_code, 200)

    def plant(self, **more):
        body = {"id": new_id(), "stand_id": new_id(), "fill_id": self.fill, "crop": "courgette"}
        body |= {"count": 2, "started_on": "2026-06-01", "stage": "vegetative"} | more
        return self.own.post("/api/plantings", body), body

    def labelled(self, **more):
        jar = new_id()
        body = {"name": "Feed", "grade": "5-1-1", "pack": "1 kg", "form": "solid"} | more
        return self.own.put(f"/api/jars/{jar}", body), Jar.objects.filter(pk=jar).first()


class Setting(OwnGarden):
    def test_plain_water_before_any_water_was_set_up(self):
        asked = {"id": new_id(), "fill_id": self.fill, "litres": "5 L"}
        self.assert_refused(self.own.post("/api/waterings", asked), 422, "water_id")
        reply = self.own.post("/api/waterings", asked | {"water_kind": "rain"})
        self.assertEqual(reply.status_code, 201, reply.content)
        waters = self.own.get("/api/setup").json()["waters"]
        self.assertEqual([water["name"] for water in waters], ["rain water"])
        self.own.post("/api/undo", {"change_id": reply.json()["change_id"]})
        self.assertEqual(self.own.get("/api/setup").json()["waters"], [])

    def test_whose_gallon_is_asked_and_one_that_is_named_is_taken(self):
        vessel = f"/api/vessels/{new_id()}"
        can = {"name": "can", "volume": "2 gallon"}
        error = self.assert_refused(self.own.put(vessel, can), 422, "volume")
        self.assertIn("9.09 L (imperial)", error["read"])
        self.assertEqual(self.own.put(vessel, can | {"volume": "2 UK gallons"}).status_code, 200)
        (kept,) = self.own.get("/api/setup").json()["vessels"]
        self.assertAlmostEqual(kept["volume_l"], 9.09218, places=4)

    def test_a_sowing_long_ago_is_asked_about_and_one_to_come_refused(self):
        reply, _ = self.plant(started_on="1800-05-01")
        error = self.assert_refused(reply, 422, "started_on")
        self.assertEqual(error["would_do"], "is the year right?")
        self.assertIn("1 May 1800", error["read"])
        self.assert_refused(self.plant(started_on="2027-05-01")[0], 422, "started_on")

    def test_what_is_in_no_list_keeps_its_own_name(self):
        self.assertEqual(self.plant(called="Patty pan")[0].status_code, 201)
        (stand,) = self.own.get("/api/path").json()["stops"][0]["stands"]
        self.assertEqual((stand["crop"], stand["counted"]), ("Patty pan", "2 patty pans"))
        self.assertIn("zucchini", stand["also"])

    def test_an_ended_planting_is_not_put_right(self):
        _, body = self.plant()
        self.own.post(f"/api/plantings/{body['id']}/end")
        slip = {"crop": "melon", "started_on": "2026-06-02"}
        self.assert_refused(self.own.put(f"/api/plantings/{body['id']}", slip), 409, "planting_id")

    def test_a_dry_jar_of_nothing_in_particular(self):
        reply, row = self.labelled(material="")
        self.assertEqual((reply.status_code, row.nitrogen), (200, None))

    def test_what_a_feed_is_made_of_tells_its_nitrogen(self):
        _, fish = self.labelled(form="liquid", pack="1 L", material="fish_emulsion_cooked")
        held = dict(composition_of(fish).mg)
        forms = {key: held[f"{key}_N"] for key in ("organic", "NH4", "NO3", "urea")}
        self.assertGreater(forms["organic"], 0.7 * sum(forms.values()))
        self.assertAlmostEqual(sum(forms.values()), 50 * 1.15, delta=1)  # mg in a mL of 5 %

    def test_muriate_brings_its_chloride_and_a_powders_rate_may_be_a_spoon(self):
        _, potash = self.labelled(grade="0-0-60", muriate=True, rate="5 ml/L", spoon_g=5.5)
        self.assertAlmostEqual(potash.also["Cl"], 45.2, delta=0.1)
        self.assertAlmostEqual(potash.rate_per_l, 5.5)

    def test_what_was_picked_by_weight_as_one_says_it(self):
        _, planted = self.plant(stage="harvest", started_on="2026-04-20")
        picked = {"id": new_id(), "planting_id": planted["id"], "weight": "1 lb 2 oz"}
        self.assertEqual(self.own.post("/api/harvests", picked).status_code, 201)
        book = self.own.get("/api/notebook").json()["others"]
        self.assertIn("510 g", next(one["text"] for one in book if one["kind"] == "harvest"))
        self.assert_refused(
            self.own.post("/api/harvests", picked | {"id": new_id(), "weight": "3 L"}),
            422,
            "weight",
        )

    def test_the_country_offers_the_climates_that_it_has(self):
        choices = self.own.get("/api/choices").json()
        self.assertEqual(len(choices["climates"]), 21)
        places = {one["name"]: one["climates"] for one in choices["countries"]}
        like = {one["key"]: one["like"] for one in choices["climates"]}
        self.assertIn("Ohio", like[places["United States"][0]])
        self.assertTrue(all(key in like for keys in places.values() for key in keys))
        self.assertEqual(places["New Zealand"][0], "southern_maritime")

    def test_what_is_of_the_wrong_kind_is_said_in_words(self):
        for field, wrong, words in (
            ("count", "many", "a whole number such as 3 would do"),
            ("started_on", "soon", "a day such as 2026-07-14 would do"),
            ("fill_id", "here", "choose one from the list"),
        ):
            error = self.assert_refused(self.plant(**{field: wrong})[0], 422, field)
            self.assertEqual(error["would_do"], words)


class StandsAlready(OwnGarden):
    def brew(self, days, method="cold_steep"):
        water = new_id()
        self.own.put(f"/api/waters/{water}", {"name": "butt", "kind": "rain"})
        began = clock.now() - timedelta(days=days)
        parts = [{"material": "nettle_fresh", "amount": "1 kg", "particle": "chopped_coarse"}]
        body = {"id": new_id(), "name": "Nettles", "method": method, "ingredients": parts}
        body |= {"liquid": "10 L", "water_id": water, "started_at": began.isoformat()}
        reply = self.own.post("/api/brews", body)
        self.assertEqual(reply.status_code, 201, reply.content)
        return self.own.get(f"/api/brews/{body['id']}").json()

    def test_a_brew_is_begun_on_its_own_first_day_and_both_pages_say_one(self):
        brew = self.brew(3.97)
        (on_shelf,) = self.own.get("/api/shelf").json()["brews"]
        self.assertEqual((int(brew["day"]), on_shelf["day"]), (3, 3))
        self.assertIn("leafy growth", " ".join(brew["figures"]["good_for"]))

    def test_one_of_150_days_goes_on_the_heap(self):
        brew = self.brew(110)
        self.assertEqual([step["kind"] for step in brew["steps"]], ["throw"])
        self.assertIn("spoilt", brew["steps"][0]["words"])


class InUsMeasures(OwnGarden):
    measures, degrees, zone = "us", "F", "America/New_York"

    def test_every_sentence_is_in_her_measures(self):
        self.plant()
        path = self.own.get("/api/path").json()
        self.assertEqual([one["unit"] for one in path["volumes"]], ["gal", "pt", "fl oz"])
        for page in ("path", "season", "shelf", "setup", "roots", "weather", "notebook", "bench"):
            for said in sentences(self.own.get(f"/api/{page}").json()):
                self.assertNotRegex(said, r"\d ?L\b|[Ll]itre|°C|\d m²", page)


class OursAlone(WeirYardCase):
    def test_no_page_shows_a_raw_key_or_an_iso_time(self):
        plantings = {
            stand["planting_id"]
            for stop in self.asking.get("/api/path").json()["stops"]
            for stand in stop["stands"]
        }
        pages = ["path", "season", "shelf", "setup", "roots", "weather", "notebook?limit=500"]
        pages += ["readables", "dry-feeds", *(f"plantings/{one}/page" for one in plantings)]
        for page in pages:
            for said in sentences(self.asking.get(f"/api/{page}").json()):
                self.assertNotRegex(said, RAW, page)


class FewWords(WeirYardCase):
    def test_a_sentence_has_fifteen_words_at_most_in_july_and_in_december(self):
        """What lists amounts is a recipe: as long as the names on the jars."""
        pages = ("path", "round", "season", "shelf", "roots", "solids", "learned", "dry-feeds")
        recipe = re.compile(r"^(?:Feed )?[\d.½¼¾ ]+ ?(?:m?L|tablespoon|teaspoon)|^\D*\d+ L to ")
        for month, day in ((7, 14), (12, 15)) if counts.WHOLE else ((7, 14),):
            evening = datetime(2026, month, day, 17, 40, tzinfo=UTC)
            with mock.patch("dace.households.clock.now", return_value=evening):
                for page in pages:
                    for text in sentences(self.asking.get(f"/api/{page}").json()):
                        for said in re.split(r"(?<=[.?!:;])\s+", text):
                            words = [one for one in said.split() if re.search(r"\w", one)]
                            if not recipe.search(said):
                                self.assertLessEqual(len(words), 15, f"{page}: {said}")


class MonthFirst(WeirYardCase):
    def test_an_american_garden_has_the_month_first_on_every_page(self):
        pages = ("path", "round", "round/ahead", "season", "shelf", "year/next", "roots", "plan")
        months = f"(?:{'|'.join(calendar.month_name[1:])})"

        def said():
            found = [self.asking.get(f"/api/{page}").json() for page in pages]
            return " | ".join(text for page in found for text in sentences(page))

        self.assertRegex(said(), rf"\d {months}")
        garden = {"name": "Yard", "zone": "America/Chicago", "latitude": 41}
        garden |= {"measures": "us", "degrees": "F"}
        self.assertEqual(self.asking.put("/api/garden", garden).status_code, 200)
        self.assertRegex(said(), rf"{months} \d")
        self.assertNotRegex(said(), rf"\d {months}")


class MeasuresEnd(WeirYardCase):
    def test_one_households_measures_end_with_its_request(self):
        garden = {"name": "Yard", "zone": "Europe/London", "latitude": 51}
        garden |= {"measures": "us", "degrees": "F"}
        self.assertEqual(self.asking.put("/api/garden", garden).status_code, 200)
        self.asking.get("/api/path")
        self.assertEqual(shown.degrees(20.0), "20 °C")
