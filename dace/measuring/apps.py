"""App configuration."""

from django.apps import AppConfig


class MeasuringConfig(AppConfig):
    """Readings of anything that can be read."""

    name = "dace.measuring"
    label = "measuring"
    default_auto_field = "django.db.models.BigAutoField"
