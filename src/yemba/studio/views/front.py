"""The way in: the front page, the list of sites."""

from __future__ import annotations

from typing import Any

from django.contrib import messages
from django.contrib.auth.decorators import login_required
from django.http import HttpRequest, HttpResponse
from django.shortcuts import redirect, render
from django.views.decorators.http import require_http_methods

from yemba.core.errors import Fault
from yemba.core.message import Message
from yemba.core.untrusted import whole
from yemba.hosting import inbox
from yemba.hosting import services as hosting
from yemba.sites import listed
from yemba.sites import services as sites
from yemba.sites.catalogue import catalogue
from yemba.sites.models import Site
from yemba.studio.bench import draft_base, site_of
from yemba.studio.waiting import waiting_changes


def front(request: HttpRequest) -> HttpResponse:
    return render(request, "studio/front.html", {"templates": catalogue().templates.values()})


@login_required
@require_http_methods(["GET", "HEAD", "POST"])
def site_list(request: HttpRequest) -> HttpResponse:
    """Every site of a person; a site as a whole is copied, renamed, put into the bin and back."""
    if request.method != "POST":
        return _sites(request)
    try:
        messages.success(request, _done(request))
    except Fault as fault:
        return _sites(request, fault)
    return redirect("sites")


def _done(request: HttpRequest) -> str:
    """What was done, in words. Raises Fault."""
    act, number = request.POST.get("do", ""), whole(request.POST.get("number", "")) or 0
    if act == "restore":
        return Message("“{name}” is back, as it was.", name=sites.document(listed.from_bin(request.user, number)).name)  # type: ignore[arg-type]
    site = site_of(request, request.POST.get("site", ""))
    name = sites.document(site).name
    if act == "copy":
        return Message(
            "Copied as “{name}”. Nothing of the copy is live yet.", name=sites.document(listed.copy(site)).name
        )
    if act == "rename":
        title = listed.rename(site, request.POST.get("title", "")).after.name
        return Message(
            "“{name}” is now called “{title}”. Its address stays; visitors see the name once it is published.",
            name=name,
            title=title,
        )
    if act == "bin":
        listed.to_bin(site)
        return Message(
            "“{name}” is in the bin, and off the web. It can be put back for {BIN_DAYS} days.",
            name=name,
            BIN_DAYS=listed.BIN_DAYS,
        )
    raise Fault("no-such-act", Message("“{act}” cannot be done to a site.", act=act[:20]))


def _sites(request: HttpRequest, fault: Fault | None = None) -> HttpResponse:
    person: Any = request.user
    entries = [_entry(request, site) for site in sites.sites_of(person)]
    bin_ = [(site, sites.document(site).name, listed.days_left(site)) for site in listed.binned(person)]
    context = {
        "listed": entries,
        "room": sites.room(person).warning(len(entries) + len(bin_)),
        "bin": bin_,
        "fault": fault,
        "typed": request.POST,
    }
    return render(request, "studio/sites.html", context, status=422 if fault else 200)


def _entry(request: HttpRequest, site: Site) -> dict[str, Any]:
    live = hosting.live_edition(site)
    first = hosting.edition(site, 1) if live else None
    return {
        "site": site,
        "name": sites.document(site).name,
        "waiting": len(waiting_changes(site)),
        "live": live,
        "first": first if first and live and first.number != live.number else None,
        "unread": inbox.unread(site),
        "held": inbox.held_back(site),
        "address": hosting.origin(request, site.slug),
        "window": draft_base(request, site),
    }
