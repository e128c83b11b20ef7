"""Reloading server beside Vite's own; its policy lets Vite's scripts and styles in."""

from typing import Any

from django.dispatch import receiver
from django.utils.autoreload import autoreload_started

from dace.project.settings.base import *  # noqa: F403
from dace.project.settings.base import CONTENT_SECURITY_POLICY, ROOT

DEBUG = True
SECRET_KEY = "only-for-development"  # noqa: S105
STATICFILES_DIRS = []
DJANGO_VITE = {"default": {"dev_mode": True, "dev_server_port": 5173}}
_VITE = ["http://localhost:5173", "ws://localhost:5173"]
CONTENT_SECURITY_POLICY["DIRECTIVES"] |= {
    "connect-src": ["'self'", *_VITE],
    "font-src": ["'self'", *_VITE],
    "img-src": ["'self'", "data:", *_VITE],
    "script-src": ["'self'", *_VITE],
    "style-src": ["'self'", "'unsafe-inline'", *_VITE],
}


@receiver(autoreload_started)
def _figures_too(sender: Any, **_: Any) -> None:
    """A figure that changes is read again, as code is."""
    sender.watch_dir(ROOT / "dace" / "core" / "figures", "*.csv")
