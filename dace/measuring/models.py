"""Subjects that can be read, and readings of them."""

from __future__ import annotations

from typing import Self

from django.db import models

from dace.core.api import SALT_WORDS
from dace.households.changes import tracked
from dace.households.models import Kept, KeptQuerySet, Usable
from dace.households.scope import Scope


@tracked
class Subject(Kept):
    """Anything that a pen can be dipped in: a can, or what drains from a fill."""

    class Kind(models.TextChoices):
        """What it is."""

        CAN = "can", "can"
        FILL = "fill", "fill"
        WATER = "water", "water"
        BREW = "brew", "brew"

    kind = models.CharField(max_length=10, choices=Kind.choices)

    def __str__(self) -> str:
        return f"{self.kind} {self.pk}"


class ReadingQuerySet(KeptQuerySet["Reading"]):
    """Readings; those of a pretend pen weigh nothing."""

    def weighing(self, scope: Scope) -> Self:
        """Those of the household that count."""
        return self.of(scope).filter(practice=False)


@tracked
class Reading(Kept):
    """A reading as the pen showed it, with what it means at 25 C.

    ``pots`` is how many pots were averaged, ``pen_days`` how long the pen had gone without
    being set right. ``practice`` marks what a pretend pen showed: it weighs nothing.
    """

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
    pots = models.PositiveIntegerField(default=1)
    pen_days = models.FloatField(null=True, blank=True)
    taken_at = models.DateTimeField()
    practice = models.BooleanField(default=False)

    objects = ReadingQuerySet.as_manager()

    class Meta:
        indexes = [
            models.Index(fields=["household", "-taken_at"], name="reading_newest_first"),
            models.Index(fields=["subject", "-taken_at"], name="reading_newest_of_subject"),
        ]
        constraints = [
            models.CheckConstraint(condition=models.Q(value__gt=0), name="reading_is_positive"),
        ]

    def __str__(self) -> str:
        return f"{self.ec_likely:.2f} mS/cm"


@tracked
class FieldTest(Kept):
    """What else is told of a place: acidity, a nitrate strip [mg/L], moisture, salt seen."""

    class Kind(models.TextChoices):
        """What was tested."""

        PH = "ph", "pH"
        NITRATE = "nitrate", "nitrate strip"
        MOISTURE = "moisture", "moisture by feel"
        SALT = "salt", "salt"

    subject = models.ForeignKey(Subject, on_delete=models.PROTECT, related_name="tests")
    kind = models.CharField(max_length=10, choices=Kind.choices)
    value = models.FloatField(null=True, blank=True)
    word = models.CharField(max_length=10, blank=True)
    taken_at = models.DateTimeField()

    class Meta:
        indexes = [
            models.Index(fields=["subject", "-taken_at"], name="field_test_newest_first"),
            models.Index(fields=["household", "-taken_at"], name="field_test_newest_of_all"),
        ]

    def __str__(self) -> str:
        if self.kind == self.Kind.SALT:
            return SALT_WORDS[self.word]
        return f"{self.get_kind_display()} {self.word or f'{self.value:g}'}"


@tracked
class Series(Kept):
    """A logger's readings of a subject; hours count from 1970 (UTC).

    ``whole`` once all of it is written: until then nobody sees it. ``written`` counts hours;
    ``again`` and ``twice`` are the core's, of lines that came for one instant; ``left_out``
    counts lines that are no readings, of which ``left_lines`` holds the first as number and text.
    """

    subject = models.ForeignKey(Subject, on_delete=models.PROTECT, related_name="series")
    count = models.PositiveIntegerField()
    first_hour = models.IntegerField()
    last_hour = models.IntegerField()
    whole = models.BooleanField(default=True)
    written = models.PositiveIntegerField(default=0)
    again = models.PositiveIntegerField(default=0)
    twice = models.PositiveIntegerField(default=0)
    left_out = models.PositiveIntegerField(default=0)
    left_lines = models.JSONField(default=list, blank=True)

    def __str__(self) -> str:
        return f"{self.count} readings of {self.subject}"


class SeriesSpan(models.Model):
    """An hour or a day of a series: least, most, sum and number. Written once, with it."""

    series = models.ForeignKey(Series, on_delete=models.CASCADE, related_name="spans")
    level = models.CharField(max_length=4)
    hour = models.IntegerField()
    low = models.FloatField()
    high = models.FloatField()
    total = models.FloatField()
    count = models.PositiveIntegerField()

    class Meta:
        indexes = [models.Index(fields=["series", "level", "hour"], name="series_span_by_hour")]

    def __str__(self) -> str:
        return f"{self.low:g} to {self.high:g}"


@tracked
class Pen(Usable):
    """A conductivity pen: its scale, the most it shows and its finest step, in mS/cm.

    ``shown`` is the number that it sent last, where it is one that sends.
    """

    name = models.CharField(max_length=60)
    scale = models.CharField(max_length=10, default="mS/cm")
    most_ms_cm = models.FloatField(default=10.0)
    step_ms_cm = models.FloatField(default=0.01)
    compensates = models.BooleanField(default=True)
    calibrated_at = models.DateTimeField(null=True, blank=True)
    shown = models.FloatField(null=True, blank=True)
    shown_c = models.FloatField(null=True, blank=True)
    shown_at = models.DateTimeField(null=True, blank=True)

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
