"""The garden: places in walking order, what fills them, what grows there."""

from __future__ import annotations

from datetime import date, timedelta

from django.db import models
from django.db.models import F, Q

from dace.core import api as core
from dace.core.api import Crop, Medium, SoilMixAsked, alike
from dace.garden import looked  # noqa: F401  (models of this app, in a file of their own)
from dace.households.changes import tracked
from dace.households.models import Kept, Usable
from dace.measuring.models import Subject


@tracked
class Garden(Kept):
    """One household's garden and its habits of measuring.

    ``rhythm_new`` is whether an upgrade changed its rhythm and nobody has seen that yet;
    ``evenings`` are the days of the week on which it is fed, ``tue,fri``; any where empty;
    ``weighs`` is whether grams come before spoons.
    """

    beginning_stays = True

    name = models.CharField(max_length=80)
    zone = models.CharField(max_length=60, default="Europe/London")
    latitude = models.FloatField(default=51.0)
    measures = models.CharField(max_length=12, default="metric")
    degrees = models.CharField(max_length=1, default="C")
    climate = models.CharField(max_length=20, blank=True)
    approach = models.CharField(max_length=12, default="mixed")
    rhythm = models.CharField(max_length=16, default="as_needed")
    rhythm_new = models.BooleanField(default=False)
    evenings = models.CharField(max_length=32, blank=True, default="")
    slider = models.FloatField(default=0.0)
    weighs = models.BooleanField(default=False)

    class Meta:
        constraints = [
            models.CheckConstraint(
                condition=Q(latitude__gte=-90) & Q(latitude__lte=90), name="latitude_is_on_earth"
            )
        ]

    def __str__(self) -> str:
        return self.name


@tracked
class Water(Usable):
    """A water to fill cans with.

    ``kind`` is how it is known: ``read`` by a pen, ``report`` [mg/L], ``blend`` of
    others (``parts`` maps their ids to shares), or a kind that the core has a guess for.
    """

    garden = models.ForeignKey(Garden, on_delete=models.PROTECT, related_name="waters")
    name = models.CharField(max_length=60)
    kind = models.CharField(max_length=10, default="read")
    ec_ms_cm = models.FloatField()
    report = models.JSONField(null=True, blank=True)
    parts = models.JSONField(null=True, blank=True)
    usual = models.BooleanField(default=False)
    subject = models.OneToOneField(
        Subject, null=True, on_delete=models.PROTECT, related_name="water"
    )

    def __str__(self) -> str:
        return self.name


@tracked
class Vessel(Usable):
    """A can, jug or sprayer that she owns."""

    garden = models.ForeignKey(Garden, on_delete=models.PROTECT, related_name="vessels")
    name = models.CharField(max_length=60)
    kind = models.CharField(max_length=10, default="can")
    volume_l = models.FloatField()
    usual = models.BooleanField(default=False)

    class Meta:
        constraints = [
            models.CheckConstraint(condition=Q(volume_l__gt=0), name="vessel_holds_something")
        ]

    def __str__(self) -> str:
        return self.name


def place_choices() -> list[tuple[str, str]]:
    """Kinds of place as the core's table has them."""
    return [(kind.key, kind.name) for kind in core.place_kinds().values()]


@tracked
class Place(Usable):
    """A stop along the path; ``area`` is what it belongs to, such as the tunnel."""

    garden = models.ForeignKey(Garden, on_delete=models.PROTECT, related_name="places")
    name = models.CharField(max_length=60)
    kind = models.CharField(max_length=10, choices=place_choices)
    walking_order = models.PositiveIntegerField()
    covered = models.BooleanField(default=False)
    area = models.CharField(max_length=40, blank=True, default="")

    class Meta:
        ordering = ["walking_order", "id"]

    def __str__(self) -> str:
        return self.name


@tracked
class SoilMix(Usable):
    """A mix of one's own: parts by volume, dry feeds [g/L], and what it was made for."""

    garden = models.ForeignKey(Garden, on_delete=models.PROTECT, related_name="mixes")
    name = models.CharField(max_length=60)
    use = models.CharField(max_length=20)
    parts = models.JSONField()
    dry = models.JSONField(default=dict, blank=True)

    def __str__(self) -> str:
        return self.name

    @property
    def asked(self) -> SoilMixAsked:
        """A litre of it, as the core is asked of it."""
        return SoilMixAsked(1.0, tuple(self.parts.items()), tuple(self.dry.items()), self.use)

    @property
    def soil(self) -> Medium:
        """What a pot filled with it starts from."""
        return core.mixed_medium(self.asked, str(self.pk), self.name)


@tracked
class Fill(Kept):
    """The medium in one pot, tub, tray or bed, or in so many alike, between two renewals.

    Where it is a ``mix`` of one's own, ``medium`` is the kind that it is most like. ``fresh`` is
    the share of it that was new on its day; the rest stood there for a season before.
    """

    place = models.ForeignKey(Place, on_delete=models.PROTECT, related_name="fills")
    subject = models.OneToOneField(Subject, on_delete=models.PROTECT, related_name="fill")
    name = models.CharField(max_length=60, blank=True)
    medium = models.CharField(max_length=30)
    mix = models.ForeignKey(SoilMix, null=True, on_delete=models.PROTECT, related_name="fills")
    fresh = models.FloatField(default=1.0)
    volume_l = models.FloatField(null=True, blank=True)
    area_m2 = models.FloatField(null=True, blank=True)
    alike = models.PositiveIntegerField(default=1)
    ph = models.FloatField(null=True, blank=True)
    logs_waterings = models.BooleanField(default=False)
    filled_on = models.DateField()
    renewed_on = models.DateField(null=True, blank=True)

    class Meta:
        constraints = [
            models.CheckConstraint(
                condition=Q(volume_l__gt=0) | Q(area_m2__gt=0), name="fill_has_a_size"
            ),
            models.CheckConstraint(condition=Q(alike__gte=1), name="fill_stands_for_one_at_least"),
            models.CheckConstraint(
                condition=Q(fresh__gte=0) & Q(fresh__lte=1), name="fill_is_fresh_in_part"
            ),
        ]

    def __str__(self) -> str:
        return self.name or str(self.place)

    @property
    def soil(self) -> Medium:
        """Its medium as the core knows it: of the table, or of its own mix."""
        new = core.medium(self.medium) if self.mix is None else self.mix.soil
        return new if self.fresh >= 1 else core.topped_up(new, self.fresh)


@tracked
class Planting(Kept):
    """One crop, sown or planted once; ``called`` where it is only most like that crop.

    How it is fed, where it is not as the garden is: ``approach``, ``rhythm``, ``sources`` (ids
    of jars, none where all may be used), ``strength`` beside the stage's wish, ``aim`` beside a
    usual crop.
    """

    garden = models.ForeignKey(Garden, on_delete=models.PROTECT, related_name="plantings")
    crop = models.CharField(max_length=40)
    called = models.CharField(max_length=60, blank=True, default="")
    count = models.PositiveIntegerField()
    started_on = models.DateField()
    ended_on = models.DateField(null=True, blank=True)
    approach = models.CharField(max_length=12, blank=True)
    rhythm = models.CharField(max_length=16, blank=True, default="")
    sources = models.JSONField(default=list, blank=True)
    strength = models.FloatField(default=1.0)
    aim = models.FloatField(default=1.0)
    repeat_days = models.PositiveIntegerField(null=True, blank=True)

    class Meta:
        constraints = [
            models.CheckConstraint(condition=Q(count__gte=1), name="planting_has_a_plant"),
            models.CheckConstraint(
                condition=Q(ended_on__isnull=True) | Q(ended_on__gte=F("started_on")),
                name="planting_ends_after_it_starts",
            ),
        ]

    def __str__(self) -> str:
        return self.grown.counted(self.count)

    @property
    def next_sowing(self) -> date | None:
        """When the next of a succession is due; None where it is not sown again."""
        if not self.repeat_days:
            return None
        return self.started_on + timedelta(days=self.repeat_days)

    @property
    def grown(self) -> Crop:
        """The crop with its figures, by the name that she gave it."""
        return alike(self.crop, self.called)


@tracked
class Stand(Kept):
    """Where so many plants of a planting stand, from when to when.

    ``sources`` are ids of the jars that alone feed them while a trial lasts.
    """

    planting = models.ForeignKey(Planting, on_delete=models.PROTECT, related_name="stands")
    fill = models.ForeignKey(Fill, on_delete=models.PROTECT, related_name="stands")
    count = models.PositiveIntegerField()
    from_on = models.DateField()
    to_on = models.DateField(null=True, blank=True)
    fed = models.BooleanField(default=True)
    sources = models.JSONField(default=list, blank=True)

    class Meta:
        constraints = [
            models.CheckConstraint(condition=Q(count__gte=1), name="stand_has_a_plant"),
        ]

    def __str__(self) -> str:
        return f"{self.count} at {self.fill}"


@tracked
class GreenStand(Kept):
    """A green manure on a bed: sown, then cut ``short`` or at its buds (``flower``)."""

    fill = models.ForeignKey(Fill, on_delete=models.PROTECT, related_name="green")
    kind = models.CharField(max_length=40)
    sown_on = models.DateField()
    cut_on = models.DateField(null=True, blank=True)
    stand = models.CharField(max_length=10, default="flower")
    dug_in = models.BooleanField(default=True)

    class Meta:
        constraints = [
            models.CheckConstraint(
                condition=Q(cut_on__isnull=True) | Q(cut_on__gte=F("sown_on")),
                name="green_stand_is_cut_after_it_is_sown",
            )
        ]

    def __str__(self) -> str:
        return f"{core.green_manures()[self.kind].name} on {self.fill}"


@tracked
class Away(Kept):
    """Days on which nobody of the household is there, up to and with the last; who waters."""

    class Waters(models.TextChoices):
        """Who waters meanwhile."""

        HELPER = "helper", "a helper waters"
        DRIP = "drip", "it waters itself"
        NOBODY = "nobody", "nobody waters"

    garden = models.ForeignKey(Garden, on_delete=models.PROTECT, related_name="aways")
    from_on = models.DateField()
    to_on = models.DateField()
    waters = models.CharField(max_length=8, choices=Waters.choices)

    class Meta:
        constraints = [
            models.CheckConstraint(
                condition=Q(to_on__gte=F("from_on")), name="away_ends_after_it_begins"
            )
        ]

    def __str__(self) -> str:
        return f"away {self.from_on} to {self.to_on}"


@tracked
class Intended(Kept):
    """A sowing that is meant: what, how many, where and when; ``planting`` once it is done."""

    garden = models.ForeignKey(Garden, on_delete=models.PROTECT, related_name="intended")
    fill = models.ForeignKey(Fill, on_delete=models.PROTECT, related_name="intended")
    crop = models.CharField(max_length=40)
    called = models.CharField(max_length=60, blank=True, default="")
    count = models.PositiveIntegerField()
    sow_on = models.DateField()
    planting = models.ForeignKey(
        Planting, null=True, on_delete=models.PROTECT, related_name="intended"
    )

    class Meta:
        ordering = ["sow_on", "created_at"]
        constraints = [
            models.CheckConstraint(condition=Q(count__gte=1), name="intended_has_a_plant")
        ]

    def __str__(self) -> str:
        return f"{self.grown.counted(self.count)} on {self.fill}"

    @property
    def grown(self) -> Crop:
        """The crop with its figures."""
        return alike(self.crop, self.called)


@tracked
class NightSaid(Kept):
    """What was said of the night that follows a day: its low, its sky, that all is covered."""

    garden = models.ForeignKey(Garden, on_delete=models.PROTECT, related_name="nights")
    on = models.DateField()
    low_c = models.FloatField(null=True, blank=True)
    clear = models.BooleanField(null=True, blank=True)
    covered = models.BooleanField(default=False)

    def __str__(self) -> str:
        return f"night of {self.on}"


@tracked
class Raising(Kept):
    """What was done for young plants on a day: hardening off begun, put off, or they stay."""

    class Step(models.TextChoices):
        """What was said."""

        HARDEN = "harden", "hardening off begun"
        LATER = "later", "not yet"
        STAYS = "stays", "stays where it is"

    planting = models.ForeignKey(Planting, on_delete=models.PROTECT, related_name="raisings")
    step = models.CharField(max_length=8, choices=Step.choices)
    on = models.DateField()

    def __str__(self) -> str:
        return f"{self.planting}: {self.Step(self.step).label}"


@tracked
class StageSeen(Kept):
    """A look at a planting: the stage it was seen at. The stage clock is set by these."""

    planting = models.ForeignKey(Planting, on_delete=models.PROTECT, related_name="stages_seen")
    stage = models.CharField(max_length=20)
    seen_on = models.DateField()

    class Meta:
        indexes = [
            models.Index(fields=["planting", "-seen_on"], name="stage_latest_first"),
            models.Index(fields=["household", "-seen_on"], name="stage_latest_of_all"),
        ]

    def __str__(self) -> str:
        return f"{self.stage} on {self.seen_on}"


@tracked
class Measure(Usable):
    """A spoon, syringe, beaker, scoop or cap that she measures with."""

    garden = models.ForeignKey(Garden, on_delete=models.PROTECT, related_name="owned")
    kind = models.CharField(max_length=10)
    name = models.CharField(max_length=60)
    holds_ml = models.FloatField()
    step_ml = models.FloatField()

    class Meta:
        constraints = [
            models.CheckConstraint(
                condition=Q(step_ml__gt=0) & Q(holds_ml__gte=F("step_ml")),
                name="measure_holds_its_smallest_mark",
            )
        ]

    def __str__(self) -> str:
        return self.name


@tracked
class SoilTest(Kept):
    """What a test of a fill's soil or medium found: ``values`` in ``unit`` by nutrient."""

    fill = models.ForeignKey(Fill, on_delete=models.PROTECT, related_name="tests")
    tested_on = models.DateField()
    unit = models.CharField(max_length=6, default="mg/L")
    values = models.JSONField(default=dict)

    class Meta:
        indexes = [
            models.Index(fields=["fill", "-tested_on"], name="soil_test_latest_first"),
            models.Index(fields=["household", "-tested_on"], name="soil_test_latest_of_all"),
        ]

    def __str__(self) -> str:
        return f"{self.fill} tested {self.tested_on}"


@tracked
class OwnWeather(Kept):
    """Days of her own weather, as one table: ``days`` are (date, low, high, rain or None)."""

    garden = models.ForeignKey(Garden, on_delete=models.PROTECT, related_name="own_weather")
    days = models.JSONField()

    def __str__(self) -> str:
        return f"{len(self.days)} days"


@tracked
class Harvest(Kept):
    """What was picked of a planting: so many grams, or so many, or both."""

    planting = models.ForeignKey(Planting, on_delete=models.PROTECT, related_name="harvests")
    grams = models.FloatField(null=True, blank=True)
    pieces = models.PositiveIntegerField(null=True, blank=True)
    picked_on = models.DateField()

    class Meta:
        indexes = [
            models.Index(fields=["planting", "-picked_on"], name="harvest_newest_first"),
            models.Index(fields=["household", "-picked_on"], name="harvest_newest_of_all"),
        ]
        constraints = [
            models.CheckConstraint(
                condition=Q(grams__gt=0) | Q(pieces__gt=0), name="harvest_is_something"
            )
        ]

    def __str__(self) -> str:
        return f"{self.planting}, picked {self.picked_on}"
