"""The Proof: what waits and where it shows, on a map of the site; what still needs a look; when it goes out."""

from __future__ import annotations

from collections.abc import Mapping, Sequence

from django.urls import reverse

from yemba.core.check.finding import Result
from yemba.core.message import Message, Plural
from yemba.core.site.resolve import Look
from yemba.hosting import editions, inbox
from yemba.hosting import services as hosting
from yemba.sites.models import Site
from yemba.studio.controls import address, control
from yemba.studio.desks.little_page import drawing
from yemba.studio.desks.places import listed
from yemba.studio.desks.ratios import ratios
from yemba.studio.desks.setting import Context, setting
from yemba.studio.inspecting import checks, listed_checks
from yemba.studio.waiting import Waiting, live_look

_PLACES = 24  # of one change that are listed; all of them are marked on the map and in the windows
_WHOLE, _GONE = Message("The whole site"), Message("Pages taken away")


def desk(site: Site, look: Look, query: Mapping[str, str], waits: Sequence[Waiting]) -> Context:
    touched: dict[str, set[str]] = {key: set() for key in look.document.pages}
    for entry in waits:
        for spot in entry.spots:
            touched.setdefault(spot.page, set()).add(spot.place)
    return {
        "groups": _grouped(site, look, waits),
        "never": hosting.live_edition(site) is None,
        "editions": len(hosting.editions(site)),
        "planned": editions.planned(site),
        "map": [_page(look, key, touched[key]) for key in look.document.order],
        **found(site, look, checks(site)),
        "zone_unset": None if look.resolve("site.time_zone").set_by_owner else setting(look, "site.time_zone"),
        **_published(site, look, query, waits),
    }


def found(site: Site, look: Look, results: Sequence[Result]) -> Context:
    """What the checks found, as their list shows it, and how many findings there are."""
    return {"checks": listed_checks(site, look, results), "findings": sum(len(result.findings) for result in results)}


def _published(site: Site, look: Look, query: Mapping[str, str], waits: Sequence[Waiting]) -> Context:
    """Right after publishing: the edition, and what is left to do."""
    edition = hosting.live_edition(site)
    if edition is None or query.get("published") != str(edition.number):
        return {"published": None}
    left = []
    if waits:
        sentence = Plural("{number} change waits", "{number} changes wait", len(waits))
        left.append({"words": sentence, "address": address(site, "proof"), "chapter": True})
    for result in checks(site):
        if result.findings:
            first = result.findings[0]
            words, decides = _first(result.name, first.sentence, len(result.findings) - 1), control(first.place, look)
            left.append({"words": words, "address": decides.address(site), "chapter": True})
    if unread := inbox.unread(site):
        words = Plural("{number} message in the inbox", "{number} messages in the inbox", unread)
        left.append({"words": words, "address": reverse("inbox", args=(site.slug,)), "chapter": False})
    return {"published": edition, "left": left}


def _first(check: str, sentence: str, more: int) -> str:
    """The first finding of a check, and how many others it has."""
    if not more:
        return Message("{check}: {sentence}", check=check, sentence=sentence)
    return Message("{check}: {sentence} (and {more} more)", check=check, sentence=sentence, more=more)


def _page(look: Look, page: str, touched: set[str]) -> Context:
    """A page on the map, what is touched of it marked."""
    name = look.document.pages[page].name
    return {"id": page, "name": name, "drawing": drawing(look, page, touched), "touched": len(touched)}


def _grouped(site: Site, look: Look, waits: Sequence[Waiting]) -> list[Context]:
    """Changes as the owner thinks of them: the design of the whole site first, then page by page."""
    live = live_look(site)
    groups: dict[str, list[Context]] = {}
    for entry in waits:
        page = look.document.pages.get(entry.change.page)
        title = page.name if page else _GONE if entry.change.page else _WHOLE
        places, more = listed(look, entry.spots, _PLACES)
        change = {"entry": entry, "places": places, "more": more, "ratios": ratios(live, entry)}
        groups.setdefault(title, []).append(change)
    order = [_WHOLE, *(page.name for _, page in look.document.ordered_pages()), _GONE]
    return [{"title": title, "changes": groups[title]} for title in dict.fromkeys(order) if title in groups]
