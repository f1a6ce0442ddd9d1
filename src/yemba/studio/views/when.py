"""What a phrase about when something happens may mean."""

from __future__ import annotations

from django.contrib.auth.decorators import login_required
from django.http import HttpRequest, HttpResponse
from django.shortcuts import render
from django.views.decorators.http import require_GET

from yemba.sites import services as sites
from yemba.studio.bench import site_of
from yemba.studio.chapters import desks
from yemba.studio.desks.when import readings


@login_required
@require_GET
def when(request: HttpRequest, slug: str) -> HttpResponse:
    """The meanings of a phrase in words, each with the button that keeps it."""
    site, chapter = site_of(request, slug), request.GET.get("chapter", "")
    context = {
        "site": site,
        "chapter": chapter if chapter in desks() else "pages",
        "here": "",
        "when": readings(sites.look(site), request.GET.get("phrase", "")),
        "entry_id": request.GET.get("section", ""),
        "item_id": request.GET.get("item", ""),
    }
    return render(request, "studio/desk/readings.html", context)
