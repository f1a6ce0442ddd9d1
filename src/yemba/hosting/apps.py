from django.apps import AppConfig


class HostingConfig(AppConfig):
    name = "yemba.hosting"

    def ready(self) -> None:
        from yemba.hosting import deploy  # noqa: F401 -- registers its checks
