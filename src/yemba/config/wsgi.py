"""For a WSGI server: ``gunicorn yemba.config.wsgi``."""

import os

from django.core.wsgi import get_wsgi_application

from yemba.catalogue import catalogue

os.environ.setdefault("DJANGO_SETTINGS_MODULE", "yemba.config.settings")
application = get_wsgi_application()
catalogue()  # a shipped file that is broken is told at the start, not to whoever comes first
