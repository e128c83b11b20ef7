"""``python -m tools.hard.slow [N]``: N clients that never end their request, then a flood."""

from __future__ import annotations

import socket
import statistics
import sys
import threading
import time
import urllib.request
from collections import Counter
from http.cookiejar import CookieJar
from urllib.parse import urlsplit

from tools.hard.asked import Client
from tools.served import served

_HALF = {
    "heads": b"POST /api/readings HTTP/1.1\r\nHost: 127.0.0.1\r\nX-Slow: ",
    "bodies": b"POST /api/sign-in HTTP/1.1\r\nHost: 127.0.0.1\r\nContent-Type: application/json\r\n"
    b"Content-Length: 900\r\n\r\n{",
}
_ASKED, _FLOODS = 15, 20


def main() -> None:
    """Hold so many half-sent requests open, of either kind, and time ``/healthz``."""
    count = int(sys.argv[1]) if len(sys.argv) > 1 else 200
    with served() as base:
        for name, half in _HALF.items():
            held = [_hold(urlsplit(base).port or 80, half) for _ in range(count)]
            took = [_healthz(base) for _ in range(_ASKED)]
            for one in held:
                one.close()
            median, worst = 1000 * statistics.median(took), 1000 * max(took)
            print(f"{count} half-sent {name}: /healthz {median:.0f} ms, at worst {worst:.0f} ms")
        _flooded(base)


def _flooded(base: str) -> None:
    """Twenty who try passwords without a rest, each for names of its own."""
    stop, tried = threading.Event(), Counter[int]()

    def flood(number: int) -> None:
        client = Client(base, CookieJar())
        while not stop.is_set():
            who = {"name": f"Rook {number} {sum(tried.values())}", "password": "a guess"}
            tried[client.ask("POST", "/api/sign-in", who)[0]] += 1

    floods = [threading.Thread(target=flood, args=(n,)) for n in range(_FLOODS)]
    for one in floods:
        one.start()
    time.sleep(1)
    took = [_healthz(base) for _ in range(_ASKED)]
    stop.set()
    for one in floods:
        one.join()
    median, worst = 1000 * statistics.median(took), 1000 * max(took)
    answers = f"{_FLOODS} floods of sign-ins, answers {dict(tried)}"
    print(f"{answers}: /healthz {median:.0f} ms, at worst {worst:.0f} ms")


def _hold(port: int, half: bytes) -> socket.socket:
    held = socket.create_connection(("127.0.0.1", port))
    held.send(half)
    return held


def _healthz(base: str) -> float:
    began = time.perf_counter()
    with urllib.request.urlopen(f"{base}/healthz", timeout=20) as reply:
        reply.read()
    return time.perf_counter() - began


if __name__ == "__main__":
    main()
