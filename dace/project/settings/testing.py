"""What tests run with: production's policy, quick password hashing, a database to throw away."""

import os
import tempfile
from pathlib import Path

from dace.project.settings.base import *  # noqa: F403
from dace.project.settings.base import DATABASES

SECRET_KEY = "only-for-tests"  # noqa: S105
PASSWORD_HASHERS = ["django.contrib.auth.hashers.MD5PasswordHasher"]
DACE_DEMO = True
DACE_NOW = "2026-07-14T17:40"
# A file, not memory: the browser tests' server has connections of its own.
# Its tables are the models': the migrations, which `test_landed` runs, would take eight seconds.
DATABASES["default"]["TEST"] = {
    "NAME": str(Path(tempfile.gettempdir()) / f"dace-test-{os.getpid()}.sqlite3"),
    "MIGRATE": False,
}

DACE_PHOTOS = Path(tempfile.gettempdir()) / f"dace-photos-{os.getpid()}"
TEST_RUNNER = "tests.runner.Runner"
