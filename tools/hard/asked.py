"""``python -m tools.hard.asked [N]``: N requests made by the API's own description.

Many of them are wrong. Prints every status that the description does not name, and every 5xx,
with the request.
"""

from __future__ import annotations

import json
import random
import sys
import urllib.error
import urllib.parse
import urllib.request
from collections import Counter
from collections.abc import Callable
from http.cookiejar import CookieJar
from typing import Any

from tools.served import served

_SEED = 17
_WORDS = ["", "x", "9 L", "1 + 200", "½", "٣", "NaN", "2026-07-14", "2026-13-45", "a" * 300,
          "\u200b", "null", "-1", "1e999", "'; DROP TABLE x; --", "2026-07-14T17:40Z", "\ud800",
          "0/0 ml"]  # fmt: skip
_NUMBERS = [0, -1, 1, 0.5, 3, 1e9, -1e308, 1e308, 2**63, 2**64, 10**30]
_LEFT_ALONE = ("/api/sign-out", "/api/sign-out-everywhere", "/api/leave", "/api/password",
               "/api/demo", "/api/sign-up", "/api/join")  # fmt: skip
Schema = dict[str, Any]


class Maker:
    """Values by a schema; one in four is of another kind."""

    def __init__(self, described: Schema, rng: random.Random, ids: list[str]) -> None:
        self.described, self.rng, self.ids = described, rng, ids

    def value(self, schema: Schema, deep: int = 0) -> Any:
        """A value that fits the schema, or one that does not."""
        if "$ref" in schema:
            name = schema["$ref"].split("/")[-1]
            return self.value(self.described["components"]["schemas"][name], deep)
        if deep > 5 or self.rng.random() < 0.06:
            return self.anything()
        among = next((schema[key] for key in ("anyOf", "allOf", "oneOf") if key in schema), None)
        if among:
            return self.value(self.rng.choice(among), deep + 1)
        if "enum" in schema or "const" in schema:
            return self.rng.choice(schema.get("enum") or [schema.get("const")])
        return self._of_kind(schema, deep)

    def _of_kind(self, schema: Schema, deep: int) -> Any:
        rng, of = self.rng, schema.get("items", {})
        makers: dict[str, Callable[[], Any]] = {
            "object": lambda: self.fields(schema, deep),
            "array": lambda: [self.value(of, deep + 1) for _ in range(rng.randint(0, 3))],
            "integer": lambda: rng.choice([*range(-2, 12), 2**31, 2**63]),
            "number": lambda: rng.choice([*_NUMBERS, round(rng.uniform(0, 50), 2)]),
            "boolean": lambda: rng.random() < 0.5,
            "null": lambda: None,
        }
        return makers.get(schema.get("type", ""), lambda: self.text(schema))()

    def fields(self, schema: Schema, deep: int) -> Any:
        """Those that are needed, and some of the others."""
        made = {
            name: self.value(of, deep + 1)
            for name, of in schema.get("properties", {}).items()
            if name in schema.get("required", []) or self.rng.random() < 0.6
        }
        more = schema.get("additionalProperties")
        if isinstance(more, dict):
            made |= {self.rng.choice(["N", "ph", "1", "colour", "x"]): self.value(more, deep + 1)}
        return made

    def text(self, schema: Schema) -> str:
        """A text of the schema's format."""
        if schema.get("format") == "uuid":
            return self.rng.choice(self.ids) if self.rng.random() < 0.8 else str(self.uuid())
        if schema.get("format") == "date":
            return self.rng.choice(["2026-07-01", "2026-07-14", "1900-01-01", "9999-12-31"])
        if schema.get("format") == "date-time":
            return self.rng.choice(["2026-07-01T10:00:00Z", "0001-01-01T00:00:00Z"])
        return self.rng.choice(_WORDS)

    def uuid(self) -> str:
        """An id of nothing."""
        return f"{self.rng.getrandbits(32):08x}-0000-4000-8000-{self.rng.getrandbits(48):012x}"

    def anything(self) -> Any:
        """Something of any kind."""
        return self.rng.choice([None, [], {}, True, *_WORDS, *_NUMBERS])


class Client:
    """Keeps its session and token; a member of the demo garden."""

    def __init__(self, base: str, jar: CookieJar | None = None) -> None:
        self.base, self.jar = base, jar or CookieJar()
        self.opener = urllib.request.build_opener(
            urllib.request.HTTPCookieProcessor(self.jar), _NoRaise()
        )
        self.token = self.ask("GET", "/api/session")[1]["csrf"]
        if jar is None:
            self.token = self.ask("POST", "/api/demo", {})[1]["csrf"]

    def twin(self, base: str = "") -> Client:
        """The same visitor once more, with a connection of its own, at any server."""
        return Client(base or self.base, self.jar)

    def ask(self, method: str, path: str, body: Any = None) -> tuple[int, Any]:
        """The status, and what was answered where that is JSON."""
        data = None if body is None else json.dumps(body).encode()
        return self.send(method, path, data, "application/json")

    def send(self, method: str, path: str, data: bytes | None, kind: str) -> tuple[int, Any]:
        """The same with a body of any kind."""
        asked = urllib.request.Request(self.base + path, data=data, method=method)
        asked.add_header("Content-Type", kind)
        if hasattr(self, "token"):
            asked.add_header("X-CSRFToken", self.token)
        with self.opener.open(asked, timeout=60) as reply:
            text = reply.read()
            answered = reply.headers.get("Content-Type", "")
            return reply.status, json.loads(text) if "json" in answered and text else None


class _NoRaise(urllib.request.HTTPErrorProcessor):
    def http_response(self, request: Any, response: Any) -> Any:
        return response


def main() -> None:
    """Ask, and say what was not as described."""
    count = int(sys.argv[1]) if len(sys.argv) > 1 else 5000
    rng = random.Random(_SEED)
    with served() as base:
        client = Client(base)
        described = client.ask("GET", "/api/openapi.json")[1]
        ids = _ids(client)
        maker = Maker(described, rng, ids)
        ways = [
            (path, method, way)
            for path, found in described["paths"].items()
            if path not in _LEFT_ALONE
            for method, way in found.items()
        ]
        seen: Counter[int] = Counter()
        wrong: Counter[tuple[str, str, int]] = Counter()
        for number in range(count):
            path, method, way = rng.choice(ways)
            asked, body = _made(maker, path, way)
            status, _ = client.ask(method.upper(), asked, body)
            seen[status] += 1
            if status in (401, 403):
                client = Client(base)
            if str(status) not in way["responses"] or status >= 500:
                if not wrong[path, method, status]:
                    print(f"{status} {method.upper()} {asked} {json.dumps(body)[:300]}")
                wrong[path, method, status] += 1
            if number and number % 1000 == 0:
                print(number, dict(sorted(seen.items())), flush=True)
    print("statuses:", dict(sorted(seen.items())))
    told = {" ".join(map(str, key)): times for key, times in wrong.items()}
    print("not as described, or 5xx:", told or "none")


def _ids(client: Client) -> list[str]:
    """Every id that the garden's pages tell."""
    found: set[str] = set()
    for path in ("/api/path", "/api/shelf", "/api/notebook?limit=60", "/api/setup", "/api/trials"):
        text = json.dumps(client.ask("GET", path)[1])
        found |= {part for part in text.split('"') if len(part) == 36 and part.count("-") == 4}
    return sorted(found)


def _made(maker: Maker, path: str, way: Schema) -> tuple[str, Any]:
    query = {}
    for one in way.get("parameters", []):
        value = maker.value(one.get("schema", {}))
        if one["in"] == "path":
            text = str(value).encode("utf-8", "replace").decode() or "x"
            path = path.replace("{" + one["name"] + "}", urllib.parse.quote(text, safe=""))
        elif one["in"] == "query" and (one.get("required") or maker.rng.random() < 0.5):
            query[one["name"]] = str(value).encode("utf-8", "replace").decode()
    content = way.get("requestBody", {}).get("content", {})
    of = content.get("application/json")
    body = maker.value(of["schema"]) if of else None
    return path + ("?" + urllib.parse.urlencode(query) if query else ""), body


if __name__ == "__main__":
    main()
