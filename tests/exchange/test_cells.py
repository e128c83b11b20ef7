"""Cells of a package's tables: written and read alike, or refused with what would do."""

import uuid
from datetime import UTC, date, datetime, timedelta, timezone

from django.test import SimpleTestCase

from dace.exchange.columns import CellError, column_of
from dace.feeding.models import Can, Dose
from dace.garden.models import Fill, Garden, Harvest, Planting, Water
from dace.measuring.models import Reading, Subject
from dace.shelf.models import Jar

AWKWARD = 'Ünder "the" wall, 2;\r\nthird row\t½'


def column(model, name):
    return column_of(next(f for f in model._meta.fields if f.attname == name))


class Cells(SimpleTestCase):
    def test_what_is_written_is_read_as_it_was(self):
        east = timezone(timedelta(hours=2))
        for model, name, value in (
            (Jar, "name", AWKWARD),
            (Jar, "id", uuid.UUID("8f0f3c1e-6d0c-4f0e-9a53-2a5f3f1d7c11")),
            (Jar, "stock", 0.1 + 0.2),
            (Jar, "stock", 5e-324),
            (Jar, "price", None),
            (Can, "mg_l", {"N": 1.5, "Ca": 0.0, "µ": [1, None]}),
            (Can, "mixed_at", datetime(2026, 7, 14, 17, 40, 0, 123456, tzinfo=UTC)),
            (Can, "mixed_at", datetime(2026, 7, 14, 19, 40, tzinfo=east)),
            (Fill, "filled_on", date(2024, 2, 29)),
            (Fill, "renewed_on", None),
            (Dose, "plants", 0),
            (Reading, "temperature_c", -0.0),
        ):
            with self.subTest(name, value=value):
                cell = column(model, name)
                self.assertEqual(cell.read(cell.write(value)), value)

    def test_an_instant_is_written_in_utc_whatever_zone_it_came_in(self):
        east = datetime(2026, 7, 14, 19, 40, tzinfo=timezone(timedelta(hours=2)))
        self.assertEqual(column(Can, "mixed_at").write(east), "2026-07-14T17:40:00Z")

    def test_what_cannot_be_read_says_what_would_do(self):
        for model, name, text, would_do in (
            (Jar, "id", "42", "an id such as"),
            (Jar, "id", "", "an id such as"),
            (Jar, "stock", "lots", "a number such as"),
            (Jar, "stock", "nan", "a number such as"),
            (Jar, "stock", "1e999", "a number such as"),
            (Jar, "name", "x" * 81, "up to 80 letters"),
            (Jar, "name", "a\x00b", "text"),
            (Subject, "kind", "gaseous", "one of can, "),
            (Dose, "plants", "-1", "0 or more"),
            (Dose, "plants", "2.5", "a whole number"),
            (Dose, "plants", "9" * 30, "a whole number"),
            (Can, "mixed_at", "2026-07-14 17:40", "an instant such as"),
            (Can, "mixed_at", "14.7.2026", "an instant such as"),
            (Can, "mg_l", "[1, 2]", "JSON such as {"),
            (Can, "mg_l", '{"N": NaN}', "JSON such as {"),
            (Can, "mg_l", "{", "JSON such as {"),
            (Fill, "filled_on", "2026-02-30", "a day: "),
        ):
            with self.subTest(name, text=text[:20]):
                with self.assertRaises(CellError) as caught:
                    column(model, name).read(text)
                self.assertTrue(str(caught.exception).startswith(would_do), caught.exception)

    def test_flags_are_words(self):
        flag = column(Water, "usual")
        self.assertEqual([flag.read(text) for text in ("true", "False")], [True, False])
        for text in ("1", "yes", "wahr"):
            with self.subTest(text), self.assertRaises(CellError):
                flag.read(text)

    def test_a_column_that_came_later_stands_for_its_default_or_is_missed(self):
        self.assertIsNone(column(Jar, "price").default)
        with self.assertRaises(CellError):
            column(Planting, "crop").default  # noqa: B018
        for model in (Garden, Harvest):
            for field in model._meta.fields:
                if field.null:
                    self.assertIsNone(column_of(field).default)
