"""Many hands at once on the garden of a file, each with a connection of its own.

Prints what came of it.
"""

# ruff: noqa: PLC0415, T201
from __future__ import annotations

import json
import os
import shutil
import sys
import tempfile
from collections.abc import Callable
from concurrent.futures import ThreadPoolExecutor
from threading import Barrier
from typing import Any

import django

HANDS = 6


def at_once(ask: Callable[[int, Any], Any]) -> list[int]:
    """The status that each hand's asking gave, all set going by one barrier."""
    from django.db import connection

    from tests.api.base import Asking

    ready = Barrier(HANDS)

    def hand(number: int) -> int:
        asking = Asking.signed_in()
        ready.wait()
        try:
            return int(ask(number, asking).status_code)
        finally:
            connection.close()

    with ThreadPoolExecutor(HANDS) as hands:
        return sorted(hands.map(hand, range(HANDS)))


def main() -> dict[str, Any]:
    """What six hands did to a label, a jar's stock, a row of plants, a brew and one retry."""
    from dace.demo.keys import key
    from dace.feeding.models import Dressing
    from dace.garden.models import Fill, Stand
    from dace.households.models import Change
    from dace.shelf.models import Jar
    from tests.api.base import Asking, new_id

    came: dict[str, Any] = {}
    liquid = Jar.objects.get(pk=key("Fruiting liquid 4-3-8"))
    path = f"/api/jars/{liquid.pk}"
    label = {"name": liquid.name, "grade": "4-3-8", "pack": "1 L", "price": 7.25}

    def label_or_stock(number: int, hand: Any) -> Any:
        return (
            hand.put(path, label) if number % 2 else hand.post(path + "/stock", {"stock": "70 ml"})
        )

    came["edits"] = at_once(label_or_stock)
    liquid.refresh_from_db()
    came["label and stock"] = [float(liquid.price or 0), liquid.stock]

    stand = Stand.objects.get(pk=key("stand aubergine 2 fed"))
    standing = Stand.objects.filter(planting=stand.planting, to_on=None)
    to = str(Fill.objects.exclude(pk=stand.fill_id).filter(renewed_on=None).first().pk)
    came["plants before"] = sum(one.count for one in standing)
    came["moves"] = at_once(
        lambda number, hand: hand.post(
            f"/api/stands/{stand.pk}/move", {"id": new_id(), "fill_id": to, "count": stand.count}
        )
    )
    came["plants after"] = sum(one.count for one in standing.all())

    brew = str(key("Comfrey ferment"))
    bottles = Jar.objects.exclude(brew=None)
    before = bottles.count()
    came["strained"] = at_once(
        lambda number, hand: hand.post(
            f"/api/brews/{brew}/strain", {"bottle_id": new_id(), "litres": "4 L", "name": "Bottled"}
        )
    )
    came["bottles"] = bottles.all().count() - before

    pellets = Jar.objects.get(pk=key("Pelleted poultry manure 4-3-2"))
    Asking.signed_in().post(f"/api/jars/{pellets.pk}/stock", {"stock": "20 g"})
    dry = {"stand_id": str(key("stand leek fed")), "jar_id": str(pellets.pk), "said": "15 g"}
    came["dressings"] = at_once(
        lambda number, hand: hand.post("/api/dressings", dry | {"id": new_id()})
    )
    came["spread"] = Dressing.objects.filter(jar=pellets, grams=15.0).count()

    somewhere = str(standing.all().first().pk)
    dose = {"id": new_id(), "stand_id": somewhere, "plants": 1, "litres_each": 0.5}
    can = {"id": new_id(), "jar_id": str(liquid.pk), "water_id": str(key("hard tap"))}
    can |= {"vessel": "9 L", "strength": "1 + 500"}
    changes = Change.objects.count()
    came["retries"] = at_once(
        lambda number, hand: hand.post("/api/pours", {"can": can, "dose": dose})
    )
    came["retries wrote"] = Change.objects.count() - changes
    return came


if __name__ == "__main__":
    with tempfile.TemporaryDirectory() as folder:
        os.environ |= {
            "DACE_DATA": folder,
            "DJANGO_SETTINGS_MODULE": "dace.project.settings.testing",
        }
        django.setup()
        from django.conf import settings
        from django.test.utils import setup_test_environment

        setup_test_environment()
        shutil.copy(sys.argv[1], settings.DATABASES["default"]["NAME"])
        print(json.dumps(main()))
