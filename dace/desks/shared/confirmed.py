"""The password once more, where something opens a way in."""

from __future__ import annotations

from ninja import Schema

from dace.households.fields import Password


class ConfirmedIn(Schema):
    """One's own password; who has none, such as a visitor of the demo, leaves it out."""

    password: Password = ""
