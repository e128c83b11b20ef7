#!/usr/bin/env python
"""Django's commands for Dace."""

import os
import sys

from django.core.management import execute_from_command_line

if __name__ == "__main__":
    situation = "testing" if sys.argv[1:2] == ["test"] else "development"
    os.environ.setdefault("DJANGO_SETTINGS_MODULE", f"dace.project.settings.{situation}")
    execute_from_command_line(sys.argv)
