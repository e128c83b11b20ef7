"""Which household a command means, and for whom it acts."""

from django.core.management import CommandError, call_command
from django.test import TestCase

from dace.core.api import DaceError
from dace.exchange.owners import household_named, owner_of
from dace.households.models import Household, Membership, User


class Named(TestCase):
    def household(self, name, role=Membership.Role.OWNER):
        made = Household.objects.create(name=name)
        user = User.objects.create(username=f"{name} {made.pk.hex[:6]}")
        Membership.objects.create(user=user, household=made, role=role)
        return made

    def refused(self, name):
        with self.assertRaises(DaceError) as caught:
            household_named(name)
        self.assertEqual(caught.exception.field, "household")
        return caught.exception.would_do

    def test_by_its_name_or_its_id(self):
        mill = self.household("Mill")
        self.assertEqual(household_named("Mill"), mill)
        self.assertEqual(household_named(str(mill.pk)), mill)

    def test_a_name_of_nobody_tells_those_that_are_here(self):
        self.assertEqual(self.refused("Mill"), "none is here yet")
        self.household("Weir")
        self.household("Lock")
        self.assertEqual(self.refused("Mill"), "one of Lock, Weir")

    def test_a_name_of_two_tells_their_ids(self):
        both = {str(self.household("Mill").pk), str(self.household("Mill").pk)}
        self.assertEqual(set(self.refused("Mill").split(", ")), both)

    def test_an_id_of_nobody(self):
        self.assertIn("an id of one", self.refused("8f0f3c1e-6d0c-4f0e-9a53-2a5f3f1d7c11"))

    def test_it_acts_for_the_owner_and_for_nobody_else(self):
        scope = owner_of(self.household("Mill"))
        self.assertTrue(scope.owner)
        with self.assertRaises(DaceError):
            owner_of(self.household("Lock", Membership.Role.HELPER))

    def test_the_command_says_it_in_one_sentence(self):
        with self.assertRaises(CommandError) as caught:
            call_command("export", "/nowhere/garden.zip", household="Mill")
        self.assertIn("“Mill”", str(caught.exception))
