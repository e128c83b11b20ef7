"""A password, wherever one is asked for: tried by one way, with the growing wait on all of them."""

from __future__ import annotations

from django.contrib.auth import authenticate
from django.http import HttpRequest

from dace.core.api import DaceError
from dace.households import waits
from dace.households.models import User
from dace.households.scope import LockedOutError


def tried(request: HttpRequest, name: str, password: str, field: str = "password") -> User | None:
    """Whose name and password these are; None where they do not go together.

    Raises
    ------
    LockedOutError
        On ``field``, where too many were wrong for this name from this address.
    """
    waits.trying(request, name)
    user = authenticate(request, username=name, password=password)
    if getattr(request, "axes_locked_out", False):
        left = waits.minutes_left(request)
        do = f"wait {left} minute{'s' if left > 1 else ''}, and try again"
        raise LockedOutError(field, "too many wrong passwords for this name from here", do)
    if not isinstance(user, User):
        return None
    waits.got_in(request)
    return user


def confirm(request: HttpRequest, password: str, field: str = "password") -> None:
    """That it is the one who signed in; a visitor of the demo garden has no password.

    Raises
    ------
    DaceError, LockedOutError
        On ``field``.
    """
    user = request.user
    assert isinstance(user, User)
    if not user.has_usable_password():
        return
    would_do = "the password that you signed in with"
    if not password:
        raise DaceError(field, "nothing", would_do)
    if tried(request, user.get_username(), password, field) is None:
        raise DaceError(field, "another password", would_do)
