"""``manage.py backup FILE``: everything in one file, while Dace is served."""

from __future__ import annotations

from argparse import ArgumentParser
from pathlib import Path
from typing import Any

from django.core.management.base import BaseCommand, CommandError

from dace.core.api import DaceError
from dace.exchange.backups import back_up


class Command(BaseCommand):
    """Copies the database and the photos, and checks the copy."""

    help = "back everything up into one file, also while Dace is served"

    def add_arguments(self, parser: ArgumentParser) -> None:
        """The file to write."""
        parser.add_argument("file", type=Path)

    def handle(self, *_: Any, **options: Any) -> None:
        """Write it, and say how large it is."""
        try:
            made = back_up(options["file"])
        except DaceError as error:
            raise CommandError(error.sentence) from error
        self.stdout.write(f"{made.path}: {made.size / 1e6:.1f} MB with {made.photos} photo files.")
