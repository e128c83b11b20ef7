"""What a served Dace runs with, the demo too."""

from dace.project.settings import environment
from dace.project.settings.base import *  # noqa: F403
from dace.project.settings.base import (
    ALLOWED_HOSTS,
    DATABASES,
    LOGGING,
    SILENCED_SYSTEM_CHECKS,
)

SECRET_KEY = environment.needed("DACE_SECRET_KEY")
HTTPS = environment.flag("DACE_HTTPS")
SESSION_COOKIE_SECURE = CSRF_COOKIE_SECURE = HTTPS
SECURE_SSL_REDIRECT = HTTPS
SECURE_HSTS_SECONDS = 365 * 24 * 3600 if HTTPS else 0
SECURE_PROXY_SSL_HEADER = ("HTTP_X_FORWARDED_PROTO", "https") if HTTPS else None
CSRF_TRUSTED_ORIGINS = [f"https://{name}" for name in ALLOWED_HOSTS] if HTTPS else []
if not HTTPS:
    # on a house's own network there is no TLS to insist on
    SILENCED_SYSTEM_CHECKS = [
        *SILENCED_SYSTEM_CHECKS,
        *(f"security.W{n:03}" for n in (4, 8, 12, 16)),
    ]
else:
    # subdomains and the browsers' own lists are not Dace's to speak for
    SILENCED_SYSTEM_CHECKS = [*SILENCED_SYSTEM_CHECKS, "security.W005", "security.W021"]
LOGGING["loggers"]["dace.requests"] = {"level": "INFO"}
# Vite has hashed the names already; a second hash would load shared modules twice.
WHITENOISE_IMMUTABLE_FILE_TEST = r"^/static/assets/.+-[\w-]{8}\.\w+$"
# Each thread keeps its connection, and with it what SQLite has learnt of the schema.
DATABASES["default"]["CONN_MAX_AGE"] = None
STORAGES = {
    "default": {"BACKEND": "django.core.files.storage.FileSystemStorage"},
    "staticfiles": {"BACKEND": "whitenoise.storage.CompressedStaticFilesStorage"},
}
