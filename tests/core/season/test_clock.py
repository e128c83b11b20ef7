"""The stage clock, beside seasons from a simulator that shares no code with it."""

import unittest
from datetime import date, timedelta

from dace.core.errors import DaceError
from dace.core.season.climate import climate, normals
from dace.core.season.clock import stage_clock
from dace.core.season.crops import crop
from dace.core.season.looks import Begun, Look, out_of_order
from dace.core.season.outlook import Days, WeatherAsked, outlook
from tests.core.afresh import elsewhere
from tests.core.season.simulated import season

NONE = Days(date(2026, 1, 1), (), (), ())


def usual_outlook(today, first=date(2026, 1, 1), where="cool_temperate", warmer=0.0):
    """An outlook whose past was as usual, or warmer by so much."""
    found = climate(where)
    count = (today - first).days + 1
    usual = normals(found, found.latitude, first, count)
    past = Days(
        first,
        tuple((usual.t_min + warmer).tolist()),
        tuple((usual.t_max + warmer).tolist()),
        (1.0,) * count,
    )
    return outlook(WeatherAsked(found, found.latitude, past, NONE))


def starts():
    """A bean looked at once: the band of every start."""
    looks = (Look("vegetative", date(2026, 6, 2)),)
    begun = Begun(date(2026, 5, 10), looks)
    read = stage_clock(crop("runner_bean"), begun, usual_outlook(date(2026, 7, 14)))
    return [[str(one.low), str(one.likely), str(one.high)] for one in read.starts]


class CalibrationTests(unittest.TestCase):
    def test_flowering_lies_in_its_band_as_often_as_said(self):
        held, count = 0, 0
        for name, where, sown in (
            ("runner_bean", "cool_temperate", date(2026, 5, 10)),
            ("courgette", "warm", date(2026, 4, 1)),
            ("courgette", "southern", date(2026, 10, 5)),
            ("pea", "cool_temperate", date(2026, 3, 15)),
        ):
            said = stage_clock(crop(name), Begun(sown), usual_outlook(sown, sown, where))
            band = next(s for s in said.starts if s.stage.key == "flowering")
            for seed in range(100):
                truth = season(name, sown, where, f"{name} {where} {seed}")["flowering"]
                held += band.low <= truth <= band.high
                count += 1
        self.assertEqual(count, 400)
        self.assertTrue(0.72 <= held / count <= 0.88, held / count)


class SightingTests(unittest.TestCase):
    today = date(2026, 7, 14)

    def test_sown_and_never_told_as_planted_out_a_late_sighting_sets_the_stage_alone(self):
        today = date(2026, 8, 20)
        begun = Begun(date(2026, 2, 20), (Look("fruit_set", today),), indoors=True, in_tray=True)
        found = stage_clock(crop("chilli"), begun, usual_outlook(today))
        self.assertEqual(found.stage.key, "fruit_set")
        self.assertNotIn("than the table", " ".join(found.said))

    def test_seen_at_the_same_stage_again_it_stays_there_a_while(self):
        """A third of how far apart such stages end, by the table, from the second look on."""
        settling = crop("broccoli").stage("establishing").duration_days
        held = (settling.high - settling.low) / 3
        first, again = date(2026, 6, 10), date(2026, 6, 24)
        looks = (Look("establishing", first), Look("establishing", again))
        begun = Begun(date(2026, 4, 20), looks, indoors=True)
        for later in range(int(held)):
            today = again + timedelta(days=later)
            found = stage_clock(crop("broccoli"), begun, usual_outlook(today))
            self.assertEqual(found.stage.key, "establishing", later)

    def test_nothing_is_picked_before_it_fruits(self):
        """Seen in first flower, with no time left to ripen: no day for the picking, not today."""
        for today, where in (
            (date(2026, 7, 10), "cool_temperate"),
            (date(2026, 9, 20), "cool_temperate"),
        ):
            begun = Begun(date(2026, 3, 10), (Look("flowering", today),), indoors=True)
            found = stage_clock(crop("chilli"), begun, usual_outlook(today, where=where))
            days = found.picked_in(today)
            fruit = next(s.likely for s in found.starts if s.stage.key == "fruit_set")
            if days is not None:
                self.assertGreaterEqual(today + timedelta(days=days), fruit)
                self.assertGreater(days, 20)

    sown = date(2026, 5, 10)

    def read(self, *looks, today=today, **kwargs):
        return stage_clock(
            crop("runner_bean"), Begun(self.sown, looks), usual_outlook(today, **kwargs)
        )

    def start(self, reading, stage):
        return next(s for s in reading.starts if s.stage.key == stage)

    def test_a_sighting_sets_the_start_to_the_gap_since_the_last_look(self):
        looks = (Look("vegetative", date(2026, 7, 4)), Look("flowering", date(2026, 7, 10)))
        start = self.start(self.read(*looks), "flowering")
        self.assertTrue(start.seen)
        self.assertGreaterEqual(start.low, date(2026, 7, 4))
        self.assertLessEqual(start.high, date(2026, 7, 10))
        self.assertIn(start.likely, (date(2026, 7, 6), date(2026, 7, 7)))

    def test_a_first_look_made_late_leaves_the_start_where_it_was_expected(self):
        """In flower on 10 July: as the clock had it, given that it was by then."""
        expected = self.start(self.read(), "flowering")
        late = self.start(self.read(Look("flowering", date(2026, 7, 13))), "flowering")
        self.assertTrue(late.seen)
        self.assertLessEqual(late.high, date(2026, 7, 13))
        self.assertLess(abs((late.likely - expected.likely).days), 4)
        early = self.start(self.read(Look("flowering", expected.low)), "flowering")
        self.assertLessEqual(early.high, expected.low)

    def test_every_later_stage_moves_with_it(self):
        early = self.read(
            Look("vegetative", date(2026, 6, 20)), Look("flowering", date(2026, 6, 28))
        )
        late = self.read(Look("vegetative", date(2026, 7, 8)), Look("flowering", date(2026, 7, 13)))
        for stage in ("fruit_set", "harvest"):
            self.assertLess(self.start(early, stage).likely, self.start(late, stage).likely)

    def test_far_outside_the_table_is_taken_and_said(self):
        on = date(2026, 6, 1)
        reading = self.read(Look("flowering", on), today=date(2026, 6, 2))
        self.assertEqual(reading.stage.key, "flowering")
        self.assertIn("earlier than the table", reading.said[0])
        self.assertEqual(self.read(Look("flowering", date(2026, 7, 6))).said, ())

    def test_still_the_same_moves_the_next_stage_on(self):
        looks = (Look("flowering", date(2026, 6, 28)),)
        before = self.start(self.read(*looks), "fruit_set")
        after = self.start(self.read(*looks, Look("flowering", self.today)), "fruit_set")
        self.assertLess(before.low, self.today)
        self.assertGreaterEqual(after.low, self.today)

    def test_much_later_than_the_table_is_said(self):
        looks = (Look("flowering", date(2026, 5, 25)), Look("flowering", self.today))
        self.assertTrue(any("later than the table" in said for said in self.read(*looks).said))

    def test_two_out_of_order_are_found(self):
        seen = (Look("fruit_set", date(2026, 7, 8)),)
        grown = crop("runner_bean")
        self.assertEqual(out_of_order(grown, seen, Look("flowering", self.today)), seen[0])
        self.assertEqual(out_of_order(grown, seen, Look("harvest", date(2026, 7, 1))), seen[0])
        self.assertIsNone(out_of_order(grown, seen, Look("flowering", date(2026, 7, 1))))
        self.assertIsNone(out_of_order(grown, seen, Look("fruit_set", self.today)))

    def test_warm_weather_brings_stages_on(self):
        usual, warm = self.read(), self.read(warmer=3.0)
        self.assertLess(self.start(warm, "flowering").likely, self.start(usual, "flowering").likely)

    def test_starts_stand_in_order_and_doubt_asks(self):
        for grown in ("aubergine", "leek", "lettuce", "strawberry", "potato"):
            reading = stage_clock(crop(grown), Begun(self.sown), usual_outlook(self.today))
            days = [s.likely for s in reading.starts if s.likely]
            self.assertEqual(days, sorted(days))
            self.assertEqual(bool(reading.question), reading.doubtful)

    def test_a_room_brings_seedlings_on(self):
        sown, today = date(2026, 2, 24), date(2026, 4, 20)
        indoors = stage_clock(crop("aubergine"), Begun(sown, indoors=True), usual_outlook(today))
        outside = stage_clock(crop("aubergine"), Begun(sown), usual_outlook(today))
        self.assertLess(
            self.start(indoors, "seedling").likely, self.start(outside, "seedling").likely
        )

    def test_what_stands_in_a_tray_has_not_settled_in(self):
        sown = date(2026, 5, 10)
        days = usual_outlook(self.today)
        tray = stage_clock(crop("lettuce"), Begun(sown, in_tray=True), days)
        bed = stage_clock(crop("lettuce"), Begun(sown), days)
        self.assertEqual(tray.stage.key, "seedling")
        self.assertGreater(bed.stage.order, tray.stage.order)

    def test_the_same_seed_gives_the_same_starts_in_another_process(self):
        self.assertEqual(elsewhere(__name__, "starts"), starts())

    def test_an_unknown_stage_is_named(self):
        with self.assertRaises(DaceError) as caught:
            out_of_order(crop("runner_bean"), (), Look("bulbing", self.today))
        self.assertEqual(caught.exception.field, "stage")

    def test_both_hemispheres_have_their_own_summer(self):
        for where, warm, cold in (
            ("cool_temperate", date(2026, 7, 20), date(2026, 1, 20)),
            ("southern", date(2026, 1, 20), date(2026, 7, 20)),
        ):
            found = climate(where)
            mean = [normals(found, found.latitude, on, 1).t_mean[0] for on in (warm, cold)]
            self.assertGreater(mean[0], mean[1] + 2 * found.swing_c * 0.9)
        self.assertEqual(usual_outlook(self.today).today, self.today)
        with self.assertRaises(DaceError):
            usual_outlook(self.today).index(self.today + timedelta(days=500))
