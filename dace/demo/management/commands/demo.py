"""``manage.py demo``: Weir Yard as it stands on the day that the clock says."""

from typing import Any

from django.core.management.base import BaseCommand, CommandParser
from django.db import transaction

from dace.demo.weir_yard import build, built_as
from dace.households import clock
from dace.households.models import Household
from dace.households.services import forget_household


class Command(BaseCommand):
    """Load the demo garden."""

    help = "Load Weir Yard as of today, or of DACE_NOW; --fresh builds it anew even so."

    def add_arguments(self, parser: CommandParser) -> None:
        """One switch."""
        parser.add_argument("--fresh", action="store_true", help="forget what was done in it")

    def handle(self, *_: Any, **options: Any) -> None:
        """Build it, unless the same yard of the same day stands."""
        now = clock.now()
        with transaction.atomic():
            standing = Household.objects.filter(is_demo=True, mask__isnull=True).first()
            if standing and (options["fresh"] or standing.built_as != built_as(now)):
                forget_household(standing)
                standing = None
            if standing is None:
                build(now)
        self.stdout.write(f"Weir Yard is ready, as of {now.date()}.")
