"""Editions: named, looked at, compared two at a time, brought back."""

from __future__ import annotations

from django.contrib import messages
from django.contrib.auth.decorators import login_required
from django.http import Http404, HttpRequest, HttpResponse
from django.shortcuts import redirect, render
from django.views.decorators.http import require_POST, require_safe

from yemba.core.errors import Fault
from yemba.core.message import Message
from yemba.core.untrusted import whole
from yemba.hosting import editions
from yemba.hosting import services as hosting
from yemba.sites import services as sites
from yemba.studio.bench import draft_base, site_of, times


@login_required
@require_safe
def listed(request: HttpRequest, slug: str) -> HttpResponse:
    """All editions of a site; one of them looked at, or two beside one another, page by page."""
    site = site_of(request, slug)
    numbers = {key: n for key in ("look", "first", "second") if (n := whole(request.GET.get(key, ""))) is not None}
    context = {
        "site": site,
        "document": sites.document(site),
        "editions": hosting.editions(site),
        "live": hosting.live_edition(site),
        "planned": editions.planned(site),
        "base": draft_base(request, site),
        **times(site),
    }
    try:
        if "first" in numbers and "second" in numbers:
            first, second = sorted((numbers["first"], numbers["second"]))
            pages, changes = editions.compared(site, first, second)
            wanted = request.GET.get("page", "")
            page = next((p for p in pages if p.name == wanted), None)
            page = page or next((p for p in pages if p.state != "same"), pages[0])
            context |= {"first": first, "second": second, "pages": pages, "changes": changes, "page": page}
        elif "look" in numbers:
            context["shown"] = hosting.edition(site, numbers["look"])
    except Fault as fault:
        raise Http404 from fault
    return render(request, "studio/editions.html", context)


@login_required
@require_POST
def change(request: HttpRequest, slug: str, number: int) -> HttpResponse:
    """Name an edition, make it live, or make the draft what it was made from."""
    site = site_of(request, slug)
    try:
        if "draft" in request.POST:
            hosting.draft_from(site, number)
            messages.success(
                request, Message("The draft is as edition {number} was. Undo takes that back.", number=number)
            )
        elif "edition_name" in request.POST:
            named = editions.rename(site, number, request.POST["edition_name"])
            messages.success(
                request,
                Message("Edition {number} is called “{name}”.", number=number, name=named.name)
                if named.name
                else Message("Name taken away."),
            )
        else:
            hosting.bring_back(site, number)
            messages.success(
                request, Message("Edition {number} is live again. Your draft is as it was.", number=number)
            )
    except Fault as fault:
        if fault.code == "no-such-edition":
            raise Http404 from fault
        messages.error(request, str(fault.sentence))
    return redirect("editions", slug)
