from django.apps import AppConfig
from django.conf import settings

from yemba.core import room


class SitesConfig(AppConfig):
    name = "yemba.sites"

    def ready(self) -> None:
        room.allow(**settings.ROOM)
