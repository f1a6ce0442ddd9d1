"""Templates as anybody may look at them, and as an owner tries them on."""

from __future__ import annotations

from django.contrib.auth.decorators import login_required
from django.http import Http404, HttpRequest, HttpResponse
from django.shortcuts import render
from django.views.decorators.http import require_safe

from yemba import catalogue as shipped
from yemba.core.colour.grounds import Ground
from yemba.core.first_look.brief import Brief
from yemba.core.first_look.looks import fitting
from yemba.core.site.document import Document
from yemba.core.site.resolve import Look
from yemba.core.template.manifest import Template
from yemba.core.trade.finding import nearest_trade
from yemba.core.trade.trade import AIMS, GROUPS, Trade, kind_of
from yemba.hosting import services as hosting
from yemba.render.page import path_of
from yemba.sites import samples
from yemba.sites import services as sites
from yemba.sites.catalogue import catalogue
from yemba.studio.bench import draft_base, site_of

_ABREAST = 3  # templates tried on at once
_BANDS = ("light", "tinted", "strong", "dark")


@require_safe
def gallery(request: HttpRequest) -> HttpResponse:
    """Every template, with the words of a trade; those that fit trade and aim best first."""
    trade, aim = _trade(request), request.GET.get("aim", "")
    sections = tuple(kind_of(name) for page in trade.pages for name in page.sections)
    brief = Brief(trade, (aim,) if aim in AIMS else (), sections, trade.sample)
    context = {
        "trade": trade,
        "aim": aim,
        "aims": AIMS,
        "groups": _groups(),
        "templates": [
            {"template": template, "window": _window(request, template, template.sheets[0].slug, trade)}
            for template in fitting(brief, catalogue())
        ],
    }
    return render(request, "studio/gallery.html", context)


@require_safe
def template(request: HttpRequest, slug: str) -> HttpResponse:
    """One template full size, wide and on a phone, in any of its brand sheets."""
    chosen = catalogue().templates.get(slug)
    if chosen is None:
        raise Http404
    trade = _trade(request)
    sheet = chosen.sheet(request.GET.get("sheet", "")) or chosen.sheets[0]
    pages = samples.sample(slug, sheet.slug, trade.slug).ordered_pages()
    current = next((page for key, page in pages if key == request.GET.get("page")), pages[0][1])
    context = {
        "template": chosen,
        "sheet": sheet,
        "trade": trade,
        "groups": _groups(),
        "pages": [(key, page.name, page is current) for key, page in pages],
        "page": next(key for key, page in pages if page is current),
        "window": _window(request, chosen, sheet.slug, trade) + path_of(current).removesuffix("index.html"),
    }
    return render(request, "studio/template.html", context)


@login_required
@require_safe
def try_on(request: HttpRequest, slug: str) -> HttpResponse:
    """Up to three templates side by side with the site's own pages. Nothing is changed by looking."""
    site = site_of(request, slug)
    look = sites.look(site)
    known = catalogue().templates
    named = [one for one in dict.fromkeys(request.GET.getlist("template")) if one in known][:_ABREAST]
    others = [one for one in known if one != look.template.slug]
    chosen = named or [look.template.slug, *others][:_ABREAST]
    pages = look.document.ordered_pages()
    current = next((key for key, _ in pages if key == request.GET.get("page")), pages[0][0])
    path = path_of(look.document.pages[current]).removesuffix("index.html")
    base = draft_base(request, site)
    context = {
        "site": site,
        "document": look.document,
        "now": look.template.slug,
        "columns": [{"template": known[one], "window": f"{base}@template/{one}/{path}"} for one in chosen],
        "templates": [(one, one.slug in chosen) for one in known.values()],
        "most": _ABREAST,
        "pages": [(key, page.name) for key, page in pages],
        "page": current,
        "phone": request.GET.get("width") == "phone",
        "origin": hosting.origin(request, hosting.DRAFT_PREFIX + site.slug),
    }
    return render(request, "studio/try_on.html", context)


def _trade(request: HttpRequest) -> Trade:
    """The one asked for, by slug or in words; none in particular where nothing is asked."""
    words = request.GET.get("trade", "")
    trades = catalogue().trades
    return trades.get(words) or trades[nearest_trade(words, trades.values())]


def _groups() -> list[tuple[str, list[Trade]]]:
    trades = catalogue().trades.values()
    return [(name, [trade for trade in trades if trade.group == slug]) for slug, name in GROUPS.items()]


def _window(request: HttpRequest, template: Template, sheet: str, trade: Trade) -> str:
    """Where an invented site of a trade in a template is seen."""
    host = hosting.origin(request, f"{hosting.DRAFT_PREFIX}gallery")
    return f"{host}/gallery/{template.slug}/{sheet}/{trade.slug}/"


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
