"""A line in the log for every request: what was asked, how it ended, how long it took."""

from __future__ import annotations

import logging
import re
import time
from collections.abc import Callable
from typing import Any

from django.db import connection
from django.http import HttpRequest, HttpResponse

_requests, _slow = logging.getLogger("dace.requests"), logging.getLogger("dace.slow")
_SLOW_S, _SAID = 0.2, 200
_SECRET = re.compile(r"(?<=/calendar/).+")


class Watched:
    """Middleware: method, path, status, time, queries and household; never what was typed."""

    def __init__(self, get_response: Callable[[HttpRequest], HttpResponse]) -> None:
        self._get_response = get_response

    def __call__(self, request: HttpRequest) -> HttpResponse:
        """Answer, and write the line."""
        if not _requests.isEnabledFor(logging.INFO):
            return self._get_response(request)
        began, queries = time.perf_counter(), _Queries()
        with connection.execute_wrapper(queries):
            response = self._get_response(request)
        took = 1000 * (time.perf_counter() - began)
        household = getattr(getattr(request, "auth", None), "household_id", None)
        _requests.info(
            "%s %s %d %.0f ms %d queries %s",
            request.method,
            shown_path(request.path),  # without what stands behind a question mark
            response.status_code,
            took,
            queries.count,
            household or "-",
        )
        return response


def shown_path(path: str) -> str:
    """An address as it is written down: without what lets somebody in.

    >>> shown_path("/api/calendar/s3cret.ics"), shown_path("/api/calendar")
    ('/api/calendar/….ics', '/api/calendar')
    """
    return _SECRET.sub("….ics", path)


class _Queries:
    """Counts queries, and logs the slow ones as they are written, without their values."""

    def __init__(self) -> None:
        self.count = 0

    def __call__(self, execute: Any, sql: str, params: Any, many: bool, context: Any) -> Any:
        self.count += 1
        began = time.perf_counter()
        try:
            return execute(sql, params, many, context)
        finally:
            took = time.perf_counter() - began
            if took >= _SLOW_S:
                _slow.warning("%.0f ms: %s", 1000 * took, sql[:_SAID])
