"""Users, households, and the base of everything that a household keeps."""

from __future__ import annotations

import unicodedata
import uuid
from collections.abc import Iterator
from contextlib import contextmanager
from contextvars import ContextVar
from typing import Any, ClassVar, Self, TypeVar

from django.contrib.auth.models import AbstractUser
from django.db import models
from reversion.models import Revision

from dace.households.scope import ConflictError, NotFoundError, Scope, WrongHouseholdError

_UNSEEN = ("Cc", "Cf", "Co", "Cn", "Zl", "Zp")
_number: ContextVar[int] = ContextVar("number", default=0)


@contextmanager
def writing(number: int) -> Iterator[None]:
    """Rows that are saved inside carry the number of this change."""
    token = _number.set(number)
    try:
        yield
    finally:
        _number.reset(token)


def name_key(name: str) -> str:
    """A name as it is compared: in one form, one case, without letters that nobody sees.

    >>> name_key("Zo\u00eb") == name_key("ZOE\u0308") == name_key("zo\u200b\u00eb")
    True
    """
    plain = unicodedata.normalize("NFKC", name).casefold()
    seen = "".join(letter for letter in plain if unicodedata.category(letter) not in _UNSEEN)
    return unicodedata.normalize("NFKC", seen)


class User(AbstractUser):
    """Somebody who signs in by name and password."""

    session_salt = models.CharField(max_length=32, blank=True, default="")
    name_key = models.CharField(max_length=150, unique=True)

    def save(self, *args: Any, **more: Any) -> None:
        """With the key that its name is found by, however it is written."""
        self.name_key = name_key(self.username)
        super().save(*args, **more)

    def get_session_auth_hash(self) -> str:
        """Changes with the salt too, so that signing out everywhere ends every session."""
        return f"{super().get_session_auth_hash()}{self.session_salt}"


class Household(models.Model):
    """Those who share a garden, and the border that no query crosses.

    A visitor's copy of the demo garden ``ends_at`` an instant; its ids are the demo's, but for
    the bits of ``mask``. ``met_from`` stands for the address that it was asked for from, and
    ``weight`` is what was sent to it [bytes]. The demo garden itself says what it was
    ``built_as``: another version, or another day, and it is built anew.
    """

    id = models.UUIDField(primary_key=True, default=uuid.uuid4, editable=False)
    name = models.CharField(max_length=80)
    is_demo = models.BooleanField(default=False)
    ends_at = models.DateTimeField(null=True, blank=True)
    mask = models.UUIDField(null=True, blank=True)
    met_from = models.CharField(max_length=32, blank=True)
    weight = models.PositiveBigIntegerField(default=0)
    built_as = models.CharField(max_length=80, blank=True)

    def __str__(self) -> str:
        return self.name


class Membership(models.Model):
    """A user's place in a household."""

    class Role(models.TextChoices):
        """What a member may do."""

        OWNER = "owner", "owner"
        HELPER = "helper", "helper"
        VIEWER = "viewer", "viewer"

    user = models.OneToOneField(User, on_delete=models.CASCADE, related_name="membership")
    household = models.ForeignKey(Household, on_delete=models.CASCADE, related_name="members")
    role = models.CharField(max_length=10, choices=Role.choices, default=Role.OWNER)

    def __str__(self) -> str:
        return f"{self.user} in {self.household}"


class Change(models.Model):
    """One thing that somebody did, over the revision that holds its rows.

    One that is ``closed`` was done in another Dace: there is nothing here to take back.
    """

    revision = models.OneToOneField(Revision, on_delete=models.CASCADE, related_name="change")
    household = models.ForeignKey(Household, on_delete=models.CASCADE, related_name="changes")
    kind = models.CharField(max_length=40)
    summary = models.CharField(max_length=200)
    at = models.DateTimeField()
    undone = models.BooleanField(default=False)
    closed = models.BooleanField(default=False)
    undoes = models.ForeignKey("self", null=True, on_delete=models.CASCADE, related_name="undoings")

    class Meta:
        indexes = [models.Index(fields=["household", "-id"], name="change_newest_first")]

    def __str__(self) -> str:
        return self.summary


M = TypeVar("M", bound="Kept")


class KeptQuerySet(models.QuerySet[M]):
    """Rows of one household; the one place where queries are scoped."""

    def of(self, scope: Scope) -> Self:
        """Rows of the scope's household that are not undone."""
        return self.filter(household_id=scope.household_id, undone_at__isnull=True)

    def fetch(self, scope: Scope, row_id: uuid.UUID, field: str) -> M:
        """One row of the household, or ``NotFoundError`` naming the field."""
        row = self.of(scope).filter(pk=row_id).first()
        if row is None:
            name = str(self.model._meta.verbose_name)
            raise NotFoundError(field, f"an id of no {name} here", f"choose a {name} from the list")
        return row

    def written_before(self, scope: Scope, row_id: uuid.UUID) -> M | None:
        """The row with an id made by a client, where a repeat finds it already written."""
        row = self.filter(pk=row_id).first()
        if row is not None and row.household_id != scope.household_id:
            raise WrongHouseholdError("id", "an id that is in use", "make a new one")
        if row is not None and row.undone_at is not None:
            raise ConflictError("id", "something that was undone", "put it back from the Notebook")
        return row


class Kept(models.Model):
    """Something a household keeps: its id made by the client, undone rather than deleted.

    ``seq`` is the number of the change that first wrote it, ``edition`` of the one that last
    did: clocks can step back, numbers cannot.
    """

    id = models.UUIDField(primary_key=True, default=uuid.uuid4, editable=False)
    household = models.ForeignKey(Household, on_delete=models.CASCADE, related_name="+")
    created_at = models.DateTimeField()
    undone_at = models.DateTimeField(null=True, blank=True)
    seq = models.BigIntegerField(default=0, editable=False)
    edition = models.BigIntegerField(default=0, editable=False)

    beginning_stays: ClassVar[bool] = False
    """Whether its first writing can be undone: a household without its garden is no place."""

    numbers: ClassVar[tuple[str, ...]] = ("seq", "edition")
    """Fields that name a change by its number."""

    objects = KeptQuerySet.as_manager()

    class Meta:
        abstract = True

    def save(self, **kwargs: Any) -> None:
        """Write it, numbered by the change that is under way."""
        self.edition = _number.get()
        if self._state.adding:
            self.seq = self.edition
        only = kwargs.get("update_fields")
        if only is not None:
            kwargs["update_fields"] = {*only, "edition"}
        super().save(**kwargs)


class UsableQuerySet(KeptQuerySet[M]):
    """Rows of things that are used until they are put away."""

    def in_use(self, scope: Scope) -> Self:
        """Rows of the household that are neither undone nor put away."""
        return self.of(scope).filter(ended_on__isnull=True)


class Usable(Kept):
    """Something in use from a day on, until it is put away; its history stays."""

    ended_on = models.DateField(null=True, blank=True)

    objects = UsableQuerySet.as_manager()

    class Meta:
        abstract = True


class Invitation(models.Model):
    """A link that lets somebody join the household once, while it lasts."""

    id = models.UUIDField(primary_key=True, default=uuid.uuid4, editable=False)
    household = models.ForeignKey(Household, on_delete=models.CASCADE, related_name="invitations")
    role = models.CharField(
        max_length=10, choices=Membership.Role.choices, default=Membership.Role.HELPER
    )
    token_hash = models.CharField(max_length=64, unique=True)
    made_at = models.DateTimeField()
    ends_at = models.DateTimeField()
    used_at = models.DateTimeField(null=True, blank=True)

    def __str__(self) -> str:
        return f"to {self.household}"


class Token(models.Model):
    """Lets a script ask for one member; only its hash is kept."""

    id = models.UUIDField(primary_key=True, default=uuid.uuid4, editable=False)
    member = models.ForeignKey(Membership, on_delete=models.CASCADE, related_name="tokens")
    name = models.CharField(max_length=60)
    token_hash = models.CharField(max_length=64, unique=True)
    writes = models.BooleanField(default=False)
    made_at = models.DateTimeField()
    used_on = models.DateField(null=True, blank=True)

    def __str__(self) -> str:
        return self.name
