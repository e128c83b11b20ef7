"""The HTTP API: every app's endpoints, one error form, sessions with CSRF."""

from __future__ import annotations

from ninja import NinjaAPI

from dace.desks.api import (
    bench,
    changes,
    dressings,
    notebook,
    path,
    people,
    places,
    roots,
    season,
    series,
    sessions,
    setup,
    shelf,
)
from dace.households.security import HouseholdSession
from dace.project import errors

api = NinjaAPI(
    title="Dace",
    version="1",
    description="Feeding a home garden: cans, doses and readings.",
    docs_url=None,
    auth=HouseholdSession(),
)
errors.install(api)
api.add_router("", sessions.router)
api.add_router("", path.router)
api.add_router("", bench.router)
api.add_router("", notebook.router)
api.add_router("", changes.router)
api.add_router("", people.router)
api.add_router("", places.router)
api.add_router("", setup.router)
api.add_router("", season.router)
api.add_router("", dressings.router)
api.add_router("", shelf.router)
api.add_router("", roots.router)
api.add_router("", series.router)
