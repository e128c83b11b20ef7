"""The HTTP API: every app's endpoints, one error form, sessions with CSRF."""

from __future__ import annotations

from dace.desks.bench import api as bench
from dace.desks.bench import api_leaf, api_mix
from dace.desks.door import api as door
from dace.desks.door import api_people
from dace.desks.looks import api as looks
from dace.desks.looks import api_photos
from dace.desks.notebook import api as notebook
from dace.desks.notebook import api_changes, mending
from dace.desks.path import api as path
from dace.desks.practice import api as practice
from dace.desks.roots import api as roots
from dace.desks.roots import api_series
from dace.desks.round import api as round_desk
from dace.desks.season import api as season
from dace.desks.season import api_dressings, api_plan
from dace.desks.setup import api as setup
from dace.desks.setup import api_list, api_places
from dace.desks.shared.at_home import AtHome, ScriptAtHome
from dace.desks.shelf import api as shelf
from dace.desks.solids import api as solids
from dace.desks.trials import api as trials
from dace.desks.year import api as year
from dace.exchange import api as exchange
from dace.exchange.notebook import api as notebook_file
from dace.project import errors
from dace.project.described import DescribedAPI

api = DescribedAPI(
    title="Dace",
    version="1",
    description="Feeding a home garden: cans, doses and readings.",
    docs_url=None,
    auth=[ScriptAtHome(), AtHome()],
)
errors.install(api)
errors.install_failures(api)
for room in (
    door,
    path,
    bench,
    api_leaf,
    api_mix,
    notebook,
    mending,
    api_changes,
    api_people,
    api_places,
    api_list,
    setup,
    season,
    api_dressings,
    api_plan,
    round_desk,
    looks,
    api_photos,
    trials,
    shelf,
    solids,
    year,
    practice,
    roots,
    api_series,
    exchange,
    notebook_file,
):
    api.add_router("", room.router)
