"""Opening every page of a garden once: what cannot be shown is no garden."""

from __future__ import annotations

from collections.abc import Callable, Iterator
from dataclasses import replace

from dace.core.api import DaceError, shown
from dace.desks.bench.page import supplies_page
from dace.desks.notebook.entries import read_cursor
from dace.desks.notebook.page import notebook_page
from dace.desks.path.page import path_page
from dace.desks.roots.page import all_roots, place_page
from dace.desks.round.page import round_page
from dace.desks.season.page import season_page
from dace.desks.season.planting import planting_page
from dace.desks.setup.page import setup_page
from dace.desks.shared.at_home import measures_of
from dace.desks.shelf.brew import brew_page
from dace.desks.shelf.jar import jar_page
from dace.desks.shelf.page import shelf
from dace.desks.trials.page import trial_page, trials_page
from dace.garden.models import Planting
from dace.households.scope import Scope
from dace.households.version import forget
from dace.notebook.models import Trial
from dace.shelf.models import Brew, Jar

_AT_ONCE = 500


def read_back(scope: Scope) -> None:
    """Every page, the Notebook to its first day.

    Raises
    ------
    DaceError
        On ``file``, with what could not be shown.
    """
    reading = replace(scope, memo={})
    try:
        with shown.showing(measures_of(reading)):
            for page in _pages(reading):
                page()
    except Exception as error:  # whatever rows of anybody's making lead to
        told = error.sentence if isinstance(error, DaceError) else type(error).__name__
        read = f"rows that make no garden ({told})"
        raise DaceError("file", read, "a package as Dace exported it") from error


def _pages(scope: Scope) -> Iterator[Callable[[], object]]:
    for whole in (
        setup_page, path_page, shelf, supplies_page, round_page, season_page, all_roots,
        trials_page,
    ):  # fmt: skip
        yield lambda whole=whole: whole(scope)
    for stop in path_page(scope).stops:
        yield lambda stop=stop: place_page(scope, stop.id)
    for model, page in (
        (Planting, planting_page), (Brew, brew_page), (Jar, jar_page), (Trial, trial_page),
    ):  # fmt: skip
        for key in model.objects.of(scope).values_list("pk", flat=True):
            yield lambda page=page, key=key: page(scope, key)
    yield lambda: _notebook(scope)


def _notebook(scope: Scope) -> None:
    before = None
    while True:
        page = notebook_page(scope, None, before, _AT_ONCE)
        if page.next is None:
            return
        before = read_cursor(page.next)


def forget_what_was_read() -> None:
    """What was worked out of rows that are not kept: their changes' numbers come again."""
    forget()
