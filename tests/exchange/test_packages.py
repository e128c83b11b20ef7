"""A household as one open file: out, wiped, in again, and the same garden."""

import io
import json
import re
import tempfile
import uuid
import zipfile
from pathlib import Path

from django.conf import settings
from django.core.management import CommandError, call_command
from django.test import override_settings
from frictionless import validate

from dace.demo.keys import key
from dace.garden.models import Stand
from dace.households.copying import rows_of
from dace.households.models import Change, Household, Membership
from dace.households.services import forget_household
from dace.measuring.models import Reading
from dace.notebook.models import Photo
from dace.notebook.pictures import where
from tests.api.base import Asking, WeirYardCase, new_id
from tests.api.pictures import PNG
from tests.api.test_visits import READ, told
from tests.core import counts

DATA = Path(__file__).parent.parent / "data"
FIRST, THIRD, FOURTH, SIXTH = (DATA / f"package-{version}.zip" for version in (1, 3, 4, 6))
LANDED = DATA / "landed"
WHO = {"name": "Rook", "password": "nine rusty trowels", "garden": "Back step"}
NUMBERS = ("seq", "edition", "stock_seq")


def contents(household):
    """Every row, without the numbers that each database gives its changes."""
    return {
        model._meta.model_name: [
            {name: value for name, value in row.items() if name not in NUMBERS} for row in rows
        ]
        for model, rows in rows_of(household)
    }


LONG = counts.of(50_000, 5_000)


class Packages(WeirYardCase):
    def setUp(self):
        super().setUp()
        self.folder = Path(tempfile.mkdtemp(prefix="dace-package-"))
        self.file = self.folder / "yard.zip"
        # a folder of its own: another process may take a photo in meanwhile
        self.enterContext(override_settings(DACE_PHOTOS=self.folder / "photos"))
        stop = self.asking.get("/api/path").json()["stops"][2]
        stand, subject = stop["stands"][0]["id"], stop["subject_id"]
        self.asking.send_file(f"/api/photos?id={new_id()}&stand_id={stand}", PNG, "image/png")
        note = {"id": new_id(), "stand_id": stand, "note": 'two\nlines, "quoted"; ½ =1+1'}
        self.assertEqual(self.asking.post("/api/observations", note).status_code, 201)
        gone = self.asking.post("/api/observations", note | {"id": new_id(), "note": "undone"})
        self.asking.post("/api/undo", {"change_id": gone.json()["change_id"]})
        table = "2026-07-10 06:00,1.5\n2026-07-10 07:00,1.7"
        self.asking.send_file(f"/api/series?id={new_id()}&subject_id={subject}", table, "text/csv")

    def export(self):
        call_command("export", self.file, household="Weir Yard", stdout=io.StringIO())
        return zipfile.ZipFile(self.file)

    def bring(self, file=None, **options):
        said = io.StringIO()
        call_command("import", file or self.file, stdout=said, **options)
        return said.getvalue()

    def joined(self, said):
        """Somebody who took the owner's link."""
        asking = Asking()
        link = {"token": re.search(r"token=(\S+)", said)[1]} | WHO
        del link["garden"]
        self.assertEqual(asking.post("/api/join", link).status_code, 201)
        return asking

    def changed(self, name, change):
        """The package with one of its files changed."""
        to = self.folder / "changed.zip"
        with self.export() as source, zipfile.ZipFile(to, "w") as out:
            for one in source.namelist():
                data = source.read(one)
                out.writestr(one, change(data) if one == name else data)
        return to

    def newest(self):
        return Membership.objects.order_by("pk").last().household

    def wipe(self):
        forget_household(Household.objects.get(pk=key("household")))

    def test_out_wiped_and_in_again_it_is_the_same_garden(self):
        household = key("household")
        before = contents(household)
        pages = {read: told(self.asking, read) for read in READ}
        history = list(Change.objects.order_by("id").values_list("kind", "summary", "at", "undone"))
        photo = Photo.objects.get()
        files = {size: where(household, photo.pk, size).read_bytes() for size in ("large", "small")}
        self.export().close()
        self.wipe()
        for size in files:
            where(household, photo.pk, size).unlink(missing_ok=True)
        said = self.bring()
        self.assertEqual(contents(household), before)
        self.assertGreater(sum(map(len, before.values())), 300)
        owner = self.joined(said)
        for read, words in pages.items():
            with self.subTest(read):
                self.assertEqual(told(owner, read), words)
        for size, data in files.items():
            self.assertEqual(where(household, photo.pk, size).read_bytes(), data)
        after = list(Change.objects.order_by("id").values_list("kind", "summary", "at", "undone"))
        self.assertEqual(after[: len(history)], history)

    def test_it_is_a_data_package_by_an_outside_judge(self):
        self.export().close()
        report = validate(str(self.file))
        self.assertTrue(report.valid, report.flatten(["message"])[:3])
        self.assertGreaterEqual(len(report.tasks), 40)

    def test_what_was_brought_in_can_be_worked_with_and_undone(self):
        self.export().close()
        self.wipe()
        owner = self.joined(self.bring())
        self.assert_refused(owner.post("/api/undo", {}), 409, "change")
        jar = str(key("Fruiting liquid 4-3-8"))
        renamed = {"name": "Red feed", "grade": "4-3-8", "pack": "1 L"}
        change = owner.put(f"/api/jars/{jar}", renamed).json()["change_id"]
        self.assertIn("Red feed", owner.get("/api/shelf").content.decode())
        self.assertEqual(owner.post("/api/undo", {"change_id": change}).status_code, 200)
        self.assertIn("Fruiting liquid", owner.get("/api/shelf").content.decode())
        first = Change.objects.order_by("id").first().pk
        self.assert_refused(owner.post("/api/undo", {"change_id": first}), 409, "change")

    def test_beside_the_garden_it_came_from_it_has_ids_of_its_own(self):
        self.export().close()
        owner = self.joined(self.bring())
        self.assertEqual(Household.objects.filter(name="Weir Yard").count(), 2)
        self.assertEqual(told(owner, "path")[200:], told(self.asking, "path")[200:])
        stand = owner.get("/api/path").json()["stops"][0]["stands"][0]["id"]
        self.assertNotIn(uuid.UUID(stand), set(Stand.objects.filter(
            household_id=key("household")).values_list("pk", flat=True)))  # fmt: skip
        note = {"id": new_id(), "stand_id": stand, "note": "x"}
        self.assert_refused(self.asking.post("/api/observations", note), 404, "stand_id")

    def test_the_first_version_is_read_for_ever(self):
        """Written on 2026-11-26; never written again."""
        self.wipe()
        owner = self.joined(self.bring(FIRST))
        stops = owner.get("/api/path").json()["stops"]
        self.assertEqual([stop["name"] for stop in stops][:2], ["Sluice bed", "Quay tub 1"])
        self.assertEqual(Reading.objects.count(), 30)
        shelf = owner.get("/api/shelf").content.decode()
        self.assertIn("Balanced crystals 16-8-24+Mg", shelf)

    def test_the_third_is_fed_on_any_evening_as_it_was(self):
        """Written on 2026-12-01, before a garden had evenings; never written again."""
        self.wipe()
        owner = self.joined(self.bring(THIRD))
        habits = owner.get("/api/plan").json()["habits"]
        self.assertEqual((habits["rhythm"], habits["evenings"]), ("as_needed", []))
        self.assertEqual(len(owner.get("/api/path").json()["stops"]), 9)

    def test_the_fourth_has_no_areas_and_nobody_weighs(self):
        """Written on 2026-12-01, before places had areas; never written again."""
        self.wipe()
        owner = self.joined(self.bring(FOURTH))
        self.assertFalse(owner.get("/api/plan").json()["habits"]["weighs"])
        self.assertEqual({one["area"] for one in owner.get("/api/path").json()["stops"]}, {""})

    def test_the_sixth_knows_no_nights_and_raises_as_the_plants_say(self):
        """Written on 2026-12-01, before nights were told and plants moved on; never again."""
        self.wipe()
        owner = self.joined(self.bring(SIXTH))
        told = owner.get("/api/round").json()
        self.assertIsNone(told["night"])
        self.assertIn("Harden off: 8 basil", " ".join(one["title"] for one in told["raising"]))

    def test_packages_of_landed_states_come_in_whole_and_read_the_same(self):
        self.wipe()
        words = json.loads((LANDED / "4684e1b.json").read_text())
        for file, name in (("yard", "weir-yard"), ("house", "mill-hand")):
            with self.subTest(file):
                packed = LANDED / f"4684e1b-{file}.zip"
                owner = Asking()
                owner.post("/api/sign-up", WHO | {"name": f"New {name}"})
                brought = owner.send_file("/api/import", packed.read_bytes(), "application/zip")
                self.assertEqual(brought.status_code, 201, brought.content)
                with zipfile.ZipFile(packed) as zipped:
                    kept = contents(self.newest())
                    for table in [one for one in zipped.namelist() if one.endswith(".csv")]:
                        lines = zipped.read(table).decode().count("\r\n") - 1
                        if (model := Path(table).stem) in kept:
                            self.assertEqual(len(kept[model]), lines, table)
                page = owner.get("/api/notebook?limit=500").json()
                wanted = ("at", "stop", "counted", "plants", "sources")
                doses = [[dose[k] for k in wanted] for dose in page["doses"]]
                self.assertEqual(doses, words[name]["doses"])

    def test_through_the_page_into_an_empty_garden_only(self):
        self.export().close()
        data = self.file.read_bytes()
        own = Asking()
        own.post("/api/sign-up", WHO)
        reply = own.send_file("/api/import", data, "application/zip")
        self.assertEqual(reply.status_code, 201, reply.content)
        self.assertEqual(reply.json()["title"], "Weir Yard")
        self.assertEqual(len(own.get("/api/path").json()["stops"]), 9)
        again = own.send_file("/api/import", data, "application/zip")
        self.assert_refused(again, 409, "file")
        out = own.get("/api/export")
        self.assertEqual(out.headers["Content-Type"], "application/zip")
        with (
            zipfile.ZipFile(io.BytesIO(out.getvalue())) as there,
            zipfile.ZipFile(self.file) as here,
        ):
            self.assertEqual(len(there.namelist()), len(here.namelist()))
        again = {"role": "helper", "password": WHO["password"]}
        invited = own.post("/api/invitations", again).json()["path"].split("=")[1]
        helper = Asking()
        helper.post("/api/join", {"token": invited, "name": "Owl", "password": WHO["password"]})
        self.assert_refused(helper.get("/api/export"), 403, "role")

    def assert_nothing_came(self, file, says):
        households, changes = Household.objects.count(), Change.objects.count()
        photos = set(Path(settings.DACE_PHOTOS).rglob("*.webp"))
        with self.assertRaises(CommandError) as caught:
            self.bring(file)
        self.assertRegex(str(caught.exception), says)
        self.assertEqual(Household.objects.count(), households)
        self.assertEqual(Change.objects.count(), changes)
        self.assertEqual(photos, set(Path(settings.DACE_PHOTOS).rglob("*.webp")))

    def test_a_broken_row_near_the_end_of_a_long_table_leaves_nothing(self):
        def many(data):
            head, first, *_ = data.decode().split("\r\n")
            cells = first.split(",")
            rows = [",".join([str(uuid.uuid4()), *cells[1:]]) for _ in range(LONG)]
            rows[LONG - 2] = rows[LONG - 2].replace("mS/cm", "mS/cm,more")
            return "\r\n".join([head, *rows, ""]).encode()

        before = Reading.objects.filter(household_id=key("household")).count()
        file = self.changed("tables/reading.csv", many)
        self.assert_nothing_came(file, f"reading.csv, line {LONG}")
        self.assertEqual(Reading.objects.filter(household_id=key("household")).count(), before)

    def test_what_does_not_fit_is_named_and_leaves_nothing(self):
        stand = str(key("stand chilli 3 fed"))
        for name, old, new, says in (
            ("tables/stand.csv", stand, str(uuid.uuid4()), r"which is not in the package"),
            ("tables/planting.csv", ",chilli,", ",moonfruit,", r"make no garden"),
            ("tables/can.csv", '""N""', '""N', r"can.csv, line 2, mg_l"),
            ("tables/dose.csv", "2026-", "soon", r"dose.csv, line 2"),
            ("tables/jar.csv", "id,", "id,colour,", r"a column “colour”"),
            ("tables/place.csv", ",bed,", ",castle,", r"one of tub, pot"),
            ("datapackage.json", '"version": 7', '"version": 8', r"version 7"),
        ):
            with self.subTest(name, new=new):
                file = self.changed(name, lambda d, o=old, n=new: d.replace(o.encode(), n.encode()))
                self.assert_nothing_came(file, says)

    def test_no_package_and_hostile_ones(self):
        plain, bomb = self.folder / "plain.zip", self.folder / "bomb.zip"
        plain.write_bytes(b"PK\x03\x04 and no more")
        self.assert_nothing_came(plain, "broken file")
        with zipfile.ZipFile(bomb, "w", zipfile.ZIP_DEFLATED) as out:
            out.writestr("datapackage.json", b" " * 6_000_000)
        self.assert_nothing_came(bomb, "without datapackage.json")
        self.assert_nothing_came(self.folder / "none.zip", "no file")
        photo = next(one for one in self.export().namelist() if one.startswith("photos/"))
        svg = self.changed(photo, lambda _: b"<svg onload='x()'/>")
        self.assert_nothing_came(svg, "broken picture")

    def test_secrets_stay_behind(self):
        self.asking.post("/api/calendar")
        with self.export() as zipped:
            text = " ".join(zipped.read(one).decode("latin-1") for one in zipped.namelist())
        self.assertNotIn("digest", text)
        self.assertNotIn(Membership.objects.first().user.username, text)
        self.assertNotIn("calendarlink", json.dumps(zipped.namelist()))
