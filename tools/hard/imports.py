"""``python -m tools.hard.imports [HOURS]``: a logger's long table taken in beside another writer.

Prints how long it took beside what a bare ``executemany`` of the same rows takes, the other
writer's longest wait, and the server's memory before and after.
"""

from __future__ import annotations

import sqlite3
import statistics
import sys
import tempfile
import threading
import time
import uuid
from datetime import UTC, datetime, timedelta
from pathlib import Path

from tools.hard.asked import Client
from tools.hard.soak import memory_mb
from tools.served import prepared, running

_BEGUN = datetime(1971, 1, 2, tzinfo=UTC)
_RUNS, _WARMING, _TABLE = 3, 200, "measuring_seriesspan"


def main() -> None:
    """Take one in, and say how long it took and what the others met."""
    number = int(sys.argv[1]) if len(sys.argv) > 1 else 500_000
    table = "time,EC\n" + "\n".join(
        f"{_BEGUN + timedelta(hours=hour):%Y-%m-%dT%H:%MZ},{1 + hour % 7 / 10}"
        for hour in range(number)
    )
    with tempfile.TemporaryDirectory() as folder:
        prepared(Path(folder))
        bare = statistics.median(_bare(Path(folder), number) for _ in range(_RUNS))
        with running(Path(folder)) as (base, server):
            client = Client(base)
            for _ in range(_WARMING):  # until each process has answered
                client.ask("GET", "/api/path")
            other, over, waits = client.twin(), threading.Event(), [0.0]
            writer = threading.Thread(target=_write, args=(other, over, waits))
            writer.start()
            before, most = memory_mb(server.pid), [0.0]
            watcher = threading.Thread(target=_watch, args=(server.pid, over, most))
            watcher.start()
            subject = client.ask("GET", "/api/path")[1]["stops"][0]["subject_id"]
            path = f"/api/series?id={uuid.uuid4()}&subject_id={subject}"
            began = time.perf_counter()
            status, told = client.send("POST", path, table.encode(), "text/csv")
            took = time.perf_counter() - began
            over.set()
            writer.join()
            watcher.join()
            print(f"{number:,} hours: {status} in {took:.1f} s, {len(waits) - 1} writes meanwhile")
            print(f"bare executemany of the same rows: {bare:.1f} s; ratio {took / bare:.2f}")
            print(f"the other's longest wait: {1000 * max(waits):.0f} ms")
            print(f"memory: {before:.0f} MB before, {most[0]:.0f} MB at most, "
                  f"{memory_mb(server.pid):.0f} MB after")  # fmt: skip
            if status != 201:
                print(told)


def _bare(folder: Path, number: int) -> float:
    """Seconds that the rows alone take, in a table with the indexes that Dace has."""
    with sqlite3.connect(folder / "dace.sqlite3") as dace:
        schema = dace.execute(
            "SELECT sql FROM sqlite_master WHERE tbl_name = ? AND sql NOTNULL", (_TABLE,)
        ).fetchall()
    dace.close()
    file = folder / "bare.sqlite3"
    with sqlite3.connect(file) as bare:
        bare.execute("PRAGMA journal_mode=WAL")
        for (statement,) in schema:
            bare.execute(statement)
        key = uuid.uuid4().hex
        rows = [(key, "hour", n, 1.0, 1.0, 1.0, 1) for n in range(number)]
        began = time.perf_counter()
        bare.executemany(
            f"INSERT INTO {_TABLE} (series_id, level, hour, low, high, total, count) "
            "VALUES (?,?,?,?,?,?,?)",
            rows,
        )
        bare.commit()
        took = time.perf_counter() - began
    bare.close()
    for one in folder.glob("bare.sqlite3*"):
        one.unlink()
    return took


def _write(client: Client, over: threading.Event, waits: list[float]) -> None:
    stops = client.ask("GET", "/api/path")[1]["stops"]
    stand = next(one["id"] for stop in stops for one in stop["stands"])
    while not over.wait(0.05):
        body = {"id": str(uuid.uuid4()), "stand_id": stand, "note": "meanwhile"}
        began = time.perf_counter()
        status, told = client.ask("POST", "/api/observations", body)
        waits.append(time.perf_counter() - began)
        if status != 201:
            print(status, told)


def _watch(pid: int, over: threading.Event, most: list[float]) -> None:
    while not over.wait(0.2):
        most[0] = max(most[0], memory_mb(pid))


if __name__ == "__main__":
    main()
