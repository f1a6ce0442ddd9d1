"""Whatever can be decided, by its name and by the plain words people have for it, with its control: what / finds."""

from __future__ import annotations

from collections.abc import Iterator
from typing import NamedTuple

from yemba.core.place import OfLogo, OfMenu, OfPage, OfPages, OfPicture, OfSection, OfSetting, OfSite, OfTemplate, Place
from yemba.core.site.document import STANDING
from yemba.core.site.resolve import Look
from yemba.core.site.settings import SETTINGS
from yemba.sites.models import Site
from yemba.studio import chapters
from yemba.studio.controls import Control, control, offered

_FIRST: dict[str, Place | Control] = {
    "Publish": Control("proof", "publish-button"),
    "Add a page": Control("pages", "page-name-new"),
    "Add a section": Control("pages", "section-kind"),
    "Add a picture": OfPicture(""),
    "Picture collection": Control("pictures", "collection-words", {"show": "collection"}),
    "Files to take away": Control("pictures", "take-files-file", {"show": "files"}),
    "Template": OfTemplate(),
    "Logo file": OfLogo(),
    "Site name": OfSite("name"),
    "Tagline": OfSite("tagline"),
    "Navigation, menu": OfMenu(),
    "Pages": OfPages(),
    "Add a colour": Control("palette", "new-hex"),
    "Add a font": Control("type", "take-font-file", {"show": "fonts"}),
    "History": Control("history", "desk-title"),
}
"""What people do most, and what is no design value."""
_WORDS = {
    "Publish": "go live online put out release launch proof save plan schedule",
    "Add a page": "new page create subpage",
    "Add a section": "new block content text words paragraph contact form gallery offers prices hours questions",
    "Add a picture": "photo image upload file jpg png picture alt text crop focal delete replace",
    "Picture collection": "stock illustration drawing free image library clip art",
    "Files to take away": "pdf download document price list form sound mp3 upload file",
    "Template": "theme design layout style start over",
    "Logo": "mark brand icon favicon emblem transparent background white box trim crop",
    "While one scrolls": "sticky fixed header stays top pinned",
    "Logo in the footer": "mark brand",
    "Footer arrangement": "layout columns bottom end of page",
    "Line above": "border rule stroke",
    "Copyright line": "imprint legal rights year footer text",
    "Made with Yemba": "credit badge",
    "Dates": "calendar event class course repeat recurring cancelled sold out schedule ics",
    "standing": "notice banner announcement shared global same on every page",
    "Picture for sharing": "link card preview social image message post open graph",
    "Site name": "title business name header text",
    "Tagline": "slogan subtitle motto",
    "Navigation, menu": "links order hide menu bar hamburger",
    "Pages": "delete remove bin address url title description seo search engine sitemap rename order move",
    "Palette": "colour color hex brand colours scheme background",
    "Grounds": "background colour band",
    "Roles": "text colour contrast button colour link colour",
    "Links": "link underline line",
    "Heading": "headline title",
    "typeface": "font family pairing lettering heading text",
    "Add a font": "upload typeface woff ttf own font",
    "Base size": "font size bigger smaller text zoom readable",
    "Ratio": "scale heading size proportion",
    "size": "font size bigger smaller large px",
    "weight": "bold thick thin heavy light strong",
    "style": "italic slanted",
    "case": "capitals uppercase small caps",
    "spacing": "tracking kerning letters apart",
    "line height": "leading distance gap",
    "Longest line": "measure width of text column",
    "Numbers": "figures digits prices",
    "shadow": "effect depth",
    "outline": "border stroke",
    "Buttons": "button fill outline ghost shape rounded pill hover arrow call to action",
    "Corner": "round rounded square button border radius shape",
    "Page width": "wide narrow margin frame gap space",
    "header": "top bar banner",
    "Call to action": "button book now contact",
    "Breadcrumbs": "path trail",
    "folded menu": "hamburger mobile drawer panel",
    "Under the pointer": "hover",
    "Behind its words": "background gradient pattern picture",
    "Small picture": "badge seal portrait sticker",
    "Box behind": "text box plate",
    "picture comes in": "animation entrance fade",
    "Filter": "grey duotone blur effect",
    "Line below": "border divider",
    "Footer": "bottom address imprint",
    "Copyright": "legal imprint year rights",
    "Currency": "price money euro pound cost dollar",
    "Language": "translate german french english locale spelling",
    "Time zone": "clock hours date time planned",
    "Picture behind": "background photo image banner",
    "Tint": "darken overlay readable picture",
    "phone": "mobile small screen telephone",
    "History": "undo versions back earlier restore changes log",
}
"""Plain words by what a name contains."""


class Entry(NamedTuple):
    """A name to be found, all the words it is found by, the chapter it leads to, the address and the id of its
    control."""

    name: str
    words: str
    chapter: str
    address: str
    control: str


def places(look: Look) -> dict[str, Place | Control]:
    """All that can be found, by name."""
    settings = {setting.name: OfSetting(key) for key, setting in SETTINGS.items() if offered(look, key)}
    return _FIRST | dict(_content(look)) | settings


def _content(look: Look) -> Iterator[tuple[str, Place]]:
    for key, page in look.document.ordered_pages():
        yield f"Page {page.name}", OfPage(key)
        for section, stored in page.ordered():
            yield f"{look.catalogue.kind(stored.kind).name} on {page.name}", OfSection(section)
    for section, stored in look.document.holder(("shared", STANDING)).ordered():
        yield f"{look.catalogue.kind(stored.kind).name}, standing", OfSection(section)


def entries(site: Site, look: Look) -> list[Entry]:
    """As the list shows them."""
    listed = []
    for name, place in places(look).items():
        decides = place if isinstance(place, Control) else control(place, look)
        chapter = chapters.desks()[decides.chapter]
        plain = " ".join(words for part, words in _WORDS.items() if part.lower() in name.lower())
        listed.append(Entry(name, f"{name} {chapter} {plain}".lower(), chapter, decides.address(site), decides.id))
    return listed
