"""App configuration."""

from django.apps import AppConfig


class DemoConfig(AppConfig):
    """Weir Yard, a made-up garden, written through the services."""

    name = "dace.demo"
    label = "demo"
    default_auto_field = "django.db.models.BigAutoField"
