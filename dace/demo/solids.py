"""What the yard makes of solids: a heap, a load of manure under test, vetch, a mix."""

from __future__ import annotations

from collections.abc import Callable, Iterable
from datetime import date, datetime

from dace.core.api import BeanPot
from dace.demo.keys import Table, key
from dace.garden.greening import cut_green, sow_green
from dace.garden.placing import NewMix, save_mix
from dace.garden.reads import garden_of
from dace.households.scope import Scope
from dace.shelf.heaping import Layer, NewHeap, begin_heap, do_heap_step, feed_heap, read_beans

Done = tuple[datetime, Callable[[Scope], object]]
Moment = Callable[..., datetime]


class Solids:
    """Done like everything else in the yard: dated, through the services of any garden."""

    def __init__(self, moment: Moment, yard: Table) -> None:
        self.moment, self.yard = moment, yard

    def story(self) -> Iterable[Done]:
        """All of it, in no order."""
        for table in self.yard["heaps"]:
            yield from self._heap(table)
        for table in self.yard["green"]:
            yield from self._green(table)
        for table in self.yard["mixes"]:
            yield self.moment(table["day"], 15), lambda scope, table=table: _mix(scope, table)

    def _heap(self, table: Table) -> Iterable[Done]:
        name, row = table["name"], key(table["name"])
        layers = [Layer(**one) for one in table["layers"]]
        new = NewHeap(name, table["method"], tuple(layers), table.get("covered", False))
        yield self.moment(table["begun"], 15), lambda scope: begin_heap(scope, row, new)
        for turn, more in enumerate(table.get("added", ())):
            layer = Layer(more["material"], more["amount"], more.get("known", False))
            added = key(f"{name} added {turn}")
            yield (
                self.moment(more["day"], 16),
                lambda scope, added=added, layer=layer: feed_heap(scope, added, row, layer),
            )
        for kind, day in table.get("steps", ()):
            done = key(f"{name} {kind} {day}")
            yield (
                self.moment(day, 16, 30),
                lambda scope, done=done, kind=kind: do_heap_step(scope, done, row, kind),
            )
        if "beans" in table:
            yield self._beans(name, table["beans"])

    def _beans(self, name: str, table: Table) -> Done:
        test, plain = ([BeanPot(*pot) for pot in table[side]] for side in ("test", "plain"))
        day: date = table["day"]
        return self.moment(day, 17), lambda scope: read_beans(
            scope, key(f"{name} beans"), key(name), test, plain
        )

    def _green(self, table: Table) -> Iterable[Done]:
        row, fill = key(f"{table['kind']} {table['fill']}"), key(f"fill {table['fill']}")
        sown, told = table["sown"], self.moment(table["told"], 13)
        yield told, lambda scope: sow_green(scope, row, fill, table["kind"], sown)
        yield (
            self.moment(table["cut"], 14),
            lambda scope: cut_green(scope, row, table["stand"], table["dug_in"]),
        )


def _mix(scope: Scope, table: Table) -> object:
    new = NewMix(table["name"], table["use"], dict(table["parts"]))
    return save_mix(scope, garden_of(scope), key(f"mix {table['name']}"), new)
