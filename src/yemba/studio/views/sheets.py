"""Brand sheets: saved, applied, copied, renamed, compared, exported and imported."""

from __future__ import annotations

from collections.abc import Callable
from typing import Any

from django.contrib import messages
from django.contrib.auth.decorators import login_required
from django.http import Http404, HttpRequest, HttpResponse
from django.shortcuts import redirect, render
from django.utils.text import slugify
from django.views.decorators.http import require_POST, require_safe

from yemba.core.errors import Fault
from yemba.core.limits import SHEET_BYTES
from yemba.core.message import Message
from yemba.sites import brand_sheets
from yemba.sites import services as sites
from yemba.sites.catalogue import catalogue
from yemba.sites.models import BrandSheet
from yemba.studio.bench import site_of
from yemba.studio.desks import specimen


@login_required
@require_safe
def listed(request: HttpRequest) -> HttpResponse:
    """All sheets there are: one's own, the sites as they stand, and the ready ones; two of them compared."""
    return _page(request)


@login_required
@require_POST
def save(request: HttpRequest) -> HttpResponse:
    """Keep the brand of a site under a name."""
    site = site_of(request, request.POST.get("site", ""))
    return _done(
        request,
        lambda: Message("Saved as “{name}”.", name=brand_sheets.save(site, request.POST.get("sheet_name", "")).name),
    )


@login_required
@require_POST
def import_file(request: HttpRequest) -> HttpResponse:
    """Read an exported sheet."""
    file = request.FILES.get("file")

    def do() -> str:
        if file is None:
            raise Fault("no-file", Message("No file was chosen. Choose a brand sheet that was exported."), "file")
        sheet = brand_sheets.import_file(request.user, file.read(SHEET_BYTES + 1))  # type: ignore[arg-type]
        return Message("“{name}” is here.", name=sheet.name)

    return _done(request, do)


@login_required
@require_POST
def change(request: HttpRequest, number: int) -> HttpResponse:
    """Apply, copy, rename, bin or put back one sheet."""
    sheet = _sheet(request, number)
    what = request.POST.get("do", "")
    if what == "apply":
        site = site_of(request, request.POST.get("site", ""))
        try:
            brand_sheets.apply_to(site, sheet)
        except Fault as fault:
            messages.error(request, str(fault.sentence))
            return redirect("sheets")
        messages.success(
            request, Message("“{name}” is applied. Undo takes it back; nothing is live yet.", name=sheet.name)
        )
        return redirect("workbench", site.slug, "template")

    def do() -> str:
        if what == "copy":
            return Message("Copied as “{name}”.", name=brand_sheets.copy(sheet).name)
        if what == "rename":
            return Message(
                "Now called “{name}”.", name=brand_sheets.rename(sheet, request.POST.get("sheet_name", "")).name
            )
        brand_sheets.move(sheet, to_bin=what == "bin")
        return (
            Message("“{name}” is in the bin.", name=sheet.name)
            if what == "bin"
            else Message("“{name}” is back.", name=sheet.name)
        )

    return _done(request, do)


@login_required
@require_safe
def export(request: HttpRequest, number: int) -> HttpResponse:
    """A sheet as an open file."""
    sheet = _sheet(request, number)
    response = HttpResponse(brand_sheets.export(sheet), content_type="application/json")
    response["Content-Disposition"] = f'attachment; filename="{slugify(sheet.name) or "sheet"}.brand-sheet.json"'
    return response


def _sheet(request: HttpRequest, number: int) -> BrandSheet:
    try:
        return brand_sheets.sheet(request.user, number)  # type: ignore[arg-type]
    except Fault as fault:
        raise Http404 from fault


def _done(request: HttpRequest, do: Callable[[], str]) -> HttpResponse:
    try:
        messages.success(request, do())
    except Fault as fault:
        return _page(request, status=422, fault=fault, typed=request.POST)
    return redirect("sheets")


def _page(request: HttpRequest, status: int = 200, **more: Any) -> HttpResponse:
    person: Any = request.user
    context: dict[str, Any] = {
        "own": brand_sheets.sheets_of(person),
        "binned": brand_sheets.sheets_of(person, binned=True),
        "ready": [(template, template.sheets) for template in catalogue().templates.values()],
        "sites": [{"site": site, "name": sites.document(site).name} for site in sites.sites_of(person)],
        "families": catalogue().families,
    }
    references = [request.GET.get(key, "") for key in ("first", "second")]
    if all(references):
        try:
            comparison = brand_sheets.compared(person, *references)
        except Fault as fault:
            raise Http404 from fault
        context |= {"comparison": comparison, "drawn": specimen.beside(*comparison.looks)}
    return render(request, "studio/sheets.html", context | more, status=status)
