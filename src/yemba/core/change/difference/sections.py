"""What differs of a section that both documents have."""

from __future__ import annotations

from collections.abc import Iterator, Mapping
from typing import NamedTuple

from yemba.core.change.difference.change import TEMPLATES, VALUE, WORDS, Change, Pair, States, change
from yemba.core.change.operation import Path
from yemba.core.message import Joined, Message
from yemba.core.place import OfField, OfItems, OfSection, Place
from yemba.core.site.document import MAIN, Item, Section, Standing
from yemba.core.site.kinds import BEHIND_FIELDS, Field, SectionKind
from yemba.core.site.languages import main_language
from yemba.core.site.one_offs import of_section
from yemba.core.site.resolve import Look
from yemba.core.site.words import plain
from yemba.core.value.kind import Kind
from yemba.core.value.language import LanguageChoice


def changes(pair: Pair, was: Standing, now: Section, where: str) -> Iterator[Change]:
    """`was` is the section on the first document, `now` on the second; `where` is how its owner knows it."""
    section = _Both(pair, was, now, where)
    yield from _layout_and_ground(section)
    yield from _name(section)
    yield from _language(section)
    yield from _set_apart(section)
    yield from _fields(section)
    yield from _items(section)


class _Both(NamedTuple):
    """A section as it is in the two documents."""

    pair: Pair
    was: Standing
    now: Section
    where: str

    @property
    def kind(self) -> SectionKind:
        return self.pair.now.catalogue.kind(self.now.kind)

    def change(self, slug: str, name: str, states: States, place: Place, *paths: Path, kind: str = VALUE) -> Change:
        """A change of what stands at `paths` below the section."""
        return change(
            key=f"section.{self.was.key}.{slug}",
            kind=kind,
            subject=Message("{name}: {where}", name=name, where=self.where),
            states=states,
            place=place,
            steps=self.pair.moved(*((*self.was.path, *path) for path in paths)),
            page=self.was.page,
        )


def _layout_and_ground(both: _Both) -> Iterator[Change]:
    names = {"layout": both.kind.layout_names(), "ground": both.pair.ground_names}
    for slug, known in names.items():
        old, new = getattr(both.was.section, slug), getattr(both.now, slug)
        if old == new:
            continue
        states = known.get(old or "", TEMPLATES), known.get(new or "", TEMPLATES)
        yield both.change(slug, slug.title(), states, OfSection(both.was.key, slug), (slug,))


def _name(both: _Both) -> Iterator[Change]:
    old, new = both.was.section.slug, both.now.slug
    if old != new:
        states = old and f"#{old}", new and f"#{new}"
        yield both.change("slug", Message("Name in addresses"), states, OfSection(both.was.key, "slug"), ("slug",))


def _language(both: _Both) -> Iterator[Change]:
    old, new = both.was.section.language, both.now.language
    if old != new:
        states = _shown_in(old, both.pair.now), _shown_in(new, both.pair.now)
        yield both.change("language", Message("Shown in"), states, OfSection(both.was.key, "language"), ("language",))


def _shown_in(language: str, look: Look) -> str:
    if not language:
        return Message("every language")
    return LanguageChoice().say(main_language(look) if language == MAIN else language, look)


def _set_apart(both: _Both) -> Iterator[Change]:
    old = both.was.section
    if old.one_offs == both.now.one_offs:
        return
    before = _one_offs(both.pair.was, both.was, both.now)
    after = _one_offs(both.pair.now, both.was._replace(section=both.now), old)
    yield both.change("one-offs", Message("One-offs"), (before, after), OfSection(both.was.key), ("one_offs",))


def _fields(both: _Both) -> Iterator[Change]:
    yield from _behind(both)
    for field in both.kind.fields:
        if field.slug in BEHIND_FIELDS:
            continue
        old, new = both.was.section.fields.get(field.slug, ""), both.now.fields.get(field.slug, "")
        if old == new:
            continue
        states = _in_words(both.pair.was, field.kind, old), _in_words(both.pair.now, field.kind, new)
        place = OfField(both.was.key, field.slug)
        yield both.change(field.slug, field.name, states, place, ("fields", field.slug), kind=WORDS)


def _behind(both: _Both) -> Iterator[Change]:
    """What stands behind the words, whose fields show nothing without one another, differs as one."""
    old, new = both.was.section.fields, both.now.fields
    moved = [
        field
        for field in both.kind.fields
        if field.slug in BEHIND_FIELDS and old.get(field.slug) != new.get(field.slug)
    ]
    if not moved:
        return
    states = _of_behind(both.pair.was, moved, old), _of_behind(both.pair.now, moved, new)
    place = OfField(both.was.key, "behind")
    yield both.change(
        "behind", Message("Behind its words"), states, place, *(("fields", field.slug) for field in moved)
    )


def _of_behind(look: Look, fields: list[Field], stored: Mapping[str, str]) -> str:
    pieces = (
        Joined(" ", [field.name.lower(), field.kind.say(stored[field.slug], look)])
        for field in fields
        if stored.get(field.slug)
    )
    return Joined(", ", pieces)


def _items(both: _Both) -> Iterator[Change]:
    old, new = both.was.section, both.now
    if (old.items, old.order) == (new.items, new.order):
        return
    plural = both.kind.items.plural if both.kind.items else Message("Items")
    states = _item_words(old, new), _item_words(new, old)
    yield both.change("items", plural, states, OfItems(both.was.key), ("items",), ("order",), kind=WORDS)


def _in_words(look: Look, kind: Kind, value: str) -> str:
    return kind.say(value, look) if value else ""


def _one_offs(look: Look, standing: Standing, other: Section) -> str:
    """Those that the other state has not, in words."""
    section = standing.section
    differing = [
        Joined(" ", [one.what.lower(), one.value])
        for one in of_section(look, standing)
        if one.element and _stored(section, one.element, one.property) != _stored(other, one.element, one.property)
    ]
    return Joined(", ", differing) if differing else Message("as the sheet has it")


def _stored(section: Section, element: str, what: str) -> str | None:
    return section.one_offs.get(element, {}).get(what)


def _item_words(section: Section, other: Section) -> str:
    """The words of the items that the other state has not."""
    differing = [key for key in section.order if section.items[key] != other.items.get(key)]
    words = "; ".join(_words_of_item(section.items[key]) for key in differing)
    return words or Message("{number} entries", number=len(section.order))


def _words_of_item(item: Item) -> str:
    return " ".join(plain(value) for value in item.fields.values())
