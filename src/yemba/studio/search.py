"""Whatever can be decided, by its name and by the plain words people have for it, with its control: what / finds."""

from __future__ import annotations

from collections.abc import Iterator
from typing import NamedTuple

from yemba.core.message import Message
from yemba.core.place import OfLogo, OfMenu, OfPage, OfPages, OfPicture, OfSection, OfSetting, OfSite, OfTemplate, Place
from yemba.core.site.document import STANDING
from yemba.core.site.resolve import Look
from yemba.core.site.settings import SETTINGS
from yemba.sites.models import Site
from yemba.studio import chapters
from yemba.studio.controls import Control, control, offered

_FIRST: dict[str, Place | Control] = {
    Message("Publish"): Control("proof", "publish-button"),
    Message("Add a page"): Control("pages", "page-name-new"),
    Message("Add a section"): Control("pages", "section-kind"),
    Message("Add a picture"): OfPicture(""),
    Message("Picture collection"): Control("pictures", "collection-words", {"show": "collection"}),
    Message("Files to take away"): Control("pictures", "take-files-file", {"show": "files"}),
    Message("Further languages"): Control("pages", "language-new", {"show": "languages"}),
    Message("Journal"): Control("pages", "post-name-new", {"show": "journal"}),
    Message("Template"): OfTemplate(),
    Message("Logo file"): OfLogo(),
    Message("Site name"): OfSite("name"),
    Message("Tagline"): OfSite("tagline"),
    Message("Navigation, menu"): OfMenu(),
    Message("Pages"): OfPages(),
    Message("Add a colour"): Control("palette", "new-hex"),
    Message("Add a font"): Control("type", "take-font-file", {"show": "fonts"}),
    Message("History"): Control("history", "desk-title"),
}
"""What people do most, and what is no design value."""
_WORDS = {
    "Publish": Message("go live online put out release launch proof save plan schedule"),
    "Add a page": Message("new page create subpage"),
    "Add a section": Message(
        "new block content text words paragraph contact form gallery offers prices hours questions"
    ),
    "Add a picture": Message("photo image upload file jpg png picture alt text crop focal delete replace"),
    "Picture collection": Message("stock illustration drawing free image library clip art"),
    "Files to take away": Message("pdf download document price list form sound mp3 upload file"),
    "Further languages": Message("translate translation second multilingual bilingual add"),
    "Journal": Message("blog news article new post feed tag"),
    "Template": Message("theme design layout style start over"),
    "Logo": Message("mark brand icon favicon emblem transparent background white box trim crop"),
    "While one scrolls": Message("sticky fixed header stays top pinned"),
    "Logo in the footer": Message("mark brand"),
    "Footer arrangement": Message("layout columns bottom end of page"),
    "Line above": Message("border rule stroke"),
    "Copyright line": Message("imprint legal rights year footer text"),
    "Made with Yemba": Message("credit badge"),
    "Dates": Message("calendar event class course repeat recurring cancelled sold out schedule ics"),
    "standing": Message("notice banner announcement shared global same on every page"),
    "Picture for sharing": Message("link card preview social image message post open graph"),
    "Site name": Message("title business name header text"),
    "Tagline": Message("slogan subtitle motto"),
    "Navigation, menu": Message("links order hide menu bar hamburger"),
    "Pages": Message("delete remove bin address url title description seo search engine sitemap rename order move"),
    "Palette": Message("colour color hex brand colours scheme background"),
    "Grounds": Message("background colour band"),
    "Roles": Message("text colour contrast button colour link colour"),
    "Links": Message("link underline line"),
    "Heading": Message("headline title"),
    "typeface": Message("font family pairing lettering heading text"),
    "Add a font": Message("upload typeface woff ttf own font"),
    "Base size": Message("font size bigger smaller text zoom readable"),
    "Ratio": Message("scale heading size proportion"),
    "size": Message("font size bigger smaller large px"),
    "weight": Message("bold thick thin heavy light strong"),
    "style": Message("italic slanted"),
    "case": Message("capitals uppercase small caps"),
    "spacing": Message("tracking kerning letters apart"),
    "line height": Message("leading distance gap"),
    "Longest line": Message("measure width of text column"),
    "Numbers": Message("figures digits prices"),
    "shadow": Message("effect depth"),
    "outline": Message("border stroke"),
    "Buttons": Message("button fill outline ghost shape rounded pill hover arrow call to action"),
    "Corner": Message("round rounded square button border radius shape"),
    "Page width": Message("wide narrow margin frame gap space"),
    "header": Message("top bar banner"),
    "Call to action": Message("button book now contact"),
    "Breadcrumbs": Message("path trail"),
    "folded menu": Message("hamburger mobile drawer panel"),
    "Under the pointer": "hover",
    "Behind its words": Message("background gradient pattern picture"),
    "Small picture": Message("badge seal portrait sticker"),
    "Box behind": Message("text box plate"),
    "picture comes in": Message("animation entrance fade"),
    "Filter": Message("grey duotone blur effect"),
    "Line below": Message("border divider"),
    "Footer": Message("bottom address imprint"),
    "Copyright": Message("legal imprint year rights"),
    "Currency": Message("price money euro pound cost dollar"),
    "Language": Message("translate german french english locale spelling"),
    "Time zone": Message("clock hours date time planned"),
    "Picture behind": Message("background photo image banner"),
    "Tint": Message("darken overlay readable picture"),
    "phone": Message("mobile small screen telephone"),
    "History": Message("undo versions back earlier restore changes log"),
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
        yield Message("Page {name}", name=page.name), OfPage(key)
        for section, stored in page.ordered():
            yield (
                Message("{name} on {name_2}", name=look.catalogue.kind(stored.kind).name, name_2=page.name),
                OfSection(section),
            )
    for section, stored in look.document.holder(("shared", STANDING)).ordered():
        yield Message("{name}, standing", name=look.catalogue.kind(stored.kind).name), OfSection(section)


def entries(site: Site, look: Look) -> list[Entry]:
    """As the list shows them."""
    listed = []
    for name, place in places(look).items():
        decides = place if isinstance(place, Control) else control(place, look)
        chapter = chapters.desks()[decides.chapter]
        plain = " ".join(str(words) for part, words in _WORDS.items() if part.lower() in name.lower())
        listed.append(Entry(name, f"{name} {chapter} {plain}".lower(), chapter, decides.address(site), decides.id))
    return listed
