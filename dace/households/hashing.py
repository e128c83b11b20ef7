"""Passwords are hashed one after another: a flood of them must not hold up everything else."""

from __future__ import annotations

import threading

from django.contrib.auth.hashers import PBKDF2PasswordHasher

from dace.households.scope import LockedOutError

_AT_ONCE, _WAITING = 1, 2  # in each process: less than its threads, which others want
_room = threading.BoundedSemaphore(_AT_ONCE)
_door = threading.BoundedSemaphore(_AT_ONCE + _WAITING)


class FewAtOnce(PBKDF2PasswordHasher):
    """Django's own hash of half a second's work: one at once, two wait, others come again."""

    def encode(self, password: str, salt: str, iterations: int | None = None) -> str:
        """The hash.

        Raises
        ------
        LockedOutError
            On ``password``, where others are in the way.
        """
        if not _door.acquire(blocking=False):
            raise LockedOutError(
                "password", "many who sign in at this moment", "try again in a second or two"
            )
        try:
            with _room:
                return super().encode(password, salt, iterations)
        finally:
            _door.release()
