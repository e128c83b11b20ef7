"""``manage.py restore FILE``: a backup in the place of what is there."""

from __future__ import annotations

from argparse import ArgumentParser
from pathlib import Path
from typing import Any

from django.core.management import call_command
from django.core.management.base import BaseCommand, CommandError

from dace.core.api import DaceError
from dace.exchange.backups import restore


class Command(BaseCommand):
    """Checks a backup first; what was there is kept beside it."""

    help = "put a backup in the place of what is there; stop Dace first"
    requires_system_checks: tuple[str, ...] = ()

    def add_arguments(self, parser: ArgumentParser) -> None:
        """The backup."""
        parser.add_argument("file", type=Path)

    def handle(self, *_: Any, **options: Any) -> None:
        """Restore, and bring an older backup up to this version's tables."""
        try:
            before = restore(options["file"])
        except DaceError as error:
            raise CommandError(error.sentence) from error
        call_command("migrate", verbosity=0)
        self.stdout.write(f"Restored from {options['file']}.")
        if before.is_file():
            self.stdout.write(f"What was there before is in {before}.")
