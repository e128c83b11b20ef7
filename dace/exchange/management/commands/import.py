"""``manage.py import FILE.zip``: a package as a new household, or into an empty one."""

from __future__ import annotations

from argparse import ArgumentParser
from pathlib import Path
from typing import Any

from django.core.management.base import BaseCommand, CommandError
from django.db import transaction

from dace.core.api import DaceError
from dace.exchange.bringing import bring_in
from dace.exchange.owners import begun_for, household_named, owner_of
from dace.exchange.unpacking import opened
from dace.households.people import owners_link


class Command(BaseCommand):
    """Reads and checks the whole package first; all of it comes in, or nothing."""

    help = "bring a package in: as a household of its own, or into one that holds nothing yet"

    def add_arguments(self, parser: ArgumentParser) -> None:
        """The package, and where to."""
        parser.add_argument("file", type=Path)
        parser.add_argument("--household", default="", help="name or id of one that is empty")

    def handle(self, *_: Any, **options: Any) -> None:
        """Bring it in; a household of its own needs somebody who may open it."""
        link = ""
        try:
            with opened(options["file"]) as package, transaction.atomic():
                if options["household"]:
                    scope = owner_of(household_named(options["household"]))
                else:
                    scope = begun_for(package)
                brought = bring_in(scope, package)
                if not options["household"]:
                    link = owners_link(scope)
        except DaceError as error:
            raise CommandError(error.sentence) from error
        self.stdout.write(f"{package.title}: {brought.rows:,} rows, {brought.photos} photos.")
        if link:
            self.stdout.write(f"Its owner joins within a week by this path: {link}")
