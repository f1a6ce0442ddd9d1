"""For a WSGI server: ``gunicorn yemba.config.wsgi``."""

import os

from django.core.wsgi import get_wsgi_application

os.environ.setdefault("DJANGO_SETTINGS_MODULE", "yemba.config.settings")
application = get_wsgi_application()
