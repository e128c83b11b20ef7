"""App configuration."""

from __future__ import annotations

from datetime import UTC, datetime
from typing import Any

from django.apps import AppConfig


class ExchangeConfig(AppConfig):
    """Backups; it has no tables of its own."""

    name = "dace.exchange"
    label = "exchange"

    def ready(self) -> None:
        """Before tables change, what stands is copied."""
        from django.apps import apps  # noqa: PLC0415
        from django.db.models.signals import pre_migrate  # noqa: PLC0415

        # told once for each app that has tables: the first of ours stands for all
        pre_migrate.connect(copy_first, sender=apps.get_app_config("households"))


def copy_first(plan: list[Any], verbosity: int, **_: Any) -> None:
    """Copy a database that has rows before a migration changes it."""
    from django.db import connection  # noqa: PLC0415
    from django.db.migrations.recorder import MigrationRecorder  # noqa: PLC0415

    from dace.exchange.copies import before_migrating  # noqa: PLC0415

    if plan and MigrationRecorder(connection).applied_migrations():
        made = before_migrating(datetime.now(UTC))
        if verbosity:
            print(f"What stands is copied to {made}")  # noqa: T201
