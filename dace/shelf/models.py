"""Jars: their label as printed, and their stock."""

from __future__ import annotations

from django.db import models
from django.db.models import Q

from dace.garden.models import Water
from dace.households.changes import tracked
from dace.households.models import Kept, Usable
from dace.measuring.models import Subject


@tracked
class OwnMaterial(Usable):
    """A material that the household knows better: like one of the table, with % of its own."""

    name = models.CharField(max_length=60)
    like = models.CharField(max_length=40)
    percent = models.JSONField(default=dict, blank=True)

    def __str__(self) -> str:
        return self.name


@tracked
class OwnRecipe(Usable):
    """A recipe that the household keeps: method, ingredients and liquid as for a brew."""

    name = models.CharField(max_length=60)
    method = models.CharField(max_length=20)
    ingredients = models.JSONField()
    volume_l = models.FloatField()
    acid_percent = models.FloatField(default=0.0)
    handling = models.JSONField(default=list, blank=True)
    note = models.CharField(max_length=300, blank=True)

    def __str__(self) -> str:
        return self.name


@tracked
class Brew(Usable):
    """A home-made liquid on its way: what went in, how, and since when.

    ``ingredients`` are dicts of material, mass_g, weighed, particle, said and, for one of the
    household's own, percent. ``after_days`` is how long the same solids were soaked before.
    """

    subject = models.OneToOneField(Subject, on_delete=models.PROTECT, related_name="brew")
    name = models.CharField(max_length=60)
    method = models.CharField(max_length=20)
    ingredients = models.JSONField()
    volume_l = models.FloatField()
    water = models.ForeignKey(Water, on_delete=models.PROTECT, related_name="+")
    acid_percent = models.FloatField(default=0.0)
    temperature_c = models.FloatField(default=16.0)
    handling = models.JSONField(default=list, blank=True)
    started_at = models.DateTimeField()
    after = models.ForeignKey("self", null=True, on_delete=models.SET_NULL, related_name="second")
    after_days = models.FloatField(null=True, blank=True)

    class Meta:
        ordering = ["started_at", "id"]
        constraints = [
            models.CheckConstraint(
                condition=Q(volume_l__gte=0), name="brew_liquid_is_no_less_than_none"
            )
        ]

    def __str__(self) -> str:
        return self.name


@tracked
class Heap(Usable):
    """A heap, a bin or a stack of manure: how it is kept, and what went in.

    ``inputs`` are dicts of material, kg, said, known (nobody sprayed it) and on, its day.
    ``heat_record`` is whether its heat was written down for as long as kills germs.
    """

    name = models.CharField(max_length=60)
    method = models.CharField(max_length=20)
    inputs = models.JSONField()
    covered = models.BooleanField(default=False)
    heat_record = models.BooleanField(default=False)
    begun_on = models.DateField()

    class Meta:
        ordering = ["begun_on", "id"]

    def __str__(self) -> str:
        return self.name


@tracked
class HeapEvent(Kept):
    """Something done with a heap: ``found`` is what was measured, read, said or taken out."""

    class Kind(models.TextChoices):
        """What was done."""

        ADD = "add", "something put on"
        TURN = "turn", "turned"
        WET = "wet", "watered"
        COVER = "cover", "covered"
        UNCOVER = "uncover", "uncovered"
        TEST = "test", "tested at home"
        BEANS = "beans", "bean test sown"
        READ_BEANS = "read_beans", "bean test read"
        DRAIN = "drain", "drained"
        EMPTY = "empty", "emptied"

    heap = models.ForeignKey(Heap, on_delete=models.PROTECT, related_name="events")
    kind = models.CharField(max_length=10, choices=Kind.choices)
    on = models.DateField()
    found = models.JSONField(default=dict, blank=True)

    class Meta:
        indexes = [
            models.Index(fields=["heap", "-on"], name="heap_event_newest_first"),
            models.Index(fields=["household", "-on"], name="heap_event_newest_of_all"),
        ]

    def __str__(self) -> str:
        return f"{self.heap}: {self.get_kind_display()}"


@tracked
class Jar(Usable):
    """A feed, bought or bottled: the label's own numbers, and what was in it when last looked at.

    ``rate_per_l`` is the label's own rate (mL or g in a litre), ``rate_said`` its words, which
    are worked out anew when a spoon is weighed; ``spoon_g`` what a level teaspoon of a dry feed
    weighs; ``price`` of the whole pack, in the garden's money; ``material``
    is what it is made of, where the core knows that: it says how a slow one comes out, and
    which cautions bear on it. A bottle comes from a ``brew``, and ``contents`` are the core's
    figures of it as it was strained. What was emptied comes from a ``heap``: a crop gets
    ``season_n`` percent of its nitrogen in the first season, and rules know it by ``tokens``. A
    stock solution is made of ``drawn`` mL or g of the jar that it is ``made_from``. ``stock_seq``
    is the number of the change that told the stock.
    """

    numbers = (*Usable.numbers, "stock_seq")

    name = models.CharField(max_length=80)
    n_percent = models.FloatField()
    p_percent = models.FloatField()
    k_percent = models.FloatField()
    basis = models.CharField(max_length=10, default="oxide")
    percent = models.CharField(max_length=10, default="mass")
    form = models.CharField(max_length=10, default="liquid")
    density_g_per_ml = models.FloatField(null=True, blank=True)
    nitrogen = models.JSONField(null=True, blank=True)
    also = models.JSONField(default=dict, blank=True)
    dissolves = models.BooleanField(default=True)
    rate_per_l = models.FloatField(null=True, blank=True)
    rate_said = models.CharField(max_length=80, blank=True, default="")
    slow = models.BooleanField(default=False)
    material = models.CharField(max_length=40, blank=True)
    spoon_g = models.FloatField(null=True, blank=True)
    price = models.FloatField(null=True, blank=True)
    use_by = models.DateField(null=True, blank=True)
    holds = models.FloatField()
    stock = models.FloatField()
    stock_at = models.DateTimeField()
    stock_seq = models.BigIntegerField(default=0, editable=False)
    brew = models.ForeignKey(Brew, null=True, on_delete=models.PROTECT, related_name="bottles")
    contents = models.JSONField(null=True, blank=True)
    heap = models.ForeignKey(Heap, null=True, on_delete=models.PROTECT, related_name="jars")
    season_n = models.FloatField(null=True, blank=True)
    tokens = models.JSONField(default=list, blank=True)
    made_from = models.ForeignKey(
        "self", null=True, on_delete=models.PROTECT, related_name="stock_solutions"
    )
    drawn = models.FloatField(default=0.0)

    class Meta:
        ordering = ["created_at", "id"]
        constraints = [
            models.CheckConstraint(
                condition=Q(stock__gte=0) & Q(holds__gt=0), name="jar_holds_no_less_than_nothing"
            )
        ]

    def __str__(self) -> str:
        return self.name


@tracked
class BrewEvent(Kept):
    """Something done with a brew; ``litres`` is what straining gave."""

    class Kind(models.TextChoices):
        """What was done."""

        ADD = "add", "something added"
        STIR = "stir", "stirred"
        VENT = "vent", "let the gas out"
        STRAIN = "strain", "strained"
        THROW = "throw", "thrown out"

    brew = models.ForeignKey(Brew, on_delete=models.PROTECT, related_name="events")
    kind = models.CharField(max_length=10, choices=Kind.choices)
    at = models.DateTimeField()
    litres = models.FloatField(null=True, blank=True)

    class Meta:
        indexes = [
            models.Index(fields=["brew", "-at"], name="brew_event_newest_first"),
            models.Index(fields=["household", "-at"], name="brew_event_newest_of_all"),
        ]

    def __str__(self) -> str:
        return f"{self.brew}: {self.get_kind_display()}"


@tracked
class Forgotten(Kept):
    """What was learned of a recipe here before a moment counts no more."""

    what = models.CharField(max_length=300)
    at = models.DateTimeField()

    def __str__(self) -> str:
        return f"forgotten: {self.what}"


@tracked
class SeenTo(Kept):
    """A caution that only the gardener can settle, seen to for one jar or brew (``about``)."""

    caution = models.CharField(max_length=60)
    about = models.UUIDField()

    class Meta:
        indexes = [models.Index(fields=["household", "about"], name="seen_to_by_thing")]

    def __str__(self) -> str:
        return self.caution
