from django.apps import AppConfig


class StudioConfig(AppConfig):
    name = "yemba.studio"

    def ready(self) -> None:
        from yemba.core.message import speak_by
        from yemba.studio.translation import Reader

        speak_by(Reader())
