"""The document: everything an owner has set on one site, and nothing else.

What the owner did not set is not here; it comes from the template and the engine (see
``resolve``). Order is data: every dict of things has a list beside it that orders them.
"""

from __future__ import annotations

import json
from collections.abc import Callable, Collection, Iterator
from sys import intern
from typing import Any, NamedTuple, Self, TypeVar

from pydantic import Field, ValidationError, model_validator

from yemba.core.cache import Cache, by_document, by_identity
from yemba.core.colour.srgb import Colour
from yemba.core.errors import Fault
from yemba.core.json_text import after_member, members, name_at, value_at
from yemba.core.message import Message
from yemba.core.site.migrate import VERSION, migrated
from yemba.core.strict import Strict

Value = str | int | float | bool | list[dict[str, str]]


class Item(Strict):
    """One entry of a section: an offer, a price, a date."""

    fields: dict[str, str] = {}


class Section(Strict):
    """A kind belongs to the content; layout and ground are the owner's choice, or None for the template's. `slug` is
    its name in addresses, behind "#", "" where it has its id for one. One of a part, or a standing one, that has a
    `language` is shown on pages of that language alone, MAIN for the main one; `version_of` is the section that it says
    the same as in another language."""

    kind: str
    slug: str = ""
    layout: str | None = None
    ground: str | None = None
    fields: dict[str, str] = {}
    items: dict[str, Item] = {}
    order: list[str] = []
    one_offs: dict[str, dict[str, str]] = {}
    language: str = ""
    version_of: str = ""

    @model_validator(mode="after")
    def _ordered(self) -> Self:
        return _same(self, "items", self.items, self.order)


class Holder(Strict):
    """What sections stand in."""

    sections: dict[str, Section] = {}
    order: list[str] = []

    @model_validator(mode="after")
    def _ordered(self) -> Self:
        return _same(self, "sections", self.sections, self.order)

    def ordered(self) -> list[tuple[str, Section]]:
        """The sections as they stand, each with its id."""
        return [(key, self.sections[key]) for key in self.order]


MAIN = "main"
"""Stands for the main language of a site, whichever that is."""
STANDING = "standing"
"""Where standing sections are kept among what is shared: each is shown on the pages that name it."""
FIRST, LAST = "first", "last"
"""Where a standing section stands on a page: before what is the page's own, or after it; else after the own section
that is named by its id."""


class Page(Holder):
    """`slug` is the address, "" for the first page; `title` and `description` are for search engines.

    `was` are addresses it had before, which lead to the present one. `card` is the composition of its own picture for
    sharing (``core.picture.sharing``), "" where it has the site's. One with `no_sidebar` has none, whatever the others
    have; one that is `unpublished` is kept, and no visitor sees it. `standing` are the standing sections that it shows,
    each with where.
    One that is `posted` ("2026-10-03", or "2026-10-03T09:00" in the zone of the site) is a post of the journal
    (``core.site.journal``); any page may have `tags`. One with a `language` is of a further language of the site, and
    says the same as the page that it is a `version_of` (``core.site.languages``).
    """

    name: str
    slug: str
    title: str = ""
    description: str = ""
    was: list[str] = []
    card: str = ""
    no_sidebar: bool = False
    unpublished: bool = False
    standing: dict[str, str] = {}
    posted: str = ""
    tags: list[str] = []
    language: str = ""
    version_of: str = ""


class Standing(NamedTuple):
    """A section and where it stands: `holder` is ("pages", page id), or ("shared", slug) for one of a part."""

    holder: tuple[str, str]
    key: str
    section: Section

    @property
    def path(self) -> tuple[str, ...]:
        """Where it stands in the document."""
        return (*self.holder, "sections", self.key)

    @property
    def page(self) -> str:
        """The id of its page, "" for one of a part."""
        return self.holder[1] if self.holder[0] == "pages" else ""

    @property
    def part(self) -> str:
        """The slug of its part, "" for one of a page and for a standing section."""
        return self.holder[1] if self.holder[0] == "shared" and not self.is_shared else ""

    @property
    def is_shared(self) -> bool:
        """Whether it is a standing section."""
        return self.holder == ("shared", STANDING)


class Stored(NamedTuple):
    """A stored value of a section, or of one of its items (`item` is "" for the section's own)."""

    standing: Standing
    item: str
    field: str
    value: str

    @property
    def path(self) -> tuple[str, ...]:
        """Where it stands in the document."""
        inner = ("items", self.item) if self.item else ()
        return (*self.standing.path, *inner, "fields", self.field)

    @property
    def element(self) -> str:
        """What it is known by within its section: the field's slug, or "ITEM.FIELD"."""
        return f"{self.item}.{self.field}" if self.item else self.field


class Tones(NamedTuple):
    """The darkest and the lightest colour of a palette, and the one a picture is tinted with."""

    dark: Colour
    light: Colour
    tint: Colour | None


class Picture(Strict):
    """A picture the site uses: `file` is the SHA-256 of its bytes in the store, sizes in px.

    It is shown `mirror`, `rotation` clockwise in degrees and `crop` to "left top right bottom" in % of it
    (``core.picture.framing``). `focal_x` and `focal_y` are the spot that no further crop may lose, in % of what is
    shown. `shape` is "width:height" where that is cropped to another proportion; one that is `whole` is drawn within
    its place, uncropped. `alt` is what it shows in words; a `decoration` needs none. `added` is when it came,
    "2026-05-01T09:30:00" in UTC. One of the `collection` takes the colours of the site, unless it keeps its
    `own_colours`; `file` then has it in those. `version_of` is the id of the logo that it is a light or dark version
    of. It is seen under a `filter` and a `tint`, a colour of the brand that covers it by so many %; what they make of
    the site's colours are its `tones`, never stored.
    """

    file: str
    format: str
    width: int
    height: int
    name: str = ""
    alt: str = ""
    decoration: bool = False
    added: str = ""
    mirror: bool = False
    rotation: float = Field(default=0, ge=0, lt=360)
    crop: str = ""
    focal_x: int = Field(default=50, ge=0, le=100)
    focal_y: int = Field(default=50, ge=0, le=100)
    shape: str = ""
    whole: bool = False
    collection: str = ""
    own_colours: bool = False
    version_of: str = ""
    filter: str = "none"
    tint: str = ""
    tint_strength: int = Field(default=0, ge=0, le=100)
    tones: Tones | None = Field(default=None, exclude=True)


class OwnFont(Strict):
    """One file of a font of the owner's: `file` is the SHA-256 of its WOFF2 in the store, the weights a range or one
    weight twice."""

    file: str
    style: str = "normal"
    lightest: int
    heaviest: int

    @property
    def in_words(self) -> str:
        """Its weights and style in words."""
        if self.lightest == self.heaviest:
            weights = f"{self.lightest}"
        else:
            weights = Message("{lightest} to {heaviest}", lightest=self.lightest, heaviest=self.heaviest)
        return Message("{weights} italic", weights=weights) if self.style == "italic" else weights


class OwnFamily(Strict):
    """A font of the owner's own: `kind` is serif, sans or hand, `facts` those of ``core.type.facts.Facts`` by name,
    `licence` what its maker allows (``core.type.intake.LICENCES``), `whole` that it must not be cut to
    the letters used."""

    name: str
    kind: str
    licence: str
    whole: bool = False
    files: list[OwnFont]
    facts: dict[str, str | bool | int | list[int] | list[str]]


class OwnFile(Strict):
    """A file to take away: `file` is the SHA-256 of its bytes in the store, `size` in bytes, `format` the ending of its
    name, `name` what it is called, `slug` the address it has."""

    file: str
    format: str
    size: int
    name: str
    slug: str


class MenuLink(Strict):
    """An entry of the menu that is no page; `link` is stored as ``core.value.link`` reads it."""

    name: str
    link: str


class Navigation(Strict):
    """Which pages and `links` the menu shows: in `order` first, then in page order, less `hidden`.

    `names` are what it calls pages, `under` says which entry another stands under (``core.site.navigation``).
    """

    order: list[str] = []
    names: dict[str, str] = {}
    hidden: list[str] = []
    links: dict[str, MenuLink] = {}
    under: dict[str, str] = {}


class Wording(Strict):
    """What stands on every page as a further language says it; `lines` are values of settings that are words, by key.
    What is not here is said as in the main language."""

    name: str = ""
    tagline: str = ""
    lines: dict[str, str] = {}


class Binned(Strict):
    """A page, a picture, or a section with the page and the place it stood at, in the bin."""

    page: Page | None = None
    section: Section | None = None
    picture: Picture | None = None
    uses: list[list[str]] = []
    stood_on: str = ""
    place: int = 0


class Document(Strict):
    """One site's draft, or what an edition was made from.

    `site`, `sheet` and `parts` hold the values the owner set, by setting key. `ready_sheet` is
    "template/sheet" where one was applied, `own_sheet` the name of a saved one. `set_aside` keeps
    what applying it covered. `shared` are the sections of parts, by the part's slug. `languages` are the further ones,
    by tag. A document that is `seen_in` one of them is never stored; `main_language` is then the main one's tag.
    """

    version: int = VERSION
    name: str
    tagline: str = ""
    template: str
    ready_sheet: str | None = None
    own_sheet: str | None = None
    site: dict[str, Value] = {}
    sheet: dict[str, Value] = {}
    parts: dict[str, Value] = {}
    set_aside: dict[str, Value] = {}
    pages: dict[str, Page] = {}
    order: list[str] = []
    shared: dict[str, Holder] = {}
    navigation: Navigation = Navigation()
    pictures: dict[str, Picture] = {}
    fonts: dict[str, OwnFamily] = {}
    files: dict[str, OwnFile] = {}
    languages: dict[str, Wording] = {}
    bin: dict[str, Binned] = Field(default={})
    seen_in: str = Field(default="", exclude=True)
    main_language: str = Field(default="", exclude=True)

    @model_validator(mode="after")
    def _whole(self) -> Self:
        slugs = [page.slug for page in self.pages.values()]
        if len(slugs) != len(set(slugs)):
            raise ValueError("two pages share an address")
        return _same(self, "pages", self.pages, self.order)

    def plain(self) -> dict[str, Any]:
        """The document as JSON values, without what is not set."""
        return self.model_dump(mode="json", exclude_defaults=True)

    def text(self) -> str:
        """The canonical text: two equal documents have the same."""
        rest = self.model_dump(mode="json", exclude_defaults=True, exclude={"pages", "pictures"})
        parts = {key: _canonical(value) for key, value in rest.items()}
        if self.pages:
            parts["pages"] = _object({key: _page_text(page) for key, page in self.pages.items()})
        if self.pictures:
            parts["pictures"] = _object({key: _picture_text(picture) for key, picture in self.pictures.items()})
        parts["version"] = str(VERSION)
        return _object(parts)

    def ordered_pages(self) -> list[tuple[str, Page]]:
        return [(key, self.pages[key]) for key in self.order]

    def shown(self, page: str) -> Page:
        """A page with the standing sections among its own that are shown in its language. Raises Fault ``gone``."""
        own, shared = self.page(page), self.shared.get(STANDING)
        return _composed(own, shared, intern(own.language) or MAIN) if shared and own.standing else own

    def holds(self, page: str) -> Page:
        """As `shown`, with standing sections too that are shown in other languages alone. Raises Fault ``gone``."""
        own, shared = self.page(page), self.shared.get(STANDING)
        return _composed(own, shared, "") if shared and own.standing else own

    def shows(self, section: str) -> list[str]:
        """The pages that show a standing section, in their order."""
        return [key for key in self.order if section in self.pages[key].standing]

    def is_published(self, page: str) -> bool:
        """Whether visitors see a page; they always see the first."""
        return page in self.pages and (page == self.order[0] or not self.pages[page].unpublished)

    def published_pages(self) -> list[tuple[str, Page]]:
        """The pages that visitors see, in their order."""
        return [(key, page) for key, page in self.ordered_pages() if self.is_published(key)]

    def holders(self) -> Iterator[tuple[tuple[str, str], Holder]]:
        """Whatever sections stand in, by path: pages in their order, then parts."""
        yield from ((("pages", key), self.pages[key]) for key in self.order)
        yield from ((("shared", key), self.shared[key]) for key in sorted(self.shared))

    def holding(self) -> list[Holder]:
        """As `holders`, without their paths."""
        return [*map(self.pages.__getitem__, self.order), *map(self.shared.__getitem__, sorted(self.shared))]

    def holder(self, path: tuple[str, str]) -> Holder:
        """What is at such a path; an empty one for a part that has no section yet. Raises Fault ``gone``."""
        return self.page(path[1]) if path[0] == "pages" else self.shared.get(path[1], Holder())

    def standing(self) -> Iterator[Standing]:
        """Every section of the site as it stands."""
        for path, holder in self.holders():
            yield from (Standing(path, key, section) for key, section in holder.ordered())

    def one_offs(self) -> list[dict[str, str]]:
        """What is set apart at each text that has anything set apart."""
        return _one_offs_of(*self.holding())

    def on_pictures(self) -> list[Section]:
        """Every section that names a picture behind it."""
        return _on_pictures_of(*self.holding())

    def drawn_behind(self) -> list[Section]:
        """Every section behind whose words something is drawn by the stylesheet, or shows through."""
        return _drawn_behind_of(*self.holding())

    def kinds_on_grounds(self) -> set[tuple[str, str | None]]:
        """Every kind of section there is, with each ground that is stored for one of it."""
        return _kinds_on_grounds_of(*self.holding())

    def section(self, section: str) -> Standing:
        """Raises Fault ``gone``."""
        for path, holder in self.holders():
            if section in holder.sections:
                return Standing(path, section, holder.sections[section])
        raise Fault("gone", Message("This section is no longer on any page. Undo, or look in the bin."))

    def stored(self) -> Iterator[Stored]:
        """Every stored value of every section and its items."""
        for standing in self.standing():
            yield from stored_of(standing)

    def page(self, page: str) -> Page:
        """Raises Fault ``gone``."""
        if page not in self.pages:
            raise Fault("gone", Message("This page is no longer there. Undo, or look in the bin."))
        return self.pages[page]


def _canonical(value: Any) -> str:
    return json.dumps(value, sort_keys=True, ensure_ascii=False, separators=(",", ":"))


def _object(texts: dict[str, str]) -> str:
    """A JSON object of values that are JSON texts, keys in order."""
    return f"{{{','.join(f'{_canonical(key)}:{texts[key]}' for key in sorted(texts))}}}"


def _text(whole: Strict) -> str:
    return _canonical(whole.model_dump(mode="json", exclude_defaults=True))


def _each_a_pointer(listed: Collection[Any]) -> int:
    """Bytes of a collection of what is held anyhow."""
    return 56 + 8 * len(listed)


@by_identity("texts of pages", most=20_000_000, weigh=len)
def _page_text(page: Page) -> str:
    return _text(page)


@by_identity("texts of pictures", most=8_000_000, weigh=lambda text: 1_000 + len(text))
def _picture_text(picture: Picture) -> str:
    return _text(picture)


@by_identity("pages with standing sections", most=8_000_000, weigh=lambda page: 2_000 + 100 * len(page.order))
def _composed(own: Page, shared: Holder, language: str) -> Page:
    """The page with those of the shared sections that it shows in a language, "" for any, each where it stands."""
    among = [key for key in shared.order if key in own.standing]
    standing = [key for key in among if not language or shared.sections[key].language in ("", language)]
    after: dict[str, list[str]] = {}
    for key in standing:
        where = own.standing[key]
        after.setdefault(where if where in own.sections or where == FIRST else LAST, []).append(key)
    order = [
        *after.get(FIRST, []),
        *(one for key in own.order for one in (key, *after.get(key, []))),
        *after.get(LAST, []),
    ]
    sections = own.sections | {key: shared.sections[key] for key in standing}
    return own.model_copy(update={"sections": sections, "order": order})


@by_document("one-offs of sites")
def _one_offs_of(*holders: Holder) -> list[dict[str, str]]:
    return [stored for holder in holders for stored in _one_offs_in(holder)]


@by_identity("one-offs of pages", most=1_000_000, weigh=_each_a_pointer)
def _one_offs_in(holder: Holder) -> list[dict[str, str]]:
    return [stored for _, section in holder.ordered() for stored in section.one_offs.values()]


@by_document("kinds and grounds of sites")
def _kinds_on_grounds_of(*holders: Holder) -> set[tuple[str, str | None]]:
    return {pair for holder in holders for pair in _kinds_on_grounds_in(holder)}


@by_identity("kinds and grounds of pages", most=1_000_000, weigh=_each_a_pointer)
def _kinds_on_grounds_in(holder: Holder) -> set[tuple[str, str | None]]:
    return {(section.kind, section.ground) for section in holder.sections.values()}


@by_document("sections on pictures of sites")
def _on_pictures_of(*holders: Holder) -> list[Section]:
    return [section for holder in holders for section in _on_pictures_in(holder)]


@by_identity("sections on pictures", most=1_000_000, weigh=_each_a_pointer)
def _on_pictures_in(holder: Holder) -> list[Section]:
    return [section for _, section in holder.ordered() if section.fields.get("backdrop")]


@by_document("sections on gradients and patterns of sites")
def _drawn_behind_of(*holders: Holder) -> list[Section]:
    return [section for holder in holders for section in _drawn_behind_in(holder)]


@by_identity("sections on gradients and patterns", most=1_000_000, weigh=_each_a_pointer)
def _drawn_behind_in(holder: Holder) -> list[Section]:
    return [
        section for _, section in holder.ordered() if section.fields.get("behind") in ("gradient", "pattern", "through")
    ]


_PAGES: Cache[str, Page] = Cache("pages read", most=30_000_000, weigh=lambda page: 3 * len(_page_text(page)))


_SECTIONS: Cache[str, Section] = Cache(
    "sections read",
    most=20_000_000,
    weigh=lambda section: 1500 + 500 * len(section.items) + 3 * sum(map(len, section.fields.values())),
)


_HOLDERS: Cache[str, Holder] = Cache("shared sections read", most=4_000_000, weigh=lambda _: 20_000)


_PICTURES: Cache[str, Picture] = Cache("pictures read", most=8_000_000, weigh=lambda _: 1_000)


def _page_of(text: str) -> Page:
    """The page read before of this very text; else a new one, with those of its sections that were read before."""
    return _PAGES.get_or_make(text, lambda: _new_page(json.loads(text)))


def _new_page(plain: Any) -> Page:
    sections = {key: _section_of(section) for key, section in plain.get("sections", {}).items()}
    return Page.model_validate(plain | {"sections": sections})


def _section_of(plain: Any) -> Section:
    return _SECTIONS.get_or_make(_canonical(plain), lambda: Section.model_validate(plain))


def _holder_of(text: str) -> Holder:
    return _HOLDERS.get_or_make(text, lambda: Holder.model_validate(json.loads(text)))


def _picture_of(text: str) -> Picture:
    return _PICTURES.get_or_make(text, lambda: Picture.model_validate(json.loads(text)))


_READ_APART: dict[str, tuple[Callable[[str], Strict], Cache[str, str]]] = {
    what: (read_one, Cache(f"last texts of {what}", most=most, weigh=len))
    for what, read_one, most in (
        ("pages", _page_of, 4_000_000),
        ("pictures", _picture_of, 1_000_000),
        ("shared", _holder_of, 1_000_000),
    )
}
"""What is read of its own text, and the text that each had last."""


def stored_of(standing: Standing) -> Iterator[Stored]:
    """The stored values of one section: its own, then those of each item."""
    section = standing.section
    yield from (Stored(standing, "", field, value) for field, value in section.fields.items())
    for key in section.order:
        yield from (Stored(standing, key, field, value) for field, value in section.items[key].fields.items())


def ordered_items(section: Section) -> list[tuple[str, Item]]:
    """The items of a section as they stand."""
    return [(key, section.items[key]) for key in section.order]


_PRESENT = f'"version":{VERSION}}}'  # how the canonical text of a present document ends: keys are in order


def read(text: str) -> Document:
    """Read a stored document, of this version or an earlier one. Raises Fault ``document-unreadable`` with the reason.

    A page, section or picture that equals one read before is that same object, so that what is kept for it holds in
    every document.
    """
    try:
        present = text if text.endswith(_PRESENT) else _canonical(migrated(json.loads(text)))
        try:
            return Document.model_validate(_parts(present))
        except (ValueError, TypeError, AttributeError):
            return Document.model_validate(json.loads(present))  # which knows the whole way to what is wrong
    except ValidationError as error:
        first = error.errors()[0]
        where = ".".join(str(step) for step in first["loc"])
        raise _unreadable(f"{where}: {first['msg']}") from error
    except AttributeError as error:
        raise _unreadable(f"it has another form: {error}") from error
    except (ValueError, TypeError, RecursionError) as error:
        raise _unreadable(f"it is not JSON: {error}") from error


def _parts(text: str) -> dict[str, Any]:
    """The parts of a document of its canonical text. Raises ValueError where it is another text."""
    parts: dict[str, Any] = {}
    if not text.startswith("{"):
        raise ValueError("no object")
    at = 1
    while text[at : at + 1] != "}":
        name, at = name_at(text, at)
        if name in _READ_APART and text[at : at + 1] == "{":
            read_one, last = _READ_APART[name]
            parts[name], at = members(text, at, last, read_one)
        else:
            parts[name], at = value_at(text, at)
        at = after_member(text, at)
    if at + 1 != len(text):
        raise ValueError("something comes after the object")
    return parts


def _unreadable(why: str) -> Fault:
    """Why is told in the terms of the form, which are English."""
    return Fault("document-unreadable", Message("The document cannot be read: {why}.", why=why))


Whole = TypeVar("Whole", bound=Strict)


def _same(whole: Whole, what: str, things: dict[str, Any], order: list[str]) -> Whole:
    if sorted(order) != sorted(things):
        raise ValueError(f"order does not name each of {what} once")
    return whole
