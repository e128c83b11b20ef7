"""Weir Yard is whole, and makes sense by the core's own arithmetic."""

from datetime import date, datetime
from importlib import resources
from io import StringIO
from unittest import mock, skipUnless
from zoneinfo import ZoneInfo

from django.core.management import call_command
from django.db import transaction
from django.test import TestCase

from dace.demo.fed import FILE, evening, rows_of
from dace.demo.keys import key
from dace.demo.weir_yard import build
from dace.feeding.models import Can, Dose, Dressing, Watering
from dace.feeding.reads import jars_with_stock, litres_left
from dace.garden.models import Place, Planting, StageSeen, Stand
from dace.garden.reads import core_water, stops, waters
from dace.households import clock
from dace.households.models import Household, Membership
from dace.households.scope import Scope
from dace.measuring.models import Reading
from dace.notebook.models import Measured, Trial
from dace.shelf.models import Brew
from tests.core import counts
from tests.gardens import InTheYard

BOOK = (resources.files("dace.demo") / FILE).read_text(encoding="utf-8")
PLANTED = (
    *("chard", "leek", "aubergine 1", "aubergine 2", "chilli 3", "step chilli", "strawberry"),
    *("runner bean", "cucumber", "melon", "lettuce", "kale", "basil"),
)


class Yard(InTheYard, TestCase):
    def setUp(self):
        member = Membership.objects.get()
        self.scope = Scope(member.household_id, member.user_id, clock.now(), demo=True)

    def test_nine_places_thirteen_plantings_eight_jars_two_bottles_two_waters(self):
        self.assertEqual(Place.objects.of(self.scope).count(), 9)
        self.assertEqual(Planting.objects.of(self.scope).count(), 13)
        bought = [jar.contents is None for jar, _ in jars_with_stock(self.scope)]
        self.assertEqual((bought.count(True), bought.count(False)), (8, 2))
        self.assertEqual([w.name for w in waters(self.scope)], ["hard tap", "rain butt"])

    def test_the_path_is_walked_as_it_was_described(self):
        names = [stop.name for stop in stops(self.scope)]
        want = (
            "Sluice bed,Quay tub 1,Quay tub 2,Quay tub 3,Step,Gutter,Wall bed,Cold frame,Loft sill"
        )
        self.assertEqual(names, want.split(","))

    def test_three_of_the_pots_on_the_step_are_left_unfed(self):
        step = Stand.objects.of(self.scope).filter(fill__place__name="Step")
        self.assertEqual(sorted((s.fed, s.count) for s in step), [(False, 3), (True, 3)])
        self.assertFalse(Dose.objects.of(self.scope).filter(stand__fed=False).exists())

    def test_the_hard_tap_reads_065_and_the_butt_006(self):
        tap, butt = waters(self.scope)
        self.assertAlmostEqual(core_water(tap).ec_ms_cm, 0.65, delta=0.02)
        self.assertAlmostEqual(core_water(butt).ec_ms_cm, 0.06, delta=0.001)

    def test_no_can_was_poured_dry_and_no_jar_below_empty(self):
        for can in Can.objects.of(self.scope):
            self.assertGreaterEqual(litres_left(self.scope, can), 0)
        for jar, stock in jars_with_stock(self.scope):
            self.assertTrue(0 < stock <= jar.holds)

    def test_what_the_pen_showed_lies_near_what_was_expected(self):
        cans = {can.subject_id: can for can in Can.objects.of(self.scope)}
        read = [r for r in Reading.objects.of(self.scope) if r.subject_id in cans]
        self.assertGreater(len(read), 5)
        for reading in read:
            expected = cans[reading.subject_id].ec_likely
            self.assertAlmostEqual(reading.ec_likely / expected, 1, delta=0.12)

    def test_drains_are_those_of_home_strength_feeding(self):
        """As loose pots are; Quay tub 2 climbs past what its aubergines like."""
        drains = Reading.objects.of(self.scope).filter(method="pour_through")
        self.assertEqual(drains.count(), 20)
        for reading in drains:
            self.assertTrue(1.0 < reading.ec_likely < 3.8)
        tub = Reading.objects.of(self.scope).filter(subject__fill__place__name="Quay tub 2")
        climb = [r.ec_likely for r in tub.order_by("taken_at")]
        self.assertGreater(climb[-1], 1.15 * climb[0])
        self.assertGreater(climb[-1], 2.6)

    def test_nothing_lies_ahead_of_the_demo_day(self):
        for model, field in ((Dose, "poured_at"), (Reading, "taken_at")):
            newest = model.objects.of(self.scope).order_by(f"-{field}")[0]
            self.assertLess(getattr(newest, field), self.scope.now)


TENDER = {"aubergine", "chilli", "cucumber", "melon", "basil", "runner_bean"}
WRITTEN = (
    (Dose, "poured_at"),
    (Reading, "taken_at"),
    (Watering, "poured_at"),
    (Dressing, "given_at"),
    (StageSeen, "seen_on"),
    (Planting, "started_on"),
    (Measured, "measured_on"),
    (Brew, "started_at"),
)


class ThroughTheYear(TestCase):
    """The yard of another day: its past ends then, and was fed by the verdicts of its days."""

    seconds_each = 12

    def built(self, day):
        now = datetime.fromisoformat(f"{day}T17:40").replace(tzinfo=ZoneInfo("Europe/London"))
        build(now)
        member = Membership.objects.get()
        for model, field in WRITTEN:
            last = getattr(model.objects.order_by(field).last(), field, now)
            self.assertLessEqual(last, now if isinstance(last, datetime) else now.date(), model)
        return Scope(member.household_id, member.user_id, now, demo=True)

    def in_the_open(self):
        stands = Stand.objects.filter(to_on=None, planting__ended_on=None)
        return {s.planting.crop for s in stands.filter(fill__place__covered=False)}

    def test_in_april_nothing_tender_stands_outdoors(self):
        self.built("2026-04-10")
        self.assertEqual(self.in_the_open() & TENDER, set())
        self.assertEqual(Planting.objects.filter(crop="chilli").count(), 2)
        self.assertFalse(Trial.objects.exists())

    @skipUnless(counts.WHOLE, "a whole year is written down again for it")
    def test_in_december_what_cold_kills_was_cleared(self):
        self.built("2026-12-15")
        self.assertEqual(self.in_the_open() & TENDER, set())
        self.assertTrue({"leek", "chard", "kale", "strawberry"} <= self.in_the_open())

    @skipUnless(counts.WHOLE, "the yard of two evenings is built for it; see yard_book")
    def test_the_book_says_what_the_verdicts_of_its_evenings_say(self):
        for day in ("2026-07-07", "2026-05-19"):
            with self.subTest(day), transaction.atomic():
                scope = self.built(day)
                on = date.fromisoformat(day)
                grown = {key(f"planting {name}"): name for name in PLANTED}
                told = [row for row in rows_of(BOOK) if row.day == on and row.why == "verdict"]
                named = {row.grows for row in rows_of(BOOK) if row.why == "story"}
                found = [row for row in evening(scope, on, grown) if row.grows not in named]
                self.assertTrue(told)
                self.assertEqual(found, [row for row in told if row.grows not in named])
                transaction.set_rollback(True)

    def test_what_the_story_itself_names(self):
        story = [row for row in rows_of(BOOK) if row.why == "story"]
        strong = [row for row in story if row.grows == "aubergine 2"]
        self.assertEqual([row.said for row in strong], ["1 + 280"] * 4)
        self.assertEqual({row.grows for row in story}, {"aubergine 2", "step chilli", "lettuce"})


class Command(InTheYard, TestCase):
    seconds_each = 10

    def run_command(self, *arguments):
        call_command("demo", *arguments, stdout=StringIO())

    @skipUnless(counts.WHOLE, "a yard is built for it")
    def test_it_builds_once_and_anew_when_asked(self):
        first = Reading.objects.order_by("pk").values_list("pk", "value")
        before = list(first)
        self.run_command()
        self.assertEqual(Household.objects.count(), 1)
        Reading.objects.all().first().delete()
        self.run_command()
        self.assertNotEqual(list(first.all()), before)

    @skipUnless(counts.WHOLE, "three yards are built for it")
    def test_a_yard_of_another_day_or_story_is_built_anew(self):
        built = Household.objects.get().built_as
        first = Reading.objects.order_by("pk").values_list("pk", "value")
        before = list(first)
        april = datetime(2026, 4, 10, 9, tzinfo=ZoneInfo("Europe/London"))
        with mock.patch("dace.households.clock.now", return_value=april):
            self.run_command()
        self.assertEqual(Household.objects.get().built_as, f"{built.split()[0]} 2026-04-10")
        Household.objects.update(built_as="an older story 2026-07-14")
        self.run_command("--fresh")
        self.assertEqual(Household.objects.get().built_as, built)
        self.assertEqual(list(first.all()), before)
        self.assertEqual(Household.objects.count(), 1)
