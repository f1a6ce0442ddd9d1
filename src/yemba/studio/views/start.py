"""The start of a site, in three pages that work without script: what is given, the plan of pages, the first looks."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from typing import Any, NamedTuple
from urllib.parse import urlencode

from django.contrib import messages
from django.contrib.auth.decorators import login_required
from django.http import HttpRequest, HttpResponse
from django.shortcuts import get_object_or_404, redirect, render
from django.urls import reverse
from django.views.decorators.http import require_http_methods, require_POST

from yemba.core.errors import Fault, Faults
from yemba.core.limits import PICTURE_BYTES
from yemba.core.message import Message
from yemba.core.site.resolve import Look
from yemba.core.site.setting import Setting
from yemba.core.site.settings import setting
from yemba.core.trade.plan import PlannedPage, changed, named, with_page
from yemba.core.trade.trade import AIMS, GROUPS, kind_of
from yemba.core.untrusted import whole
from yemba.core.value.likely import likely
from yemba.hosting import services as hosting
from yemba.render.page import path_of
from yemba.sites import services as sites
from yemba.sites import starts
from yemba.sites.catalogue import catalogue
from yemba.sites.models import Start
from yemba.studio.bench import site_of

_LOOKS = 3


class _Choice(NamedTuple):
    """A setting that is asked for at once; the browser's own time zone is put in by a script."""

    setting: Setting
    value: str
    choices: list[tuple[str, str]]

    @property
    def of_browser(self) -> bool:
        return self.setting.key == "site.time_zone"


@login_required
@require_http_methods(["GET", "HEAD", "POST"])
def new_site(request: HttpRequest, number: int | None = None) -> HttpResponse:
    """What is given. What was right is kept even where something else has to be mended."""
    start = _start(request, number) if number else None
    if start and start.site:
        return redirect("workbench", start.site.slug, "pages")
    if request.method != "POST":
        return _form(request, start, start.answers if start else {}, [])
    start = start or starts.begin(request.user)  # type: ignore[arg-type]
    typed: dict[str, Any] = {key: request.POST.get(key, "") for key in ("title", "trade", "town", "colours", "slug")}
    typed["aims"] = " ".join(request.POST.getlist("aims"))
    typed |= {key: request.POST[key] for key in starts.SETTINGS if key in request.POST}
    if request.POST.get("take_out") in starts.PICTURES:
        starts.take_out(start, request.POST["take_out"])
    if "as_it_came" in request.POST:
        starts.use_logo_as_it_came(start)
    files = {
        use: (file.read(PICTURE_BYTES + 1), str(file.name))
        for use in starts.PICTURES
        for file in request.FILES.getlist(use)[:1]
    }
    try:
        starts.answer(start, typed, files)
    except Faults as faults:
        return _form(request, start, start.answers | typed, faults.each, status=422)
    if request.POST.keys() & {"take_out", "as_it_came"}:
        return redirect("start", start.pk)
    return redirect("start-plan", start.pk)


def _form(
    request: HttpRequest, start: Start | None, answers: Mapping[str, Any], faults: list[Fault], status: int = 200
) -> HttpResponse:
    usual = likely(request.headers.get("Accept-Language", ""), catalogue().languages)
    settings = {f"site.{name}": str(answers.get(f"site.{name}", value)) for name, value in usual._asdict().items()}
    look = Look(sites.empty(), catalogue())
    context = {
        "start": start,
        "given": answers,
        "faults": {fault.field: fault for fault in faults},
        "trades": sorted(trade.name for trade in catalogue().trades.values()),
        "aims": AIMS,
        "chosen": str(answers.get("aims", "found")).split(),
        "pictures": [(use, name, _as_brought(answers.get(use))) for use, name in starts.PICTURES.items()],
        "logo_note": starts.logo_note(start) if start else "",
        "asked": [_Choice(one, settings[key], one.kind.choices(look)) for key in settings for one in [setting(key)]],
        "unfinished": None if start else starts.unfinished(request.user),  # type: ignore[arg-type]
    }
    return render(request, "studio/start/given.html", context, status=status)


def _as_brought(kept: Mapping[str, Any] | None) -> Mapping[str, Any] | None:
    return kept and kept.get("as_it_came", kept)


@login_required
@require_http_methods(["GET", "HEAD", "POST"])
def plan(request: HttpRequest, number: int) -> HttpResponse:
    """The plan of pages. Each button sends all names along, so that none is lost; a name that was typed for one more
    page stays where it was, or makes that page on Enter and on the way on."""
    start = _start(request, number)
    if start.site or not start.answers.get("title") or not start.plan:
        return redirect("start", start.pk)
    pages = starts.plan_of(start)
    if request.method != "POST":
        return _plan(request, start, pages)
    act, _, key = request.POST.get("do", "").partition(":")
    added = request.POST.get("page_name", "").strip()
    try:
        pages = [_sent(request, page) for page in pages]
        if act == "add" or (added and act in ("on", "stay")):  # Enter is "stay"
            pages, added = with_page(pages, added), ""
    except Fault as fault:
        return _plan(request, start, pages, fault, 422)
    starts.replan(start, changed(pages, act, key))
    if act == "trade":
        starts.answer(start, {"trade": request.POST.get("trade", ""), "aims": start.answers["aims"]}, {})
    if act == "on":
        return redirect("start-looks", start.pk)
    query = f"?{urlencode({'page_name': added})}" if added else ""
    return redirect(reverse("start-plan", args=(start.pk,)) + query)


def _sent(request: HttpRequest, page: PlannedPage) -> PlannedPage:
    """A page with the name and the sections that were sent, as it is where none were."""
    slug = page.key or "home"
    field = f"name-{slug}"
    if field not in request.POST:
        return page
    return named(page, request.POST[field], field, request.POST.getlist(f"sections-{slug}"))


def _ticked(request: HttpRequest, page: PlannedPage) -> Sequence[str]:
    """The sections of a page as they were sent, else as they stand in the plan."""
    field = page.key or "home"
    return request.POST.getlist(f"sections-{field}") if f"name-{field}" in request.POST else page.chosen


def _plan(
    request: HttpRequest, start: Start, pages: list[PlannedPage], fault: Fault | None = None, status: int = 200
) -> HttpResponse:
    kinds = catalogue().kinds
    entries = [
        {
            "key": page.key or "home",
            "id": page.key,
            "name": request.POST.get(f"name-{page.key or 'home'}", page.name) if fault else page.name,
            "kept": page.kept,
            "first": number == 0,
            "sections": [(name, kinds[kind_of(name)], name in _ticked(request, page)) for name in page.sections],
        }
        for number, page in enumerate(pages)
    ]
    groups = {slug: [t for t in catalogue().trades.values() if t.group == slug] for slug in GROUPS}
    context = {
        "start": start,
        "kept": [page for page in entries if page["kept"]],
        "left_out": [page for page in entries if not page["kept"]],
        "trade": starts.trade_of(start),
        "groups": [(GROUPS[slug], trades) for slug, trades in groups.items()],
        "fault": fault,
        "typed": request.POST.get("page_name", request.GET.get("page_name", "")),
    }
    return render(request, "studio/start/plan.html", context, status=status)


@login_required
@require_http_methods(["GET", "HEAD", "POST"])
def looks(request: HttpRequest, number: int) -> HttpResponse:
    """Three looks side by side, as the pages of this very site; one is taken."""
    start = _start(request, number)
    if not start.answers.get("title") or not start.plan:
        return redirect("start", start.pk)
    if start.site:
        return redirect("workbench", start.site.slug, "pages")
    fault = None
    if "as_it_came" in request.POST:
        starts.use_logo_as_it_came(start)
    elif request.method == "POST":
        try:
            site = starts.choose(start, _number(request))
            return redirect("workbench", site.slug, "pages")
        except Fault as refused:
            fault = refused
    every = starts.looks(start)
    turn = min(whole(request.GET.get("round", "")) or 0, len(every) - 1)
    made = starts.document(start)
    pages = [(key, page.name, path_of(page).removesuffix("index.html")) for key, page in made.ordered_pages()]
    window_path = next((path for key, _, path in pages if key == request.GET.get("page")), "")
    base = f"{hosting.origin(request, hosting.DRAFT_PREFIX + 'start')}/look/{hosting.start_token(start)}"
    context = {
        "start": start,
        "fault": fault,
        "looks": [
            {
                "number": turn * _LOOKS + place,
                "look": look,
                "template": catalogue().template(look.template),
                "window": f"{base}/{turn * _LOOKS + place}/{window_path}",
            }
            for place, look in enumerate(every[turn])
        ],
        "round": turn,
        "next": (turn + 1) % len(every),
        "last": turn == len(every) - 1,
        "pages": pages,
        "shown": window_path,
        "logo_note": starts.logo_note(start),
    }
    return render(request, "studio/start/looks.html", context, status=422 if fault else 200)


@login_required
@require_POST
def take(request: HttpRequest, slug: str) -> HttpResponse:
    """Another of its first looks, for a site that was begun with one."""
    site = site_of(request, slug)
    try:
        done = starts.take(site, _number(request))
    except Fault as fault:
        messages.error(request, str(fault.sentence))
    else:
        messages.success(request, Message("Kept: {label}", label=done.label))
    return redirect("workbench", site.slug, "template")


def _number(request: HttpRequest) -> int:
    """That of the look that was sent; -1, which none has, where it is no number."""
    number = whole(request.POST.get("look", ""))
    return -1 if number is None else number


def _start(request: HttpRequest, number: int) -> Start:
    """A start of this person's; a stranger's does not exist for them."""
    return get_object_or_404(Start, pk=number, owner=request.user)
