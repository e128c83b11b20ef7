"""Photos, and trials with their pots and what was measured of them."""

from __future__ import annotations

from django.db import models
from django.db.models import Q

from dace.households.changes import tracked
from dace.households.models import Kept


@tracked
class Photo(Kept):
    """A picture of what grows at a stand; its files are named after its id."""

    stand = models.ForeignKey("garden.Stand", on_delete=models.PROTECT, related_name="photos")
    fill = models.ForeignKey("garden.Fill", on_delete=models.PROTECT, related_name="photos")
    width = models.PositiveIntegerField()
    height = models.PositiveIntegerField()
    taken_at = models.DateTimeField()

    class Meta:
        indexes = [
            models.Index(fields=["household", "-taken_at"], name="photo_newest_first"),
            models.Index(fields=["stand", "-taken_at"], name="photo_newest_of_a_stand"),
        ]

    def __str__(self) -> str:
        return f"a photo of {self.fill}"


@tracked
class Trial(Kept):
    """Fed against unfed: one measure and a worthwhile gain (a share), named beforehand.

    ``feed`` is what is tried, in words; ``jar`` which one it is, where it is on the shelf.
    ``tossed`` says whether coins decided which pots are fed.
    """

    fed = models.ForeignKey("garden.Stand", on_delete=models.PROTECT, related_name="trials_fed")
    unfed = models.ForeignKey("garden.Stand", on_delete=models.PROTECT, related_name="trials_unfed")
    jar = models.ForeignKey("shelf.Jar", on_delete=models.PROTECT, null=True, related_name="trials")
    feed = models.CharField(max_length=80)
    measure = models.CharField(max_length=20)
    worthwhile = models.FloatField()
    paired = models.BooleanField()
    tossed = models.BooleanField()
    exclusions = models.CharField(max_length=200, blank=True)
    started_on = models.DateField()
    judge_on = models.DateField()
    ended_on = models.DateField(null=True, blank=True)

    class Meta:
        constraints = [
            models.CheckConstraint(condition=Q(worthwhile__gt=0), name="a_gain_is_worth_it"),
        ]

    def __str__(self) -> str:
        return f"{self.feed} on {self.fed.planting.grown.name.lower()}"


@tracked
class TrialUnit(Kept):
    """One pot of a trial; both of a pair have its number. ``left_out`` says why it was."""

    trial = models.ForeignKey(Trial, on_delete=models.PROTECT, related_name="units")
    number = models.PositiveIntegerField()
    pair = models.PositiveIntegerField(null=True, blank=True)
    fed = models.BooleanField()
    left_out = models.CharField(max_length=120, blank=True)

    class Meta:
        constraints = [
            models.UniqueConstraint(fields=["trial", "number"], name="one_pot_a_number"),
        ]

    def __str__(self) -> str:
        return f"pot {self.number}"


@tracked
class Measured(Kept):
    """What was measured of one pot on a day; ``blind``: by hands that did not know its side."""

    unit = models.ForeignKey(TrialUnit, on_delete=models.PROTECT, related_name="measured")
    trial = models.ForeignKey(Trial, on_delete=models.PROTECT, related_name="measured")
    measure = models.CharField(max_length=20)
    value = models.FloatField()
    measured_on = models.DateField()
    blind = models.BooleanField(default=False)

    class Meta:
        indexes = [
            models.Index(fields=["household", "-measured_on"], name="measured_newest_first"),
            models.Index(fields=["trial", "measured_on"], name="measured_of_a_trial"),
        ]

    def __str__(self) -> str:
        return f"{self.unit}: {self.value:g}"
