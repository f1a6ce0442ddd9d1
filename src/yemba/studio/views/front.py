"""The way in: the front page, the list of sites."""

from __future__ import annotations

from django.contrib.auth.decorators import login_required
from django.http import HttpRequest, HttpResponse
from django.shortcuts import render

from yemba.hosting import inbox
from yemba.hosting import services as hosting
from yemba.sites import services as sites
from yemba.sites.catalogue import catalogue
from yemba.studio.bench import draft_base
from yemba.studio.waiting import waiting


def front(request: HttpRequest) -> HttpResponse:
    return render(request, "studio/front.html", {"templates": catalogue().templates.values()})


@login_required
def site_list(request: HttpRequest) -> HttpResponse:
    listed = [
        {
            "site": site,
            "name": sites.document(site).name,
            "waiting": len(waiting(site)),
            "live": hosting.live_edition(site),
            "unread": inbox.unread(site),
            "held": inbox.held_back(site),
            "address": hosting.origin(request, site.slug),
            "window": draft_base(request, site),
        }
        for site in sites.sites_of(request.user)  # type: ignore[arg-type]
    ]
    room = sites.room(request.user).warning(len(listed))  # type: ignore[arg-type]
    return render(request, "studio/sites.html", {"listed": listed, "room": room})
