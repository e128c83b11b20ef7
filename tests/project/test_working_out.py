"""Who works out what stands: one asker of a household, and no household waits for another."""

import uuid
from concurrent.futures import ThreadPoolExecutor
from threading import Barrier, Event

from django.test import SimpleTestCase

from dace.households.version import Newest, Version

_SECONDS = 20


def version(household: uuid.UUID) -> Version:
    return Version(household, 1, 1, scope=None)  # type: ignore[arg-type]


class WorkingOut(SimpleTestCase):
    def test_two_households_are_worked_out_at_the_same_time(self):
        both = Barrier(2)

        @Newest
        def meet(asked: Version) -> uuid.UUID:
            both.wait(_SECONDS)  # each goes on only once the other is at it too
            return asked.household_id

        homes = [uuid.UUID(int=1), uuid.UUID(int=2)]
        with ThreadPoolExecutor(2) as pool:
            found = list(pool.map(lambda home: meet(version(home)), homes))
        self.assertEqual(found, homes)

    def test_two_pages_of_one_household_work_it_out_once(self):
        begun, go, times = Event(), Event(), []

        @Newest
        def slowly(asked: Version) -> int:
            times.append(asked)
            begun.set()
            go.wait(_SECONDS)
            return len(times)

        home = uuid.UUID(int=3)
        with ThreadPoolExecutor(2) as pool:
            first = pool.submit(slowly, version(home))
            begun.wait(_SECONDS)
            second = pool.submit(slowly, version(home))
            go.set()
            self.assertEqual((first.result(), second.result(), len(times)), (1, 1, 1))
