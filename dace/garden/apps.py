"""App configuration."""

from django.apps import AppConfig


class GardenConfig(AppConfig):
    """Places, what fills them, what grows there, waters and cans."""

    name = "dace.garden"
    label = "garden"
    default_auto_field = "django.db.models.BigAutoField"
