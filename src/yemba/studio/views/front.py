"""The way in: the front page, the list of sites, a new site."""

from __future__ import annotations

from typing import Any

from django.contrib.auth.decorators import login_required
from django.http import HttpRequest, HttpResponse
from django.shortcuts import redirect, render

from yemba.core.errors import Fault
from yemba.hosting import inbox
from yemba.hosting import services as hosting
from yemba.sites import services as sites
from yemba.sites.addresses import free_address
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
            "address": hosting.origin(request, site.slug),
            "window": draft_base(request, site),
        }
        for site in sites.sites_of(request.user)  # type: ignore[arg-type]
    ]
    return render(request, "studio/sites.html", {"listed": listed})


@login_required
def new_site(request: HttpRequest) -> HttpResponse:
    typed = {key: request.POST.get(key, "") for key in ("title", "slug", "template")}
    context: dict[str, Any] = {"templates": catalogue().templates.values(), "typed": typed}
    if request.method != "POST":
        return render(request, "studio/new_site.html", context)
    try:
        address = typed["slug"] or free_address(typed["title"])
        template = typed["template"] or next(iter(catalogue().templates))
        site = sites.create(request.user, typed["title"], address, template)  # type: ignore[arg-type]
    except Fault as fault:
        return render(request, "studio/new_site.html", context | {"fault": fault}, status=422)
    return redirect("workbench", site.slug, "palette")
