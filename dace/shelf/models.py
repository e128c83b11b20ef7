"""Jars: their label as printed, and their stock."""

from __future__ import annotations

from django.db import models
from django.db.models import Q

from dace.households.changes import tracked
from dace.households.models import Usable


@tracked
class Jar(Usable):
    """A bought feed: the label's own numbers, and what was in it when last looked at.

    ``rate_per_l`` is the label's own rate (mL or g in a litre); ``spoon_g`` what a level
    teaspoon of a dry feed weighs; ``price`` of the whole pack, in the garden's money.
    """

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
    slow = models.BooleanField(default=False)
    spoon_g = models.FloatField(null=True, blank=True)
    price = models.FloatField(null=True, blank=True)
    use_by = models.DateField(null=True, blank=True)
    holds = models.FloatField()
    stock = models.FloatField()
    stock_at = models.DateTimeField()

    class Meta:
        ordering = ["created_at", "id"]
        constraints = [
            models.CheckConstraint(
                condition=Q(stock__gte=0) & Q(holds__gt=0), name="jar_holds_no_less_than_nothing"
            )
        ]

    def __str__(self) -> str:
        return self.name
