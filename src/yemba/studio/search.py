"""Every setting by its name, with the control that decides it: what / finds."""

from __future__ import annotations

from typing import NamedTuple

from yemba.core.place import OfMenu, OfPages, OfSetting, OfSite, OfTemplate, Place
from yemba.core.site.resolve import Look
from yemba.core.site.settings import SETTINGS
from yemba.sites.models import Site
from yemba.studio import chapters
from yemba.studio.controls import control, offered

_MORE: dict[str, Place] = {
    "Template": OfTemplate(),
    "Site name": OfSite("name"),
    "Tagline": OfSite("tagline"),
    "Navigation, menu": OfMenu(),
    "Pages, add a page": OfPages(),
}


class Entry(NamedTuple):
    """A name to be found, the chapter it leads to, and the address and the id of its control."""

    name: str
    chapter: str
    address: str
    control: str


def places(look: Look) -> dict[str, Place]:
    """All that can be found, by name."""
    settings: dict[str, Place] = {s.name: OfSetting(key) for key, s in SETTINGS.items() if offered(look, key)}
    return _MORE | settings


def entries(site: Site, look: Look) -> list[Entry]:
    """As the list shows them."""
    listed = []
    for name, place in places(look).items():
        decides = control(place, look)
        listed.append(Entry(name, chapters.desks()[decides.chapter], decides.address(site), decides.id))
    return listed
