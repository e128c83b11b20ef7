"""What was seen of plants: scores and notes, signs looked up; models of this app."""

from __future__ import annotations

from django.db import models

from dace.households.changes import tracked
from dace.households.models import Kept


@tracked
class Observation(Kept):
    """Plants looked at: ``scores`` by scale, 0 to 5, and a note; either may be empty."""

    stand = models.ForeignKey("garden.Stand", on_delete=models.PROTECT, related_name="observations")
    fill = models.ForeignKey("garden.Fill", on_delete=models.PROTECT, related_name="observations")
    scores = models.JSONField(default=dict, blank=True)
    note = models.CharField(max_length=500, blank=True)
    seen_at = models.DateTimeField()

    class Meta:
        indexes = [
            models.Index(fields=["household", "-seen_at"], name="observed_newest_first"),
            models.Index(fields=["stand", "-seen_at"], name="observed_newest_of_a_stand"),
        ]

    def __str__(self) -> str:
        return f"{self.fill} looked at"


@tracked
class SignCheck(Kept):
    """A sign looked up: what was known, and what was thought likeliest; ``outcome`` later.

    ``causes`` are the likeliest with their chance, as they were told then.
    """

    stand = models.ForeignKey("garden.Stand", on_delete=models.PROTECT, related_name="sign_checks")
    fill = models.ForeignKey("garden.Fill", on_delete=models.PROTECT, related_name="sign_checks")
    sign = models.CharField(max_length=40)
    facts = models.JSONField(default=dict, blank=True)
    causes = models.JSONField(default=list, blank=True)
    outcome = models.CharField(max_length=200, blank=True)
    again_on = models.DateField()
    checked_at = models.DateTimeField()

    class Meta:
        indexes = [
            models.Index(fields=["household", "-checked_at"], name="sign_check_newest_first"),
        ]

    def __str__(self) -> str:
        return f"{self.sign} on {self.fill}"
