"""Dace served from a throwaway data folder with the demo garden, for pictures and timings."""

from __future__ import annotations

import os
import socket
import subprocess
import sys
import tempfile
import time
import urllib.request
from collections.abc import Iterator
from contextlib import contextmanager
from pathlib import Path

ROOT = Path(__file__).resolve().parents[1]
_WAIT_S = 30.0


@contextmanager
def served(extra_static: dict[str, bytes] | None = None) -> Iterator[str]:
    """Build the demo in a fresh folder and serve it.

    Parameters
    ----------
    extra_static : dict of str to bytes, optional
        Files to serve below ``/static/`` as they are.

    Yields
    ------
    str
        The address, such as ``http://127.0.0.1:40123``.
    """
    with tempfile.TemporaryDirectory() as folder:
        prepared(Path(folder))
        for name, content in (extra_static or {}).items():
            (Path(folder) / "static" / name).write_bytes(content)
        with running(Path(folder)) as (address, _):
            yield address


def prepared(folder: Path) -> None:
    """The demo's database and the static files in a folder."""
    _manage(folder, "migrate", "-v0")
    _manage(folder, "demo")
    gather(folder)


def gather(folder: Path) -> None:
    """The static files in a folder."""
    _manage(folder, "collectstatic", "--noinput", "-v0")


def _manage(folder: Path, *command: str) -> None:
    subprocess.run(
        [sys.executable, "manage.py", *command],
        cwd=ROOT,
        env=environment(folder),
        check=True,
        stdout=subprocess.DEVNULL,
    )


@contextmanager
def running(folder: Path) -> Iterator[tuple[str, subprocess.Popen[bytes]]]:
    """Serve what is in a folder; its address and its process, which is ended at last."""
    port = free_port()
    server = begun(folder, port)
    try:
        yield f"http://127.0.0.1:{port}", server
    finally:
        server.terminate()
        server.wait()


def begun(folder: Path, port: int, **more: str) -> subprocess.Popen[bytes]:
    """A process that serves what is in a folder, once it answers; more of its environment."""
    server = subprocess.Popen(
        [sys.executable, "manage.py", "serve", "--listen", f"127.0.0.1:{port}"],
        cwd=ROOT,
        env=environment(folder) | more,
        stderr=subprocess.DEVNULL,  # a line for each request would be all that one sees
    )
    _wait_for(f"http://127.0.0.1:{port}/healthz")
    return server


def environment(folder: Path) -> dict[str, str]:
    """What the demo is served with."""
    return os.environ | {
        "DACE_DATA": str(folder),
        "DACE_DEMO": "1",
        "DACE_NOW": "2026-07-14T17:40",
        "DACE_SECRET_KEY": "only-for-pictures-and-timings",
        "DJANGO_SETTINGS_MODULE": "dace.project.settings.production",
    }


def free_port() -> int:
    """One that nobody listens at."""
    with socket.socket() as probe:
        probe.bind(("127.0.0.1", 0))
        port: int = probe.getsockname()[1]
        return port


def _wait_for(url: str) -> None:
    until = time.monotonic() + _WAIT_S
    while time.monotonic() < until:
        try:
            with urllib.request.urlopen(url, timeout=1):
                return
        except OSError:
            time.sleep(0.1)
    raise RuntimeError(f"{url} did not answer")
