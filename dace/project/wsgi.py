"""What the server runs."""

import os

from django.core.wsgi import get_wsgi_application

os.environ.setdefault("DJANGO_SETTINGS_MODULE", "dace.project.settings.production")
application = get_wsgi_application()
