"""What the server runs."""

import os

from django.core.wsgi import get_wsgi_application

from dace.core.api import warm_up

os.environ.setdefault("DJANGO_SETTINGS_MODULE", "dace.project.settings.production")
application = get_wsgi_application()
warm_up()
