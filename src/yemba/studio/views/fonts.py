"""Fonts of the owner's: taken in, and shown on the desk."""

from __future__ import annotations

from django.contrib.auth.decorators import login_required
from django.http import Http404, HttpRequest, HttpResponse
from django.views.decorators.http import require_POST, require_safe

from yemba.core.limits import FONT_BYTES
from yemba.core.message import Message
from yemba.render.fonts import own_faces
from yemba.sites import services as sites
from yemba.sites import store
from yemba.sites.font_files import take_in
from yemba.studio.bench import answer, site_of
from yemba.studio.intake import each


@login_required
@require_POST
def upload(request: HttpRequest, slug: str) -> HttpResponse:
    """Take font files in, each an edit."""
    site = site_of(request, slug)
    none = Message("No file was chosen. Choose a .woff2, .woff, .ttf or .otf.")
    take = lambda file: take_in(site, file.read(FONT_BYTES + 1), str(file.name))  # noqa: E731
    return answer(request, site, lambda: each(request.FILES.getlist("file"), take, none))


@login_required
@require_safe
def styles(request: HttpRequest, slug: str) -> HttpResponse:
    """@font-face rules of the owner's fonts, so that the desk can show them."""
    look = sites.look(site_of(request, slug))
    response = HttpResponse(own_faces(look), content_type="text/css")
    response["Cache-Control"] = "private, no-cache"
    return response


@login_required
@require_safe
def file(request: HttpRequest, slug: str, digest: str) -> HttpResponse:
    """A font file of this site."""
    fonts = sites.document(site_of(request, slug)).fonts.values()
    if not any(digest == one.file for font in fonts for one in font.files):
        raise Http404
    response = HttpResponse(store.load(digest), content_type="font/woff2")
    response["Cache-Control"] = "private, max-age=31536000, immutable"
    return response
