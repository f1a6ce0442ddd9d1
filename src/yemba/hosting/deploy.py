"""What `manage.py check --deploy` finds missing for an installation that strangers reach."""

from __future__ import annotations

import os
from collections.abc import Iterator
from datetime import timedelta
from typing import Any

from django.conf import settings
from django.contrib.staticfiles.storage import staticfiles_storage
from django.core.checks import CheckMessage, Error, Tags, register
from django.core.checks import Warning as Caution
from django.db import DatabaseError
from django.utils.timezone import now

from yemba.hosting.models import Planned

_LATE = timedelta(minutes=10)


@register(Tags.security, deploy=True)
def missing(app_configs: Any, **_: Any) -> list[CheckMessage]:
    return [*_settings(), *_files(), *_timer()]


def _settings() -> Iterator[CheckMessage]:
    studio, sites = settings.STUDIO_HOST, settings.SITES_DOMAIN
    if settings.DEMO:
        yield Error("The demo’s door is open: anybody enters as Ines.", hint="Unset YEMBA_DEMO.", id="yemba.E001")
    if settings.SCHEME != "https":
        hint = "Set YEMBA_SCHEME=https and end TLS at a proxy: manage.py proxy_config writes its configuration."
        sentence = f"The scheme is {settings.SCHEME}: passwords and sessions travel in the open."
        yield Error(sentence, hint=hint, id="yemba.E002")
    if "localhost" in (studio, sites):
        hint = "Set YEMBA_STUDIO_HOST and YEMBA_SITES_DOMAIN to names that visitors can reach."
        yield Error(f"The studio is at {studio}, sites below {sites}.", hint=hint, id="yemba.E003")
    elif studio == sites or studio.endswith(f".{sites}"):
        hint = "Give YEMBA_SITES_DOMAIN a domain of its own."
        yield Caution(f"The studio’s host {studio} is in the sites’ domain {sites}.", hint=hint, id="yemba.W001")
    if settings.SITES_PORT:
        hint = "Unset YEMBA_SITES_PORT where visitors come by the scheme’s own port."
        yield Caution(f"Visitors are led to port {settings.SITES_PORT}.", hint=hint, id="yemba.W002")


def _files() -> Iterator[CheckMessage]:
    if not os.access(settings.DATA, os.W_OK):
        hint = "Let the user that runs Yemba write there, or set YEMBA_DATA."
        yield Error(f"{settings.DATA} cannot be written.", hint=hint, id="yemba.E004")
    elif settings.DATA.stat().st_mode & 0o007:
        hint = f"chmod o-rwx {settings.DATA}"
        yield Caution(f"{settings.DATA} is open to every user of the machine.", hint=hint, id="yemba.W003")
    try:
        staticfiles_storage.url("studio/studio.css")
    except ValueError:
        hint = "Run manage.py collectstatic."
        yield Error("The studio’s styles and scripts are not collected.", hint=hint, id="yemba.E005")


def _timer() -> Iterator[CheckMessage]:
    """A publishing that is long due tells that nothing calls for it."""
    try:
        late = Planned.objects.filter(at__lt=now() - _LATE, failed="").count()
    except DatabaseError:
        yield Error("The database lacks tables.", hint="Run manage.py migrate.", id="yemba.E006")
        return
    if late:
        hint = "Let a timer call manage.py publish_planned every minute."
        yield Caution(f"{late} planned publishing(s) should have gone out by now.", hint=hint, id="yemba.W004")
