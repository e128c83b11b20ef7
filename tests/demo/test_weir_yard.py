"""Weir Yard is whole, and makes sense by the core's own arithmetic."""

from io import StringIO

from django.core.management import call_command
from django.test import TestCase

from dace.feeding.models import Can, Dose
from dace.feeding.reads import jars_with_stock, litres_left
from dace.garden.models import Place, Planting, Stand
from dace.garden.reads import core_water, stops, waters
from dace.households import clock
from dace.households.models import Household, Membership
from dace.households.scope import Scope
from dace.measuring.models import Reading
from tests.gardens import InTheYard


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


class Command(InTheYard, TestCase):
    seconds_each = 10

    def run_command(self, *arguments):
        call_command("demo", *arguments, stdout=StringIO())

    def test_it_builds_once_and_anew_when_asked(self):
        first = Reading.objects.order_by("pk").values_list("pk", "value")
        before = list(first)
        self.run_command()
        self.assertEqual(Household.objects.count(), 1)
        Reading.objects.all().first().delete()
        self.run_command("--fresh")
        self.assertEqual(list(first.all()), before)
        self.assertEqual(Household.objects.count(), 1)
