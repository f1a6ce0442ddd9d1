"""Pictures: taken in, and shown small on the desk."""

from __future__ import annotations

from typing import Any

from django.contrib.auth.decorators import login_required
from django.core.files.uploadedfile import UploadedFile
from django.http import Http404, HttpRequest, HttpResponse
from django.utils import timezone
from django.views.decorators.http import require_GET, require_POST

from yemba.core.limits import PICTURE_BYTES
from yemba.core.message import Message
from yemba.core.picture.collection import coloured
from yemba.core.picture.intake import clean_picture
from yemba.core.site.ids import new_id
from yemba.hosting import services as hosting
from yemba.sites import logos, uploads
from yemba.sites import services as sites
from yemba.studio.bench import answer, site_of
from yemba.studio.intake import each


@login_required
@require_POST
def upload(request: HttpRequest, slug: str) -> HttpResponse:
    """Take picture files in: for the logo, a section, an entry, in place of another, or just to have them."""
    site = site_of(request, slug)

    def put(file: UploadedFile[Any]) -> sites.Done:
        clean = clean_picture(file.read(PICTURE_BYTES + 1), str(file.name))
        replaced = request.POST.get("replace", "")
        arguments = {
            "picture": replaced or new_id(),
            "file": uploads.keep(site.owner, clean.data),
            "format": clean.format,
            "width": clean.width,
            "height": clean.height,
            "file_name": str(file.name)[:80],
            "added": f"{timezone.now():%Y-%m-%dT%H:%M:%S}",
            **{key: request.POST.get(key, "") for key in ("use", "section", "item")},
        }
        return sites.edit(site, "replace-picture" if replaced else "add-picture", arguments)

    none = Message("No file was chosen. Choose an SVG, PNG, JPEG or WebP file.")
    return answer(request, site, lambda: each(request.FILES.getlist("file"), put, none))


@login_required
@require_POST
def mend_logo(request: HttpRequest, slug: str) -> HttpResponse:
    """Take the logo's background or the room round it away, or make a version of it for light or dark grounds."""
    site = site_of(request, slug)
    return answer(request, site, lambda: logos.mend(site, request.POST.get("act", "")))


@login_required
@require_GET
def thumb(request: HttpRequest, slug: str, picture: str) -> HttpResponse:
    """A picture of the draft, small, for the desk; `upright` asks for all of it as it is turned."""
    look = sites.look(site_of(request, slug))
    stored = look.pictures.get(picture) or getattr(look.document.bin.get(picture), "picture", None)
    if stored is None:
        raise Http404
    if "upright" in request.GET:
        stored = stored.model_copy(update={"crop": "", "shape": ""})
    kind = "image/svg+xml" if stored.format == "svg" else "image/webp"
    response = HttpResponse(hosting.thumb(stored, look.load), content_type=kind)
    response["Cache-Control"] = "private, max-age=3600"
    response["Content-Security-Policy"] = "default-src 'none'; style-src 'unsafe-inline'; sandbox"
    return response


@login_required
@require_GET
def drawing(request: HttpRequest, slug: str, drawing: str) -> HttpResponse:
    """A picture of the collection in the colours of a site."""
    look = sites.look(site_of(request, slug))
    stored = look.catalogue.collection.get(drawing)
    if stored is None:
        raise Http404
    response = HttpResponse(coloured(stored.svg, look.role_colours), content_type="image/svg+xml")
    response["Cache-Control"] = "private, max-age=3600"
    response["Content-Security-Policy"] = "default-src 'none'; sandbox"
    return response
