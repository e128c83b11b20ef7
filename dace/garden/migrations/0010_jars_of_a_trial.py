"""A stand may be fed from some jars alone, while a trial lasts."""

from django.db import migrations, models


class Migration(migrations.Migration):
    dependencies = [("garden", "0009_observations_and_signs")]

    operations = [
        migrations.AddField(
            model_name="stand",
            name="sources",
            field=models.JSONField(blank=True, default=list),
        )
    ]
