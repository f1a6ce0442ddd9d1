"""Words that nobody has written yet, and sections without any."""

from __future__ import annotations

from collections.abc import Iterator

from yemba.core.cache import by_identity
from yemba.core.check.finding import Finding, Inspected
from yemba.core.message import Message
from yemba.core.place import OfField, OfSection
from yemba.core.site.catalogue import Catalogue
from yemba.core.site.document import Holder, Section, Standing, stored_of
from yemba.core.site.kinds import SectionKind, begun
from yemba.core.site.resolve import Look
from yemba.core.site.words import plain
from yemba.core.trade.trade import Trade

NAME = Message("Starter words")


def find(inspected: Inspected) -> Iterator[Finding]:
    """Each section once, with the first of its fields that needs words."""
    yield from inspected.of_sections(_find_in)


def _find_in(inspected: Inspected, standing: Standing) -> list[Finding]:
    look, key = inspected.look, standing.key
    unwritten = _unwritten(standing.section, look.catalogue.kind(standing.section.kind), look.starter_trade)
    if unwritten:
        sentence = Message(
            "{where} still has the words it began with. Write your own, or take the section out.",
            where=look.where(standing),
        )
        return [Finding(sentence, OfField(key, unwritten[1], unwritten[0]), standing.page)]
    if any(plain(stored.value) for stored in stored_of(standing)):
        return []
    return [
        Finding(
            Message("{where} is empty. Write in it, or take it out.", where=look.where(standing)),
            OfSection(key),
            standing.page,
        )
    ]


def starter_sections(look: Look) -> set[str]:
    """Ids of sections of which a field still says what it said when it was added."""
    begun = (_starter_sections_in(holder, look.catalogue, look.starter_trade) for _, holder in look.document.holders())
    return {key for keys in begun for key in keys}


@by_identity("starter sections of pages", most=1_000_000, weigh=lambda keys: 56 + 8 * len(keys))
def _starter_sections_in(holder: Holder, catalogue: Catalogue, trade: Trade) -> list[str]:
    return [key for key, section in holder.ordered() if _unwritten(section, catalogue.kind(section.kind), trade)]


@by_identity("starter words", most=4_000_000, weigh=lambda _: 200)
def _unwritten(section: Section, kind: SectionKind, trade: Trade) -> tuple[str, str] | tuple[()]:
    """Item ("" for the section's own) and field of the first that has starter words; nothing where there is none."""
    every = [section.items[item].fields for item in section.order]
    for item in ("", *section.order):
        stored = section.items[item].fields if item else section.fields
        words = trade.starters_of(kind.slug, item)
        for field in begun(kind.fields_of(item), stored, words, among=every if item else ()):
            return item, field.slug
    return ()
