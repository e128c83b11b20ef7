"""What tests run with: production's policy, quick password hashing, a database in memory."""

from dace.project.settings.base import *  # noqa: F403
from dace.project.settings.base import DATABASES

SECRET_KEY = "only-for-tests"  # noqa: S105
PASSWORD_HASHERS = ["django.contrib.auth.hashers.MD5PasswordHasher"]
DACE_DEMO = True
DACE_NOW = "2026-07-14T17:40"
DATABASES["default"] |= {"NAME": ":memory:"}
