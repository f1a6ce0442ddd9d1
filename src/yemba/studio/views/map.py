"""The map of a site: every page small, as it looks now."""

from __future__ import annotations

from django.contrib.auth.decorators import login_required
from django.http import HttpRequest, HttpResponse
from django.shortcuts import render
from django.views.decorators.http import require_safe

from yemba.core.message import Joined, Message
from yemba.core.site.document import Document
from yemba.core.site.navigation import grouped, name_of
from yemba.core.site.resolve import Look
from yemba.render.page import path_of
from yemba.sites import services as sites
from yemba.studio.bench import draft_base, site_of
from yemba.studio.desks.languages import named
from yemba.studio.desks.setting import Context


@login_required
@require_safe
def site_map(request: HttpRequest, slug: str) -> HttpResponse:
    """All pages in the order of the menu, those under another behind it, then posts and pages of other languages; each
    leads to its desk."""
    site = site_of(request, slug)
    look = sites.look(site)
    base = f"{draft_base(request, site)}@template/{look.template.slug}/"
    context = {"site": site, "document": look.document, "cards": _cards(look, base)}
    return render(request, "studio/map.html", context)


def _cards(look: Look, base: str) -> list[Context]:
    document, groups = look.document, grouped(look.document)
    order = [key for top in groups.get("", []) for key in (top, *groups.get(top, []))]
    over = {key: top for top in groups.get("", []) for key in groups.get(top, [])}
    return [
        {
            "id": key,
            "page": document.pages[key],
            "under": name_of(document, over[key]) if key in over else "",
            "among": _among(document, look, key),
            "hidden": key in document.navigation.hidden,
            "count": len(document.pages[key].order),
            "window": base + path_of(document.pages[key]).removesuffix("index.html"),
        }
        for key in dict.fromkeys([*order, *document.order])
        if key in document.pages
    ]


def _among(document: Document, look: Look, key: str) -> str:
    """What a page that is in no menu here belongs to: the journal, or a further language."""
    page = document.pages[key]
    labels = [Message("in the journal")] if page.posted else []
    return Joined(
        ", ", [*labels, *([Message("in {named}", named=named(look, page.language))] if page.language else [])]
    )
