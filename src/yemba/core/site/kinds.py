"""Section kinds: what a section is for, which fields it has, which layouts show it."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from functools import cached_property

from pydantic import field_validator

from yemba.core.errors import Fault, known
from yemba.core.layout.tiles import TileSizes
from yemba.core.message import Label, Message, labels
from yemba.core.site.words import plain
from yemba.core.strict import Strict
from yemba.core.trade.filling import NO_TEXTS, Texts, is_filled
from yemba.core.type.levels import LEVELS
from yemba.core.value.field_types import field_types
from yemba.core.value.kind import Kind
from yemba.core.value.offered import CHOICE, OneOf
from yemba.core.value.reaching import REACHES

DATES, HOURS, MESSAGES, SIGN_UPS = "dates", "hours", "messages", "sign-ups"
EXCERPTS, POST, ONWARD = "excerpts", "post", "onward"
OPENS = "opens"
ROLES = labels(
    {
        DATES: "its items are dates: title, day, begins, ends, place, text",
        HOURS: "it says where and when: address, telephone, mail; items of days, opens, closes",
        MESSAGES: "visitors send messages through it: items ask further questions by label",
        SIGN_UPS: "visitors leave a mail address by which they want to hear of news",
        EXCERPTS: "it shows what pages say of themselves: shows, tag, most, ways",
        POST: "it heads a post of the journal: heading",
        ONWARD: "it leads from a post to those before and after it",
        OPENS: "a page begins with it: it is added before all others, unless a place is named",
    }
)
"""What a kind may be to the rest of a site, with the fields that this takes."""
ABOUT = "about"
"""What the head of a post shows of its page, as the markup names it."""
OF_PAGES = frozenset({EXCERPTS, POST, ONWARD})
"""Roles of kinds that show what pages say of themselves."""
GROUPS = labels(
    {
        "begin": "Begin and pause",
        "tell": "Tell",
        "show": "Show",
        "offer": "Offer",
        "trust": "Let others speak",
        "reach": "Be found and reached",
    }
)
"""What kinds are for, as they are chosen from."""


class Field(Strict):
    """One field of a section or an item; `starter` are the words a new one begins with, `translations` these in other
    languages.

    `heads` says that an item's field is set as a heading, `level` in which level of text it is set, `will_do` that the
    starter words may stay as they are. `reaches` is "mail" or "telephone" where a line is a link by which somebody is
    reached. A field of the type "choice" takes a key of `offered`. A link with `excerpt` brings what its page says of
    itself (``core.site.excerpts``). Where a layout is drawn before there is a section, entries hold those of `sample`
    in turn.
    """

    slug: str
    name: Label
    type: str
    limit: int = 160
    starter: str = ""
    translations: tuple[str, ...] = ()
    needed: bool = False
    heads: bool = False
    level: str = "body"
    will_do: bool = False
    reaches: str = ""
    offered: dict[str, Label] = {}
    excerpt: bool = False
    sample: list[str] = []

    @field_validator("type")
    @classmethod
    def _known_type(cls, named: str) -> str:
        return known(named, field_types())

    @field_validator("level")
    @classmethod
    def _known_level(cls, named: str) -> str:
        return known(named, LEVELS)

    @field_validator("reaches")
    @classmethod
    def _known_reach(cls, named: str) -> str:
        return known(named, REACHES) if named else ""

    @cached_property
    def kind(self) -> Kind:
        """The kind of value it holds."""
        if self.type == CHOICE:
            return OneOf(self.offered)
        return field_types()[self.type].of_field(self.limit, self.needed)

    @property
    def sets_text(self) -> bool:
        """Whether it shows as text, which may be set otherwise as a one-off."""
        return self.kind.sets_text

    def read(self, typed: str) -> str:
        """What is stored for what was typed. Raises Fault naming the value and the cure."""
        return str(self.kind.read(typed, self.name, self.slug))

    def is_starter(self, stored: Mapping[str, str], words: Texts = NO_TEXTS) -> bool:
        """Whether it still holds what a new one begins with; `words` are those of a trade, by field."""
        text = plain(stored.get(self.slug, ""))
        if text in self._starters:
            return True
        return bool(text) and any(is_filled(plain(self._stored(word)), text) for word in words.get(self.slug, ()))

    @cached_property
    def _starters(self) -> frozenset[str]:
        return frozenset(plain(self.read(text)) for text in (self.starter, *self.translations) if text)

    def begins(self, words: Texts = NO_TEXTS) -> bool:
        """Whether a new one begins with anything."""
        return bool(self.starter or words.get(self.slug))

    def _stored(self, word: str) -> str:
        """A starter word of a trade as it would be stored; what has a place for a name is text."""
        return self.read(word) if "{" not in word and "[" not in word else word.replace("\n\n", " ")


def begun(
    fields: Sequence[Field],
    stored: Mapping[str, str],
    words: Texts = NO_TEXTS,
    *,
    among: Sequence[Mapping[str, str]] = (),
) -> list[Field]:
    """The fields of a section or an item that still hold what they began with and may not stay so; `words` are those of
    the site's trade, by field.

    A price, a time or the name of an entry ("Tuesday to Friday") may be right by chance: it counts where all around it
    is as it began. Of items, `among` are those of the section: where no other is as it began, its owner went through
    them, and meant this one.
    """
    same = [field for field in fields if field.begins(words) and field.is_starter(stored, words)]
    alike = sum(_is_as_begun(fields, other, words) for other in among)
    whole = _is_as_begun(fields, stored, words) and not (alike == 1 < len(among))
    alone = ("words",) if among else ("line", "words")
    return [field for field in same if not field.will_do and (whole or field.type in alone)]


def _is_as_begun(fields: Sequence[Field], stored: Mapping[str, str], words: Texts) -> bool:
    """Whether every field that begins with something still holds it. Not every entry of a trade has words for each
    of its fields."""
    return all(
        field.is_starter(stored, words) or not (field.starter or stored.get(field.slug))
        for field in fields
        if field.begins(words)
    )


SHARED = (
    Field(slug="behind", name=Message("Behind its words"), type="behind"),
    Field(slug="backdrop", name=Message("Picture behind"), type="picture"),
    Field(slug="tint", name=Message("Tint over it"), type="percent"),
    Field(slug="filter", name=Message("Filter over the picture"), type="filter"),
    Field(slug="moves", name=Message("The picture moves"), type="moves"),
    Field(slug="backdrop_fit", name=Message("The picture is shown"), type="fit"),
    Field(slug="backdrop_anchor", name=Message("It is held at"), type="anchor"),
    Field(slug="height", name=Message("Its height"), type="height"),
    Field(slug="gradient_from", name=Message("Gradient from"), type="brand-colour"),
    Field(slug="gradient_via", name=Message("By way of"), type="brand-colour"),
    Field(slug="gradient_to", name=Message("Gradient to"), type="brand-colour"),
    Field(slug="gradient_way", name=Message("It runs"), type="way"),
    Field(slug="pattern", name=Message("Pattern"), type="pattern"),
    Field(slug="pattern_colour", name=Message("Colour of the pattern"), type="brand-colour"),
    Field(slug="pattern_strength", name=Message("Strength of the pattern"), type="percent"),
)
"""Fields that sections of every kind have after their own."""


BEHIND_FIELDS = {field.slug for field in SHARED} - {"backdrop", "tint", "height"}
"""Those of them that show nothing without one another."""


class Layout(Strict):
    """`sizes` says how wide it draws its pictures, as HTML's attribute of that name; "" where it has none. In a
    layout of tiles that is a third of a row; `half` and `whole` are those of the other shares. `in_rows` says that it
    sets pictures in rows, each in its own shape."""

    slug: str
    name: Label
    sizes: str = ""
    half: str = ""
    whole: str = ""
    in_rows: bool = False


class ItemShape(Strict):
    """What the items of a kind are called, their fields, and how many a new section begins with."""

    name: Label
    plural: Label
    begins: int = 3
    fields: list[Field]


class SectionKind(Strict):
    """The first of `layouts` is the nearest twin for any layout it lacks. `roles` are keys of ROLES, `group` is one of
    GROUPS; `also` are other words by which it is found. `script` names a field of a section, or of an item, without
    which its script is not needed (where that is a link, without one to a file that plays), "" where the kind has none;
    one that is needed `script_everywhere` goes with every page of a site that needs it on one."""

    slug: str
    name: Label
    purpose: Label
    script: str = ""
    script_everywhere: bool = False
    roles: list[str] = []
    group: str = "tell"
    also: Label = ""
    layouts: list[Layout]
    fields: list[Field]
    items: ItemShape | None = None

    @field_validator("roles")
    @classmethod
    def _known_roles(cls, named: list[str]) -> list[str]:
        return [known(role, ROLES) for role in named]

    @field_validator("group")
    @classmethod
    def _known_group(cls, named: str) -> str:
        return known(named, GROUPS)

    @field_validator("layouts")
    @classmethod
    def _some_layout(cls, layouts: list[Layout]) -> list[Layout]:
        if not layouts:
            raise ValueError("a kind has one layout or more")
        return layouts

    def fields_of(self, item: str) -> list[Field]:
        """The fields of a section, or of one of its items where `item` is an id."""
        return (self.items.fields if self.items else []) if item else self.fields

    def field(self, slug: str, item: str = "") -> Field:
        """A field of a section, or of one of its items where `item` is an id. Raises Fault ``no-such-field``."""
        return _named(self.fields_of(item), slug, self.name)

    def sizes(self, layout: str) -> TileSizes:
        one = next((one for one in self.layouts if one.slug == layout), None)
        return TileSizes(one.sizes, one.half, one.whole, in_rows=one.in_rows) if one else TileSizes("")

    def layout_names(self) -> dict[str, str]:
        return {layout.slug: layout.name for layout in self.layouts}


def _named(fields: list[Field], slug: str, where: str) -> Field:
    for field in fields:
        if field.slug == slug:
            return field
    raise Fault("no-such-field", Message("{where} has no field “{slug}”.", where=where, slug=slug))
