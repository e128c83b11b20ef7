"""App configuration."""

from django.apps import AppConfig


class FeedingConfig(AppConfig):
    """Cans mixed and doses poured."""

    name = "dace.feeding"
    label = "feeding"
    default_auto_field = "django.db.models.BigAutoField"
