"""The proof: publishing some or all of what waits, now or at a set time; taking a change back."""

from __future__ import annotations

from datetime import datetime
from zoneinfo import ZoneInfo

from django.contrib import messages
from django.contrib.auth.decorators import login_required
from django.http import HttpRequest, HttpResponse
from django.shortcuts import redirect
from django.urls import reverse
from django.views.decorators.http import require_POST

from yemba.core.errors import Fault
from yemba.core.message import Joined, Message
from yemba.hosting import editions
from yemba.hosting import services as hosting
from yemba.sites import services as sites
from yemba.studio.bench import answer, site_of, zone_name
from yemba.studio.waiting import chosen, without


@login_required
@require_POST
def publish(request: HttpRequest, slug: str) -> HttpResponse:
    """Put the ticked changes live, with what must come along; the first time, the whole site. Or plan that."""
    site = site_of(request, slug)
    ticked, when, at = request.POST.getlist("goes"), request.POST.get("when"), request.POST.get("at", "")
    if when == "enter" and not at:  # Enter on a tick, or on nothing, publishes nothing
        messages.info(request, Message("Nothing went out. The button below publishes what is ticked."))
        return redirect("workbench", slug, "proof")
    try:
        document, going = chosen(site, ticked)
        if when in ("later", "enter"):
            zone = sites.zone(site)
            planned = editions.plan(site, document, going, _moment(at, zone))
            at = f"{planned.at.astimezone(zone):%d %B %Y, %H:%M}"
            messages.success(
                request,
                Message("Planned for {at} {zone_name}. Until then everything waits.", at=at, zone_name=zone_name(zone)),
            )
            return redirect("workbench", slug, "proof")
        edition = hosting.publish(site, [editions.in_words(change) for change in going], document=document)
    except Fault as fault:
        messages.error(request, str(fault.sentence))
        return redirect("workbench", slug, "proof")
    along = Joined(", ", (change.subject for change in going if change.key not in ticked))
    if along:
        messages.success(request, Message("{along} came along.", along=along))
    return redirect(reverse("workbench", args=(slug, "proof")) + f"?published={edition.number}")


@login_required
@require_POST
def take_back(request: HttpRequest, slug: str) -> HttpResponse:
    """Make one thing, or several, in the draft as they are live. Undo brings them again."""
    site = site_of(request, slug)
    keys = request.POST.getlist("key")
    label = (
        Message("One change taken back") if len(keys) == 1 else Message("{number} changes taken back", number=len(keys))
    )
    return answer(request, site, lambda: sites.put_document(site, without(site, keys), label))


@login_required
@require_POST
def cancel_plan(request: HttpRequest, slug: str) -> HttpResponse:
    """Nothing goes out by itself any more."""
    editions.cancel(site_of(request, slug))
    messages.success(request, Message("The planned publishing is called off. Everything waits as before."))
    return redirect("workbench", slug, "proof")


def _moment(typed: str, zone: ZoneInfo) -> datetime:
    """A moment as the field gives it, in the site's time zone. Raises Fault ``moment-unreadable``."""
    try:
        return datetime.fromisoformat(typed).replace(tzinfo=zone)
    except ValueError:
        raise Fault(
            "moment-unreadable", Message("“{typed}” is not a day and time. Choose both.", typed=typed), "at"
        ) from None
