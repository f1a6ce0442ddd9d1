"""The workbench: a chapter's page, edits, and what its windows ask for."""

from __future__ import annotations

from collections.abc import Mapping
from typing import Any

from django.contrib.auth.decorators import login_required
from django.http import Http404, HttpRequest, HttpResponse, JsonResponse
from django.template.loader import render_to_string
from django.views.decorators.http import require_GET, require_POST, require_safe

from yemba.core import timing
from yemba.core.colour.srgb import read
from yemba.core.errors import Fault
from yemba.core.site.document import Document
from yemba.core.site.resolve import Look
from yemba.core.untrusted import whole
from yemba.core.value.link import NEW
from yemba.hosting import services as hosting
from yemba.people.signed_out import wants_json
from yemba.render.files import icon_paths, site_files
from yemba.render.page import is_card
from yemba.sites import history, presence
from yemba.sites import services as sites
from yemba.sites.catalogue import catalogue
from yemba.studio import chapters, search
from yemba.studio.bench import answer, error, page, panels, site_of, timed
from yemba.studio.desks.plane import StandsOn, at_hue, said, stands_on
from yemba.studio.desks.proof import found
from yemba.studio.inspecting import checks, read_measured
from yemba.studio.patch import patch
from yemba.studio.waiting import chosen, without
from yemba.studio.where import answer as provenance

_TICKED = {"ones"}
_HIDDEN = {
    "csrfmiddlewaretoken",
    "command",
    "revision",
    "gesture",
    "chapter",
    "here",
    "form",
    "window",
    "window_page",
    "token",
    "streamed",
    "plane_code",
    "plane_against",
}


@login_required
@require_safe
def workbench(request: HttpRequest, slug: str, chapter: str = "template") -> HttpResponse:
    site = site_of(request, slug)
    if chapter not in chapters.desks():
        raise Http404
    if chapter == "proof":
        hosting.make_fonts_ahead(site)  # so that publishing does not wait for them
    if wants_json(request):
        return JsonResponse(panels(request, site, chapter, request.GET.dict()))
    return page(request, site, chapter, request.GET.dict())


def _arguments(request: HttpRequest) -> dict[str, Any]:
    """What was posted for the command: a list where a name came more than once, as ticked boxes do, else its value;
    where "other" was chosen, what was written beside it, and where "new" was, the page of the name written there."""
    posted = {key: values for key, values in request.POST.lists() if key not in _HIDDEN}
    read = {key: values if key in _TICKED and len(values) > 1 else values[-1] for key, values in posted.items()}
    beside = {key: posted.get(f"{value}_{key}", [None])[-1] for key, value in read.items() if value in ("other", "new")}
    written = {
        key: f"{NEW}{words}" if read[key] == "new" else words for key, words in beside.items() if words is not None
    }
    return read | written


@login_required
@require_POST
def edit(request: HttpRequest, slug: str) -> HttpResponse:
    """Do one command on the draft."""
    site = site_of(request, slug)
    name = request.POST.get("command", "")
    arguments = _arguments(request)
    revision = request.POST.get("revision", "")
    return answer(
        request,
        site,
        lambda: sites.edit(
            site,
            name,
            arguments,
            whole(revision),
            request.POST.get("gesture", "")[:40],
            window=request.POST.get("window", "")[:24],
            posted=True,
        ),
    )


@login_required
@require_POST
def undo(request: HttpRequest, slug: str) -> HttpResponse:
    site = site_of(request, slug)
    return answer(request, site, lambda: sites.undo(site))


@login_required
@require_POST
def redo(request: HttpRequest, slug: str) -> HttpResponse:
    site = site_of(request, slug)
    return answer(request, site, lambda: sites.redo(site))


@login_required
@require_POST
def stream(request: HttpRequest, slug: str) -> HttpResponse:
    """What the windows would show if this command were done; nothing is stored."""
    site = site_of(request, slug)
    arguments = _arguments(request)
    timing.begin()
    try:
        after = sites.preview(site, request.POST.get("command", ""), arguments)
        on_plane = _on_plane(request.POST, after)
    except Fault as fault:
        return JsonResponse({"error": error(fault)}, status=422)
    timing.mark("plan")
    before, page = sites.document(site), request.POST.get("window_page", "")
    changed = patch(before, after, page, request.POST.get("streamed", "").split())
    changed = hosting.addressed(changed, after, before)
    timing.mark("render")
    begins = _first_new_section(before, after, page)
    return timed(JsonResponse({"patch": changed, "begins": begins, "plane": on_plane}))


def _on_plane(posted: Mapping[str, str], after: Document) -> dict[str, str]:
    """What the colour chosen on a picking plane is, and what it reads as there; {} elsewhere. Raises Fault
    ``colour-unreadable``."""
    code = posted.get("plane_code", "")
    if not code:
        return {}
    chosen, on = read(code, "plane_code"), _read_on(Look(after, catalogue()), posted.get("plane_against", ""))
    return {"hex": chosen.colour.hex, "said": said(chosen, on)}


def _read_on(look: Look, against: str) -> StandsOn:
    """Raises Http404 where it is not there."""
    try:
        return stands_on(look, against)
    except KeyError as error:
        raise Http404 from error


def _first_new_section(before: Document, after: Document, page: str) -> str:
    """Where on the page in view that begins which a command would add; "" where it adds no section there."""
    if page not in before.pages or page not in after.pages:
        return ""
    sections = before.pages[page].sections
    return next((key for key, _ in after.pages[page].ordered() if key not in sections), "")


@login_required
@require_GET
def state(request: HttpRequest, slug: str) -> HttpResponse:
    """All that the windows need to show one page as in the draft, live, without one change, with some, or at a step."""
    site = site_of(request, slug)
    draft = document = sites.document(site)
    along: dict[str, Any] = {}
    if request.GET.get("which") == "live":
        document = hosting.live_document(site) or document
    elif "without" in request.GET:
        document = without(site, [request.GET["without"]])
    elif (number := whole(request.GET.get("at", ""))) is not None:
        try:
            document = history.at(site, number)
        except Fault as fault:
            raise Http404 from fault
    elif "goes" in request.GET:
        ticked = request.GET.getlist("goes")
        try:
            document, going = chosen(site, ticked)
            along = {"along": [change.subject for change in going if change.key not in ticked]}
        except Fault as fault:  # nothing is ticked, or it cannot go alone: nothing would change
            document = hosting.live_document(site) or document
            along = {} if fault.code == "nothing-chosen" else {"sentence": fault.sentence}
    changed = hosting.addressed(patch(None, document, request.GET.get("page", "")), document, draft)
    return JsonResponse({"patch": changed, **along})


@login_required
@require_GET
def where_is(request: HttpRequest, slug: str) -> HttpResponse:
    """The name, the origins and the control of what was pointed at."""
    site = site_of(request, slug)
    spot = [request.GET.get(key, "") for key in ("place", "field", "item")]
    decided = provenance(site, sites.look(site), *spot)
    if decided is None:
        return JsonResponse({"gone": True}, status=404)
    html = render_to_string("studio/told.html", {"told": decided})
    return JsonResponse({"html": html, "address": decided.address, "control": decided.control})


@login_required
@require_GET
def find(request: HttpRequest, slug: str) -> HttpResponse:
    """All that can be found by words, as a list."""
    site = site_of(request, slug)
    html = render_to_string("studio/found.html", {"entries": search.entries(site, sites.look(site))})
    return JsonResponse({"html": html})


@login_required
@require_GET
def plane(request: HttpRequest, slug: str) -> HttpResponse:
    """The picking plane at another hue."""
    site = site_of(request, slug)
    hue = whole(request.GET.get("hue", "0"))
    on = _read_on(sites.look(site), request.GET.get("against", ""))
    if hue is None:
        raise Http404
    return JsonResponse(at_hue(hue % 360, on.colour))


@login_required
@require_GET
def icon(request: HttpRequest, slug: str, path: str) -> HttpResponse:
    """A file of the draft's icon set, or one of its pictures for sharing."""
    site = site_of(request, slug)
    files = site_files(hosting.rendering(sites.document(site)))
    if path not in files or not (path in icon_paths() or is_card(path)):
        raise Http404
    file = files[path]
    kind = {"png": "image/png", "svg": "image/svg+xml", "ico": "image/x-icon"}[path.rpartition(".")[2]]
    response = HttpResponse(hosting.made(file), content_type=kind)
    response["Cache-Control"] = "private, no-cache"
    return response


@login_required
@require_POST
def go_to(request: HttpRequest, slug: str, number: int) -> HttpResponse:
    """Walk the history back, or on, to a step."""
    site = site_of(request, slug)
    return answer(request, site, lambda: history.go_to(site, number))


@login_required
@require_POST
def present(request: HttpRequest, slug: str) -> HttpResponse:
    """A sign of life of a window; the answer says who else is there and which revision stands."""
    site = site_of(request, slug)
    window, chapter = request.POST.get("window", "")[:24], request.POST.get("chapter", "")
    if request.POST.get("left"):
        presence.left(site, window)
        return JsonResponse({})
    others = presence.seen(site, window, request.user, chapter if chapter in chapters.desks() else "")  # type: ignore[arg-type]
    named = [{**other._asdict(), "chapter": chapters.desks().get(other.chapter, "")} for other in others]
    html = render_to_string("studio/present.html", {"others": named})
    return JsonResponse({"html": html, "revision": site.revision})


@login_required
@require_POST
def measured(request: HttpRequest, slug: str) -> HttpResponse:
    """What the phone window measured of the draft's pages; the answer is the list of checks with it."""
    site = site_of(request, slug)
    try:
        boxes = read_measured(request.POST.get("measured", ""))
    except Fault as fault:
        return JsonResponse({"error": error(fault)}, status=422)
    context = {
        "site": site,
        **found(site, sites.look(site), checks(site, boxes)),
        "chapter": "proof",
        "here": "",
        "measured": len(boxes),
    }
    return JsonResponse({"html": render_to_string("studio/checks.html", context, request)})
