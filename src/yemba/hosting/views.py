"""Answering visitors, and the workbench's windows."""

from __future__ import annotations

import json
from collections.abc import Callable
from datetime import date
from functools import lru_cache
from pathlib import Path
from threading import Lock
from typing import TypeVar, cast

from csp.decorators import csp
from django.conf import settings
from django.http import (
    Http404,
    HttpRequest,
    HttpResponse,
    HttpResponsePermanentRedirect,
    HttpResponseRedirect,
)
from django.shortcuts import render
from django.utils import timezone
from django.views.decorators.clickjacking import xframe_options_exempt
from django.views.decorators.csrf import csrf_exempt
from django.views.decorators.http import require_safe

from yemba.core.errors import Fault
from yemba.core.site.document import Document, read
from yemba.core.site.feeds import addresses
from yemba.core.site.resolve import Look
from yemba.core.trade.sample_section import sample_section
from yemba.core.untrusted import whole
from yemba.hosting import inbox, services, serving
from yemba.hosting.models import Edition
from yemba.render.files import File, rules_of_templates, site_files
from yemba.sites import feeds, samples, starts, store
from yemba.sites import services as sites
from yemba.sites.catalogue import catalogue
from yemba.sites.models import Site

_BEFORE, _EDITION, _TRIED, _ALONE = "@live/", "@edition/", "@template/", "@layout/"
_RULES = "assets/rules"
_PLANNING = [Lock() for _ in range(32)]
"""A draft's files are planned by one request while others for it wait; its text tells which lock is its."""
_SCRIPTS = {"window": ("overflow.js", "static/hosting/rich_text.js", "window.js"), "look": ("look.js",)}
_HERE = Path(__file__).parent
_OWN = {
    "default-src": ["'none'"],
    "style-src": ["'self'"],
    "img-src": ["'self'", "data:"],
    "media-src": ["'self'"],
    "font-src": ["'self'"],
    "manifest-src": ["'self'"],
    "base-uri": ["'none'"],
    "form-action": ["'none'"],
}
_LIVE = _OWN | {"form-action": ["'self'"], "frame-ancestors": ["'self'"], "connect-src": ["'self'"]}
_STUDIO = f"{settings.SCHEME}://{settings.STUDIO_HOST}:*"
_DRAFT = _OWN | {"script-src": ["'self'"], "frame-ancestors": [_STUDIO]}

View = TypeVar("View", bound=Callable[..., HttpResponse])


def _policy(directives: dict[str, list[str]]) -> Callable[[View], View]:
    """The content security policy of a view; django-csp's own decorator knows views without arguments alone."""
    return cast(Callable[[View], View], csp(directives))


@csrf_exempt
@require_safe
@_policy(_LIVE)
def live(request: HttpRequest, path: str) -> HttpResponse:
    """A file of the live edition."""
    slug = _slug(request)
    published = serving.published(slug)
    if published is None:
        return _not_live(request, slug)
    if serving.lacks_slash(published, path):
        return HttpResponsePermanentRedirect(f"/{path}/{_query(request)}")
    moved = serving.moved_to(published, path)
    if moved is not None:
        return HttpResponsePermanentRedirect(f"{moved}{_query(request)}")
    answer = serving.resource(published, path)
    if answer is None or answer.status != 200:
        answer = serving.earlier_asset(slug, path) or answer
    if answer is None:
        return _page(request, "hosting/missing.html", 404, name=_site_name(slug))
    response = serving.serve(request, answer, answer.made_at or published.made_at)
    if serving.runs_scripts(published):
        response._csp_update = {"script-src": ["'self'"]}  # type: ignore[attr-defined]
    return response


def _not_live(request: HttpRequest, slug: str) -> HttpResponse:
    """What stands at the address of a site before its first publishing, and at one that is no site's."""
    name = _site_name(slug)
    return _page(request, "hosting/soon.html", 200, name=name) if name else _page(request, "hosting/nobody.html", 404)


def _site_name(slug: str) -> str:
    site = Site.objects.filter(slug=slug, binned_at=None).first()
    return sites.document(site).name if site else ""


@csrf_exempt
@_policy(_LIVE)
def form(request: HttpRequest, section: str) -> HttpResponse:
    """Take what a visitor wrote in a contact form, and say so in the site's own design."""
    site = Site.objects.filter(slug=_slug(request), binned_at=None).first()
    answer = inbox.form_of(site, section) if site else None
    if (
        site
        and answer is None
        and request.method == "POST"
        and (gone := inbox.gone(site, request.POST.get("words", "")))
    ):
        return HttpResponse(gone, status=410)
    if site is None or answer is None:
        return live(request, f"-/form/{section}/")
    if request.method != "POST":
        return HttpResponseRedirect(f"{answer.address}#{answer.section.slug or section}")
    posted = {key: str(value) for key, value in request.POST.items()}
    try:
        inbox.receive(site, answer, posted, request.META.get("REMOTE_ADDR", ""))
    except Fault as fault:
        return HttpResponse(answer.again(posted, fault), status=422)
    response = HttpResponse(status=303)  # so that to load again is not to send again
    response["Location"] = f"/-/form/{section}/sent/"
    return response


@require_safe
@_policy(_LIVE)
def sent(request: HttpRequest, section: str) -> HttpResponse:
    """That a message has arrived, in the site's own design."""
    site = Site.objects.filter(slug=_slug(request), binned_at=None).first()
    form = inbox.form_of(site, section) if site else None
    return HttpResponse(form.thanks()) if form else live(request, f"-/form/{section}/sent/")


@csrf_exempt
@require_safe
@_policy(_DRAFT)
@xframe_options_exempt
def draft(request: HttpRequest, token: str, path: str) -> HttpResponse:
    """A file of the draft, for whoever holds a fresh signed address."""
    site = services.site_for(token, _slug(request))
    if site is None:
        return _page(request, "hosting/no_draft.html", 403)
    document = sites.document(site)
    if path.startswith(_EDITION):
        return _edition_file(site, path.removeprefix(_EDITION))
    if path.startswith(_BEFORE):  # the proof shows what is live beside what would be
        document, path = services.live_document(site) or document, path.removeprefix(_BEFORE)
    if path.startswith(_TRIED):  # the same words and pictures in another template
        template, _, path = path.removeprefix(_TRIED).partition("/")
        if template not in catalogue().templates:
            raise Http404
        tried = document.model_copy(update={"template": template})
        return _drawn(request, tried, path, looking=True)
    if path.startswith(_ALONE):  # a section that is not there yet, in one of its layouts
        kind, _, rest = path.removeprefix(_ALONE).partition("/")
        layout, _, path = rest.partition("/")
        known = catalogue().kinds.get(kind)
        if known is None or layout not in known.layout_names():
            raise Http404
        alone = sample_section(Look(document, catalogue()), known, layout, request.GET.get("ground", ""))
        return _drawn(request, alone, path, looking=True)
    return _drawn(request, document, path)


@csrf_exempt
@require_safe
@_policy(_DRAFT)
@xframe_options_exempt
def first_look(request: HttpRequest, token: str, number: int, path: str) -> HttpResponse:
    """A file of a new site in one of its first looks."""
    start = services.start_for(token)
    if start is None:
        return _page(request, "hosting/no_draft.html", 403)
    try:
        document = starts.dressed_in(start, number)
    except Fault:
        return _page(request, "hosting/missing.html", 404, name=str(start))
    return _drawn(request, document, path, looking=True)


@csrf_exempt
@require_safe
@_policy(_DRAFT)
@xframe_options_exempt
def gallery(request: HttpRequest, template: str, sheet: str, trade: str, path: str) -> HttpResponse:
    """A file of an invented site of a trade in a template; anybody may see it."""
    try:
        document = samples.sample(template, sheet, trade)
    except Fault as fault:
        raise Http404 from fault
    return _drawn(request, document, path, looking=True)


def _drawn(request: HttpRequest, document: Document, path: str, *, looking: bool = False) -> HttpResponse:
    """A file of a document that nobody published; where it is only for `looking`, its links lead on and nothing is
    edited."""
    name = f"{path}index.html" if path == "" or path.endswith("/") else path
    file = _draft_file(document, name) or services.picture_at(name, request.GET.get(services.QUERY, ""), store.load)
    if file is None:
        return _page(request, "hosting/missing.html", 404, name=document.name)
    data = services.made(file)
    if looking and name.endswith(".html"):
        data = data.replace(b'"/-/window.js"', b'"/-/look.js"')
    stays = file.key or name.endswith(".woff2")  # it is called by what is in it
    response = HttpResponse(data, content_type=serving.content_type(name))
    response["Cache-Control"] = "private, max-age=31536000, immutable" if stays else "no-store"
    response["Referrer-Policy"] = "no-referrer"
    response["X-Robots-Tag"] = "noindex"
    return response


def _edition_file(site: Site, path: str) -> HttpResponse:
    """A file of an edition as it was published: "3/repairs/" is a page of the third."""
    number, _, name = path.partition("/")
    answer = Edition.objects.filter(site=site, number=whole(number) or 0).first()
    name = f"{name}index.html" if name == "" or name.endswith("/") else name
    if answer is None or name not in answer.manifest:
        raise Http404
    response = HttpResponse(store.load(answer.manifest[name]), content_type=serving.content_type(name))
    response["Cache-Control"] = "private, max-age=31536000, immutable"
    response["X-Robots-Tag"] = "noindex"
    return response


@_policy(_DRAFT)
def no_draft(request: HttpRequest) -> HttpResponse:
    return _page(request, "hosting/no_draft.html", 403)


@require_safe
@_policy(_DRAFT)
def script(request: HttpRequest, name: str) -> HttpResponse:
    """What a draft page says to the workbench around it, or one that is only looked at."""
    script = f"const workbench = {json.dumps(services.origin(request))};\n"
    script += "\n".join((_HERE / file).read_text() for file in _SCRIPTS[name])
    response = HttpResponse(script, content_type="text/javascript; charset=utf-8")
    response["Cache-Control"] = "no-cache"
    return response


def _draft_file(document: Document, name: str) -> File | None:
    text, fetched = document.text(), feeds.state(addresses(document))
    with _PLANNING[hash(text) % len(_PLANNING)]:
        files = _draft_files(text, timezone.now().date(), fetched)
    if name in files:
        return files[name]
    if name.startswith(_RULES) and (other := _rules_of_templates(text).get(name)):
        return other
    return next((file for known, file in files.items() if _same_sheet(known, name)), None)


@lru_cache(maxsize=32)
def _draft_files(text: str, day: date, fetched: tuple[str, ...]) -> dict[str, File]:
    """The files of a draft, planned once for the dozen requests that one page makes; `fetched` tells its feeds."""
    return site_files(services.rendering(read(text), draft=True))


@lru_cache(maxsize=4)
def _rules_of_templates(text: str) -> dict[str, File]:
    return rules_of_templates(Look(read(text), catalogue()))


def _query(request: HttpRequest) -> str:
    """The query with its question mark, as it came."""
    query = request.META.get("QUERY_STRING", "")
    return f"?{query}" if query else ""


def _slug(request: HttpRequest) -> str:
    return str(request.site_slug)  # type: ignore[attr-defined]


def _same_sheet(known: str, asked: str) -> bool:
    """Whether `asked` is an earlier state of a draft's style file; its present state serves."""
    stem = known.split(".", maxsplit=1)[0]
    return stem in (_RULES, "assets/values") and asked.startswith(f"{stem}.")


def _page(request: HttpRequest, template: str, status: int, **context: str) -> HttpResponse:
    response = render(request, template, context, status=status)
    response["Cache-Control"] = "no-store"
    return response
