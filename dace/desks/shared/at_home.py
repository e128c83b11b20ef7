"""A signed-in member, and the measures in which things are said to them."""

from __future__ import annotations

from collections.abc import Callable

from django.http import HttpRequest, HttpResponse

from dace.core.api import shown
from dace.garden.reads import garden_of
from dace.households.scope import Scope
from dace.households.security import HouseholdSession, ScriptToken


class AtHome(HouseholdSession):
    """The session, with the garden's measures, degrees and pen scale in force."""

    def authenticate(self, request: HttpRequest, key: str | None) -> Scope | None:
        """As the session does; one query more."""
        scope = super().authenticate(request, key)
        shown.show_in(shown.Shown() if scope is None else measures_of(scope))
        return scope


class ScriptAtHome(ScriptToken):
    """A script with a token, with the garden's measures in force."""

    def authenticate(self, request: HttpRequest, token: str) -> Scope | None:
        """As the token does; one query more."""
        scope = super().authenticate(request, token)
        if scope is not None:
            shown.show_in(measures_of(scope))
        return scope


class MeasuresEnd:
    """Middleware: one household's measures end with its request, whichever thread served it."""

    def __init__(self, get_response: Callable[[HttpRequest], HttpResponse]) -> None:
        self._get_response = get_response

    def __call__(self, request: HttpRequest) -> HttpResponse:
        """Answer; afterwards nobody's measures are in force."""
        with shown.showing(shown.Shown()):
            return self._get_response(request)


def measures_of(scope: Scope) -> shown.Shown:
    """How a household measures, on the scale of its pen."""
    garden = garden_of(scope)
    scale = getattr(garden, "pen_scale", None)
    return shown.Shown(garden.measures, garden.degrees, scale or "mS/cm")
