"""``python -m tools.hard.soak [MINUTES]``: eight clients who use a garden without a rest.

Prints errors, the 95th percentile of the answers, and the server's memory minute by minute.
"""

from __future__ import annotations

import random
import statistics
import sys
import tempfile
import threading
import time
import uuid
from collections import Counter
from pathlib import Path
from typing import Any

from tools.hard.asked import Client
from tools.served import prepared, running

_CLIENTS, _SEED, _REST_S = 8, 11, 0.25
_READ = ("/api/path", "/api/round", "/api/round/ahead", "/api/bench", "/api/season",
         "/api/notebook?limit=40", "/api/shelf", "/api/trials", "/api/setup")  # fmt: skip
_P95 = 0.95


def main() -> None:
    """Use it, and say how it bore that."""
    minutes = float(sys.argv[1]) if len(sys.argv) > 1 else 2
    with tempfile.TemporaryDirectory() as folder:
        prepared(Path(folder))
        with running(Path(folder)) as (base, server):
            first = Client(base)
            seen: Counter[int] = Counter()
            took: list[tuple[float, str]] = []
            until = time.monotonic() + 60 * minutes
            users = [
                threading.Thread(target=_use, args=(first.twin(), n, until, seen, took))
                for n in range(_CLIENTS)
            ]
            for user in users:
                user.start()
            while time.monotonic() < until:
                print(f"{memory_mb(server.pid):.0f} MB, {len(took)} answers", flush=True)
                time.sleep(min(60.0, max(0.1, until - time.monotonic())))
            for user in users:
                user.join()
            print(f"{memory_mb(server.pid):.0f} MB at the end")
    print("statuses:", dict(sorted(seen.items())))
    times = sorted(ms for ms, _ in took)
    print(f"median {statistics.median(times):.0f} ms, p95 {times[int(_P95 * len(times))]:.0f} ms")
    slow: dict[str, list[float]] = {}
    for ms, what in took:
        slow.setdefault(what, []).append(ms)
    for what, of in sorted(slow.items(), key=lambda one: -statistics.median(one[1])):
        median = statistics.median(of)
        print(f"  {what}: median {median:.0f}, at worst {max(of):.0f} ms ({len(of)})")


def _use(
    client: Client, number: int, until: float, seen: Counter[int], took: list[tuple[float, str]]
) -> None:
    rng = random.Random(_SEED + number)
    stops = client.ask("GET", "/api/path")[1]["stops"]
    stands = [(stop["subject_id"], one["id"]) for stop in stops for one in stop["stands"]]
    while time.monotonic() < until:
        method, path, body = _asking(rng, stands)
        began = time.perf_counter()
        status, _ = client.ask(method, path, body)
        took.append((1000 * (time.perf_counter() - began), f"{method} {path.split('?')[0]}"))
        seen[status] += 1
        time.sleep(rng.uniform(0, 2 * _REST_S))


def _asking(rng: random.Random, stands: list[tuple[str, str]]) -> tuple[str, str, Any]:
    """One in five writes: a note, a reading, or an undo."""
    if rng.random() < 0.8:
        return "GET", rng.choice(_READ), None
    subject, stand = rng.choice(stands)
    kind = rng.choice(("note", "reading", "undo"))
    row = {"id": str(uuid.uuid4())}
    if kind == "note":
        return "POST", "/api/observations", row | {"stand_id": stand, "note": "as before"}
    if kind == "undo":
        return "POST", "/api/undo", {}
    value = f"{rng.uniform(0.8, 2.4):.2f}"
    more = {"subject_id": subject, "value": value, "scale": "mS/cm", "method": "pour_through"}
    return "POST", "/api/readings", row | more


def memory_mb(pid: int) -> float:
    """Of a process and those it began, what they share counted once."""
    begun = Path(f"/proc/{pid}/task/{pid}/children").read_text(encoding="ascii").split()
    rollups = [
        Path(f"/proc/{one}/smaps_rollup").read_text(encoding="ascii") for one in (pid, *begun)
    ]
    return sum(int(one.split("\nPss:")[1].split()[0]) for one in rollups) / 1024


if __name__ == "__main__":
    main()
