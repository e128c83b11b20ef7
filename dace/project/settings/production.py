"""What a served Dace runs with, the demo too."""

from dace.project.settings import environment
from dace.project.settings.base import *  # noqa: F403

SECRET_KEY = environment.needed("DACE_SECRET_KEY")
SESSION_COOKIE_SECURE = CSRF_COOKIE_SECURE = environment.flag("DACE_HTTPS")
STORAGES = {
    "default": {"BACKEND": "django.core.files.storage.FileSystemStorage"},
    "staticfiles": {"BACKEND": "whitenoise.storage.CompressedManifestStaticFilesStorage"},
}
