"""Letters that the chosen faces lack: a visitor sees them in some other face, or as boxes."""

from __future__ import annotations

from collections.abc import Iterator
from html import unescape

from yemba.core.check.finding import Cure, Finding, Inspected
from yemba.core.site.catalogue import Family
from yemba.core.site.document import Section, ordered_sections
from yemba.core.site.kinds import Field
from yemba.core.site.resolve import Look
from yemba.core.site.words import plain

NAME = "Letters"
_OFFERED = 3


def find(inspected: Inspected) -> Iterator[Finding]:
    """For the headings' and the text's face: what is lacking, where it stands first, and which faces have it all."""
    look = inspected.look
    for key, what in (("type.heading", "headings"), ("type.body", "text")):
        family, needed, first = look.family(key), "", ("", "", "")
        for page_id, page in look.document.ordered_pages():
            for section_id, section in ordered_sections(page):
                lacking = family.lacks(written(look, section, headings=key == "type.heading"))
                if lacking and not needed:
                    first = page_id, section_id, f"{look.catalogue.kind(section.kind).name} on {page.name}"
                needed += "".join(c for c in lacking if c not in needed)
        named = look.document.name + (look.document.tagline if key == "type.body" else "")
        needed += "".join(c for c in family.lacks(named) if c not in needed)
        if needed:
            yield _finding(look, key, what, family, needed, first)


def _finding(look: Look, key: str, what: str, family: Family, needed: str, first: tuple[str, str, str]) -> Finding:
    having = [slug for slug, other in look.catalogue.families.items() if not other.lacks(needed)]
    names = ", ".join(look.catalogue.families[slug].name for slug in having[:_OFFERED])
    where = f", first in {first[2]}" if first[2] else ""
    offer = f" {names} {'have' if len(having) > 1 else 'has'} them." if having else " No shipped face has them all."
    said = f"{family.name}, the face of the {what}, lacks “{needed[:40]}”{where}.{offer}"
    cure = (
        Cure(f"Take {look.catalogue.families[having[0]].name}", "set-value", {"key": key, "value": having[0]})
        if having
        else None
    )
    return Finding(said, "type", control=key, cure=cure)


def written(look: Look, section: Section, *, headings: bool) -> str:
    """What a section says in its headings, or in all else."""
    kind = look.catalogue.kind(section.kind)
    told = [(field, section.fields.get(field.slug, "")) for field in kind.fields]
    fields = kind.items.fields if kind.items else []
    told += [(field, section.items[key].fields.get(field.slug, "")) for key in section.order for field in fields]
    return " ".join(unescape(plain(value)) for field, value in told if _said(field) and _heads(field) == headings)


def _said(field: Field) -> bool:
    return field.type in ("line", "words", "price")


def _heads(field: Field) -> bool:
    return field.heads or field.slug == "heading"
