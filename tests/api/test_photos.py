"""Photos: what is taken in, what is left behind, and who sees them."""

from __future__ import annotations

import errno
import struct
import tempfile
import zlib
from io import BytesIO
from pathlib import Path
from unittest import mock

from django.conf import settings
from django.test import override_settings
from PIL import Image

from dace.demo.keys import key
from dace.households.models import Household
from dace.households.services import forget_household
from dace.notebook.models import Photo
from tests.api.base import Asking, WeirYardCase, new_id
from tests.api.pictures import PNG, picture, with_place

CHILLI = str(key("stand chilli 3 fed"))


def huge_png(side):
    """A PNG of a few bytes that claims to be so many pixels wide and high."""

    def chunk(kind, data):
        body = kind + data
        return struct.pack(">I", len(data)) + body + struct.pack(">I", zlib.crc32(body))

    head = struct.pack(">IIBBBBB", side, side, 8, 2, 0, 0, 0)
    return b"\x89PNG\r\n\x1a\n" + chunk(b"IHDR", head) + chunk(b"IDAT", b"") + chunk(b"IEND", b"")


class Photos(WeirYardCase):
    def setUp(self):
        super().setUp()
        folder = tempfile.mkdtemp(prefix="dace-photos-")  # other processes take photos in too
        self.enterContext(override_settings(DACE_PHOTOS=folder))

    def send(self, data, media="image/jpeg", asking=None, **more):
        said = {"id": new_id(), "stand_id": CHILLI} | more
        path = f"/api/photos?id={said['id']}&stand_id={said['stand_id']}"
        return (asking or self.asking).send_file(path, data, media)

    def shown(self, photo, size="large"):
        reply = self.asking.get(f"/api/photos/{photo}?size={size}")
        self.assertEqual(reply.status_code, 200)
        self.assertEqual(reply["Content-Type"], "image/webp")
        return Image.open(BytesIO(b"".join(reply.streaming_content)))

    def files(self):
        return sorted(Path(settings.DACE_PHOTOS).rglob("*.*"))

    def test_every_kind_that_is_named_is_taken_in_and_scaled(self):
        for form in ("JPEG", "PNG", "WEBP", "HEIF"):
            with self.subTest(form):
                sent = self.send(picture(form, (3000, 2000)))
                self.assertEqual(sent.status_code, 201, sent.content)
                self.assertEqual(self.shown(sent.json()["id"]).size, (1600, 1067))
                self.assertEqual(self.shown(sent.json()["id"], "small").size, (320, 213))

    def test_a_small_picture_is_not_blown_up(self):
        self.assertEqual(self.shown(self.send(PNG).json()["id"]).size, (40, 30))

    def test_place_camera_and_time_stay_behind_and_it_stands_upright(self):
        data = with_place(orientation=6)  # turned a quarter to the right
        self.assertTrue(Image.open(BytesIO(data)).getexif())
        for size in ("large", "small"):
            found = self.shown(self.send(data).json()["id"], size)
            self.assertEqual(dict(found.getexif()), {})
            self.assertLess(found.width, found.height)
            self.assertEqual(set(found.info) & {"exif", "icc_profile", "xmp", "comment"}, set())
            red, _, _ = found.convert("RGB").getpixel((found.width // 2, 2))
            self.assertGreater(red, 150)  # the red left half is on top now

    def test_what_is_no_picture_is_refused_and_nothing_is_stored(self):
        whole = picture()
        before, files = Photo.objects.count(), self.files()
        for name, data, status in (
            ("30 MB", b"\xff\xd8" + bytes(30_000_000), 413),
            ("a script", b"#!/bin/sh\nrm -rf /\n", 422),
            ("a page", b"<svg xmlns='http://www.w3.org/2000/svg' onload='alert(1)'/>", 422),
            ("broken", whole[: len(whole) // 2], 422),
            ("huge", huge_png(40_000), 422),
            ("large", huge_png(9_000), 422),
            ("nothing", b"", 422),
        ):
            with self.subTest(name):
                error = self.assert_refused(self.send(data), status, "photo")
                self.assertIn("would do", error["message"])
                self.assertEqual("megapixels" in error["message"], name in ("huge", "large"))
        self.assertEqual((Photo.objects.count(), self.files()), (before, files))

    def test_what_cannot_be_written_is_not_said_to_be_kept(self):
        full = OSError(errno.ENOSPC, "No space left on device")
        with mock.patch("dace.notebook.pictures.keep", side_effect=full):
            error = self.assert_refused(self.send(PNG), 503, "server")
        self.assertIn("full disk", error["message"])
        self.assertIn("not kept", error["message"])
        self.assertEqual(Photo.objects.count(), 0)

    def test_a_stranger_gets_no_photo_by_any_address(self):
        photo = self.send(PNG).json()["id"]
        stranger = Asking()
        self.assert_refused(stranger.get(f"/api/photos/{photo}"), 401, "session")
        garden = {"name": "Stranger", "password": "nine rusty trowels", "garden": "Elsewhere"}
        stranger.post("/api/sign-up", garden)
        for size in ("large", "small"):
            reply = stranger.get(f"/api/photos/{photo}?size={size}")
            self.assert_refused(reply, 404, "photo_id")
        tub = key("Quay tub 3")
        self.assertEqual(stranger.get(f"/api/photos?place_id={tub}").json(), {"photos": []})
        self.assert_refused(self.send(PNG, asking=stranger), 404, "stand_id")
        for path in self.files():
            self.assertEqual(path.stat().st_mode & 0o077, 0, path)

    def test_it_stands_in_the_notebook_and_on_the_strip_till_it_is_undone(self):
        photo = new_id()
        for _ in range(2):
            self.assertEqual(self.send(PNG, id=photo).status_code, 201)
        strip = f"/api/photos?place_id={key('Quay tub 3')}"
        self.assertEqual([one["id"] for one in self.asking.get(strip).json()["photos"]], [photo])
        entry = self.asking.get("/api/notebook").json()["others"][0]
        self.assertEqual((entry["kind"], entry["id"]), ("photo", photo))
        self.asking.post("/api/undo", {"change_id": entry["change_id"]})
        self.assert_refused(self.asking.get(f"/api/photos/{photo}"), 404, "photo_id")
        self.assertEqual(self.asking.get(strip).json()["photos"], [])

    def test_they_go_when_the_household_goes(self):
        self.send(PNG)
        household = Household.objects.get()
        folder = Path(settings.DACE_PHOTOS) / household.pk.hex
        self.assertTrue(folder.is_dir())
        forget_household(household)
        self.assertFalse(folder.exists())
