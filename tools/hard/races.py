"""``python -m tools.hard.races [ROUNDS]``: hands that meet, in threads and in three processes.

Each round six hands edit a label or tell its stock, move the same plants, spread more than there
is of a dry feed, and send one pour six times. Counts rounds in which anything was lost, came
twice, or was read at another process as it stood before.
"""

from __future__ import annotations

import sys
import tempfile
import uuid
from collections import Counter
from collections.abc import Callable
from concurrent.futures import ThreadPoolExecutor
from contextlib import ExitStack
from pathlib import Path
from threading import Barrier
from typing import Any

from tools.hard.asked import Client
from tools.served import prepared, running

_HANDS = 6
Asked = Callable[[int, Client], tuple[int, Any]]


def main() -> None:
    """Both ways, and what went wrong in each."""
    rounds = int(sys.argv[1]) if len(sys.argv) > 1 else 25
    for processes in (1, 3):
        with tempfile.TemporaryDirectory() as folder, ExitStack() as servers:
            prepared(Path(folder))
            bases = [servers.enter_context(running(Path(folder)))[0] for _ in range(processes)]
            yard = Yard(bases)
            wrong: Counter[str] = Counter()
            for number in range(rounds):
                wrong.update(yard.round(number))
                if number and number % 100 == 0:
                    print(f"{number} rounds", flush=True)
        where = "threads" if processes == 1 else f"{processes} processes"
        print(f"{rounds} rounds in {where}: {dict(wrong) or 'nothing wrong'}", flush=True)


class Yard:
    """A visitor's copy of the yard, and six hands on it."""

    def __init__(self, bases: list[str]) -> None:
        first = Client(bases[0])
        self.hands = [first.twin(bases[n % len(bases)]) for n in range(_HANDS)]
        self.read = [first.twin(base) for base in bases]
        self.pool = ThreadPoolExecutor(_HANDS)
        setup = first.ask("GET", "/api/setup")[1]
        shelf = first.ask("GET", "/api/shelf")[1]["jars"]
        self.liquid = next(one for one in shelf if one["name"].startswith("Fruiting liquid"))["id"]
        self.pellets = next(one for one in shelf if one["name"].startswith("Pelleted"))["id"]
        self.water = setup["waters"][0]["id"]
        stands = self._stands(first)
        self.planting = next(one["planting_id"] for one in stands if "aubergine" in str(one))
        self.dry = stands[0]["id"]

    def at_once(self, ask: Asked) -> list[int]:
        """The statuses of all hands, set going together."""
        ready = Barrier(_HANDS)

        def hand(number: int) -> int:
            ready.wait()
            return ask(number, self.hands[number])[0]

        return sorted(self.pool.map(hand, range(_HANDS)))

    def round(self, number: int) -> list[str]:
        """What was wrong."""
        tries = (self.label_and_stock, self.move, self.spread, self.pour_again)
        return [told for one in tries if (told := one(number))]

    def _jar(self, reader: Client, jar: str) -> dict[str, Any]:
        found = reader.ask("GET", "/api/setup")[1]["jars"]
        return next(one for one in found if one["id"] == jar)

    def label_and_stock(self, number: int) -> str:
        """Both are kept, and every process knows at once."""
        price, stock = 1 + number % 90, 50 + number % 900
        label = {"name": "Fruiting liquid 4-3-8", "grade": "4-3-8", "pack": "1 L", "price": price}
        path = f"/api/jars/{self.liquid}"

        def ask(hand: int, client: Client) -> tuple[int, Any]:
            if hand % 2:
                return client.ask("PUT", path, label)
            return client.ask("POST", path + "/stock", {"stock": f"{stock} ml"})

        statuses = self.at_once(ask)
        found = [self._jar(reader, self.liquid) for reader in self.read]
        if any(status >= 300 for status in statuses):
            return f"an edit answered {statuses}"
        if any(one["price"] != price or one["stock"] != stock for one in found):
            return "an edit or a stock lost or read stale"
        return ""

    def _standing(self, reader: Client) -> list[dict[str, Any]]:
        return [one for one in self._stands(reader) if one["planting_id"] == self.planting]

    def _stands(self, reader: Client) -> list[dict[str, Any]]:
        places = reader.ask("GET", "/api/setup")[1]["places"]
        return [one for place in places for one in place["stands"]]

    def move(self, number: int) -> str:
        """One hand moves the plants; they are as many as before wherever one asks."""
        (before, *_) = standing = self._standing(self.read[0])
        plants = sum(one["count"] for one in standing)
        places = self.read[0].ask("GET", "/api/setup")[1]["places"]
        fills = [fill["id"] for place in places for fill in place["fills"]]
        others = [one for one in fills if one not in {stand["fill_id"] for stand in standing}]
        to, path = others[number % len(others)], f"/api/stands/{before['id']}/move"
        statuses = self.at_once(
            lambda hand, client: client.ask(
                "POST", path, {"id": str(uuid.uuid4()), "fill_id": to, "count": before["count"]}
            )
        )
        after = [sum(one["count"] for one in self._standing(reader)) for reader in self.read]
        if statuses.count(201) != 1 or any(status >= 500 for status in statuses):
            return f"a move answered {statuses}"
        return "" if set(after) == {plants} else "plants lost, doubled, or read stale"

    def spread(self, number: int) -> str:
        """20 g are there; six hands want 15 g each."""
        grams = 20 + number % 2
        self.hands[0].ask("POST", f"/api/jars/{self.pellets}/stock", {"stock": f"{grams} g"})
        body = {"stand_id": self.dry, "jar_id": self.pellets, "said": "15 g", "whole": False}
        statuses = self.at_once(
            lambda hand, client: client.ask(
                "POST", "/api/dressings", body | {"id": str(uuid.uuid4())}
            )
        )
        return "" if statuses.count(201) == 1 and statuses[-1] < 500 else f"spread: {statuses}"

    def pour_again(self, number: int) -> str:
        """One pour sent by six hands stands once."""
        stand = self._standing(self.read[0])[0]
        dose = {"id": str(uuid.uuid4()), "stand_id": stand["id"], "plants": 1, "litres_each": 0.5}
        can = {"id": str(uuid.uuid4()), "jar_id": self.liquid, "water_id": self.water}
        can |= {"vessel": "9 L", "strength": "1 + 900"}
        self.hands[0].ask("POST", f"/api/jars/{self.liquid}/stock", {"stock": "900 ml"})
        statuses = self.at_once(
            lambda hand, client: client.ask("POST", "/api/pours", {"can": can, "dose": dose})
        )
        if set(statuses) != {201}:
            return f"a pour sent again answered {statuses}"
        for reader in self.read:
            doses = reader.ask("GET", "/api/notebook?limit=20")[1]["doses"]
            if [one["id"] for one in doses].count(dose["id"]) != 1:
                return "a pour lost, doubled, or read stale"
        return ""


if __name__ == "__main__":
    main()
