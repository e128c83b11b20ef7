"""A flood of passwords: so many are hashed, others are asked to come again."""

from threading import BoundedSemaphore
from unittest import mock

from django.contrib.auth.hashers import check_password
from django.test import SimpleTestCase

from dace.households import hashing
from dace.households.hashing import FewAtOnce
from dace.households.scope import LockedOutError


class Flood(SimpleTestCase):
    def test_who_finds_no_room_is_told_to_come_again_and_finds_it_later(self):
        hasher = FewAtOnce()
        with (
            mock.patch.object(hashing, "_door", BoundedSemaphore(0)),
            self.assertRaises(LockedOutError) as refused,
        ):
            hasher.encode("nine rusty trowels", "salt", 1)
        self.assertEqual(refused.exception.field, "password")
        for _ in range(20):  # each leaves its place to the next, those that fail as well
            self.assertRaises(ValueError, hasher.encode, "x", "a$b", 1)
        self.assertTrue(hasher.encode("nine rusty trowels", "salt", 1))

    def test_it_is_djangos_own_hash(self):
        made = FewAtOnce().encode("nine rusty trowels", "salt", 1)
        self.assertTrue(made.startswith("pbkdf2_sha256$1$salt$"))
        self.assertFalse(check_password("ten", made))
