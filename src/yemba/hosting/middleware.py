"""Which an address belongs to: the studio, a live site, a draft, or on the demo a stand-in."""

from __future__ import annotations

from collections.abc import Callable

from django.conf import settings
from django.http import HttpRequest, HttpResponse, HttpResponseRedirect
from django.utils import translation

from yemba.hosting.services import DRAFT_PREFIX, origin


def by_host(get_response: Callable[[HttpRequest], HttpResponse]) -> Callable[[HttpRequest], HttpResponse]:
    """Give each host its own addresses, so that nothing an owner writes shares one with the studio."""

    def answer(request: HttpRequest) -> HttpResponse:
        host = request.get_host().partition(":")[0].lower()
        if host == settings.STUDIO_HOST:
            return get_response(request)
        if host.endswith(f".{settings.SITES_DOMAIN}"):
            label = host.removesuffix(f".{settings.SITES_DOMAIN}")
            if host == settings.FEEDS_HOST:
                request.urlconf = "yemba.standins.feeds.urls"
                return get_response(request)
            is_draft = label.startswith(DRAFT_PREFIX)
            request.site_slug = label.removeprefix(DRAFT_PREFIX)  # type: ignore[attr-defined]
            request.urlconf = "yemba.hosting.urls_draft" if is_draft else "yemba.hosting.urls_live"
            with translation.override(settings.LANGUAGE_CODE):  # not that of the studio's last reader
                return get_response(request)
        return HttpResponseRedirect(origin(request) + request.get_full_path())

    return answer
