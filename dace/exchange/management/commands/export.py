"""``manage.py export FILE.zip --household NAME``: one household as an open package."""

from __future__ import annotations

from argparse import ArgumentParser
from pathlib import Path
from typing import Any

from django.core.management.base import BaseCommand, CommandError

from dace.core.api import DaceError
from dace.exchange.owners import household_named, owner_of
from dace.exchange.packing import pack


class Command(BaseCommand):
    """Writes tables, photos and the calendar into one zip."""

    help = "write a household as an open package (docs/formats.md)"

    def add_arguments(self, parser: ArgumentParser) -> None:
        """The file, and whose garden."""
        parser.add_argument("file", type=Path)
        parser.add_argument("--household", required=True, help="its name or its id")

    def handle(self, *_: Any, **options: Any) -> None:
        """Write it, and say what is in it."""
        try:
            made = pack(owner_of(household_named(options["household"])), options["file"].resolve())
        except DaceError as error:
            raise CommandError(error.sentence) from error
        told = f"{made.rows:,} rows and {made.photos} photo files, {made.size / 1e6:.1f} MB"
        self.stdout.write(f"{options['file']}: {told}.")
