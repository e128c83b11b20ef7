"""Whatever a household keeps, by the registry of models: a new kind is guarded as it comes."""

import reversion
from django.apps import apps

from dace.core.errors import DaceError
from dace.households import clock
from dace.households.changes import NotFoundError
from dace.households.copying import kinds, rows_of
from dace.households.models import Household, Kept, Membership
from dace.households.scope import Scope
from tests.api.base import WeirYardCase

MODELS = [model for model in apps.get_models() if issubclass(model, Kept)]


class EveryKeptModel(WeirYardCase):
    def setUp(self):
        super().setUp()
        member = Membership.objects.get()
        self.ours = Scope(member.household_id, member.user_id, clock.now(), demo=True)
        other = Household.objects.create(name="Elsewhere")
        self.theirs = Scope(other.pk, member.user_id, clock.now())

    def filled(self):
        """Those of which the yard has rows: nearly all."""
        found = [model for model in MODELS if model.objects.of(self.ours).exists()]
        self.assertGreater(len(found), len(MODELS) / 2)
        return found

    def test_no_other_household_finds_a_row_or_its_id(self):
        for model in self.filled():
            with self.subTest(model.__name__):
                self.assertFalse(model.objects.of(self.theirs).exists())
                row = model.objects.of(self.ours).first()
                with self.assertRaises(NotFoundError):
                    model.objects.fetch(self.theirs, row.pk, "id")

    def test_every_version_is_kept_and_what_is_undone_is_out_of_sight(self):
        for model in MODELS:
            with self.subTest(model.__name__):
                self.assertTrue(reversion.is_registered(model))
        for model in self.filled():
            with self.subTest(model.__name__):
                row = model.objects.of(self.ours).first()
                model._base_manager.filter(pk=row.pk).update(undone_at=self.ours.now)
                with self.assertRaises(DaceError):
                    model.objects.fetch(self.ours, row.pk, "id")

    def test_every_kind_goes_along_in_copies_and_packages(self):
        self.assertLessEqual(set(MODELS), set(kinds()))
        named = {model for model, _ in rows_of(self.ours.household_id)}
        self.assertEqual(named & set(MODELS), set(MODELS))
