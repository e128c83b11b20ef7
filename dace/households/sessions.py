"""Sessions that last while they are used, and outlive a clock that was set wrong."""

from __future__ import annotations

from datetime import datetime
from typing import Any

from django.contrib.sessions.backends.db import SessionStore as DatabaseStore
from django.contrib.sessions.base_session import AbstractBaseSession
from django.http import HttpRequest, HttpResponse

from dace.households.clock import steady

_RENEWED, _DAY_S = "renewed", 86_400.0


class SessionStore(DatabaseStore):
    """In the database, by the time that goes on evenly since this process began.

    A clock that is set under a running server ends no session; one that stepped back shortens
    none.
    """

    def _get_session_from_db(self) -> AbstractBaseSession | None:
        try:
            found: AbstractBaseSession = self.model.objects.get(
                session_key=self.session_key, expire_date__gt=steady()
            )
        except self.model.DoesNotExist:
            self._session_key = None
            return None
        return found

    def get_expiry_date(self, **kwargs: Any) -> datetime:
        """When it ends, if it is not used again."""
        kwargs.setdefault("modification", steady())
        ends: datetime = super().get_expiry_date(**kwargs)
        return ends

    def create_model_instance(self, data: dict[str, Any]) -> AbstractBaseSession:
        """As it will be written: never to end earlier than it would have."""
        made = super().create_model_instance(data)
        before = self.model.objects.filter(session_key=made.session_key)
        ends = before.values_list("expire_date", flat=True).first()
        made.expire_date = max(made.expire_date, ends or made.expire_date)
        return made


class RenewSessions:
    """Middleware: a session that is used is written anew once a day, and so lasts."""

    def __init__(self, get_response: Any) -> None:
        self.get_response = get_response

    def __call__(self, request: HttpRequest) -> HttpResponse:
        """Renew it where its last renewal is a day old."""
        session = request.session
        if not session.is_empty() and "_auth_user_id" in session:
            now = steady().timestamp()
            if abs(now - float(session.get(_RENEWED, 0.0))) > _DAY_S:
                session[_RENEWED] = now
        answer: HttpResponse = self.get_response(request)
        return answer
