"""Cans that were mixed and the doses poured from them."""

from __future__ import annotations

from django.db import models
from django.db.models import Q

from dace.core import api as core
from dace.garden.models import Fill, Stand, Water
from dace.households.changes import tracked
from dace.households.models import Kept, Usable
from dace.measuring.models import Subject
from dace.shelf.models import Jar


@tracked
class Can(Kept):
    """A can as mixed: what went in, and what it was expected to read and to hold [mg/L]."""

    subject = models.OneToOneField(Subject, on_delete=models.PROTECT, related_name="can")
    water = models.ForeignKey(Water, on_delete=models.PROTECT, related_name="+")
    vessel_l = models.FloatField()
    said = models.CharField(max_length=60)
    ratio = models.CharField(max_length=20)
    ec_low = models.FloatField()
    ec_likely = models.FloatField()
    ec_high = models.FloatField()
    mg_l = models.JSONField()
    mixed_at = models.DateTimeField()

    class Meta:
        indexes = [models.Index(fields=["household", "-mixed_at"], name="can_newest_first")]
        constraints = [
            models.CheckConstraint(condition=Q(vessel_l__gt=0), name="can_holds_something")
        ]

    def __str__(self) -> str:
        return f"{self.vessel_l:g} L at {self.ratio}"


@tracked
class CanPart(Kept):
    """One source in a can, in mL or g."""

    can = models.ForeignKey(Can, on_delete=models.PROTECT, related_name="parts")
    jar = models.ForeignKey(Jar, on_delete=models.PROTECT, related_name="draws")
    amount = models.FloatField()

    class Meta:
        constraints = [
            models.CheckConstraint(condition=Q(amount__gt=0), name="can_part_is_positive")
        ]

    def __str__(self) -> str:
        return f"{self.amount:g} of {self.jar}"


@tracked
class Thinning(Kept):
    """Water stirred into a mixed can after some of it was poured off [L]."""

    can = models.ForeignKey(Can, on_delete=models.PROTECT, related_name="thinnings")
    water_l = models.FloatField()
    pour_off_l = models.FloatField(default=0.0)
    stirred_at = models.DateTimeField()

    class Meta:
        constraints = [
            models.CheckConstraint(
                condition=Q(water_l__gt=0) & Q(pour_off_l__gte=0), name="thinning_adds_water"
            )
        ]

    def __str__(self) -> str:
        return f"{self.water_l:g} L of water into {self.can}"


@tracked
class Dose(Kept):
    """So many litres of a can on each of so many plants of a stand."""

    can = models.ForeignKey(Can, on_delete=models.PROTECT, related_name="doses")
    stand = models.ForeignKey(Stand, on_delete=models.PROTECT, related_name="doses")
    fill = models.ForeignKey(Fill, on_delete=models.PROTECT, related_name="doses")
    plants = models.PositiveIntegerField()
    litres_each = models.FloatField()
    poured_at = models.DateTimeField()

    class Meta:
        indexes = [
            models.Index(fields=["household", "-poured_at"], name="dose_newest_first"),
            models.Index(fields=["fill", "-poured_at"], name="dose_newest_on_a_fill"),
        ]
        constraints = [
            models.CheckConstraint(condition=Q(litres_each__gt=0), name="dose_volume_is_positive"),
            models.CheckConstraint(condition=Q(plants__gte=1), name="dose_reaches_a_plant"),
        ]

    @property
    def litres(self) -> float:
        """All that was poured [L]."""
        return self.litres_each * self.plants

    def __str__(self) -> str:
        return f"{self.litres:g} L on {self.fill}"


@tracked
class Spray(Kept):
    """A can sprayed on the leaves of so many plants of a stand.

    ``landed_l`` is what their leaf held; ``entered`` what went into each plant [mg] by
    nutrient, as [low, likely, high]: that, and not what was sprayed, is what it was fed.
    """

    can = models.ForeignKey(Can, on_delete=models.PROTECT, related_name="sprays")
    stand = models.ForeignKey(Stand, on_delete=models.PROTECT, related_name="sprays")
    fill = models.ForeignKey(Fill, on_delete=models.PROTECT, related_name="sprays")
    plants = models.PositiveIntegerField()
    landed_l = models.FloatField()
    entered = models.JSONField()
    sprayed_at = models.DateTimeField()

    class Meta:
        indexes = [
            models.Index(fields=["household", "-sprayed_at"], name="spray_newest_first"),
            models.Index(fields=["fill", "-sprayed_at"], name="spray_newest_on_a_fill"),
        ]
        constraints = [
            models.CheckConstraint(condition=Q(landed_l__gt=0), name="spray_wets_a_leaf"),
            models.CheckConstraint(condition=Q(plants__gte=1), name="spray_reaches_a_plant"),
        ]

    def __str__(self) -> str:
        return f"{self.can} on the leaves of {self.fill}"


@tracked
class Dressing(Kept):
    """So many grams of something dry on a stand: from a jar, or of a material of the garden."""

    stand = models.ForeignKey(Stand, on_delete=models.PROTECT, related_name="dressings")
    fill = models.ForeignKey(Fill, on_delete=models.PROTECT, related_name="dressings")
    jar = models.ForeignKey(Jar, null=True, on_delete=models.PROTECT, related_name="dressings")
    material = models.CharField(max_length=40, blank=True)
    grams = models.FloatField()
    plants = models.PositiveIntegerField()
    said = models.CharField(max_length=60)
    given_at = models.DateTimeField()

    class Meta:
        indexes = [
            models.Index(fields=["household", "-given_at"], name="dressing_newest_first"),
            models.Index(fields=["fill", "-given_at"], name="dressing_newest_on_a_fill"),
        ]
        constraints = [
            models.CheckConstraint(condition=Q(grams__gt=0), name="dressing_is_something"),
            models.CheckConstraint(condition=Q(plants__gte=1), name="dressing_reaches_a_plant"),
            models.CheckConstraint(
                condition=Q(jar__isnull=False) | ~Q(material=""), name="dressing_is_of_something"
            ),
        ]

    def __str__(self) -> str:
        return f"{self.grams:g} g on {self.fill}"


@tracked
class Spread(Kept):
    """So many kg of something solid on a whole fill, grown or bare: of a jar, or a mulch."""

    fill = models.ForeignKey(Fill, on_delete=models.PROTECT, related_name="spreads")
    jar = models.ForeignKey(Jar, null=True, on_delete=models.PROTECT, related_name="spreads")
    material = models.CharField(max_length=40, blank=True)
    kg = models.FloatField()
    said = models.CharField(max_length=60, blank=True)
    laid_on = models.DateField()

    class Meta:
        indexes = [models.Index(fields=["household", "-laid_on"], name="spread_newest_first")]
        constraints = [
            models.CheckConstraint(condition=Q(kg__gt=0), name="spread_is_something"),
            models.CheckConstraint(
                condition=Q(jar__isnull=False) | ~Q(material=""), name="spread_is_of_something"
            ),
        ]

    @property
    def name(self) -> str:
        """What was spread."""
        return self.jar.name if self.jar is not None else core.material(self.material).name

    def __str__(self) -> str:
        return f"{self.name} on {self.fill}"


@tracked
class Watering(Kept):
    """Plain water on a whole fill; ``flush`` where it is meant to take salts out."""

    fill = models.ForeignKey(Fill, on_delete=models.PROTECT, related_name="waterings")
    water = models.ForeignKey(Water, on_delete=models.PROTECT, related_name="+")
    litres = models.FloatField()
    flush = models.BooleanField(default=False)
    poured_at = models.DateTimeField()

    class Meta:
        indexes = [
            models.Index(fields=["household", "-poured_at"], name="watering_newest_first"),
            models.Index(fields=["fill", "-poured_at"], name="watering_newest_on_a_fill"),
        ]
        constraints = [
            models.CheckConstraint(condition=Q(litres__gt=0), name="watering_is_something")
        ]

    def __str__(self) -> str:
        return f"{self.litres:g} L of {self.water} on {self.fill}"


@tracked
class Serving(Kept):
    """A stop that a can was mixed for: so many litres on each plant of each of its stands.

    ``slot`` numbers the feed within its fill, as the plan does; ``each`` maps the ids of
    stands to litres on each plant.
    """

    can = models.ForeignKey(Can, on_delete=models.PROTECT, related_name="servings")
    fill = models.ForeignKey(Fill, on_delete=models.PROTECT, related_name="servings")
    slot = models.IntegerField()
    on = models.DateField()
    each = models.JSONField()

    class Meta:
        indexes = [models.Index(fields=["household", "-on"], name="serving_newest_first")]

    def __str__(self) -> str:
        return f"{self.fill} from {self.can}"


@tracked
class Tick(Kept):
    """What was done of a feed that was planned: all of it, half, none, her own amount, more."""

    class How(models.TextChoices):
        """How much of it."""

        PLANNED = "planned", "as planned"
        HALF = "half", "half of it"
        NONE = "none", "left out"
        OWN = "own", "another amount"
        EXTRA = "extra", "some more"

    fill = models.ForeignKey(Fill, on_delete=models.PROTECT, related_name="ticks")
    serving = models.ForeignKey(Serving, null=True, on_delete=models.PROTECT, related_name="ticks")
    slot = models.IntegerField()
    on = models.DateField()
    how = models.CharField(max_length=8, choices=How.choices)
    litres = models.FloatField(default=0.0)

    class Meta:
        indexes = [
            models.Index(fields=["household", "-on"], name="tick_newest_first"),
            models.Index(fields=["fill", "-on"], name="tick_newest_on_a_fill"),
        ]
        constraints = [
            models.CheckConstraint(condition=Q(litres__gte=0), name="tick_pours_no_less_than_none")
        ]

    def __str__(self) -> str:
        return f"{self.fill}: {self.get_how_display()}"


@tracked
class CalendarLink(Usable):
    """A private address of the plan as a calendar: of its token only the digest is kept."""

    digest = models.CharField(max_length=64, unique=True)
    member_id = models.BigIntegerField()

    def __str__(self) -> str:
        return "The calendar's address"
