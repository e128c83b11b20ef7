"""The first minute: an account, its household and a garden, in one transaction."""

from __future__ import annotations

import uuid

from django.db import transaction

from dace.garden.services import NewGarden, save_garden
from dace.households import clock
from dace.households.models import Membership, User
from dace.households.scope import Scope
from dace.households.services import sign_up


def start(name: str, password: str, garden_name: str) -> User:
    """An account with a household and an empty garden."""
    with transaction.atomic():
        user = sign_up(name, password, garden_name)
        member = Membership.objects.get(user=user)
        scope = Scope(member.household_id, user.pk, clock.now())
        save_garden(scope, uuid.uuid4(), NewGarden(garden_name))
    return user
