"""Making an account and its household."""

from __future__ import annotations

import unicodedata
from graphlib import TopologicalSorter

from django.apps import apps
from django.contrib.auth.password_validation import validate_password
from django.core.exceptions import ValidationError
from django.db import transaction
from reversion.models import Revision

from dace.core.api import DaceError
from dace.households.models import Household, Kept, Membership, User, name_key


def sign_up(name: str, password: str, household_name: str) -> User:
    """A first user with a household of their own.

    Parameters
    ----------
    name, password : str
        What they will sign in with.
    household_name : str
        What they call their garden.

    Returns
    -------
    User
        Ready to be signed in.

    Raises
    ------
    DaceError
        On field ``name`` if it is taken, ``password`` if it is too easily guessed.
    """
    with transaction.atomic():
        user = checked_user(name, password)
        household = Household.objects.create(name=household_name)
        Membership.objects.create(user=user, household=household)
    return user


def checked_user(name: str, password: str) -> User:
    """A new user, once the name is free and the password not easily guessed.

    Raises
    ------
    DaceError
        On field ``name`` or ``password``.
    """
    name = unicodedata.normalize("NFKC", name).strip()
    user = User(username=name)
    check_password_of(user, password)
    if not name_key(name):
        raise DaceError("name", "no letter that can be seen", "a few letters would do")
    if User.objects.filter(name_key=name_key(name)).exists():
        raise DaceError("name", f"“{name}”, which is taken", "choose another name, or sign in")
    user.set_password(password)
    user.save()
    return user


def check_password_of(user: User, password: str) -> None:
    """That a password is not easily guessed.

    Raises
    ------
    DaceError
        On field ``password``.
    """
    try:
        validate_password(password, user)
    except ValidationError as error:
        reasons = " ".join(error.messages).rstrip(".")
        raise DaceError("password", "a password that is easily guessed", reasons) from None


def named(name: str) -> str:
    """A user's name as it is kept, however it was typed; as typed where there is none."""
    found = User.objects.filter(name_key=name_key(name)).values_list("username", flat=True)
    return found.first() or name


def forget_household(household: Household) -> None:
    """Delete a household with everything it keeps, its history too."""
    members = User.objects.filter(membership__household=household)
    with transaction.atomic():
        # every version of a row goes with it: history would tell what was deleted
        Revision.objects.filter(change__household=household).delete()
        for model in _kept_models_last_first():
            model._base_manager.filter(household_id=household.pk).delete()
        members.delete()
        household.delete()


def _points_at(model: type[Kept], other: type[Kept]) -> bool:
    return any(field.related_model is other for field in model._meta.fields)


def _kept_models_last_first() -> list[type[Kept]]:
    """Every kind of row that a household keeps, those that point at others first."""
    kept = {model for model in apps.get_models() if issubclass(model, Kept)}
    points = {model: {one for one in kept - {model} if _points_at(model, one)} for model in kept}
    return list(reversed(list(TopologicalSorter(points).static_order())))
