"""Subjects that can be read, and readings of them."""

from __future__ import annotations

from django.db import models

from dace.households.changes import tracked
from dace.households.models import Kept, Usable


@tracked
class Subject(Kept):
    """Anything that a pen can be dipped in: a can, or what drains from a fill."""

    class Kind(models.TextChoices):
        """What it is."""

        CAN = "can", "can"
        FILL = "fill", "fill"
        WATER = "water", "water"

    kind = models.CharField(max_length=10, choices=Kind.choices)

    def __str__(self) -> str:
        return f"{self.kind} {self.pk}"


@tracked
class Reading(Kept):
    """A reading as the pen showed it, with what it means at 25 C."""

    subject = models.ForeignKey(Subject, on_delete=models.PROTECT, related_name="readings")
    value = models.FloatField()
    scale = models.CharField(max_length=10)
    temperature_c = models.FloatField(null=True)
    compensates = models.BooleanField(default=True)
    parts_water = models.FloatField(default=0)
    method = models.CharField(max_length=30)
    ec_low = models.FloatField()
    ec_likely = models.FloatField()
    ec_high = models.FloatField()
    taken_at = models.DateTimeField()

    class Meta:
        indexes = [models.Index(fields=["household", "-taken_at"], name="reading_newest_first")]
        constraints = [
            models.CheckConstraint(condition=models.Q(value__gt=0), name="reading_is_positive"),
        ]

    def __str__(self) -> str:
        return f"{self.ec_likely:.2f} mS/cm"


@tracked
class Pen(Usable):
    """A conductivity pen: its scale, the most it shows and its finest step, in mS/cm."""

    name = models.CharField(max_length=60)
    scale = models.CharField(max_length=10, default="mS/cm")
    most_ms_cm = models.FloatField(default=10.0)
    step_ms_cm = models.FloatField(default=0.01)
    compensates = models.BooleanField(default=True)
    calibrated_at = models.DateTimeField()

    class Meta:
        constraints = [
            models.CheckConstraint(
                condition=models.Q(step_ms_cm__gt=0)
                & models.Q(most_ms_cm__gt=models.F("step_ms_cm")),
                name="pen_shows_more_than_one_step",
            )
        ]

    def __str__(self) -> str:
        return self.name
