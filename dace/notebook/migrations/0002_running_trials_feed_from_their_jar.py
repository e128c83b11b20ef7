"""The fed side of a trial that runs gets the feed on trial and nothing else from now on."""

from django.db import migrations


def from_their_jar(apps, schema_editor):
    trials = apps.get_model("notebook", "Trial").objects
    running = trials.filter(ended_on__isnull=True, undone_at__isnull=True, jar__isnull=False)
    for trial in running.select_related("fed"):
        trial.fed.sources = [str(trial.jar_id)]
        trial.fed.save(update_fields=["sources"])


class Migration(migrations.Migration):
    dependencies = [("notebook", "0001_initial"), ("garden", "0010_jars_of_a_trial")]

    operations = [migrations.RunPython(from_their_jar, migrations.RunPython.noop)]
