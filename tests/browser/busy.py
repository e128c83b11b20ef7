"""Requests that a served garden still works on, so that none outlives its test."""

from __future__ import annotations

from threading import Condition

from django.core.signals import request_finished, request_started

WAITS_S = 20.0


class Busy:
    """Counts the requests under way in the server's threads."""

    def __init__(self) -> None:
        self._under_way = 0
        self._changed = Condition()
        request_started.connect(self._began)
        request_finished.connect(self._ended)

    def _began(self, **_: object) -> None:
        with self._changed:
            self._under_way += 1

    def _ended(self, **_: object) -> None:
        with self._changed:
            self._under_way -= 1
            self._changed.notify_all()

    def wait(self) -> None:
        """Until nothing is worked on.

        What the last test asked for would otherwise be kept as an answer for the next, whose
        changes have the same numbers.
        """
        with self._changed:
            self._changed.wait_for(lambda: self._under_way <= 0, WAITS_S)
            self._under_way = 0


BUSY = Busy()
