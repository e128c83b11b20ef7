"""App configuration."""

from django.apps import AppConfig


class HouseholdsConfig(AppConfig):
    """People, the household they share, and every change they made."""

    name = "dace.households"
    label = "households"
    default_auto_field = "django.db.models.BigAutoField"
