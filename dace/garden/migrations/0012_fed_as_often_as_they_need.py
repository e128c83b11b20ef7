"""Gardens whose weekly rhythm nobody chose are fed as often as their plants need it."""

import json

from django.db import migrations, models

_OLD, _NEW = "weekly", "as_needed"


def chosen(apps, model, key):
    """Whether a version of a row shows that its rhythm was ever another."""
    versions = apps.get_model("reversion", "Version").objects.filter(
        content_type__app_label="garden", content_type__model=model, object_id=str(key)
    )
    for text in versions.values_list("serialized_data", flat=True):
        fields = json.loads(text)[0].get("fields", {})
        if fields.get("rhythm", _OLD) != _OLD:
            return True
    return False


def as_needed(apps, schema_editor):
    for garden in apps.get_model("garden", "Garden").objects.filter(rhythm=_OLD):
        if not chosen(apps, "garden", garden.pk):
            garden.rhythm, garden.rhythm_new = _NEW, True
            garden.save(update_fields=["rhythm", "rhythm_new"])


class Migration(migrations.Migration):
    dependencies = [
        ("garden", "0011_kinds_of_place_are_a_table"),
        ("reversion", "0002_add_index_on_version_for_content_type_and_db"),
    ]

    operations = [
        migrations.AddField("garden", "rhythm_new", models.BooleanField(default=False)),
        migrations.AlterField(
            "garden", "rhythm", models.CharField(default="as_needed", max_length=16)
        ),
        migrations.RunPython(as_needed, migrations.RunPython.noop),
    ]
