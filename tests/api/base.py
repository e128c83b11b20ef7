"""A garden to ask, by the same HTTP that the page uses."""

from __future__ import annotations

import json
import uuid
from typing import Any

from django.http import HttpResponse
from django.test import Client, TestCase

from dace.demo import weir_yard
from dace.demo.keys import key
from dace.households.models import User
from tests.gardens import MODEL_BACKEND, InTheYard, as_it_stood


def new_id() -> str:
    return str(uuid.uuid4())


class Asking:
    """A client with its CSRF token, as the page has it."""

    def __init__(self) -> None:
        self.client = Client(enforce_csrf_checks=True)
        self.token = self.client.get("/api/session").json()["csrf"]

    @classmethod
    def signed_in(cls) -> Asking:
        """Somebody of the garden that visitors get copies of."""
        asking = cls()
        asking.client.force_login(User.objects.get(username="weir-yard"), MODEL_BACKEND)
        asking.token = asking.get("/api/session").json()["csrf"]
        return asking

    def get(self, path: str) -> HttpResponse:
        return self.client.get(path)

    def put(self, path: str, body: Any = None) -> HttpResponse:
        return self._send("put", path, body)

    def post(self, path: str, body: Any = None) -> HttpResponse:
        return self._send("post", path, body)

    def delete(self, path: str, body: Any = None) -> HttpResponse:
        return self._send("delete", path, body)

    def send_file(self, path: str, data: str | bytes, media: str) -> HttpResponse:
        """A file as the body itself."""
        sent = data if isinstance(data, bytes) else data.encode()
        return self.client.generic("POST", path, sent, media, headers={"X-CSRFToken": self.token})

    def _send(self, method: str, path: str, body: Any) -> HttpResponse:
        text = body if isinstance(body, str | bytes) else json.dumps(body)
        reply = self.client.generic(
            method.upper(), path, text, "application/json", headers={"X-CSRFToken": self.token}
        )
        if (
            path in ("/api/sign-in", "/api/sign-up", "/api/demo", "/api/join", "/api/password")
            and reply.status_code < 300
        ):
            self.token = reply.json()["csrf"]
        return reply


class WeirYardCase(InTheYard, TestCase):
    """Weir Yard, with somebody signed in at it."""

    def setUp(self) -> None:
        as_it_stood(weir_yard.build)
        self.asking = Asking.signed_in()
        self.stand = str(key("stand aubergine 2 fed"))
        self.jar = str(key("Fruiting liquid 4-3-8"))
        self.water = str(key("hard tap"))

    def wanted(self, **more: Any) -> dict[str, Any]:
        body = {"jar_id": self.jar, "water_id": self.water, "vessel": "9 L", "strength": "1 + 500"}
        return body | {"stand_id": self.stand} | more

    def pour_body(self, **more: Any) -> dict[str, Any]:
        can = {"id": new_id(), "jar_id": self.jar, "water_id": self.water, "vessel": "9 L"}
        dose = {"id": new_id(), "stand_id": self.stand, "plants": 4, "litres_each": 1.5}
        for name, value in more.items():
            (can if name in ("strength", "jar_id", "water_id", "vessel", "reading") else dose)[
                name
            ] = value
        return {"can": {"strength": "1 + 500"} | can, "dose": dose}

    def stock(self) -> float:
        jars = self.asking.get("/api/bench").json()["jars"]
        return float(next(jar["stock"] for jar in jars if jar["id"] == self.jar))

    def assert_refused(self, reply: HttpResponse, status: int, field: str) -> dict[str, str]:
        self.assertEqual(reply.status_code, status, reply.content)
        error: dict[str, str] = reply.json()["error"]
        self.assertEqual(error["field"], field, error)
        self.assertTrue(error["read"] and error["would_do"] and error["message"].endswith("."))
        return error
