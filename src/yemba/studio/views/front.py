"""The way in: the front page, the list of sites, a new site."""

from __future__ import annotations

from collections.abc import Mapping
from typing import Any, NamedTuple

from django.contrib.auth.decorators import login_required
from django.http import HttpRequest, HttpResponse
from django.shortcuts import redirect, render

from yemba.core.errors import Fault
from yemba.core.site.resolve import Look
from yemba.core.site.setting import Setting
from yemba.core.site.settings import setting
from yemba.core.value.likely import likely
from yemba.hosting import inbox
from yemba.hosting import services as hosting
from yemba.sites import services as sites
from yemba.sites.addresses import free_address
from yemba.sites.catalogue import catalogue
from yemba.studio.bench import draft_base
from yemba.studio.waiting import waiting


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
            "unread": inbox.unread(site),
            "held": inbox.held_back(site),
            "address": hosting.origin(request, site.slug),
            "window": draft_base(request, site),
        }
        for site in sites.sites_of(request.user)  # type: ignore[arg-type]
    ]
    room = sites.room(request.user).warning(len(listed))  # type: ignore[arg-type]
    return render(request, "studio/sites.html", {"listed": listed, "room": room})


@login_required
def new_site(request: HttpRequest) -> HttpResponse:
    typed = {key: request.POST.get(key, "") for key in ("title", "slug", "template")}
    usual = likely(request.headers.get("Accept-Language", ""), catalogue().languages)
    asked = {f"site.{name}": str(request.POST.get(f"site.{name}", value)) for name, value in usual._asdict().items()}
    context: dict[str, Any] = {"templates": catalogue().templates.values(), "typed": typed, "asked": _choices(asked)}
    if request.method != "POST":
        return render(request, "studio/new_site.html", context)
    try:
        address = typed["slug"] or free_address(typed["title"])
        template = typed["template"] or next(iter(catalogue().templates))
        chosen = {key: value for key, value in asked.items() if value != setting(key).default}
        site = sites.create(request.user, typed["title"], address, template, chosen)  # type: ignore[arg-type]
    except Fault as fault:
        return render(request, "studio/new_site.html", context | {"fault": fault}, status=422)
    return redirect("workbench", site.slug, "palette")


class _Choice(NamedTuple):
    """A setting that is asked for at once; the browser's own time zone is put in by a script."""

    setting: Setting
    value: str
    choices: list[tuple[str, str]]

    @property
    def of_browser(self) -> bool:
        return self.setting.key == "site.time_zone"


def _choices(asked: Mapping[str, str]) -> list[_Choice]:
    look = Look(sites.empty(), catalogue())
    return [_Choice(one, asked[key], one.kind.choices(look)) for key in asked for one in [setting(key)]]
