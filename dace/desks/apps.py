"""App configuration."""

from django.apps import AppConfig


class DesksConfig(AppConfig):
    """Screens that join apps, and writes that touch two."""

    name = "dace.desks"
    label = "desks"
    default_auto_field = "django.db.models.BigAutoField"
