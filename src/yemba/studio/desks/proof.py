"""The Proof: what waits and where it shows, on a map of the site; what still needs a look; when it goes out."""

from __future__ import annotations

from collections.abc import Mapping, Sequence

from yemba.core.site.resolve import Look
from yemba.hosting import editions
from yemba.hosting import services as hosting
from yemba.sites.models import Site
from yemba.studio.desks.little_page import bands
from yemba.studio.desks.places import told
from yemba.studio.desks.ratios import ratios
from yemba.studio.desks.setting import Context
from yemba.studio.inspecting import checks
from yemba.studio.waiting import Waiting


def desk(site: Site, look: Look, query: Mapping[str, str], waits: Sequence[Waiting]) -> Context:
    pages = look.document.pages
    touched: dict[str, set[str]] = {key: set() for key in pages}
    for entry in waits:
        for place in entry.places:
            touched.setdefault(place.page, set()).add(place.section)
    return {
        "groups": _grouped(site, look, waits),
        "never": hosting.live_edition(site) is None,
        "editions": len(hosting.editions(site)),
        "planned": editions.planned(site),
        "map": [
            {"id": key, "name": page.name, "bands": bands(look, key, touched[key]), "touched": len(touched[key])}
            | {part: part in touched[key] for part in ("header", "footer")}
            for key, page in look.document.ordered_pages()
        ],
        "checks": checks(site),
    }


def _grouped(site: Site, look: Look, waits: Sequence[Waiting]) -> list[Context]:
    """Changes as the owner thinks of them: the design of the whole site first, then page by page."""
    groups: dict[str, list[Context]] = {}
    for entry in waits:
        page = look.document.pages.get(entry.change.page)
        title = page.name if page else "Pages taken away" if entry.change.page else "The whole site"
        groups.setdefault(title, []).append(
            {"entry": entry, "places": told(look, entry.places), "ratios": ratios(site, entry)}
        )
    first = ("The whole site",)
    order = [*first, *(page.name for _, page in look.document.ordered_pages()), "Pages taken away"]
    return [{"title": title, "changes": groups[title]} for title in dict.fromkeys(order) if title in groups]
