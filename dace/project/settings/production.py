"""What a served Dace runs with, the demo too."""

from dace.project.settings import environment
from dace.project.settings.base import *  # noqa: F403
from dace.project.settings.base import DATABASES

SECRET_KEY = environment.needed("DACE_SECRET_KEY")
SESSION_COOKIE_SECURE = CSRF_COOKIE_SECURE = environment.flag("DACE_HTTPS")
# Vite has hashed the names already; a second hash would load shared modules twice.
WHITENOISE_IMMUTABLE_FILE_TEST = r"^/static/assets/.+-[\w-]{8}\.\w+$"
# Each thread keeps its connection, and with it what SQLite has learnt of the schema.
DATABASES["default"]["CONN_MAX_AGE"] = None
STORAGES = {
    "default": {"BACKEND": "django.core.files.storage.FileSystemStorage"},
    "staticfiles": {"BACKEND": "whitenoise.storage.CompressedStaticFilesStorage"},
}
