"""The studio's addresses. Each view parses, calls one service, answers."""

from __future__ import annotations

from collections.abc import Callable
from typing import Any
from urllib.parse import parse_qsl, urlsplit

from django.contrib import messages
from django.contrib.auth.decorators import login_required
from django.http import Http404, HttpRequest, HttpResponse, JsonResponse
from django.shortcuts import get_object_or_404, redirect, render
from django.template.loader import render_to_string
from django.urls import reverse
from django.views.decorators.http import require_GET, require_POST, require_safe

from yemba.catalogue import catalogue
from yemba.core.errors import Fault
from yemba.core.picture.intake import MOST_BYTES, take
from yemba.core.site.ids import new_id
from yemba.core.site.settings import SETTINGS
from yemba.hosting import services as hosting
from yemba.render.files import icon_paths, site_files
from yemba.render.page import path_of
from yemba.sites import services as sites
from yemba.sites import store
from yemba.sites.addresses import free_address
from yemba.sites.models import Site
from yemba.studio import chapters, desks
from yemba.studio.patch import patch
from yemba.studio.waiting import chosen, waiting, without
from yemba.studio.where import safe_where

_HIDDEN = {"csrfmiddlewaretoken", "command", "revision", "gesture", "chapter", "here", "form", "window_page"}


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
            "address": hosting.origin(request, site.slug),
            "window": _draft_base(request, site),
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
        site = sites.create(request.user, typed["title"], address, typed["template"] or "slipway")  # type: ignore[arg-type]
    except Fault as fault:
        return render(request, "studio/new_site.html", context | {"fault": fault}, status=422)
    return redirect("workbench", site.slug, "palette")


@login_required
@require_safe
def workbench(request: HttpRequest, slug: str, chapter: str = "template") -> HttpResponse:
    site = _site(request, slug)
    if chapter not in chapters.NAMES:
        raise Http404
    if _wants_json(request):
        return JsonResponse(_panels(request, site, chapter, request.GET.dict()))
    return _page(request, site, chapter, request.GET.dict())


@login_required
@require_POST
def edit(request: HttpRequest, slug: str) -> HttpResponse:
    """Do one command on the draft."""
    site = _site(request, slug)
    name = request.POST.get("command", "")
    arguments = {key: value for key, value in request.POST.items() if key not in _HIDDEN}
    revision = request.POST.get("revision", "")
    return _answer(
        request,
        site,
        lambda: sites.edit(
            site, name, arguments, int(revision) if revision.isdigit() else None, request.POST.get("gesture", "")[:40]
        ),
    )


@login_required
@require_POST
def undo(request: HttpRequest, slug: str) -> HttpResponse:
    site = _site(request, slug)
    return _answer(request, site, lambda: sites.undo(site))


@login_required
@require_POST
def redo(request: HttpRequest, slug: str) -> HttpResponse:
    site = _site(request, slug)
    return _answer(request, site, lambda: sites.redo(site))


@login_required
@require_POST
def upload(request: HttpRequest, slug: str) -> HttpResponse:
    """Take a picture file in, for the logo or a section."""
    site = _site(request, slug)
    file = request.FILES.get("file")

    def put() -> sites.Done:
        if file is None:
            raise Fault("no-file", "No file was chosen. Choose an SVG, PNG, JPEG or WebP file.", "file")
        taken = take(file.read(MOST_BYTES + 1), str(file.name))
        arguments = {
            "picture": new_id(),
            "file": store.keep(taken.data),
            "format": taken.format,
            "width": taken.width,
            "height": taken.height,
            "file_name": str(file.name)[:80],
            "use": request.POST.get("use", ""),
            "section": request.POST.get("section", ""),
            "item": request.POST.get("item", ""),
        }
        return sites.edit(site, "add-picture", arguments)

    return _answer(request, site, put)


@login_required
@require_POST
def stream(request: HttpRequest, slug: str) -> HttpResponse:
    """What the windows would show if this command were done; nothing is stored."""
    site = _site(request, slug)
    arguments = {key: value for key, value in request.POST.items() if key not in _HIDDEN}
    try:
        after = sites.preview(site, request.POST.get("command", ""), arguments)
    except Fault as fault:
        return JsonResponse({"error": _error(fault)}, status=422)
    return JsonResponse({"patch": patch(sites.document(site), after, request.POST.get("window_page", ""))})


@login_required
@require_GET
def state(request: HttpRequest, slug: str) -> HttpResponse:
    """All that the windows need to show one page as in the draft, live, without one change, or with some."""
    site = _site(request, slug)
    shown = sites.document(site)
    if request.GET.get("which") == "live":
        shown = hosting.live_document(site) or shown
    elif "without" in request.GET:
        shown = without(site, request.GET["without"])
    elif "goes" in request.GET:
        try:
            shown, _ = chosen(site, request.GET.getlist("goes"))
        except Fault:  # nothing is ticked: nothing would change
            shown = hosting.live_document(site) or shown
    return JsonResponse({"patch": patch(None, shown, request.GET.get("page", ""))})


@login_required
@require_GET
def where_is(request: HttpRequest, slug: str) -> HttpResponse:
    """The name, the origins and the control of what was pointed at."""
    site = _site(request, slug)
    asked = [request.GET.get(key, "") for key in ("place", "field", "item")]
    told = safe_where(site, sites.look(site), *asked)
    if told is None:
        return JsonResponse({"gone": True}, status=404)
    html = render_to_string("studio/told.html", {"told": told})
    return JsonResponse({"html": html, "address": told.address, "control": told.control})


@login_required
@require_GET
def plane(request: HttpRequest, slug: str) -> HttpResponse:
    """The picking plane at another hue."""
    site = _site(request, slug)
    hue = request.GET.get("hue", "0")
    ground = sites.look(site).grounds.get(request.GET.get("ground", "light"))
    if not hue.isdigit() or ground is None:
        raise Http404
    return JsonResponse(desks.plane_context(int(hue) % 360, ground.fill))


@login_required
@require_GET
def icon(request: HttpRequest, slug: str, path: str) -> HttpResponse:
    """A file of the draft's icon set, for the Logo chapter."""
    site = _site(request, slug)
    if path not in icon_paths():
        raise Http404
    file = site_files(hosting.rendering(sites.document(site)))[path]
    kind = {"png": "image/png", "svg": "image/svg+xml", "ico": "image/x-icon"}[path.rpartition(".")[2]]
    response = HttpResponse(hosting.made(file), content_type=kind)
    response["Cache-Control"] = "private, no-cache"
    return response


@login_required
@require_POST
def publish(request: HttpRequest, slug: str) -> HttpResponse:
    """Put the ticked changes live, with what must come along; the first time, the whole site."""
    site = _site(request, slug)
    ticked = request.POST.getlist("goes")
    try:
        document, going = chosen(site, ticked)
    except Fault as fault:
        messages.error(request, fault.sentence)
        return redirect("workbench", slug, "proof")
    edition = hosting.publish(site, [_in_words(change.subject, change.after) for change in going], document=document)
    along = ", ".join(change.subject for change in going if change.key not in ticked)
    messages.success(request, f"Edition {edition.number} is live." + (f" {along} came along." if along else ""))
    return redirect("workbench", slug, "proof")


@login_required
@require_POST
def take_back(request: HttpRequest, slug: str) -> HttpResponse:
    """Make one thing in the draft as it is live. Undo brings the change again."""
    site = _site(request, slug)
    key = request.POST.get("key", "")
    return _answer(request, site, lambda: sites.put_document(site, without(site, key), "One change taken back"))


@login_required
@require_POST
def bring_back(request: HttpRequest, slug: str, number: int) -> HttpResponse:
    """Make an earlier edition live, or make the draft what it was made from."""
    site = _site(request, slug)
    try:
        if "draft" in request.POST:
            hosting.draft_from(site, number)
            messages.success(request, f"The draft is as edition {number} was. Undo takes that back.")
        else:
            hosting.bring_back(site, number)
            messages.success(request, f"Edition {number} is live again. Your draft is as it was.")
    except Fault as fault:
        raise Http404 from fault
    return redirect("workbench", slug, "proof")


def _site(request: HttpRequest, slug: str) -> Site:
    """The site, if it is this person's; a stranger's does not exist for them."""
    return get_object_or_404(Site, slug=slug, owner=request.user)


def _wants_json(request: HttpRequest) -> bool:
    return request.headers.get("Accept", "") == "application/json"


def _error(fault: Fault) -> dict[str, str]:
    return {"code": fault.code, "sentence": fault.sentence, "field": fault.field}


def _in_words(subject: str, after: str) -> str:
    return f"{subject}: {after}"[:120] if after else subject


def _answer(request: HttpRequest, site: Site, do: Callable[[], sites.Done]) -> HttpResponse:
    """Do it, and say what the desk, the rail and the windows must show; without script, the page anew."""
    here = urlsplit(request.POST.get("here", ""))
    chapter = request.POST.get("chapter", "")
    chapter = chapter if chapter in chapters.NAMES else "template"
    query = dict(parse_qsl(here.query))
    try:
        done = do()
    except Fault as fault:
        site.refresh_from_db()
        if _wants_json(request):
            return JsonResponse({"error": _error(fault), "revision": site.revision}, status=422)
        query |= {"form": request.POST.get("form", "")}
        typed = {"fault": {**_error(fault), "form": query["form"]}, "typed": request.POST}
        return _page(request, site, chapter, query, status=422, **typed)
    site.refresh_from_db()
    if not _wants_json(request):
        return redirect(reverse("workbench", args=(site.slug, chapter)) + (f"?{here.query}" if here.query else ""))
    answer = _panels(request, site, chapter, query)
    answer["patch"] = patch(done.before, done.after, request.POST.get("window_page", ""))
    answer["said"] = done.label
    return JsonResponse(answer)


def _context(request: HttpRequest, site: Site, chapter: str, query: dict[str, str]) -> dict[str, Any]:
    look = sites.look(site)
    waits = waiting(site)
    return {
        "site": site,
        "document": look.document,
        "chapter": chapter,
        "chapter_name": chapters.NAMES[chapter],
        "chapters": chapters.chapters(look, [w.change for w in waits]),
        "waits": waits,
        "live": hosting.live_edition(site),
        "undoable": sites.last_edit(site),
        "redoable": sites.next_edit(site),
        "here": f"?{'&'.join(f'{k}={v}' for k, v in query.items())}" if query else "",
        "live_address": hosting.origin(request, site.slug),
        "all_settings": list(SETTINGS.values()),
        **desks.desk(chapter, site, look, query),
    }


def _panels(request: HttpRequest, site: Site, chapter: str, query: dict[str, str]) -> dict[str, Any]:
    """The parts of the workbench that an edit or another chapter changes."""
    context = _context(request, site, chapter, query)
    return {
        "revision": site.revision,
        "chapter": chapter,
        "title": f"{chapters.NAMES[chapter]} – {context['document'].name}",
        "panels": {
            "chapters": render_to_string("studio/chapters.html", context, request),
            "desk": render_to_string("studio/desk.html", context, request),
            "rail": render_to_string("studio/rail.html", context, request),
        },
        "pages": _window_pages(context["document"]),
        "base": _draft_base(request, site),
    }


def _draft_base(request: HttpRequest, site: Site) -> str:
    """The signed address under which this person's windows show the draft for the next hour."""
    token = hosting.draft_token(site, request.user)  # type: ignore[arg-type]
    return f"{hosting.origin(request, hosting.DRAFT_PREFIX + site.slug)}/~{token}/"


def _window_pages(document: Any) -> list[dict[str, str]]:
    return [
        {"id": key, "name": page.name, "path": path_of(page).removesuffix("index.html")}
        for key, page in document.ordered_pages()
    ]


def _page(
    request: HttpRequest, site: Site, chapter: str, query: dict[str, str], status: int = 200, **more: Any
) -> HttpResponse:
    context = _context(request, site, chapter, query)
    pages = _window_pages(context["document"])
    shown = next((p for p in pages if p["id"] == context.get("page_id")), pages[0])
    context["windows"] = {
        "origin": hosting.origin(request, hosting.DRAFT_PREFIX + site.slug),
        "base": _draft_base(request, site),
        "seconds": hosting.DRAFT_SECONDS,
        "pages": pages,
        "page": shown["id"],
        "revision": site.revision,
        "chapter": chapter,
        "live": context["live"] is not None,
        "address": reverse("workbench", args=(site.slug, "template")).removesuffix("template/"),
    }
    context["first_path"] = shown["path"]
    return render(request, "studio/workbench.html", context | more, status=status)
