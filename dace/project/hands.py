"""Several processes behind one address: what one works out holds up none of the others' answers."""

from __future__ import annotations

import os
import signal
import socket
import threading
import time
from collections.abc import Callable
from types import FrameType

_BACKLOG = 256
_LOOKS_S, _SHORT_S = 0.5, 2.0
_GRACE_S, _ENDING_S = 10.0, 0.05
_ENDED_ALONE = 75


class NoHandsError(Exception):
    """A process failed as soon as it had begun: another one would fare no better."""


def listening(listen: str) -> socket.socket:
    """A socket at ``address:port`` that several processes can take calls from.

    Raises
    ------
    ValueError
        If it is no such address.
    OSError
        If somebody listens there already.
    """
    address, _, port = listen.rpartition(":")
    address = address.strip("[]")
    made = socket.socket(socket.AF_INET6 if ":" in address else socket.AF_INET)
    made.setsockopt(socket.SOL_SOCKET, socket.SO_REUSEADDR, 1)
    made.bind((address, int(port)))
    made.listen(_BACKLOG)
    return made


class Hands:
    """So many processes that each do ``work``; this one sees to it that they go on.

    It runs no thread and leaves no database open, so that it can begin another at any time.
    """

    def __init__(self, count: int, work: Callable[[], object]) -> None:
        self._work = work
        self._alive: dict[int, float] = {}
        self._count = count
        self._stays, self._ends = os.pipe()

    def run(self, beside: Callable[[], object], every_s: float) -> None:
        """Until it is told to end: those that die are begun anew, ``beside`` is done so often.

        Raises
        ------
        NoHandsError
            If one fails in its first moments.
        """
        signal.signal(signal.SIGTERM, _asked_to_end)
        try:
            while True:
                while len(self._alive) < self._count:
                    self._begin()
                beside()
                self._look_after(time.monotonic() + every_s)
        finally:
            self._end()

    def _look_after(self, until: float) -> None:
        while len(self._alive) == self._count and time.monotonic() < until:
            time.sleep(_LOOKS_S)
            for pid, begun in list(self._alive.items()):
                ended, status = os.waitpid(pid, os.WNOHANG)
                if ended:
                    del self._alive[pid]
                    failed = os.waitstatus_to_exitcode(status) > 0
                    if failed and time.monotonic() - begun < _SHORT_S:
                        raise NoHandsError

    def _begin(self) -> None:
        pid = os.fork()
        if pid:
            self._alive[pid] = time.monotonic()
            return
        status = 1
        try:
            os.close(self._ends)
            threading.Thread(target=self._end_with_the_first, daemon=True).start()
            self._work()
            status = 0
        except (KeyboardInterrupt, SystemExit):
            status = 0
        finally:
            os._exit(status)

    def _end_with_the_first(self) -> None:
        """Where the first was killed: nobody stays behind at its address."""
        os.read(self._stays, 1)
        os._exit(_ENDED_ALONE)

    def _end(self) -> None:
        """They end what they are at; who has not ended after some seconds is killed."""
        for pid in self._alive:
            os.kill(pid, signal.SIGTERM)
        until = time.monotonic() + _GRACE_S
        while self._alive:
            for pid in list(self._alive):
                if os.waitpid(pid, os.WNOHANG)[0]:
                    del self._alive[pid]
                elif time.monotonic() > until:
                    os.kill(pid, signal.SIGKILL)
            time.sleep(_ENDING_S)


def _asked_to_end(number: int, frame: FrameType | None) -> None:
    raise SystemExit(0)
