"""Visitors of the demo garden once signed in as its own account: those sessions end."""

import secrets

from django.db import migrations


def end_sessions(apps, schema_editor):
    Membership = apps.get_model("households", "Membership")
    User = apps.get_model("households", "User")
    demos = Membership.objects.filter(household__is_demo=True, household__mask__isnull=True)
    for user in User.objects.filter(pk__in=list(demos.values_list("user_id", flat=True))):
        user.session_salt = secrets.token_hex(16)
        user.save(update_fields=["session_salt"])


class Migration(migrations.Migration):
    dependencies = [("households", "0006_closed_changes")]
    operations = [migrations.RunPython(end_sessions, migrations.RunPython.noop)]
