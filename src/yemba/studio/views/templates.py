"""Templates as anybody may look at them."""

from __future__ import annotations

from django.http import Http404, HttpRequest, HttpResponse
from django.views.decorators.http import require_safe

from yemba import catalogue as shipped
from yemba.core.colour.grounds import Ground
from yemba.core.site.document import Document
from yemba.core.site.resolve import Look
from yemba.core.template.manifest import Template
from yemba.sites.catalogue import catalogue

_BANDS = ("light", "tinted", "strong", "dark")


@require_safe
def picture(request: HttpRequest, slug: str) -> HttpResponse:
    """A template's picture of itself; one that brings none is drawn as its grounds."""
    template = catalogue().templates.get(slug)
    if template is None:
        raise Http404
    if template.picture:
        data = (shipped.FOLDER / "templates" / slug / shipped.PICTURE).read_bytes()
        response = HttpResponse(data, content_type="image/webp")
    else:
        response = HttpResponse(_drawn(template), content_type="image/svg+xml")
    response["Cache-Control"] = "public, max-age=3600"
    return response


def _drawn(template: Template) -> str:
    """The four grounds of its own brand sheet, one under the other."""
    grounds = Look(Document(name=template.name, template=template.slug), catalogue()).grounds
    bands = "".join(_band(grounds[slug], 225 * n) for n, slug in enumerate(_BANDS))
    return f'<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 720 900" width="720" height="900">{bands}</svg>'


def _band(ground: Ground, y: int) -> str:
    """A ground with a heading, two lines of text and a button, as bars."""
    return "".join(
        (
            f'<path d="M0 {y}h720v225H0z" fill="{ground.fill.hex}"/>',
            f'<path d="M60 {y + 60}h320v22H60z" fill="{ground.heading.hex}"/>',
            f'<path d="M60 {y + 104}h460v8H60z" fill="{ground.text.hex}"/>',
            f'<path d="M60 {y + 124}h420v8H60z" fill="{ground.text.hex}"/>',
            f'<path d="M60 {y + 156}h130v34H60z" fill="{ground.button.hex}"/>',
        )
    )
