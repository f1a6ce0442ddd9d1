"""The inbox: what visitors of the live site sent."""

from __future__ import annotations

from django.contrib import messages
from django.contrib.auth.decorators import login_required
from django.http import Http404, HttpRequest, HttpResponse
from django.shortcuts import redirect, render
from django.urls import reverse
from django.views.decorators.http import require_POST, require_safe

from yemba.core.errors import Fault
from yemba.core.message import labels
from yemba.hosting import inbox
from yemba.sites import services as sites
from yemba.studio.bench import site_of

_FOLDERS = labels({"": "Inbox", "held": "Held back", "binned": "Bin"})


@login_required
@require_safe
def listed(request: HttpRequest, slug: str) -> HttpResponse:
    """The messages of one folder, newest first."""
    site = site_of(request, slug)
    folder = request.GET.get("folder", "")
    if folder not in _FOLDERS:
        raise Http404
    document = sites.document(site)
    context = {
        "site": site,
        "document": document,
        "folder": folder,
        "folders": [(name, title, len(inbox.messages(site, name))) for name, title in _FOLDERS.items()],
        "received": inbox.messages(site, folder),
        "unread": inbox.unread(site),
        "has_form": any(inbox.receives(standing.section) for standing in document.standing()),
    }
    return render(request, "studio/inbox.html", context)


@login_required
@require_POST
def move(request: HttpRequest, slug: str, number: int) -> HttpResponse:
    """Put a message into another state: read, held back, in the bin, or back."""
    site = site_of(request, slug)
    try:
        inbox.move(site, number, request.POST.get("state", ""))
    except Fault as fault:
        if fault.code == "no-such-message":
            raise Http404 from fault
        messages.error(request, str(fault.sentence))
    folder = request.POST.get("folder", "")
    return redirect(reverse("inbox", args=(slug,)) + (f"?folder={folder}" if folder in _FOLDERS and folder else ""))


@login_required
@require_safe
def export(request: HttpRequest, slug: str) -> HttpResponse:
    """All messages that came through, as CSV."""
    site = site_of(request, slug)
    response = HttpResponse(inbox.export(site).encode("utf-8-sig"), content_type="text/csv; charset=utf-8")
    response["Content-Disposition"] = f'attachment; filename="{site.slug}-inbox.csv"'
    return response
