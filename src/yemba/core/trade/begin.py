"""What a new site begins with: the pages of its plan, with the starter words of its trade."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from typing import Any

from yemba.core.language import ENGLISH, Language
from yemba.core.picture.collection import search
from yemba.core.site.addresses import free_slug
from yemba.core.site.catalogue import Catalogue
from yemba.core.site.document import Document, Section
from yemba.core.site.drawings import of_drawing
from yemba.core.site.ids import Ids
from yemba.core.site.kinds import Field, SectionKind
from yemba.core.site.resolve import Look
from yemba.core.site.settings import setting
from yemba.core.site.starter import starter, starter_fields
from yemba.core.trade.filling import fill
from yemba.core.trade.plan import PlannedPage
from yemba.core.trade.trade import Trade, TradePage, kind_of

_PAGE = "page:"


class Beginning:
    """A new site in the making: its name and town are put into the words of its trade. Those are English; in any other
    language sections begin with the words of their kinds."""

    def __init__(
        self, name: str, town: str, trade: Trade, catalogue: Catalogue, ids: Ids, language: Language = ENGLISH
    ) -> None:
        self.name, self.town, self.trade = name, town, trade
        self._catalogue, self._ids, self._language = catalogue, ids, language

    def document(
        self, template: str, plan: Sequence[PlannedPage], values: Mapping[str, Any], *, pictures: bool = True
    ) -> Document:
        """The kept pages of a plan, of which the first is the first of the site; `values` are those of settings. With
        `pictures` of the collection where sections want one."""
        pages_to_make = [page for page in plan if page.kept]
        ids = {page.key: self._ids() for page in pages_to_make}
        pages: dict[str, Any] = {}
        slugs: list[str] = []
        for planned in pages_to_make:
            slug = free_slug(planned.name, slugs) if slugs else ""
            slugs.append(slug or "-")
            sections = {self._ids(): self.section(name, ids) for name in planned.chosen}
            page = {"name": planned.name, "slug": slug, "sections": sections, "order": list(sections)}
            pages[ids[planned.key]] = page
        plain = {"name": self.name, "template": template, "pages": pages, "order": list(pages)}
        plain["pictures"] = self._illustrate(pages) if pictures else {}
        return Document.model_validate(plain | stored_values(values))

    def _illustrate(self, pages: Mapping[str, Any]) -> dict[str, Any]:
        """Pictures of the collection for the places of the pages that want one, each another: those of the trade first.
        They are put into the sections, with captions that belong to them, and given by id."""
        drawings = iter(search(self._catalogue.collection.values(), "", self.trade.tags))
        pictures: dict[str, Any] = {}
        for page in pages.values():
            for section in page["sections"].values():
                for fields in self._wanting(section):
                    drawing = next(drawings, None)
                    if drawing:
                        key = self._ids()
                        pictures[key], fields["picture"] = of_drawing(drawing), key
                        if "caption" in fields:
                            fields["caption"] = drawing.name
        return pictures

    def _wanting(self, section: Mapping[str, Any]) -> list[dict[str, str]]:
        """The fields of a section, or those of its entries where these are pictures before all else."""
        kind = self._catalogue.kind(section["kind"])
        if any(field.slug == "picture" for field in kind.fields):
            return [section["fields"]]
        entries = kind.items.fields if kind.items else []
        if entries and entries[0].slug == "picture":
            return [item["fields"] for item in section["items"].values()]
        return []

    def section(self, name: str, pages: Mapping[str, str]) -> dict[str, Any]:
        """A section with the words of the trade, else as its kind begins; `pages` are ids by the slugs there."""
        kind = self._catalogue.kind(kind_of(name))
        words = self.trade.words.get(name)
        if words is None or not self._language.is_english:
            return starter(kind, self._ids, self._language)
        section: dict[str, Any] = {"kind": kind.slug, "fields": self.fields(kind.fields, words, pages)}
        if kind.items:
            entries = {
                self._ids(): {"fields": self.fields(kind.items.fields, words, pages)}
                for words in self.trade.items.get(name, [])
            }
            section |= {"items": entries, "order": list(entries)}
        return section

    def fields(self, fields: Sequence[Field], words: Mapping[str, str], pages: Mapping[str, str]) -> dict[str, str]:
        """As they are stored; a link to a page that is not in the plan falls away, and the button with it."""
        texts = {field.slug: field.starter for field in fields if field.will_do}
        for slug, text in words.items():
            texts[slug] = self._text(text, pages)
        leads_nowhere = _PAGE in texts.values()
        stored = {}
        for field in fields:
            text = texts.get(field.slug, "")
            is_left_out = leads_nowhere and (text == _PAGE or field.slug == "button")
            if text.strip() and not is_left_out:
                stored[field.slug] = field.read(text)
        return stored

    def _text(self, text: str, pages: Mapping[str, str]) -> str:
        """With the site's name and town in it; a link to a page by its slug becomes one by its id, or "page:" alone."""
        if text.startswith(_PAGE):
            return f"{_PAGE}{pages.get(text.removeprefix(_PAGE), '')}"
        return fill(text, self.name, self.town)


def purposes(look: Look) -> dict[str, TradePage]:
    """What pages are for in the site's trade, by slug."""
    return {page.slug: page for page in look.starter_trade.pages if page.slug}


def new_page(look: Look, sections: Sequence[str], ids: Ids) -> dict[str, Any]:
    """What stands on a page to be added: `sections` by their names in the site's trade, with its words. Links to pages
    of the trade lead to those of the same address."""
    pages = {page.slug: key for key, page in look.document.pages.items()}
    begun = _beginning(look, look.starter_trade, ids)
    made = {ids(): begun.section(name, pages) for name in sections}
    return {"sections": made, "order": list(made)} if made else {}


def new_section(look: Look, kind: SectionKind, ids: Ids, language: str = "") -> dict[str, Any]:
    """A section to be added to a site, or to its pages in another `language`: with the words of its trade where it has
    some for this kind."""
    name = look.trade.section_for(kind.slug) if look.trade else ""
    if not look.trade or not name:
        return starter(kind, ids, _language(look, language))
    return _beginning(look, look.trade, ids, language).section(name, {})


def new_entry(look: Look, section: Section, fields: Sequence[Field], language: str = "") -> dict[str, Any]:
    """An entry to be added to a section: the first of the trade's that does not stand in it yet."""
    stored = [item.fields for item in section.items.values()]
    if look.trade and _language(look, language).is_english:
        begun = _beginning(look, look.trade, str)
        for words in look.trade.items.get(look.trade.section_for(section.kind), []):
            entry = begun.fields(fields, words, {})
            if not any(entry.items() <= there.items() for there in stored):
                return {"fields": entry}
    return {"fields": starter_fields(fields, _language(look, language))}


def _beginning(look: Look, trade: Trade, ids: Ids, language: str = "") -> Beginning:
    town = str(look.value("site.town"))
    return Beginning(look.document.name, town, trade, look.catalogue, ids, _language(look, language))


def _language(look: Look, tag: str) -> Language:
    """That of the site where none is named."""
    return look.catalogue.language(tag) if tag else look.language


def stored_values(values: Mapping[str, Any]) -> dict[str, dict[str, Any]]:
    """Values of settings, by the layer of a document that keeps each."""
    layers: dict[str, dict[str, Any]] = {}
    for key, value in values.items():
        layers.setdefault(setting(key).home, {})[key] = value
    return layers
