"""A file that is sent as the body itself: read in bounds, after the asking is known."""

from __future__ import annotations

from typing import Any

from django.http import HttpRequest

from dace.households.scope import TooLargeError


def file_body(media: list[str]) -> dict[str, Any]:
    """How the API's description says that the body is a file of one of these kinds."""
    content = {kind: {"schema": {"type": "string", "format": "binary"}} for kind in media}
    return {"requestBody": {"required": True, "content": content}}


def sent_file(request: HttpRequest, most: int, field: str, would_do: str) -> bytes:
    """The body of an asking, up to so many bytes; nothing larger is read to its end.

    Raises
    ------
    TooLargeError
        On ``field``.
    """
    said = int(request.META.get("CONTENT_LENGTH") or 0)
    data = request.read(most + 1) if said <= most else b""
    if max(said, len(data)) > most:
        raise TooLargeError(field, f"{max(said, len(data)) / 1e6:.0f} MB", would_do)
    return bytes(data)
