"""A pen that nobody calibrated says so: it used to count as set right on the day it came."""

from django.db import migrations, models
from django.db.models import F


def as_it_came(apps, schema_editor):
    pens = apps.get_model("measuring", "Pen").objects
    pens.filter(calibrated_at=F("created_at")).update(calibrated_at=None)


class Migration(migrations.Migration):
    dependencies = [("measuring", "0011_pens_that_send")]

    operations = [
        migrations.AlterField(
            model_name="pen",
            name="calibrated_at",
            field=models.DateTimeField(blank=True, null=True),
        ),
        migrations.RunPython(as_it_came, migrations.RunPython.noop),
    ]
