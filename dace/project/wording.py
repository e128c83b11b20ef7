"""What would do instead of something of the wrong kind, in words."""

from __future__ import annotations

from typing import Any

_WOULD_DO = {
    "bool": "yes or no would do",
    "date": "a day such as 2026-07-14 would do",
    "datetime": "a time such as 2026-07-14T17:40 with its zone would do",
    "dict": "names with their values would do",
    "finite": "a number of ordinary size would do",
    "float": "a number such as 2.5 would do",
    "int": "a whole number such as 3 would do",
    "json": "the body as JSON would do",
    "list": "a list would do",
    "missing": "it is needed",
    "model": "its fields by name would do",
    "string": "a few words would do",
    "timezone": "a time such as 2026-07-14T17:40 with its zone would do",
    "uuid": "choose one from the list",
}
_BOUNDS = {
    "greater_than": ("gt", "more than {} would do"),
    "greater_than_equal": ("ge", "{} or more would do"),
    "less_than": ("lt", "less than {} would do"),
    "less_than_equal": ("le", "up to {} would do"),
    "string_too_long": ("max_length", "up to {} characters would do"),
    "string_too_short": ("min_length", "{} characters or more would do"),
    "too_long": ("max_length", "up to {} would do"),
    "too_short": ("min_length", "{} or more would do"),
    "literal_error": ("expected", "{} would do"),
}


def would_do(error: dict[str, Any]) -> str:
    """Of one finding of the validation, what to give instead."""
    kind = str(error["type"])
    if kind in _BOUNDS:
        name, words = _BOUNDS[kind]
        return words.format(error.get("ctx", {}).get(name, "less"))
    if kind == "value_error":
        said = str(error["msg"]).removeprefix("Value error, ")
        return said[:1].lower() + said[1:]
    return _WOULD_DO.get(kind.split("_", maxsplit=1)[0], "something else would do")
