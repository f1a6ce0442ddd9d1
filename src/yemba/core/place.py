"""Places: whatever can be decided on a site, as typed values. Where its control is, only the studio knows.

Ids and slugs are those of the document. A place may name something that is no longer there.
"""

from __future__ import annotations

from dataclasses import dataclass


@dataclass(frozen=True)
class Place:
    """Somewhere a decision is made."""


@dataclass(frozen=True)
class OfTemplate(Place):
    """Which template the site is in."""


@dataclass(frozen=True)
class OfSheet(Place):
    """Which brand sheet is applied."""


@dataclass(frozen=True)
class OfSite(Place):
    """The site's own words: "name" or "tagline"."""

    words: str


@dataclass(frozen=True)
class OfSetting(Place):
    """A design value, by its key."""

    key: str


@dataclass(frozen=True)
class OfColour(Place):
    """A brand colour, by its id."""

    colour: str


@dataclass(frozen=True)
class OfGround(Place):
    """A ground, by its slug."""

    ground: str


@dataclass(frozen=True)
class OfRole(Place):
    """A role of a ground."""

    ground: str
    role: str


@dataclass(frozen=True)
class OfFont(Place):
    """A font of the owner's own, by its id."""

    font: str


@dataclass(frozen=True)
class OfLogo(Place):
    """The site's mark and what is made of it."""


@dataclass(frozen=True)
class OfPicture(Place):
    """A picture, by its id: its file, its focal spot, its alt text or its colours."""

    picture: str
    what: str = "file"


@dataclass(frozen=True)
class OfFile(Place):
    """A file to take away, by its id."""

    file: str


@dataclass(frozen=True)
class OfMenu(Place):
    """The navigation, or one entry of it: its "name", whether it is "shown", or what it stands "under"."""

    entry: str = ""
    what: str = "name"


@dataclass(frozen=True)
class OfPages(Place):
    """Which pages there are, and their order."""


@dataclass(frozen=True)
class OfPage(Place):
    """A page; with `what` one of its properties: "name", "slug", "title", "description", "card",
    "sidebar", "unpublished", "posted" or "tags"."""

    page: str
    what: str = ""


@dataclass(frozen=True)
class OfLanguage(Place):
    """A further language, by its tag; with `what` the "name", the "tagline" or a setting, as it is said there."""

    language: str
    what: str = ""


@dataclass(frozen=True)
class OfSection(Place):
    """A section; with `what` its "layout", its "ground", its name in addresses, "slug", the "language" in which it is
    shown, or the place of a standing one on a page, "at"."""

    section: str
    what: str = ""


@dataclass(frozen=True)
class OfField(Place):
    """A field of a section, or of one of its items; with `what` "alt" the alt text of the picture it shows."""

    section: str
    field: str
    item: str = ""
    what: str = ""


@dataclass(frozen=True)
class OfItems(Place):
    """The list of a section's items."""

    section: str


@dataclass(frozen=True)
class OfOneOff(Place):
    """What is set apart of one text: `element` is a field's slug, or "ITEM.FIELD"."""

    section: str
    element: str
    what: str
