"""What counted against a jar by the clock counts on by number."""

from django.db import migrations
from django.db.models import F


def number(apps, _editor):
    part = apps.get_model("feeding", "CanPart")
    for row in part.objects.filter(can__mixed_at__gte=F("jar__stock_at")):
        part.objects.filter(pk=row.pk).update(seq=1)
    dressing = apps.get_model("feeding", "Dressing")
    for row in dressing.objects.filter(given_at__gte=F("jar__stock_at")):
        dressing.objects.filter(pk=row.pk).update(seq=1)


class Migration(migrations.Migration):
    dependencies = [("feeding", "0005_numbered_by_change"), ("shelf", "0008_numbered_by_change")]

    operations = [migrations.RunPython(number, migrations.RunPython.noop)]
