"""``manage.py demo``: Weir Yard, where it is not there yet."""

from typing import Any

from django.core.management.base import BaseCommand, CommandParser

from dace.demo.weir_yard import build
from dace.households.models import Household
from dace.households.services import forget_household


class Command(BaseCommand):
    """Load the demo garden."""

    help = "Load Weir Yard, the demo garden; --fresh builds it anew."

    def add_arguments(self, parser: CommandParser) -> None:
        """One switch."""
        parser.add_argument("--fresh", action="store_true", help="forget what was done in it")

    def handle(self, *_: Any, **options: Any) -> None:
        """Build, unless it stands."""
        standing = Household.objects.filter(is_demo=True, mask__isnull=True).first()
        if standing and options["fresh"]:
            forget_household(standing)
            standing = None
        if standing is None:
            build()
        self.stdout.write("Weir Yard is ready.")
