"""A notebook of years as a spreadsheet: looked over, taken in once, all or nothing."""

import io
import json
from datetime import date, datetime
from urllib.parse import quote

from openpyxl import Workbook

from dace.demo.keys import key
from dace.feeding.models import Dose
from dace.garden.models import Fill, Harvest
from dace.households.models import Change
from dace.measuring.models import Reading
from dace.shelf.models import Jar
from tests.api.base import Asking, WeirYardCase, new_id
from tests.core import counts

READINGS = """Garden book of the yard
Date;Tub;EC (µS/cm);Temp °C;Remarks
12.06.2026;Quay tub 2;1850;18,5;after rain
13.06.2026 07:30;quay TUB 1;2,10;;typed in the wrong unit
14.06.2026;Potting shed;900;;
31.06.2026;Quay tub 2;900;;
15.06.2026;Quay tub 3;;;forgot the pen
"""
LONG = counts.of(50_000, 5_000)
DOSES = """When,Where,Crop,Feed,Dilution,Litres,Can
2026-06-20,Quay tub 2,,Fruiting liquid 4-3-8,1 + 200,4.5,9 L
2026-06-27,Quay tub 2,aubergine,fruiting,5 ml/L,4 L,
2026-06-27,Sluice bed,leek,Balanced crystals 16-8-24+Mg,1 g/L,6,9 L
2020-06-27,Quay tub 2,,Fruiting liquid 4-3-8,1 + 200,4.5,9 L
"""


class NotebookFiles(WeirYardCase):
    def look(self, data, **how):
        reply = self.send("/api/notebook-file/look", data, how)
        self.assertEqual(reply.status_code, 200, reply.content)
        return reply.json()

    def send(self, path, data, how, more=""):
        return self.asking.send_file(f"{path}?how={quote(json.dumps(how))}{more}", data, "text/csv")

    def take(self, data, rest=False, **how):
        return self.send("/api/notebook-file", data, how, f"&id={new_id()}&rest={rest}")

    def test_columns_units_and_dates_are_found_and_shown(self):
        found = self.look(READINGS)
        self.assertEqual(found["kind"], "readings")
        keys = {one["head"]: (one["key"], one["unit"]) for one in found["columns"]}
        self.assertEqual(keys["Date"], ("when", ""))
        self.assertEqual(keys["Tub"], ("where", ""))
        self.assertEqual(keys["EC (µS/cm)"], ("value", "uS/cm"))
        self.assertEqual(keys["Temp °C"], ("temperature", "°C"))
        self.assertEqual((found["dates"], found["doubtful"], found["missing"]), ("dmy", "", ""))
        self.assertIn("12 June 2026: Quay tub 2", found["shown"][0])
        self.assertIn("1.85 mS/cm", found["shown"][0])

    def test_row_by_row_what_it_could_not_and_why(self):
        found = self.look(READINGS)
        self.assertEqual((found["total"], found["good"], found["broken"]), (5, 2, 3))
        why = {one["row"]: one["text"] for one in found["why"]}
        self.assertIn("Potting shed", why[5])
        self.assertIn("31.06.2026", why[6])
        self.assertIn("a number", why[7])
        (unknown,) = found["unknown"]
        self.assertEqual((unknown["name"], unknown["rows"]), ("Potting shed", 1))
        self.assertIsNone(unknown["guess"])
        self.assertIn("Quay tub 3", [one["name"] for one in found["places"]])

    def test_nothing_or_the_rest_in_one_go_that_undo_takes_back(self):
        before, changes = Reading.objects.count(), Change.objects.count()
        error = self.assert_refused(self.take(READINGS), 422, "rows")
        self.assertIn("row 5", error["read"])
        self.assertEqual((Reading.objects.count(), Change.objects.count()), (before, changes))
        taken = self.take(READINGS, rest=True).json()
        self.assertEqual((taken["count"], taken["left_out"]), (2, 3))
        self.assertEqual(Reading.objects.count(), before + 2)
        row = Reading.objects.get(taken_at__date=date(2026, 6, 12))
        self.assertEqual((row.value, row.scale, row.temperature_c), (1850.0, "uS/cm", 18.5))
        self.assertAlmostEqual(row.ec_likely, 1.85)
        self.assertEqual(row.subject.fill, fill_of("Quay tub 2"))
        self.asking.post("/api/undo", {"change_id": taken["change_id"]})
        self.assertEqual(Reading.objects.filter(undone_at=None).count(), before)

    def test_the_same_file_again_adds_nothing_twice(self):
        self.take(READINGS, rest=True)
        before = Reading.objects.count()
        again = self.take(READINGS, rest=True).json()
        self.assertEqual((again["count"], again["here"], again["change_id"]), (0, 2, None))
        longer = READINGS + "16.06.2026;Quay tub 2;1700;;\n16.06.2026;Quay tub 2;1700;;\n"
        more = self.take(longer, rest=True).json()
        self.assertEqual((more["count"], more["here"]), (2, 2))
        self.assertEqual(Reading.objects.count(), before + 2)
        undone = self.asking.post("/api/undo", {"change_id": more["change_id"]})
        self.assertEqual(undone.status_code, 200)
        self.assertEqual(self.take(longer, rest=True).json()["count"], 2)
        self.assertEqual(self.take(longer, rest=True).json()["count"], 0)

    def test_a_name_that_leads_nowhere_can_be_said_to_be_a_place(self):
        places = {"Potting shed": str(key("Wall bed"))}
        fill = next(one for one in self.look(READINGS)["places"] if one["name"] == "Wall bed")
        found = self.look(READINGS, places={"Potting shed": fill["id"]})
        self.assertEqual((found["good"], found["unknown"]), (3, []))
        self.assertNotEqual(places["Potting shed"], fill["id"])

    def test_feeds_of_before_are_worked_out_and_draw_nothing_from_the_jar(self):
        jar = key("Fruiting liquid 4-3-8")
        self.asking.post(f"/api/jars/{jar}/stock", {"stock": "700 ml"})  # looked at today
        found = self.look(DOSES)
        self.assertEqual((found["kind"], found["good"]), ("doses", 3), found["why"])
        self.assertIn("2020", found["why"][0]["text"])
        taken = self.take(DOSES, rest=True).json()
        self.assertEqual(taken["count"], 3)
        dose = Dose.objects.get(poured_at__date=date(2026, 6, 20), fill=fill_of("Quay tub 2"))
        self.assertAlmostEqual(dose.litres, 4.5)
        # 1 + 200 of 4-3-8: 5 mL and a label by mass at the jar's density, one part in 201
        jar = Jar.objects.get(pk=jar)
        grams_per_l = 1000 / 201 * (jar.density_g_per_ml or 1.0)
        water_n = 0.0
        self.assertAlmostEqual(dose.can.mg_l["N"], grams_per_l * 1000 * 0.04 + water_n, delta=25)
        self.assertEqual(self.stock(), 700)
        notebook = self.asking.get("/api/notebook?limit=100").json()["doses"]
        self.assertIn(str(dose.pk), [one["id"] for one in notebook])

    def stock(self):
        jars = self.asking.get("/api/setup").json()["jars"]
        return next(one["stock"] for one in jars if one["name"].startswith("Fruiting"))

    def test_a_spreadsheet_with_sheets_and_real_dates(self):
        book = Workbook()
        book.active.title = "Notes"
        book.active.append(["Date", "Place", "Notes"])
        book.active.append([datetime(2026, 7, 1, 8, 30), "Gutter", "first runners"])
        picked = book.create_sheet("Picked")
        picked.append(["Picked on", "Where", "Crop", "Weight (kg)", "Number"])
        picked.append([date(2026, 7, 10), "Quay tub 3", "chilli", 0.25, 12])
        out = io.BytesIO()
        book.save(out)
        found = self.look(out.getvalue())
        self.assertEqual((found["sheets"], found["kind"]), (["Notes", "Picked"], "observations"))
        picked = self.look(out.getvalue(), sheet="Picked")
        self.assertEqual((picked["kind"], picked["good"]), ("harvests", 1), picked["why"])
        self.assertEqual(self.take(out.getvalue(), sheet="Picked").json()["count"], 1)
        row = Harvest.objects.get(picked_on=date(2026, 7, 10))
        self.assertEqual((row.grams, row.pieces), (250.0, 12))

    def test_jars_come_with_their_labels(self):
        jars = "Name,NPK,Pack,Price\nTomato pot feed,5-4-9,1 L,£6.50\nDust,70-70-9,1 kg,\n"
        found = self.look(jars)
        self.assertEqual((found["kind"], found["good"], found["broken"]), ("jars", 1, 1))
        self.assertEqual(self.take(jars, rest=True).json()["count"], 1)
        row = Jar.objects.get(name="Tomato pot feed")
        self.assertEqual((row.n_percent, row.k_percent, row.holds, row.price), (5, 9, 1000, 6.5))
        self.assertIn("Tomato pot feed", self.asking.get("/api/shelf").content.decode())

    def test_dates_that_may_be_either_are_asked_about(self):
        table = "Date,Place,Notes\n3/4/2026,Gutter,one\n"
        found = self.look(table)
        self.assertIn("3/4/2026", found["doubtful"])
        self.assert_refused(self.take(table), 422, "dates")
        self.assertIn(
            "3 April",
            self.look("Date,Place,EC mS/cm\n3/4/2026,Gutter,1\n", dates="dmy")["shown"][0],
        )
        self.assertIn(
            "4 March",
            self.look("Date,Place,EC mS/cm\n3/4/2026,Gutter,1\n", dates="mdy")["shown"][0],
        )

    def test_a_broken_row_near_the_end_of_a_long_table_leaves_nothing(self):
        rows = [f"2026-06-{1 + n % 28:02},Quay tub 2,{1 + n % 900 / 1000:.3f}" for n in range(LONG)]
        rows[LONG - 3] = "2026-06-12,Quay tub 2,much"
        before = Reading.objects.count()
        table = "\n".join(["Date,Place,EC mS/cm", *rows])
        error = self.assert_refused(self.take(table), 422, "rows")
        self.assertIn(f"row {LONG - 1}", error["read"])
        self.assertEqual(Reading.objects.count(), before)

    def test_what_is_no_table_and_what_is_said_wrongly(self):
        for data, how, field in (
            (b"", {}, "file"),
            (b"PK\x03\x04 broken", {}, "file"),
            (b"\x89PNG\r\n\x1a\n\x00\x00", {}, "file"),
            (READINGS, {"kind": "songs"}, "kind"),
            (READINGS, {"sheet": "none"}, "sheet"),
            (READINGS, {"columns": {"value": 40}}, "columns"),
            (READINGS, {"units": {"value": "spoons"}}, "units"),
            (READINGS, {"columns": "all"}, "how"),
        ):
            with self.subTest(how=how, data=data[:9]):
                self.assert_refused(self.send("/api/notebook-file/look", data, how), 422, field)
        missing = self.look(READINGS, columns={"when": 0})
        self.assertIn("place or pot", missing["missing"])
        self.assert_refused(self.take(READINGS, columns={"when": 0}), 422, "columns")

    def test_it_is_the_households_own(self):
        stranger = Asking()
        who = {"name": "Rook", "password": "nine rusty trowels", "garden": "Back step"}
        stranger.post("/api/sign-up", who)
        how = quote(json.dumps({"places": {"Quay tub 2": str(fill_of("Quay tub 2").pk)}}))
        reply = stranger.send_file(f"/api/notebook-file/look?how={how}", READINGS, "text/csv")
        self.assertEqual((reply.json()["good"], reply.json()["places"]), (0, []))


def fill_of(name):
    return Fill.objects.get(
        place__name=name, household_id=key("household"), name="", renewed_on=None
    )
