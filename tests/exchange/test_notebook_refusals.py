"""Rows of a notebook that cannot be read: each says which column, and what would do."""

import csv
import io
import json
from urllib.parse import quote

from dace.feeding.models import Dose
from dace.garden.looked import Observation
from dace.garden.models import Harvest
from dace.shelf.models import Jar
from tests.api.base import WeirYardCase, new_id

DOSES = "When,Where,Crop,Feed,Dilution,Litres,Can,Water\n"
HARVESTS = "Date,Bed,Crop,Weight (kg),Pieces\n"
JARS = "Feed,N-P-K,Pack,Left,Price\n"


class Refused(WeirYardCase):
    def look(self, table, **how):
        path = f"/api/notebook-file/look?how={quote(json.dumps(how))}"
        reply = self.asking.send_file(path, table, "text/csv")
        self.assertEqual(reply.status_code, 200, reply.content)
        return reply.json()

    def take(self, table, **how):
        path = f"/api/notebook-file?how={quote(json.dumps(how))}&id={new_id()}&rest=true"
        return self.asking.send_file(path, table, "text/csv")

    def test_feeds(self):
        good = "2026-06-20,Quay tub 2,,Fruiting liquid 4-3-8,1 + 200,4.5,9 L,"
        self.assertEqual(self.look(f"{DOSES}{good}\n")["good"], 1)
        for turn, said, words in (
            ("a feed nobody has", good.replace("Fruiting liquid 4-3-8", "Moon dust"), "Moon dust"),
            ("more than the can", good.replace("4.5,9 L", "11,9 L"), "9 L"),
            ("no volume", good.replace("4.5", "a good splash"), "a good splash"),
            ("two meanings", good.replace("1 + 200", "1:12"), "1 + 12"),
            ("no strength", good.replace("1 + 200", "rather strong"), "rather strong"),
            ("another water", f"{good}the pond", "one of "),
            ("a place nobody has", good.replace("Quay tub 2", "Moon"), "Moon"),
            ("before it was filled", good.replace("2026", "1999"), "1999"),
            ("tomorrow", good.replace("2026-06-20", "2026-07-15"), "15 July 2026"),
        ):
            with self.subTest(turn):
                found = self.look(f"{DOSES}{said}\n")
                self.assertEqual((found["good"], found["broken"]), (0, 1), found["shown"])
                self.assertIn(words, found["why"][0]["text"])
                self.assertEqual(found["why"][0]["row"], 2)

    def test_a_water_is_found_by_part_of_its_name_and_the_usual_where_none_is_said(self):
        rain = "2026-06-20,Quay tub 2,,Fruiting liquid 4-3-8,1 + 200,4.5,9 L,butt\n"
        plain = "2026-06-21,Quay tub 2,,Fruiting liquid 4-3-8,1 + 200,4.5,9 L,\n"
        before = set(Dose.objects.values_list("pk", flat=True))
        self.assertEqual(self.take(DOSES + rain + plain).json()["count"], 2)
        new = Dose.objects.exclude(pk__in=before).order_by("poured_at")
        self.assertEqual([str(one.can.water.name) for one in new], ["rain butt", "hard tap"])
        # the tap's own salts stand in the can beside the feed's
        self.assertGreater(new[1].can.ec_likely, new[0].can.ec_likely + 0.4)

    def test_harvests_take_grams_and_pieces(self):
        rows = "2026-07-10,Quay tub 2,aubergine,1.2,4\n2026-07-11,Quay tub 2,aubergine,,\n"
        rows += "2026-07-12,Quay tub 2,aubergine,heavy,\n2026-07-13,Quay tub 2,marrow,1,\n"
        found = self.look(HARVESTS + rows)
        self.assertEqual((found["kind"], found["good"], found["broken"]), ("harvests", 1, 3))
        self.assertIn("4 of them", found["shown"][0])
        why = {one["row"]: one["text"] for one in found["why"]}
        self.assertEqual(sorted(why), [3, 4, 5])
        self.assertIn("heavy", why[4])
        self.assertEqual(self.take(HARVESTS + rows).json()["count"], 1)
        newest = Harvest.objects.get(picked_on="2026-07-10", planting__crop="aubergine")
        self.assertEqual((newest.grams, newest.pieces), (1200, 4))

    def test_jars_need_a_label_that_can_be(self):
        rows = "Blood and bone,5-5-0,2 kg,1.5 kg,£6.50\nTonic,60-60-60,1 kg,,\n,4-3-8,1 L,,\n"
        rows += "Potion,4-3,1 L,,\nGuano,10-10-2,a sack,,\n"
        found = self.look(JARS + rows)
        self.assertEqual((found["kind"], found["good"]), ("jars", 1), found["why"])
        self.assertEqual(sorted(one["row"] for one in found["why"]), [3, 4, 5, 6])
        self.take(JARS + rows)
        jar = Jar.objects.get(name="Blood and bone")
        self.assertEqual((jar.stock, float(jar.price), jar.form), (1500, 6.5, "solid"))

    def test_notes_keep_what_was_written_and_say_where(self):
        table = "Date,Place,Note\n2026-07-10,Quay tub 2,leaves curl at noon\n"
        self.assertEqual(self.look(table)["kind"], "observations")
        self.assertEqual(self.take(table).json()["count"], 1)
        self.assertTrue(Observation.objects.filter(note="leaves curl at noon").exists())

    def test_what_she_says_of_the_table_is_checked(self):
        table = "Date,Place,Note\n2026-07-10,Quay tub 2,leaves curl\n"
        for how, field in (
            ({"kind": "songs"}, "kind"),
            ({"sheet": "Two"}, "sheet"),
            ({"columns": {"when": 7}}, "columns"),
            ({"columns": {"when": -1}}, "how"),
            ({"dates": "dym"}, "how"),
            ({"places": {"x": "no id"}}, "how"),
        ):
            with self.subTest(how):
                path = f"/api/notebook-file/look?how={quote(json.dumps(how))}"
                self.assert_refused(self.asking.send_file(path, table, "text/csv"), 422, field)
        for said in ("{", "[]", "7"):
            path = f"/api/notebook-file/look?how={quote(said)}"
            self.assert_refused(self.asking.send_file(path, table, "text/csv"), 422, "how")

    def test_anything_in_any_cell_is_a_row_that_is_read_or_one_that_says_why(self):
        odd = ("", " ", "0", "-5", "1e308", "nan", "½", "x" * 500, '"', "=1+1", "\u202e9", "31.2.")
        tables = {
            DOSES: "2026-06-20,Quay tub 2,aubergine,Fruiting liquid 4-3-8,1 + 200,4.5,9 L,butt",
            HARVESTS: "2026-07-10,Quay tub 2,aubergine,1.2,4",
            JARS: "Blood and bone,5-5-0,2 kg,1.5 kg,6.50",
            "Date,Place,EC (mS/cm),Temp\n": "2026-07-10,Quay tub 2,1.8,18",
            "Date,Place,Note\n": "2026-07-10,Quay tub 2,leaves curl",
        }
        for heads, row in tables.items():
            cells = row.split(",")
            rows = [[*cells[:at], one, *cells[at + 1 :]] for at in range(len(cells)) for one in odd]
            out = io.StringIO()
            csv.writer(out).writerows([heads.strip().split(","), cells, *rows])
            found = self.look(out.getvalue(), dates="ymd")
            with self.subTest(found["kind"]):
                self.assertEqual(found["good"] + found["broken"] + found["here"], found["total"])
                self.assertGreaterEqual(found["good"], 1)
                self.assertGreater(found["broken"], len(cells))
                for one in found["why"]:
                    self.assertRegex(one["text"], r"^Read .+; .+\.$")
                taken = self.take(out.getvalue(), dates="ymd")
                self.assertEqual(taken.status_code, 201, taken.content)
                self.assertEqual(taken.json()["count"], found["good"])
        for page in ("path", "notebook?limit=500", "season", "shelf", "round"):
            self.assertEqual(self.asking.get(f"/api/{page}").status_code, 200, page)
