"""What holds in every situation. Reads the environment, changes nothing."""

from __future__ import annotations

from pathlib import Path
from typing import Any

from csp.constants import NONE, SELF

from dace.project.settings import environment

ROOT = Path(__file__).resolve().parents[3]
DATA = environment.folder("DACE_DATA", ROOT / "var")

DACE_PHOTOS = DATA / "photos"
DACE_COPIES = environment.text("DACE_COPIES")

DEBUG = False
ALLOWED_HOSTS = environment.names("DACE_HOSTS", "127.0.0.1,localhost")
DACE_DEMO = environment.flag("DACE_DEMO")
DACE_NOW = environment.text("DACE_NOW")
DACE_WEATHER = environment.text("DACE_WEATHER")
DACE_PEN = environment.text("DACE_PEN")
DACE_PROXY = environment.text("DACE_PROXY")
DACE_NOW_ZONE = environment.text("DACE_NOW_ZONE", "Europe/London")

INSTALLED_APPS = [
    "django.contrib.auth",
    "django.contrib.contenttypes",
    "django.contrib.sessions",
    "django.contrib.staticfiles",
    "axes",
    "csp",
    "django_vite",
    "ninja",
    "reversion",
    "dace.households",
    "dace.measuring",
    "dace.garden",
    "dace.shelf",
    "dace.feeding",
    "dace.notebook",
    "dace.desks",
    "dace.demo",
    "dace.exchange",
    "dace.project",
]

MIDDLEWARE = [
    "django.middleware.security.SecurityMiddleware",
    "csp.middleware.CSPMiddleware",
    "whitenoise.middleware.WhiteNoiseMiddleware",
    "dace.project.compressing.Compressed",
    "dace.project.watching.Watched",
    "dace.project.errors.InOurForm",
    # before no-store is said, which is for disks: a page may hold an answer while it is open
    "django.middleware.http.ConditionalGetMiddleware",
    "dace.desks.shared.at_home.MeasuresEnd",
    "django.contrib.sessions.middleware.SessionMiddleware",
    "dace.households.sessions.RenewSessions",
    "django.middleware.common.CommonMiddleware",
    "django.middleware.csrf.CsrfViewMiddleware",
    "django.contrib.auth.middleware.AuthenticationMiddleware",
    "django.middleware.clickjacking.XFrameOptionsMiddleware",
]

ROOT_URLCONF = "dace.project.urls"
WSGI_APPLICATION = "dace.project.wsgi.application"
TEMPLATES = [
    {
        "BACKEND": "django.template.backends.django.DjangoTemplates",
        "DIRS": [ROOT / "dace" / "project" / "templates"],
    }
]

DATABASES = {
    "default": {
        "ENGINE": "django.db.backends.sqlite3",
        "NAME": DATA / "dace.sqlite3",
        "OPTIONS": {
            "timeout": 20,
            "transaction_mode": "IMMEDIATE",
            "init_command": (
                "PRAGMA journal_mode=WAL; PRAGMA synchronous=FULL; PRAGMA foreign_keys=ON;"
            ),
        },
    }
}

AUTHENTICATION_BACKENDS = [
    "axes.backends.AxesStandaloneBackend",
    "django.contrib.auth.backends.ModelBackend",
]
# Five wrong passwords for one name from one address wait a minute, each further one twice as
# long; others are not held up.
AXES_FAILURE_LIMIT = "dace.households.waits.most_wrong"
AXES_COOLOFF_TIME = "dace.households.waits.cool_off"
AXES_LOCKOUT_PARAMETERS = [["username", "ip_address"]]
AXES_RESET_COOL_OFF_ON_FAILURE_DURING_LOCKOUT = False
AXES_RESET_ON_SUCCESS = True
AXES_ENABLE_ACCESS_FAILURE_LOG = True
AXES_DISABLE_ACCESS_LOG = True
AXES_VERBOSE = False
PASSWORD_HASHERS = ["dace.households.hashing.FewAtOnce"]
# The sign-in endpoint says in our own form that a name is locked; no middleware needs to.
SILENCED_SYSTEM_CHECKS = ["axes.W002"]
AUTH_USER_MODEL = "households.User"
AUTH_PASSWORD_VALIDATORS = [
    {"NAME": f"django.contrib.auth.password_validation.{name}"}
    for name in (
        "UserAttributeSimilarityValidator",
        "MinimumLengthValidator",
        "CommonPasswordValidator",
    )
]

LANGUAGE_CODE = "en-gb"
TIME_ZONE = "UTC"
USE_TZ = True
USE_I18N = False

STATIC_URL = "/static/"
STATIC_ROOT = DATA / "static"
WEB_DIST = ROOT / "web" / "dist"
STATICFILES_DIRS: list[Path] = [WEB_DIST]
# The service worker speaks for the whole site, and so stands at its root.
WHITENOISE_ROOT = WEB_DIST / "root"
DJANGO_VITE: dict[str, dict[str, object]] = {
    "default": {"manifest_path": WEB_DIST / "manifest.json"}
}

SESSION_ENGINE = "dace.households.sessions"
SESSION_COOKIE_HTTPONLY = True
SESSION_COOKIE_SAMESITE = "Lax"
CSRF_COOKIE_SAMESITE = "Lax"
SECURE_REFERRER_POLICY = "same-origin"
X_FRAME_OPTIONS = "DENY"
DATA_UPLOAD_MAX_MEMORY_SIZE = 1_000_000

CONTENT_SECURITY_POLICY = {
    "DIRECTIVES": {
        "default-src": [NONE],
        "base-uri": [NONE],
        "connect-src": [SELF],
        "font-src": [SELF],
        "form-action": [SELF],
        "frame-ancestors": [NONE],
        "img-src": [SELF, "data:", "blob:"],  # blob: a photo before it is sent
        "manifest-src": [SELF],
        "script-src": [SELF],
        "style-src": [SELF],
        "worker-src": [SELF],
    }
}

LOGGING: dict[str, Any] = {
    "version": 1,
    "disable_existing_loggers": False,
    "formatters": {"line": {"format": "{asctime} {levelname} {message}", "style": "{"}},
    "handlers": {"console": {"class": "logging.StreamHandler", "formatter": "line"}},
    "root": {"handlers": ["console"], "level": "WARNING"},
    # what a client gets wrong is answered in words, not logged
    "loggers": {
        "django.request": {"level": "ERROR"},
        "django.security.csrf": {"level": "ERROR"},
        "axes": {"level": "ERROR"},
    },
}
