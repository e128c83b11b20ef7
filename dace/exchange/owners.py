"""Households by name, for commands, and who stands behind what is written."""

from __future__ import annotations

import uuid

from dace.core.api import DaceError
from dace.exchange.unpacking import Package
from dace.households import clock
from dace.households.models import Household, Membership, User
from dace.households.scope import Scope
from dace.households.security import scope_of


def household_named(name: str) -> Household:
    """The household of a name or an id.

    Raises
    ------
    DaceError
        On ``household``, if there is none, or more than one.
    """
    found = list(Household.objects.filter(name=name, ends_at__isnull=True))
    if not found:
        try:
            found = list(Household.objects.filter(pk=uuid.UUID(name)))
        except ValueError:
            names = Household.objects.filter(ends_at__isnull=True).values_list("name", flat=True)
            would_do = f"one of {', '.join(sorted(set(names)))}" if names else "none is here yet"
            raise DaceError("household", f"“{name}”", would_do) from None
    if len(found) != 1:
        ids = ", ".join(str(one.pk) for one in found) or "an id of one that is here"
        raise DaceError("household", f"“{name}”, of which there are {len(found)}", ids)
    return found[0]


def owner_of(household: Household) -> Scope:
    """What its owner may, now.

    Raises
    ------
    DaceError
        On ``household``, if nobody owns it.
    """
    rows = Membership.objects.filter(household=household, role=Membership.Role.OWNER)
    member = rows.select_related("household", "user").order_by("pk").first()
    if member is None:
        raise DaceError("household", f"“{household.name}”, which nobody owns", "another one")
    return scope_of(member)


def begun_for(package: Package) -> Scope:
    """A new household for a package, under its own id where that is free.

    Its first owner is nobody who can sign in: people join by a link.
    """
    taken = Household.objects.filter(pk=package.household_id).exists()
    household = Household.objects.create(
        id=uuid.uuid4() if taken else package.household_id, name=package.title
    )
    user = User(username=f"brought in {household.pk.hex[:8]}")
    user.set_unusable_password()
    user.save()
    member = Membership.objects.create(user=user, household=household, role=Membership.Role.OWNER)
    return Scope(household.pk, member.user_id, clock.now())
