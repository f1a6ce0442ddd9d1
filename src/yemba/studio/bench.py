"""The workbench put together: its page, the panels an edit changes, the answer to an edit."""

from __future__ import annotations

from collections.abc import Callable
from typing import Any
from urllib.parse import parse_qsl, urlsplit
from zoneinfo import ZoneInfo

from django.conf import settings
from django.contrib import messages
from django.http import HttpRequest, HttpResponse, JsonResponse
from django.shortcuts import get_object_or_404, redirect, render
from django.template.loader import render_to_string
from django.urls import reverse

from yemba.core import timing
from yemba.core.errors import Clash, Fault
from yemba.core.limits import WINDOWS
from yemba.core.message import Message, plain
from yemba.core.part.part import AFTER, parts
from yemba.core.site.resolve import Look
from yemba.core.value.link import Link
from yemba.core.value.time_zone import TimeZone
from yemba.hosting import inbox
from yemba.hosting import services as hosting
from yemba.people.signed_out import wants_json
from yemba.people.views import DEMO_ADDRESS
from yemba.render.page import path_of
from yemba.sites import presence
from yemba.sites import services as sites
from yemba.sites.catalogue import catalogue
from yemba.sites.models import Site
from yemba.sites.once import once
from yemba.studio import chapters, desks
from yemba.studio.controls import control
from yemba.studio.desks.further import further
from yemba.studio.desks.setting import owned, returnable
from yemba.studio.patch import patch
from yemba.studio.sentences import SENTENCES
from yemba.studio.waiting import waiting


def site_of(request: HttpRequest, slug: str) -> Site:
    """The site, if it is this person's and not in the bin; a stranger's does not exist for them. The text of its draft
    is loaded only where it is wanted: an edit takes it under the lock."""
    return get_object_or_404(Site.objects.defer("document"), slug=slug, owner=request.user, binned_at=None)


def error(fault: Fault) -> dict[str, str]:
    about = {"code": fault.code, "sentence": fault.sentence, "field": fault.field}
    clash = {"standing": fault.standing, "wanted": fault.wanted} if isinstance(fault, Clash) else {}
    return {key: str(value) for key, value in (about | clash).items()}


def answer(request: HttpRequest, site: Site, do: Callable[[], sites.Done]) -> HttpResponse:
    """Do it, and say at once what the windows must show; the desk and the rail are asked for after.

    A request that comes with a `token` is done once. Without script, the page anew.
    """
    here = urlsplit(request.POST.get("here", ""))
    chapter = request.POST.get("chapter", "")
    chapter = chapter if chapter in chapters.desks() else "template"
    query = dict(parse_qsl(here.query))
    window, token = (request.POST.get(key, "")[:most] for key, most in (("window", 24), ("token", 40)))
    timing.begin()
    before = site.revision

    def act() -> sites.Done:
        done = do()
        if window:
            sites.done_in(site, before, window)
        return done

    try:
        done = once(site, _sender(request, window), token, act)
    except Fault as fault:
        site.refresh_from_db()
        if wants_json(request):
            return JsonResponse({"error": error(fault), "revision": site.revision}, status=422)
        query |= {"form": request.POST.get("form", "")}
        typed = {"fault": {**error(fault), "form": query["form"]}, "typed": request.POST}
        return page(request, site, chapter, query, status=422, **typed)
    timing.mark("store")
    site = site_of(request, site.slug)
    if not wants_json(request):
        messages.success(request, str(Message("Kept: {label}", label=done.label) if done.label else Message("Kept")))
        return redirect(reverse("workbench", args=(site.slug, chapter)) + (f"?{here.query}" if here.query else ""))
    window_page = request.POST.get("window_page", "")
    changed = patch(None if done.anew else done.before, done.after, window_page)
    timing.mark("render")
    reply = {"revision": site.revision, "patch": changed, "said": done.label, **_leads(site, done)}
    return timed(JsonResponse(reply))


def _sender(request: HttpRequest, window: str) -> str:
    """Who sends one request at a time: a window its edits, and beside them its files."""
    return f"{window[:23]}+" if window and request.FILES else window


def timed(response: HttpResponse) -> HttpResponse:
    """With where its time went."""
    timing.mark("answer")
    response["Server-Timing"] = timing.header()
    return response


def _leads(site: Site, done: sites.Done) -> dict[str, str]:
    """To what was added, where its owner goes on."""
    if done.added is None:
        return {}
    leads = control(done.added, Look(done.after, catalogue()))
    return {"address": leads.address(site), "control": leads.id}


def _context(request: HttpRequest, site: Site, chapter: str, query: dict[str, str]) -> dict[str, Any]:
    look = sites.look(site)
    waits = waiting(site)
    desk = desks.desk(chapter, site, look, query, waits)
    frame = {
        "site": site,
        "document": look.document,
        "links": Link().choices(look),
        "chapter": chapter,
        "foot": chapter if chapter in parts() and parts()[chapter].stands == AFTER else "",
        "chapter_name": chapters.desks()[chapter],
        "chapters": chapters.chapters(look, [w.change for w in waits]),
        "waits": waits,
        "live": hosting.live_edition(site),
        "undoable": sites.last_edit(site),
        "redoable": sites.next_edit(site),
        "here": f"?{'&'.join(f'{k}={v}' for k, v in query.items())}" if query else "",
        "live_address": hosting.origin(request, site.slug),
        "unread": inbox.unread(site),
        **times(site),
        "owned": owned(chapter, look),
        "desk_template": desks.template_of(chapter),
        "returnable": returnable(chapter),
        "further": further(chapter, look, desk),
    }
    shared = frame.keys() & desk.keys()
    if shared:
        raise TypeError(f"the desk of {chapter} uses names of the workbench: {', '.join(sorted(shared))}")
    return frame | desk


def times(site: Site) -> dict[str, Any]:
    """In which zone times are told, and how it is called."""
    zone = sites.zone(site)
    return {"zone": zone, "zone_name": zone_name(zone)}


def zone_name(zone: ZoneInfo) -> str:
    return "UTC" if zone.key == "UTC" else f"{TimeZone().say(zone.key)} time"


def panels(request: HttpRequest, site: Site, chapter: str, query: dict[str, str]) -> dict[str, Any]:
    """The parts of the workbench that an edit or another chapter changes."""
    context = _context(request, site, chapter, query)
    return {
        "revision": site.revision,
        "chapter": chapter,
        "title": f"{chapters.desks()[chapter]} – {context['document'].name}",
        "panels": {
            "chapters": render_to_string("studio/chapters.html", context, request),
            "desk": render_to_string("studio/desk.html", context, request),
            "rail": render_to_string("studio/rail.html", context, request),
        },
        "pages": _window_pages(context["document"]),
        "links": plain(context["links"]),
        "page": context.get("page_id", ""),
        "base": draft_base(request, site),
    }


def draft_base(request: HttpRequest, site: Site) -> str:
    """The signed address under which this person's windows show the draft for the next hour."""
    token = hosting.draft_token(site, request.user)  # type: ignore[arg-type]
    return f"{hosting.origin(request, hosting.DRAFT_PREFIX + site.slug)}/~{token}/"


def _window_pages(document: Any) -> list[dict[str, str]]:
    return [
        {"id": key, "name": page.name, "path": path_of(page).removesuffix("index.html")}
        for key, page in document.ordered_pages()
    ]


def page(
    request: HttpRequest, site: Site, chapter: str, query: dict[str, str], status: int = 200, **more: Any
) -> HttpResponse:
    context = _context(request, site, chapter, query)
    pages = _window_pages(context["document"])
    wanted = context.get("page_id") or query.get("page")
    current = next((p for p in pages if p["id"] == wanted), pages[0])
    context["windows"] = {
        "origin": hosting.origin(request, hosting.DRAFT_PREFIX + site.slug),
        "base": draft_base(request, site),
        "seconds": hosting.DRAFT_SECONDS,
        "every": presence.EVERY,
        "limits": WINDOWS,
        "sentences": plain(SENTENCES),
        "pages": pages,
        "links": context["links"],
        "page": current["id"],
        "revision": site.revision,
        "chapter": chapter,
        "live": context["live"] is not None,
        "person": request.user.pk,
        "site": site.slug,
        "address": reverse("workbench", args=(site.slug, "template")).removesuffix("template/"),
    }
    context["first_path"] = current["path"]
    context["by_demo_door"] = settings.DEMO and request.user.email == DEMO_ADDRESS  # type: ignore[union-attr]
    return render(request, "studio/workbench.html", context | more, status=status)
