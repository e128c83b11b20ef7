"""``python -m tools.hard.killed [ROUNDS]``: kill -9 under eight writers, and count what was lost.

Each write that was answered 201 must stand afterwards, once; the database must be sound.
"""

from __future__ import annotations

import random
import signal
import sys
import tempfile
import threading
import time
import uuid
from collections.abc import Callable
from functools import partial
from http.client import HTTPException
from pathlib import Path

from dace.core.api import DaceError
from dace.exchange.sound import check_sound
from tools.hard.asked import Client
from tools.served import prepared, running

_WRITERS, _SEED = 8, 9


def main() -> None:
    """Kill, start again, and count."""
    rounds = int(sys.argv[1]) if len(sys.argv) > 1 else 20
    rng, kept = random.Random(_SEED), set[str]()
    visitor: Client | None = None
    with tempfile.TemporaryDirectory() as folder:
        prepared(Path(folder))
        for number in range(rounds):
            with running(Path(folder)) as (base, server):
                visitor = visitor.twin(base) if visitor else Client(base)
                kill = partial(server.send_signal, signal.SIGKILL)
                _write_until_it_ends(visitor, kept, kill, rng)
                server.wait()
            try:
                check_sound(Path(folder) / "dace.sqlite3")
            except DaceError as error:
                print(f"round {number}: {error.sentence}")
        with running(Path(folder)) as (base, server):
            assert visitor is not None
            found = _written(visitor.twin(base))
            server.terminate()
    lost, twice = kept - set(found), len(found) - len(set(found))
    print(f"{rounds} kills, {len(kept)} writes acknowledged: {len(lost)} lost, {twice} twice")


def _write_until_it_ends(
    visitor: Client, kept: set[str], kill: Callable[[], object], rng: random.Random
) -> None:
    stops = visitor.ask("GET", "/api/path")[1]["stops"]
    stand = next(one["id"] for stop in stops for one in stop["stands"])

    def write() -> None:
        try:
            client = visitor.twin()
            while True:
                row = str(uuid.uuid4())
                body = {"id": row, "stand_id": stand, "note": row}
                if client.ask("POST", "/api/observations", body)[0] == 201:
                    kept.add(row)
        except (OSError, HTTPException, ValueError):
            return  # it was killed

    writers = [threading.Thread(target=write) for _ in range(_WRITERS)]
    for writer in writers:
        writer.start()
    time.sleep(rng.uniform(0.5, 2.5))
    kill()
    for writer in writers:
        writer.join()


def _written(client: Client) -> list[str]:
    """Every note of this run that the Notebook has."""
    found: list[str] = []
    before = ""
    while True:
        page = client.ask("GET", f"/api/notebook?limit=500{before}")[1]
        found += [one["text"] for one in page["others"] if one["kind"] == "observation"]
        if not page["more"]:
            return [text for text in found if text.count("-") == 4 and len(text) == 36]
        before = f"&before={page['next'].replace('+', '%2B').replace(' ', '%20')}"


if __name__ == "__main__":
    main()
