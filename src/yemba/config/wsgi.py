"""For a WSGI server: ``gunicorn --config python:yemba.config.serve yemba.config.wsgi``."""

import os

from django.conf import settings
from django.core.wsgi import get_wsgi_application

from yemba.catalogue import catalogue
from yemba.config.guard import Guard

os.environ.setdefault("DJANGO_SETTINGS_MODULE", "yemba.config.settings")
application = Guard(get_wsgi_application(), settings.PROXIES)
catalogue()  # a shipped file that is broken is told at the start, not to whoever comes first
