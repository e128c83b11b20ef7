from django.db import migrations


def end(apps, _schema_editor):
    """A brew that was strained or thrown out is on its way no more."""
    for event in apps.get_model("shelf", "BrewEvent").objects.filter(
        kind__in=("strain", "throw"), undone_at__isnull=True, brew__ended_on__isnull=True
    ).select_related("brew"):
        event.brew.ended_on = event.at.date()
        event.brew.save(update_fields=["ended_on"])


class Migration(migrations.Migration):
    dependencies = [("shelf", "0006_newest_first")]

    operations = [migrations.RunPython(end, migrations.RunPython.noop)]
