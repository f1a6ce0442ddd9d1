"""Section kinds: what a section is for, which fields it has, which layouts show it."""

from __future__ import annotations

import re
from collections.abc import Callable
from datetime import date, time
from decimal import Decimal
from typing import Literal

from yemba.core.errors import Fault
from yemba.core.site.document import Strict
from yemba.core.site.settings import Between, Line
from yemba.core.site.words import clean_words

FieldType = Literal["line", "words", "link", "picture", "price", "date", "time", "percent"]

_PRICE = re.compile(r"(from )?(\d{1,7}(?:\.\d{1,2})?)")
_ADDRESS = re.compile(r"(page:x?\w+|https?://[^\s/]+\.[^\s]+|mailto:[^\s@]+@[^\s@]+|tel:\+?[\d ()-]{3,})")
_LEADS = ("link",)  # fields that say where another leads
_MOST_WORDS = 12_000


class Field(Strict):
    """One field of a section or an item; `starter` are the words a new one begins with.

    `heads` says that an item's field is set as a heading; `level` in which level of text it is set.
    """

    slug: str
    name: str
    type: FieldType
    limit: int = 160
    starter: str = ""
    needed: bool = False
    heads: bool = False
    level: str = "body"

    @property
    def sets_text(self) -> bool:
        """Whether it shows as text, which may be set otherwise as a one-off."""
        return self.type not in ("picture", "percent") and not (self.type == "link" and self.slug in _LEADS)

    def read(self, typed: str) -> str:
        """What is stored for what was typed. Raises Fault naming the value and the cure."""
        match self.type:
            case "line":
                return Line(self.limit, empty=not self.needed).read(typed, self.name, self.slug)
            case "words":
                return self._words(typed)
            case "price":
                return self._price(typed.strip())
            case "date":
                return self._moment(typed.strip(), _date, "a date such as 2027-03-14")
            case "time":
                return self._moment(typed.strip(), _time, "a time such as 18:30")
            case "link":
                return self._link(typed.strip())
            case "percent":
                return f"{Between(0, 100, '%').read(typed, self.name, self.slug):.0f}" if typed.strip() else ""
            case "picture":
                return typed

    def _words(self, typed: str) -> str:
        if len(typed) > _MOST_WORDS:
            raise Fault(
                "too-long",
                f"{self.name} has {len(typed)} letters. At most {_MOST_WORDS} fit in one section; "
                "move the rest to a second one.",
                self.slug,
            )
        return clean_words(typed)

    def _price(self, typed: str) -> str:
        if not typed:
            return ""
        match = _PRICE.fullmatch(typed.lower().replace(",", "."))
        if match is None:
            raise Fault(
                "price-unreadable",
                f"“{typed}” is not a price. Write 24, 24.50 or from 40; leave it empty for none.",
                self.slug,
            )
        return f"{match.group(1) or ''}{Decimal(match.group(2)):.2f}"

    def _moment(self, typed: str, parse: Callable[[str], str], example: str) -> str:
        if not typed:
            return ""
        try:
            return parse(typed)
        except ValueError:
            raise Fault("moment-unreadable", f"“{typed}” is not {example}.", self.slug) from None

    def _link(self, typed: str) -> str:
        if not typed:
            return ""
        if "@" in typed and ":" not in typed:
            typed = f"mailto:{typed}"
        elif ":" not in typed and "." in typed:
            typed = f"https://{typed}"
        if not _ADDRESS.fullmatch(typed):
            raise Fault(
                "link-unreadable",
                f"“{typed}” is not an address Yemba can link to. Choose a page, or write "
                "https://…, a mail address, or tel: and a number.",
                self.slug,
            )
        return typed


SHARED = (
    Field(slug="backdrop", name="Picture behind", type="picture"),
    Field(slug="tint", name="Tint over it", type="percent"),
)
"""Fields that sections of every kind have after their own."""


class Layout(Strict):
    """`sizes` says how wide it draws its pictures, as HTML's attribute of that name; "" where it has none."""

    slug: str
    name: str
    sizes: str = ""


class ItemShape(Strict):
    """What the items of a kind are called, their fields, and how many a new section begins with."""

    name: str
    plural: str
    begins: int = 3
    fields: list[Field]


class SectionKind(Strict):
    """`layouts` has at least two; the first is the nearest twin for any layout it lacks."""

    slug: str
    name: str
    purpose: str
    layouts: list[Layout]
    fields: list[Field]
    items: ItemShape | None = None

    def field(self, slug: str) -> Field:
        """Raises Fault ``no-such-field``."""
        return _named(self.fields, slug, self.name)

    def item_field(self, slug: str) -> Field:
        """Raises Fault ``no-such-field``."""
        return _named(self.items.fields if self.items else [], slug, self.name)

    def sizes(self, layout: str) -> str:
        return next((known.sizes for known in self.layouts if known.slug == layout), "")

    def layout_names(self) -> dict[str, str]:
        return {layout.slug: layout.name for layout in self.layouts}


def _named(fields: list[Field], slug: str, where: str) -> Field:
    for field in fields:
        if field.slug == slug:
            return field
    raise Fault("no-such-field", f"{where} has no field “{slug}”.")


def _date(typed: str) -> str:
    return date.fromisoformat(typed).isoformat()


def _time(typed: str) -> str:
    return f"{time.fromisoformat(typed.zfill(5)):%H:%M}"
