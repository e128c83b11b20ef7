"""The first minute: an account, its household and a garden, in one transaction."""

from __future__ import annotations

import uuid

from django.db import transaction

from dace.garden.services import NewGarden, NewWater, add_garden, add_vessel, add_water
from dace.households import clock
from dace.households.models import Membership, User
from dace.households.scope import Scope
from dace.households.services import sign_up

_USUAL_TAP_EC = 0.5
_USUAL_CAN_L = 9.0


def start(name: str, password: str, garden_name: str) -> User:
    """An account with an empty garden, a usual can and a usual water to begin with."""
    with transaction.atomic():
        user = sign_up(name, password, garden_name)
        member = Membership.objects.get(user=user)
        scope = Scope(member.household_id, user.pk, clock.now())
        garden = add_garden(scope, NewGarden(uuid.uuid4(), garden_name))
        add_vessel(scope, uuid.uuid4(), garden, "9-litre can", _USUAL_CAN_L, usual=True)
        tap = NewWater(
            uuid.uuid4(), garden, "tap, not read yet", ec_ms_cm=_USUAL_TAP_EC, usual=True
        )
        add_water(scope, tap)
    return user
