"""The API's description with what may go wrong: every operation names its refusals."""

from __future__ import annotations

from typing import Any

from ninja import NinjaAPI
from ninja.openapi.schema import OpenAPISchema

_ERRORS = {
    400: "The request cannot be read",
    401: "Nobody is signed in",
    403: "Not allowed, or without the token of its page",
    404: "No such thing in this household",
    405: "Another way to ask; `Allow` names those there are",
    409: "It no longer fits what stands",
    413: "Too large",
    415: "Neither JSON nor the file itself",
    422: "Something in it cannot be used; the field is named",
    429: "Too many wrong passwords in a row, visitors, or who sign in at once",
    500: "Something that Dace got wrong",
    503: "The machine fails: a full disk, a damaged database",
}
_SCHEMA: dict[str, Any] = {
    "title": "ErrorOut",
    "description": "The field, what was read, what would do, and all of it as one sentence.",
    "type": "object",
    "required": ["error"],
    "properties": {
        "error": {
            "type": "object",
            "required": ["field", "read", "would_do", "message"],
            "properties": {
                name: {"type": "string"} for name in ("field", "read", "would_do", "message")
            },
        }
    },
}


class DescribedAPI(NinjaAPI):
    """The framework's API, whose description declares its errors."""

    def get_openapi_schema(self, *args: Any, **more: Any) -> OpenAPISchema:
        """With the refusals that any operation may answer with."""
        found = super().get_openapi_schema(*args, **more)
        found["components"]["schemas"]["ErrorOut"] = _SCHEMA
        content = {"application/json": {"schema": {"$ref": "#/components/schemas/ErrorOut"}}}
        found["components"]["responses"] = {
            f"E{status}": {"description": words, "content": content}
            for status, words in _ERRORS.items()
        }
        for ways in found["paths"].values():
            for way in ways.values():
                for status in _ERRORS:
                    refusal = {"$ref": f"#/components/responses/E{status}"}
                    way["responses"].setdefault(status, refusal)
        return found
