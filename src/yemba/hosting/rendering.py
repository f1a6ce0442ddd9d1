"""Documents ready to be rendered, and the addresses that sites are found at."""

from __future__ import annotations

from datetime import datetime

from django.conf import settings
from django.http import HttpRequest
from django.utils import timezone

from yemba.core.site.dates import zone
from yemba.core.site.document import Document
from yemba.core.site.feeds import with_feeds
from yemba.core.site.journal import as_at
from yemba.core.site.resolve import Look
from yemba.render.site import Site as Rendering
from yemba.sites import feeds
from yemba.sites.catalogue import catalogue
from yemba.sites.models import Site


def rendering(document: Document, *, draft: bool = False, on: datetime | None = None, address: str = "") -> Rendering:
    """A document with the pictures of the store, at a moment, whose day is that of the site's own time zone. But in a
    `draft`, posts whose moment is still to come are not published. Dates of feeds are as they were last fetched."""
    look = Look(document, catalogue())
    moment = (on or timezone.now()).astimezone(zone(look))
    dated = with_feeds(document, lambda address: feeds.entries(address, zone(look)))
    if not draft:
        dated = as_at(dated, moment)
    if dated is not document:
        look = Look(dated, catalogue())
    return Rendering(look, moment.date(), look.load, draft, address, moment)


def live_address(site: Site) -> str:
    """Where visitors find a site, with its closing slash."""
    port = f":{settings.SITES_PORT}" if settings.SITES_PORT else ""
    return f"{settings.SCHEME}://{site.slug}.{settings.SITES_DOMAIN}{port}/"


def origin(request: HttpRequest, label: str = "") -> str:
    """Scheme, host and port of a site (`label` its name), or of the studio."""
    port = request.get_port()
    suffix = "" if port in ("80", "443") else f":{port}"
    host = f"{label}.{settings.SITES_DOMAIN}" if label else settings.STUDIO_HOST
    return f"{settings.SCHEME}://{host}{suffix}"
