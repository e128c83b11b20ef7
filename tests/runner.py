"""Django's runner, which also says which tests and which folders took longest."""

from __future__ import annotations

import time
import traceback
import unittest
from collections import Counter
from typing import Any

from django.db import connection
from django.db.migrations.loader import MigrationLoader
from django.db.migrations.recorder import MigrationRecorder
from django.test.runner import (
    DiscoverRunner,
    ParallelTestSuite,
    RemoteTestResult,
    RemoteTestRunner,
)

from tests.gardens import kept_for_all

_SLOWEST = 10
_SECONDS_EACH = 0.3


class TimedResult(unittest.TextTestResult):
    """Keeps how long each test took, here or in a process of its own."""

    def __init__(self, *args: Any, **kwargs: Any) -> None:
        super().__init__(*args, **kwargs)
        self.took: list[tuple[float, str]] = []

    def startTest(self, test: unittest.TestCase) -> None:  # noqa: N802
        self._began = time.perf_counter()
        super().startTest(test)

    def stopTest(self, test: unittest.TestCase) -> None:  # noqa: N802
        super().stopTest(test)
        if isinstance(test, unittest.TestCase):
            self.took.append((time.perf_counter() - self._began, test.id()))

    def tookElsewhere(self, test: unittest.TestCase, seconds: float) -> None:  # noqa: N802
        """What a process of its own measured counts instead of what was seen here."""
        self.took[-1] = (seconds, test.id())

    def printErrors(self) -> None:  # noqa: N802
        super().printErrors()
        self.stream.writeln("\nThe slowest:")
        for seconds, name in sorted(self.took, reverse=True)[:_SLOWEST]:
            self.stream.writeln(f"{seconds:7.2f} s  {name}")
        folders: Counter[str] = Counter()
        for seconds, name in self.took:
            folders[".".join(name.split(".")[:2])] += seconds  # type: ignore[assignment]
        for name, seconds in folders.most_common():
            self.stream.writeln(f"{seconds:7.0f} s  in {name}")


class _RemoteResult(RemoteTestResult):
    def startTest(self, test: unittest.TestCase) -> None:  # noqa: N802
        self._began = time.perf_counter()
        super().startTest(test)

    def stopTest(self, test: unittest.TestCase) -> None:  # noqa: N802
        super().stopTest(test)
        seconds = time.perf_counter() - self._began
        self.events.append(("tookElsewhere", self.test_index, seconds))

    # What went wrong crosses to the other process as text: clients and dialogs do not.
    def addError(self, test: unittest.TestCase, err: Any) -> None:  # noqa: N802
        super().addError(test, _in_words(err))

    def addFailure(self, test: unittest.TestCase, err: Any) -> None:  # noqa: N802
        super().addFailure(test, _in_words(err))

    def addSubTest(  # noqa: N802
        self, test: unittest.TestCase, subtest: unittest.TestCase, err: Any
    ) -> None:
        if err is not None:
            self.addFailure(test, (err[0], AssertionError(f"{subtest}: {err[1]}"), err[2]))


class ToldError(AssertionError):
    """A failure of another process, with its traceback as text."""


def _in_words(err: Any) -> tuple[type[ToldError], ToldError, None]:
    return ToldError, ToldError("".join(traceback.format_exception(*err))), None


class _RemoteRunner(RemoteTestRunner):
    resultclass = _RemoteResult


class _Parallel(ParallelTestSuite):
    runner_class = _RemoteRunner

    def __init__(self, subsuites: list[unittest.TestSuite], *args: Any, **kwargs: Any) -> None:
        # the longest first: else one process works on alone at the end
        super().__init__(sorted(subsuites, key=_weight, reverse=True), *args, **kwargs)


def _weight(suite: unittest.TestSuite) -> float:
    """About how many seconds the tests of a class take, by what it says of one of them."""
    each: float = getattr(type(next(iter(suite))), "seconds_each", _SECONDS_EACH)
    return each * suite.countTestCases()


def _count_as_migrated() -> None:
    """The tables are made from the models at once; what reads a database wants them counted."""
    loader = MigrationLoader(connection)
    for app, name in loader.disk_migrations.keys() - loader.applied_migrations.keys():
        MigrationRecorder(connection).record_applied(app, name)


class Runner(DiscoverRunner):
    """What ``make test`` runs."""

    parallel_test_suite = _Parallel

    def setup_databases(self, **kwargs: Any) -> Any:
        """A database for each process; copied once all of it lies in its file."""
        processes, self.parallel = self.parallel, 0
        made = super().setup_databases(**kwargs)
        self.parallel = processes
        if kwargs.get("aliases"):
            _count_as_migrated()
        if processes > 1 and kwargs.get("aliases"):
            kept_for_all()
            with connection.cursor() as cursor:
                cursor.execute("PRAGMA wal_checkpoint(TRUNCATE)")
            connection.close()
            for number in range(1, processes + 1):
                connection.creation.clone_test_db(str(number), self.verbosity)
        return made

    def get_resultclass(self) -> type[unittest.TextTestResult]:
        """Ours, unless the debugger asks for its own."""
        return super().get_resultclass() or TimedResult
