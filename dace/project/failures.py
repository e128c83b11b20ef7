"""What a failure of the machine is called: said in plain words, and found again in the log."""

from __future__ import annotations

import errno
import logging
import secrets

from django.db import DatabaseError

_log = logging.getLogger("dace.failures")
NOT_KEPT = "what you wrote was not kept"
_DATABASE = (
    ("disk is full", "a full disk", "make room on it"),
    ("readonly", "a read-only database", "let Dace write to its folder"),
    ("malformed", "a damaged database", "restore a backup"),
    ("not a database", "a damaged database", "restore a backup"),
    ("locked", "a database that others write to", "try again in a moment"),
    ("no such table", "a database of an older version", "run manage.py migrate"),
    ("unable to open", "a database that cannot be opened", "look at the folder of its data"),
    ("disk i/o", "a disk that cannot be read or written", "look at the disk"),
)
_SYSTEM = {
    errno.ENOSPC: ("a full disk", "make room on it"),
    errno.EROFS: ("a read-only disk", "let Dace write to its folder"),
    errno.EACCES: ("a folder that cannot be written to", "let Dace write to it"),
}


def known(error: Exception) -> tuple[str, str] | None:
    """What is the matter and what would do, where it is the machine's; None where it is ours."""
    if isinstance(error, DatabaseError):
        said = str(error).lower()
        found = next(((read, do) for sign, read, do in _DATABASE if sign in said), None)
        return found or ("a database that does not work", "look at the log")
    if isinstance(error, OSError) and error.errno in _SYSTEM:
        return _SYSTEM[error.errno]
    return None


def noted(error: Exception, method: str, path: str) -> str:
    """Log a failure with where it was, and give the id that the page shows."""
    mark = secrets.token_hex(4)
    _log.error("%s: %s %s failed", mark, method, path, exc_info=error)
    return mark
