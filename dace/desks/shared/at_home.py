"""A signed-in member, and the measures in which things are said to them."""

from __future__ import annotations

from django.http import HttpRequest

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


def measures_of(scope: Scope) -> shown.Shown:
    """How a household measures, on the scale of its pen."""
    garden = garden_of(scope)
    scale = getattr(garden, "pen_scale", None)
    return shown.Shown(garden.measures, garden.degrees, scale or "mS/cm")
