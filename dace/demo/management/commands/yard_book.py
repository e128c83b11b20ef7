"""``manage.py yard_book``: the yard's feeding book anew, by the verdicts of its evenings."""

from datetime import date
from pathlib import Path
from typing import Any

from django.core.management.base import BaseCommand

from dace.demo import weir_yard
from dace.demo.fed import FILE


class Command(BaseCommand):
    """Write the book."""

    help = "Write the demo garden's feeding book anew, by the verdicts of its evenings (minutes)."

    def handle(self, *_: Any, **options: Any) -> None:
        """Live the year through; the database stays as it was."""
        book = Path(weir_yard.__file__).with_name(FILE)
        book.write_text(weir_yard.written_anew(date(2026, 12, 31)), encoding="utf-8")
        self.stdout.write(f"{FILE} is written.")
