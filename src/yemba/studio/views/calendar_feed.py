"""A calendar feed connected to a section of dates."""

from __future__ import annotations

from django.contrib.auth.decorators import login_required
from django.http import HttpRequest, HttpResponse
from django.views.decorators.http import require_POST

from yemba.core.message import Message
from yemba.core.site.feeds import FIELD
from yemba.core.value.feed import FeedAddress
from yemba.hosting import feeds
from yemba.sites import services as sites
from yemba.studio.bench import answer, site_of


@login_required
@require_POST
def connect(request: HttpRequest, slug: str) -> HttpResponse:
    """Fetch the address, and show its dates only where that went well; "" takes a feed off."""
    site = site_of(request, slug)

    def put() -> sites.Done:
        address = FeedAddress().read(request.POST.get("address", ""), Message("The calendar feed"), FIELD)
        changed = bool(address) and feeds.connect(address)
        arguments = {"section": request.POST.get("section", ""), "field": FIELD, "words": address}
        return sites.edit(site, "set-words", arguments)._replace(anew=changed)

    return answer(request, site, put)
