"""App configuration."""

from django.apps import AppConfig


class ShelfConfig(AppConfig):
    """Jars of bought feed and what is left in them."""

    name = "dace.shelf"
    label = "shelf"
    default_auto_field = "django.db.models.BigAutoField"
