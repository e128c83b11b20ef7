"""App configuration."""

from django.apps import AppConfig


class NotebookConfig(AppConfig):
    """Photos and trials."""

    name = "dace.notebook"
    label = "notebook"
    default_auto_field = "django.db.models.BigAutoField"

    def ready(self) -> None:
        """Photos go when their household goes."""
        from django.db.models.signals import post_delete  # noqa: PLC0415

        from dace.households.models import Household  # noqa: PLC0415
        from dace.notebook.pictures import forget_all  # noqa: PLC0415

        post_delete.connect(lambda instance, **_: forget_all(instance.pk), Household, weak=False)
