"""Jars that are made of something known, slow bags, and a rate told by the spoon."""

from dace.shelf.models import Jar
from dace.shelf.reads import composition_of, content_of, whole_of
from tests.api.base import WeirYardCase, new_id


class MadeOf(WeirYardCase):
    def labelled(self, **more):
        jar_id = new_id()
        body = {"name": "A bag", "form": "solid", "grade": "0-0-0", "pack": "1 kg"} | more
        reply = self.asking.put(f"/api/jars/{jar_id}", body)
        self.assertEqual(reply.status_code, 200, reply.content)
        return Jar.objects.get(pk=jar_id)

    def test_epsom_salt_with_a_blank_label_has_its_magnesium_and_conducts(self):
        """MgSO4.7H2O is 9.86 % magnesium by weight."""
        jar = self.labelled(material="magnesium_sulfate_heptahydrate")
        self.assertAlmostEqual(whole_of(jar).element("Mg"), 98.6, delta=1.5)
        wanted = self.wanted(jar_id=str(jar.pk), strength="2 g/L")
        can = self.asking.post("/api/bench/preview", wanted).json()
        self.assertGreater(can["ec"]["value"] - can["water_ec"], 0.8)
        self.assertEqual(content_of(jar).at_once, content_of(jar).total)

    def test_ash_keeps_its_calcium_in_the_books_and_leaves_it_out_of_the_can(self):
        jar = self.labelled(material="wood_ash_hardwood", grade="0-0.5-4")
        self.assertAlmostEqual(whole_of(jar).element("Ca"), 250, delta=1)
        self.assertLess(composition_of(jar).element("Ca"), 2)
        self.assertAlmostEqual(whole_of(jar).element("K"), 33.2, delta=0.1)

    def test_a_bought_bag_of_castings_comes_out_as_castings_do(self):
        """The table's castings hold 9 % of their nitrogen as mineral."""
        for more in ({}, {"slow": True}, {"dissolves": False}):
            with self.subTest(more):
                jar = self.labelled(grade="1-0-0", material="worm_castings", **more)
                content = content_of(jar)
                self.assertAlmostEqual(content.at_once[0], 0.9, delta=0.05)
                self.assertLess(content.total[0], 3)

    def test_organic_nitrogen_is_never_there_at_once(self):
        organic = self.labelled(grade="5-0-0", nitrogen={"organic": 5.0})
        self.assertEqual(content_of(organic).at_once[0], 0)
        slow = self.labelled(grade="10-0-0", slow=True)
        self.assertLess(content_of(slow).at_once[0], 20)
        plain = self.labelled(grade="10-0-0")
        self.assertEqual(content_of(plain).at_once[0], 100)

    def test_a_rate_by_the_spoon_is_worked_out_anew_when_the_spoon_is_weighed(self):
        """A metric tablespoon is three teaspoons of 5 mL: 15 mL, in 3.785 L."""
        body = {"name": "Blue", "form": "solid", "grade": "24-8-16", "pack": "700 g"}
        body |= {"rate": "1 US tbsp per US gallon"}
        jar_id = new_id()
        self.asking.put(f"/api/jars/{jar_id}", body)
        before = Jar.objects.get(pk=jar_id).rate_per_l
        row = self.shown_in_setup(jar_id)
        self.assertEqual(row["rate_text"], body["rate"])
        self.asking.put(f"/api/jars/{jar_id}", body | {"rate": row["rate_text"], "spoon_g": 7.0})
        after = Jar.objects.get(pk=jar_id).rate_per_l
        self.assertNotAlmostEqual(after, before, places=2)
        self.assertAlmostEqual(after, 14.787 * 7.0 / 5 / 3.7854, places=2)

    def shown_in_setup(self, jar_id):
        jars = self.asking.get("/api/setup").json()["jars"]
        return next(jar for jar in jars if jar["id"] == jar_id)

    def test_what_stands_in_the_forms_sent_back_changes_nothing(self):
        """A garden that says gallons and ounces sees rounded numbers; the rows stay as they are."""
        garden = self.asking.get("/api/setup").json()["garden"]
        self.asking.put("/api/garden", garden | {"measures": "us"})
        setup = self.asking.get("/api/setup").json()
        jar, vessel = setup["jars"][0], setup["vessels"][0]
        size = setup["places"][1]["fills"][0]
        sent = {k: jar[k] for k in ("name", "grade", "form", "nitrogen", "also", "material")}
        sent |= {"pack": {"text": jar["pack_text"], "shown": jar["pack_text"]}}
        self.asking.put(f"/api/jars/{jar['id']}", sent)
        self.assertEqual(Jar.objects.get(pk=jar["id"]).holds, jar["holds"])
        self.asking.put(f"/api/vessels/{vessel['id']}", {
            "name": vessel["name"], "volume": vessel["volume_text"], "usual": True})  # fmt: skip
        self.asking.put(f"/api/places/{setup['places'][1]['id']}/fills", {
            "id": size["id"], "size": size["size"], "medium": size["medium"],
            "alike": size["alike"], "name": size["name"]})  # fmt: skip
        again = self.asking.get("/api/setup").json()
        self.assertEqual(again["vessels"][0]["volume_l"], vessel["volume_l"])
        self.assertEqual(again["places"][1]["fills"][0], size)
