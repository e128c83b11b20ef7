"""Typed readers of environment variables."""

from __future__ import annotations

import os
from pathlib import Path

from django.core.exceptions import ImproperlyConfigured


def text(name: str, default: str = "") -> str:
    """A variable, or its default."""
    return os.environ.get(name, default)


def needed(name: str) -> str:
    """A variable that must be there; its name is in the error."""
    value = os.environ.get(name, "")
    if not value:
        raise ImproperlyConfigured(f"{name} is missing: set it in the environment")
    return value


def flag(name: str) -> bool:
    """A switch: ``1``, ``yes`` or ``true``."""
    return os.environ.get(name, "").lower() in ("1", "yes", "true")


def names(name: str, default: str) -> list[str]:
    """A list, separated by commas."""
    return [part.strip() for part in text(name, default).split(",") if part.strip()]


def folder(name: str, default: Path) -> Path:
    """A folder, whether or not it exists yet."""
    return Path(text(name, str(default))).resolve()
