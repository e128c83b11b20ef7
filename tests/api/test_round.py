"""The round of a day: its cans, its ticks, and what they do to stock, path and plan."""

from __future__ import annotations

from unittest import mock

from dace.desks.round.page import _round
from dace.feeding.models import CanPart, Dose, Tick
from tests.api.base import WeirYardCase, new_id


class Rounds(WeirYardCase):
    def round(self):
        reply = self.asking.get("/api/round")
        self.assertEqual(reply.status_code, 200, reply.content[:500])
        return reply.json()

    def can(self):
        return next(can for can in self.round()["cans"] if len(can["rows"]) > 1)

    def tick(self, can, row, **more):
        asked = {"id": new_id(), "fill_id": row["fill_id"], "slot": row["slot"]}
        return self.asking.post("/api/round/ticks", asked | {"can_id": can["id"]} | more)

    def row_now(self, fill_id):
        rows = [row for can in self.round()["cans"] for row in can["rows"]]
        return next(row for row in rows if row["fill_id"] == fill_id)

    def verdict(self, fill_id):
        spots = [
            spot for stop in self.asking.get("/api/path").json()["stops"] for spot in stop["spots"]
        ]
        return next(spot["verdict"] for spot in spots if spot["fill_id"] == fill_id)

    def test_cans_stand_in_walking_order_and_say_what_the_path_says(self):
        found = self.round()
        order = [stop["id"] for stop in self.asking.get("/api/path").json()["stops"]]
        firsts = [order.index(can["rows"][0]["place_id"]) for can in found["cans"]]
        self.assertEqual(firsts, sorted(firsts))
        self.assertEqual([can["letter"] for can in found["cans"]], list("ABCDEFGH")[: len(firsts)])
        for can in found["cans"]:
            for row in can["rows"]:
                said = self.verdict(row["fill_id"])
                self.assertEqual(said["kind"], "feed")
                self.assertAlmostEqual(said["litres"], row["litres"], 3)
                for line in can["lines"][:-1]:
                    self.assertIn(line["what"], said["headline"])
                    self.assertTrue(line["pieces"], line)

    def test_a_tick_logs_the_dose_draws_stock_and_moves_the_next_feed(self):
        can = self.can()
        first, second = can["rows"][:2]
        strength = self.verdict(second["fill_id"])["portion"]["strength"]
        before = self.asking.get("/api/plan").json()
        self.assertEqual(self.tick(can, first).status_code, 201)
        dose = Dose.objects.get(fill_id=first["fill_id"], poured_at__date="2026-07-14")
        self.assertAlmostEqual(dose.litres, first["litres"], 3)
        parts = CanPart.objects.filter(can_id=can["id"])
        poured = sum(r["litres"] for r in can["rows"])
        self.assertTrue(poured - 1e-3 <= dose.can.vessel_l <= 1.1 * poured + 1e-3)
        self.assertEqual(len(parts), len(can["lines"]) - 1)
        self.assertTrue(all(part.amount > 0 for part in parts))
        self.assertEqual(self.row_now(first["fill_id"])["done"][0]["how"], "planned")
        self.assertEqual(self.row_now(second["fill_id"])["done"], [])
        self.assertIn(self.verdict(first["fill_id"])["kind"], ("wait", "enough"))
        mixed = next(one for one in self.round()["cans"] if one["id"] == can["id"])
        self.assertTrue(mixed["mixed"])
        said = self.verdict(second["fill_id"])
        self.assertEqual(said["portion"]["strength"], strength)
        self.assertEqual(mixed["lines"][0]["amount"], can["lines"][0]["amount"])
        after = self.asking.get("/api/plan").json()

        def days(plan):
            return [e["on"] for e in plan["events"] if e["fill_id"] == first["fill_id"]]

        self.assertIn("2026-07-14", days(before))
        self.assertNotIn("2026-07-14", days(after))
        self.assertGreaterEqual(min(days(after)), "2026-07-15")

    def test_spoons_for_all_and_grams_first_for_who_weighs(self):
        def powders():
            lines = [line for can in self.round()["cans"] for line in can["lines"]]
            return [line for line in lines if line["form"] == "dry"]

        spoons = powders()
        self.assertTrue(spoons)
        self.assertFalse([one for one in spoons if one["amount"].endswith(" g") or one["note"]])
        said = self.verdict(self.can()["rows"][0]["fill_id"])["headline"]
        self.assertNotRegex(said, r"\d g\b")
        weighs = self.asking.post("/api/garden/feeding", {"weighs": True})
        self.assertEqual(weighs.status_code, 200)
        self.assertTrue(all(one["amount"].endswith(" g") for one in powders()))

    def test_questions_are_three_at_most_and_one_for_a_kind(self):
        asks = self.round()["asks"]
        self.assertLessEqual(len(asks), 3)
        self.assertEqual(len({(one["about"], one["what"]) for one in asks}), len(asks))
        self.assertTrue(all(one["looks"] for one in asks))

    def test_half_none_own_and_more(self):
        can = self.can()
        first, second = can["rows"][:2]
        self.assertEqual(self.tick(can, first, how="half").status_code, 201)
        self.assertAlmostEqual(
            Tick.objects.get(fill_id=first["fill_id"]).litres, first["litres"] / 2, 3
        )
        self.assertEqual(self.tick(can, first, how="extra", litres_each=0.1).status_code, 201)
        self.assertEqual(len(self.row_now(first["fill_id"])["done"]), 2)
        self.assertEqual(self.tick(can, second, how="none", can_id=None).status_code, 201)
        self.assertFalse(
            Dose.objects.filter(fill_id=second["fill_id"], poured_at__date="2026-07-14").exists()
        )
        said = self.verdict(second["fill_id"])
        self.assertEqual(said["kind"], "wait")
        self.assertGreater(said["next_on"], "2026-07-14")
        self.assertIn("Left out", said["reason"] + said["each"][0]["reason"])

    def test_a_slip_is_undone_and_the_can_keeps_standing(self):
        can = self.can()
        row = can["rows"][0]
        change = self.tick(can, row).json()["change_id"]
        self.assertEqual(self.asking.post("/api/undo", {"change_id": change}).status_code, 200)
        now = self.row_now(row["fill_id"])
        self.assertEqual((now["done"], now["now"]), ([], True))
        self.assertEqual(self.tick(can, row).status_code, 201)
        parts = CanPart.objects.filter(can_id=can["id"])
        self.assertEqual(parts.count(), len(can["lines"]) - 1)

    def test_the_whole_can_is_taken_back(self):
        can = self.can()
        for row in can["rows"][:2]:
            self.assertEqual(self.tick(can, row).status_code, 201)
        stock = self.stock()
        self.assertEqual(self.asking.delete(f"/api/round/cans/{can['id']}").status_code, 200)
        self.assertGreater(self.stock(), stock)
        self.assertFalse(Dose.objects.filter(can_id=can["id"], undone_at=None).exists())
        again = self.can()
        self.assertFalse(again["mixed"])
        self.assertEqual([row["done"] for row in again["rows"]], [[]] * len(again["rows"]))
        for _ in range(2):  # a can that was taken back bars nothing, however often
            self.assertEqual(self.tick(self.can(), again["rows"][0]).status_code, 201)
            mixed = self.can()
            self.assertTrue(mixed["mixed"])
            self.assertEqual(self.asking.delete(f"/api/round/cans/{mixed['id']}").status_code, 200)
        self.assert_refused(self.asking.delete(f"/api/round/cans/{new_id()}"), 404, "can_id")

    def stock(self):
        shelf = self.asking.get("/api/bench").json()["jars"]
        return sum(jar["stock"] for jar in shelf)

    def test_a_feed_left_out_stands_in_the_notebook(self):
        can = self.can()
        self.tick(can, can["rows"][0], how="none", can_id=None)
        newest = self.asking.get("/api/notebook").json()["others"][0]
        self.assertEqual(newest["kind"], "left_out")
        self.assertIn(can["rows"][0]["name"], newest["text"])

    def test_twice_sent_is_once_written_and_twice_ticked_is_refused(self):
        can = self.can()
        row = can["rows"][0]
        said = {"id": new_id(), "fill_id": row["fill_id"], "slot": row["slot"], "can_id": can["id"]}
        replies = [self.asking.post("/api/round/ticks", said) for _ in range(2)]
        self.assertEqual([reply.status_code for reply in replies], [201, 201])
        self.assertEqual(Tick.objects.filter(fill_id=row["fill_id"]).count(), 1)
        again = self.tick(can, row)
        self.assert_refused(again, 409, "fill_id")

    def test_refusals_name_the_field(self):
        can = self.can()
        row = can["rows"][0]
        for more, status, field in (
            ({"can_id": new_id()}, 409, "can_id"),
            ({"can_id": None}, 422, "can_id"),
            ({"how": "own"}, 422, "litres_each"),
            ({"how": "own", "litres_each": 500}, 422, "litres_each"),
            ({"how": "own", "litres_each": 150}, 422, "litres_each"),
            ({"fill_id": new_id()}, 404, "fill_id"),
        ):
            reply = self.tick(can, row, **more)
            self.assert_refused(reply, status, field)
        self.assertEqual(Tick.objects.count(), 0)

    def test_what_waits_says_why_and_what_comes_is_dated(self):
        found = self.round()
        waits = {stop["name"]: wait for wait in found["waits"] for stop in wait["stops"]}
        self.assertIn("The soil has enough", waits["Sluice bed, chard end"]["why"])
        self.assertIs(waits["Sluice bed, chard end"], waits["Sluice bed, leek end"])
        self.assertIn("stays fair", waits["Step, unfed pots"]["why"])
        self.assertEqual(found["flushes"][0]["name"], "Quay tub 2")
        self.assertTrue(found["leaves"])
        coming = self.asking.get("/api/round/ahead").json()["days"]
        self.assertTrue(all(day["on"] > found["today"] for day in coming))
        items = [item for day in coming for item in day["items"]]
        beside = [item["text"] for item in items if not item["why"]]
        self.assertTrue(len(beside) < len(items))
        for text in beside:
            self.assertRegex(text, "^(Harden off|Plant out|Pot on|Sow)")

    def test_what_is_still_to_mix_stays_as_it_was_however_far_one_has_walked(self):
        cans = self.round()["cans"]
        self.assertGreater(len(cans), 3)
        for turn in (range(len(cans)), reversed(range(len(cans)))):
            for at in turn:
                for row in cans[at]["rows"]:
                    self.assertEqual(self.tick(cans[at], row).status_code, 201)
                    self.assertEqual(self.amounts(self.round()["cans"]), self.amounts(cans))
            for can in cans:
                self.assertEqual(
                    self.asking.delete(f"/api/round/cans/{can['id']}").status_code, 200
                )
            cans = self.round()["cans"]

    def test_who_ticks_while_it_is_read_is_in_it(self):
        can = self.can()
        row, ticked = can["rows"][0], []

        def read(scope):
            found = _round(scope)
            if not ticked:  # once, between reading and handing out
                ticked.append(self.tick(can, row).status_code)
            return found

        with mock.patch("dace.desks.round.page._round", read):
            found = self.round()
        self.assertEqual(ticked, [201])
        rows = [one for can in found["cans"] for one in can["rows"]]
        self.assertTrue(next(one for one in rows if one["fill_id"] == row["fill_id"])["done"])

    def amounts(self, cans):
        return {can["id"]: [line["amount"] for line in can["lines"]] for can in cans}

    def test_a_can_is_mixed_to_be_read_first(self):
        can = self.can()
        for _ in range(2):
            reply = self.asking.post(f"/api/round/cans/{can['id']}")
            self.assertEqual(reply.status_code, 201)
        mixed = next(one for one in self.round()["cans"] if one["id"] == can["id"])
        self.assertTrue(mixed["mixed"] and mixed["subject_id"])
        self.assertEqual([row["done"] for row in mixed["rows"]], [[]] * len(can["rows"]))
        parts = CanPart.objects.filter(can_id=can["id"])
        self.assertEqual(parts.count(), len(can["lines"]) - 1)
