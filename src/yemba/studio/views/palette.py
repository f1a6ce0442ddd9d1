"""Palette files: read in as an edit, and given out."""

from __future__ import annotations

from django.contrib.auth.decorators import login_required
from django.http import Http404, HttpRequest, HttpResponse
from django.views.decorators.http import require_POST, require_safe

from yemba.core.colour.files import text_of
from yemba.core.colour.formats.format import formats
from yemba.core.colour.srgb import from_hex
from yemba.core.errors import Fault
from yemba.core.limits import PALETTE_BYTES
from yemba.core.message import Message
from yemba.sites import services as sites
from yemba.studio.bench import answer, site_of


@login_required
@require_POST
def read_file(request: HttpRequest, slug: str) -> HttpResponse:
    """The palette of a file becomes the site's."""
    site = site_of(request, slug)
    file = request.FILES.get("file")

    def put() -> sites.Done:
        if file is None:
            raise Fault(
                "no-file",
                Message("No file was chosen. Choose design tokens, a GIMP palette, CSS or a hex list."),
                "file",
            )
        text, name = text_of(file.read(PALETTE_BYTES + 1)), str(file.name).rpartition(".")[0][:40]
        return sites.edit(site, "choose-palette", {"codes": text, "palette_name": name})

    return answer(request, site, put)


@login_required
@require_safe
def out(request: HttpRequest, slug: str, form: str) -> HttpResponse:
    """The palette of the draft as a file."""
    site = site_of(request, slug)
    if form not in formats():
        raise Http404
    look, kind = sites.look(site), formats()[form]
    colours = [(colour["name"], from_hex(colour["hex"])) for colour in look.value("palette")]
    response = HttpResponse(kind.write(look.document.name, colours), content_type="text/plain; charset=utf-8")
    response["Content-Disposition"] = f'attachment; filename="{site.slug}.{kind.ending}"'
    return response
