"""The one map from errors to HTTP, and the one form they take."""

from __future__ import annotations

import sys
from collections.abc import Callable
from typing import Any

from django.core.exceptions import RequestDataTooBig
from django.core.signals import got_request_exception
from django.db import IntegrityError
from django.dispatch import receiver
from django.http import Http404, HttpRequest, HttpResponse, JsonResponse
from ninja import NinjaAPI
from ninja.errors import AuthenticationError, HttpError, ValidationError

from dace.core.api import DaceError
from dace.households.scope import (
    ConflictError,
    LockedOutError,
    NotAllowedError,
    NotFoundError,
    TooLargeError,
)
from dace.project import failures
from dace.project.watching import shown_path
from dace.project.wording import would_do

_STATUS: tuple[tuple[type[DaceError], int], ...] = (
    (NotFoundError, 404),
    (ConflictError, 409),
    (NotAllowedError, 403),
    (LockedOutError, 429),
    (TooLargeError, 413),
    (DaceError, 422),
)


def body(field: str, read: str, would_do: str) -> dict[str, Any]:
    """The form of every error: the field, what was read, what would do, one sentence."""
    error = DaceError(field, read, would_do)
    return {
        "error": {"field": field, "read": read, "would_do": would_do, "message": error.sentence}
    }


class InOurForm:
    """Middleware: whatever the API refuses before an endpoint is reached takes the same form."""

    def __init__(self, get_response: Callable[[HttpRequest], HttpResponse]) -> None:
        self._get_response = get_response

    def __call__(self, request: HttpRequest) -> HttpResponse:
        """Answer, and put a bare refusal into words."""
        if not request.path.startswith("/api/"):
            return self._get_response(request)
        kind = request.content_type or ""
        if kind.startswith(_FORMS):
            # never read: nothing here is a form, and a form is spooled before anybody is known
            return _said(415, body("body", f"“{kind}”", "JSON, or the file itself"))
        response = self._get_response(request)
        response.headers.setdefault("Cache-Control", "no-store")  # a household's, or about it
        bare = "json" not in response.headers.get("Content-Type", "json")
        if response.status_code < 400 or not bare:
            return response
        failed = getattr(request, _FAILED, None)
        if failed is not None:  # before the API had its say, such as while the session was read
            return _said(*_failure(request, failed))
        field, read, would_do = _REFUSED.get(
            response.status_code,
            ("request", f"{request.method} {request.path}", "see /api/openapi.json"),
        )
        said = _said(response.status_code, body(field, read, would_do))
        said["Cache-Control"] = "no-store"
        if "Allow" in response.headers:
            said["Allow"] = response["Allow"]
        return said


_FAILED = "dace_failed_by"


@receiver(got_request_exception)
def _remember(request: HttpRequest, **_: Any) -> None:
    setattr(request, _FAILED, sys.exc_info()[1])


def _failure(request: HttpRequest, error: Exception) -> tuple[int, dict[str, Any]]:
    """The status and words of what failed here, which is in the log."""
    mark = failures.noted(error, str(request.method), shown_path(request.path))
    found = failures.known(error)
    if found is None:
        do = f"try again; if it stays so, {mark} finds it in the log"
        return 500, body("server", "something that Dace got wrong", do)
    return 503, body("server", found[0], f"{found[1]}; {failures.NOT_KEPT}")


_FORMS = ("multipart/", "application/x-www-form-urlencoded")
_REFUSED = {
    403: ("session", "no token of this page", "load the page again"),
    405: ("request", "a way to ask that is not here", "see Allow, or /api/openapi.json"),
}


def _said(status: int, content: dict[str, Any]) -> JsonResponse:
    return JsonResponse(content, status=status)


def install(api: NinjaAPI) -> None:
    """Teach an API to answer every error in that form."""

    def reply(request: HttpRequest, status: int, content: dict[str, Any]) -> HttpResponse:
        return api.create_response(request, content, status=status)

    @api.exception_handler(DaceError)
    def _dace(request: HttpRequest, error: DaceError) -> HttpResponse:
        status = next(code for kind, code in _STATUS if isinstance(error, kind))
        return reply(request, status, body(error.field, error.read, error.would_do))

    @api.exception_handler(ValidationError)
    def _invalid(request: HttpRequest, error: ValidationError) -> HttpResponse:
        return reply(request, 422, _from_validation(error.errors))

    @api.exception_handler(AuthenticationError)
    def _stranger(request: HttpRequest, _: AuthenticationError) -> HttpResponse:
        return reply(request, 401, body("session", "nobody signed in", "sign in first"))

    @api.exception_handler(HttpError)
    def _http(request: HttpRequest, error: HttpError) -> HttpResponse:
        said = ("request", str(error).lower(), "try again")
        found = _REFUSED.get(error.status_code, said)
        return reply(request, error.status_code, body(*found))

    @api.exception_handler(Http404)
    def _absent(request: HttpRequest, _: Http404) -> HttpResponse:
        return reply(request, 404, body("path", request.path, "see /api/openapi.json"))

    @api.exception_handler(IntegrityError)
    def _clash(request: HttpRequest, _: IntegrityError) -> HttpResponse:
        # two writes met, or an id came twice: the database kept the first
        return reply(request, 409, body("id", "something that is there already", "look again"))

    @api.exception_handler(RequestDataTooBig)
    def _large(request: HttpRequest, _: RequestDataTooBig) -> HttpResponse:
        return reply(request, 413, body("body", "more than a megabyte", "send less at once"))


def install_failures(api: NinjaAPI) -> None:
    """Teach an API to say what failed here rather than there."""

    @api.exception_handler(Exception)
    def _failed(request: HttpRequest, error: Exception) -> HttpResponse:
        status, content = _failure(request, error)
        return api.create_response(request, content, status=status)


def _from_validation(errors: list[dict[str, Any]]) -> dict[str, Any]:
    first = errors[0]
    names = [str(part) for part in first["loc"] if part not in ("body", "query", "path", "payload")]
    read = f"“{_short(first['input'])}”" if "input" in first else "something else"
    if first["type"] == "missing":
        read = "nothing"
    # the innermost name, as services use it, whether or not it came inside another
    return body(names[-1] if names else "body", read, would_do(first))


def _short(said: object) -> str:
    text = str(said).encode("utf-8", "replace").decode()
    return text if len(text) <= 60 else f"{text[:57]}…"
