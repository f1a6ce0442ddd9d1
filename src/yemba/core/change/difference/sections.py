"""What differs of a section that both documents have."""

from __future__ import annotations

from collections.abc import Iterator

from yemba.core.change.difference.change import TEMPLATES, VALUE, WORDS, Change, Pair, change
from yemba.core.place import OfField, OfItems, OfSection
from yemba.core.site.document import Section, Standing
from yemba.core.site.kinds import SectionKind
from yemba.core.site.one_offs import of_section
from yemba.core.site.resolve import Look
from yemba.core.site.words import plain
from yemba.core.value.kind import Kind


def changes(pair: Pair, was: Standing, now: Section, where: str) -> Iterator[Change]:
    """`was` is the section on the first document, `now` on the second."""
    kind = pair.now.catalogue.kind(now.kind)
    yield from _choices(pair, was, now, where, kind)
    yield from _set_apart(pair, was, now, where)
    yield from _fields(pair, was, now, where, kind)
    if (was.section.items, was.section.order) != (now.items, now.order):
        yield _items(pair, was, now, where, kind)


def _choices(pair: Pair, was: Standing, now: Section, where: str, kind: SectionKind) -> Iterator[Change]:
    for what, names in (("layout", kind.layout_names()), ("ground", pair.ground_names)):
        values = getattr(was.section, what), getattr(now, what)
        if values[0] != values[1]:
            states = names.get(values[0] or "", TEMPLATES), names.get(values[1] or "", TEMPLATES)
            steps, place = pair.moved((*was.path, what)), OfSection(was.key, what)
            yield change(f"section.{was.key}.{what}", VALUE, f"{what.title()}: {where}", states, place, steps, was.page)


def _set_apart(pair: Pair, was: Standing, now: Section, where: str) -> Iterator[Change]:
    old, new = was.section.one_offs, now.one_offs
    if old != new:
        states = _one_offs(pair.was, was, now), _one_offs(pair.now, was._replace(section=now), was.section)
        steps = pair.moved((*was.path, "one_offs"))
        yield change(
            f"section.{was.key}.one-offs", VALUE, f"One-offs: {where}", states, OfSection(was.key), steps, was.page
        )


def _fields(pair: Pair, was: Standing, now: Section, where: str, kind: SectionKind) -> Iterator[Change]:
    for field in kind.fields:
        values = was.section.fields.get(field.slug, ""), now.fields.get(field.slug, "")
        if values[0] != values[1]:
            states = _said(pair.was, field.kind, values[0]), _said(pair.now, field.kind, values[1])
            steps, place = pair.moved((*was.path, "fields", field.slug)), OfField(was.key, field.slug)
            key = f"section.{was.key}.{field.slug}"
            yield change(key, WORDS, f"{field.name}: {where}", states, place, steps, was.page)


def _items(pair: Pair, was: Standing, now: Section, where: str, kind: SectionKind) -> Change:
    plural = kind.items.plural if kind.items else "Items"
    states = _item_words(was.section, now), _item_words(now, was.section)
    steps = pair.moved((*was.path, "items"), (*was.path, "order"))
    return change(f"section.{was.key}.items", WORDS, f"{plural}: {where}", states, OfItems(was.key), steps, was.page)


def _said(look: Look, kind: Kind, value: str) -> str:
    return kind.say(value, look) if value else ""


def _one_offs(look: Look, standing: Standing, other: Section) -> str:
    """Those that the other state has not, in words."""
    section = standing.section
    differing = [
        f"{one.what.lower()} {one.value}"
        for one in of_section(look, standing)
        if one.element and _stored(section, one.element, one.property) != _stored(other, one.element, one.property)
    ]
    return ", ".join(differing) or "as the sheet has it"


def _stored(section: Section, element: str, what: str) -> str | None:
    return section.one_offs.get(element, {}).get(what)


def _item_words(section: Section, other: Section) -> str:
    """The words of the items that the other state has not."""
    differing = [section.items[key] for key in section.order if section.items[key] != other.items.get(key)]
    words = "; ".join(" ".join(plain(value) for value in item.fields.values()) for item in differing)
    return words or f"{len(section.order)} entries"
