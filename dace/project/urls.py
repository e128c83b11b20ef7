"""Addresses: the API, the health check, and one page for everything else."""

from __future__ import annotations

from django.http import HttpRequest, HttpResponse, JsonResponse
from django.shortcuts import render
from django.urls import path, re_path
from django.views.decorators.csrf import ensure_csrf_cookie
from django.views.decorators.http import require_safe

from dace.project import health
from dace.project.api import api
from dace.project.errors import body


def healthz(_: HttpRequest) -> HttpResponse:
    """Well only where it can do its work: tables of this version, and a database to write to."""
    found = health.report()
    return JsonResponse(found, status=200 if found["ok"] else 503)


def no_such_address(request: HttpRequest, **_: str) -> HttpResponse:
    """An API address that is none."""
    return JsonResponse(body("path", request.path, "see /api/openapi.json"), status=404)


@require_safe
@ensure_csrf_cookie
def page(request: HttpRequest, **_: str) -> HttpResponse:
    """The one page; its script reads the address."""
    return render(request, "page.html")


urlpatterns = [
    path("healthz", healthz),
    path("api/", api.urls),
    re_path(r"^api(?:/.*)?$", no_such_address),
    re_path(r"^(?!static/).*$", page),
]
