"""``manage.py serve``: Dace for browsers, with checks at its start and copies every night."""

from __future__ import annotations

import ctypes
import os
from argparse import ArgumentParser
from collections.abc import Callable
from contextlib import suppress
from functools import partial
from pathlib import Path
from typing import Any

from django.conf import settings
from django.core.management import call_command
from django.core.management.base import BaseCommand, CommandError
from django.db import connections

from dace.core.api import DaceError
from dace.exchange.backups import held
from dace.exchange.copies import keep_up
from dace.exchange.sound import check_sound
from dace.households.clock import now, steady
from dace.project import health
from dace.project.hands import Hands, NoHandsError, listening

# Slow clients cost a socket each, no thread: a request is worked on once it is there whole.
_CONNECTIONS, _SILENT_S = 1000, 30
_MOST_BYTES = 64_000_000
_THREADS, _PROCESSES = 6, min(2, os.cpu_count() or 1)
_EVERY_S = 600.0
_M_ARENA_MAX, _ARENAS = -8, 2
_M_MMAP_THRESHOLD, _LARGE = -3, 1 << 20


class Command(BaseCommand):
    """Serves until it is stopped."""

    help = "serve Dace; refuses a database that is damaged or of an older version"

    def add_arguments(self, parser: ArgumentParser) -> None:
        """Where to listen, and whether older tables are brought up to date first."""
        port = os.environ.get("PORT", "8000")
        parser.add_argument("--listen", default=f"127.0.0.1:{port}", help="address:port")
        parser.add_argument("--processes", type=int, default=_PROCESSES)
        parser.add_argument("--threads", type=int, default=_THREADS, help="in each process")
        parser.add_argument(
            "--migrate", action="store_true", help="copy an older database, then migrate it"
        )

        parser.add_argument("--demo", action="store_true", help="load the demo garden first")

    def handle(self, *_: Any, **options: Any) -> None:
        """Check, and serve; a copy is made every night meanwhile."""
        os.umask(0o077)
        path = Path(str(settings.DATABASES["default"]["NAME"]))
        try:
            if path.is_file() and path.stat().st_size:
                check_sound(path, begun=False)
                path.chmod(0o600)
        except DaceError as error:
            raise CommandError(error.sentence) from error
        if options["migrate"]:
            call_command("migrate", verbosity=0)
        if options["demo"]:
            call_command("demo", stdout=self.stdout)
        wrong = health.trouble()
        if wrong:
            raise CommandError(f"Dace does not start: {wrong}.")
        # imported once the database is known to be sound
        from waitress import serve  # noqa: PLC0415

        from dace.project.wsgi import application  # noqa: PLC0415

        proxy: dict[str, Any] = {}
        if settings.DACE_PROXY:
            proxy = {
                "trusted_proxy": settings.DACE_PROXY,
                "trusted_proxy_headers": {"x-forwarded-for", "x-forwarded-proto"},
                "clear_untrusted_proxy_headers": True,
            }
        try:
            sock = listening(options["listen"])
        except (OSError, ValueError) as error:
            raise CommandError(f"{options['listen']}: {error}") from error
        _hand_memory_back()
        now(), steady()  # a clock that was set goes alike in every process
        work = partial(
            serve,
            application,
            sockets=[sock],
            threads=options["threads"],
            connection_limit=_CONNECTIONS,
            channel_timeout=_SILENT_S,
            asyncore_use_poll=True,
            max_request_body_size=_MOST_BYTES,
            ident=None,
            **proxy,
        )
        connections.close_all()
        try:
            with suppress(KeyboardInterrupt), held(path):
                Hands(options["processes"], partial(_beside_working_ahead, work)).run(
                    keep_up, _EVERY_S
                )
        except DaceError as error:
            raise CommandError(error.sentence) from error
        except NoHandsError as error:
            raise CommandError("Dace ended as soon as it had begun; see above") from error


def _beside_working_ahead(work: Callable[[], object]) -> None:
    """Serve, and work out meanwhile what the first to ask on a day would wait for."""
    from dace.project.ahead import Ahead  # noqa: PLC0415  (its database is known to be sound by now)

    Ahead().start()
    work()


def _hand_memory_back() -> None:
    """What is large goes back to the system as soon as it is let go of.

    The C library would keep some for each thread, and would take more and more for small.
    """
    with suppress(OSError, AttributeError):
        library = ctypes.CDLL(None)
        library.mallopt(_M_ARENA_MAX, _ARENAS)
        library.mallopt(_M_MMAP_THRESHOLD, _LARGE)
