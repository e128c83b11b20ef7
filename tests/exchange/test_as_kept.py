"""Notebooks as people keep them: loose names, cans, ratios, sums in between, crops long over."""

import json
from datetime import date
from urllib.parse import quote

from dace.feeding.models import Dose
from dace.garden.models import Planting
from dace.measuring.models import Reading
from tests.api.base import WeirYardCase, new_id

POURED = """Feeds of the yard
Date,Place,Crop,Feed,Strength,Amount,Can
May,,,,,,
25 May 26,Tub2,,Fruiting liqud,1:200,half can,9 L
2 June 2026,Quay tub 2,,Fruiting liquid 4-3-8,1:200,1 can,9 L
Date,Place,Crop,Feed,Strength,Amount,Can
9.6.26,Quay tub 2,,Fruiting liquid 4-3-8,1:200,2 x 4.5 L,9 L
2025-07-01,Sluice bed leek end,Courgettes,Balanced crystals 16-8-24+Mg,1 g/L,6 L,9 L
2025-08-15,Sluice bed leek end,Courgettes,Balanced crystals 16-8-24+Mg,1 g/L,3 L,9 L
Total,,,,,36,
"""
READ = """Day,Spot,EC
20 June 2026,quay tub 2,1450 uS/cm
21.6.2026,Quay tub 2,"1,8 mS/cm"
22 Jun 26,Quay tub 2,900 ppm 500
"""


class AsKept(WeirYardCase):
    def ask(self, path, data, more="", **how):
        said = f"{path}?how={quote(json.dumps(how))}{more}"
        return self.asking.send_file(said, data, "text/csv")

    def look(self, data, **how):
        reply = self.ask("/api/notebook-file/look", data, **how)
        self.assertEqual(reply.status_code, 200, reply.content)
        return reply.json()

    def take(self, data, **how):
        return self.ask("/api/notebook-file", data, f"&id={new_id()}&rest=true", **how)

    def test_what_is_doubtful_is_asked_once_and_then_all_of_it_comes_in(self):
        found = self.look(POURED)
        self.assertEqual(found["kind"], "doses")
        self.assertEqual(found["ratio"], "1:200")
        why = [one["text"] for one in found["skipped"]]
        self.assertEqual(why, ["a heading", "the heads again", "a sum"])
        (tub,), (liquid,) = found["unknown"], found["feeds"]
        self.assertEqual((tub["name"], tub["guessed"]), ("Tub2", "Quay tub 2"))
        self.assertEqual(liquid["guessed"], "Fruiting liquid 4-3-8")
        past = "Courgette in Sluice bed, leek end, 1 July to 15 August 2025"
        self.assertEqual(found["past"], [past])
        self.assert_refused(self.take(POURED), 422, "ratio")
        said = {
            "ratio": "parts",
            "places": {"Tub2": tub["guess"]},
            "feeds": {"Fruiting liqud": liquid["guess"]},
            "past": True,
        }
        again = self.look(POURED, **said)
        self.assertEqual((again["good"], again["broken"]), (5, 0), again["why"])
        before = Planting.objects.count()
        taken = self.take(POURED, **said).json()
        self.assertEqual((taken["count"], taken["left_out"]), (5, 0))
        poured = {
            dose.poured_at.date(): dose for dose in Dose.objects.filter(seq=taken["change_id"])
        }
        half = poured[date(2026, 5, 25)]
        self.assertAlmostEqual(half.litres, 4.5)
        self.assertAlmostEqual(poured[date(2026, 6, 2)].litres, 9.0)
        self.assertAlmostEqual(poured[date(2026, 6, 9)].litres, 9.0)
        # one part and two hundred, not one in two hundred: of 9 L a 201st is 44.8 mL
        self.assertAlmostEqual(half.can.parts.get().amount, 44.8, delta=0.1)
        courgette = Planting.objects.get(crop="courgette", started_on="2025-07-01")
        self.assertEqual(str(courgette.ended_on), "2025-08-15")
        self.assertEqual(poured[date(2025, 8, 15)].stand.planting, courgette)
        twice = self.take(POURED, **said).json()
        self.assertEqual((twice["count"], twice["here"]), (0, 5))
        self.asking.post("/api/undo", {"change_id": taken["change_id"]})
        self.assertEqual(Planting.objects.filter(undone_at=None).count(), before)

    def test_a_number_may_bring_its_own_unit_and_each_date_its_own_form(self):
        found = self.look(READ)
        self.assertEqual((found["good"], found["broken"]), (3, 0), found["why"])
        self.assertEqual(self.take(READ).json()["count"], 3)
        read = {row.taken_at.date(): row for row in Reading.objects.filter(taken_at__month=6)}
        wanted = {20: 1.45, 21: 1.8, 22: 1.8}  # 900 ppm of 500 to the mS/cm
        for day, ms_cm in wanted.items():
            self.assertAlmostEqual(read[date(2026, 6, day)].ec_likely, ms_cm, places=2)

    def test_what_stands_beside_the_heads_alone_is_no_row(self):
        found = self.look(READ + ",,,see page 12\n")
        self.assertEqual((found["total"], found["good"]), (3, 3))

    def test_one_name_of_a_place_and_of_a_feed_has_a_guess_for_each(self):
        table = (
            "Date,Place,Feed,Strength,Amount\n"
            "2026-06-20,Gutters,Potasium sulfat,1 g/L,1 L\n"
            "2026-06-21,Gutters,Gutters,1 g/L,1 L\n"
        )
        found = self.look(table)
        self.assertEqual([one["guessed"] for one in found["unknown"]], ["Gutter"])
        feeds = {one["name"]: one["guessed"] for one in found["feeds"]}
        self.assertEqual(feeds, {"Potasium sulfat": "Potassium sulfate", "Gutters": ""})
