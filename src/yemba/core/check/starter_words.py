"""Sections in which the words they began with still stand."""

from __future__ import annotations

from yemba.core.site.resolve import Look
from yemba.core.site.words import plain


def starter_sections(look: Look) -> set[str]:
    """Ids of sections of which a text field still says what it said when it was added."""
    found = set()
    for page in look.document.pages.values():
        for key, section in page.sections.items():
            kind = look.catalogue.kind(section.kind)
            starters = {f.slug: plain(f.read(f.starter)) for f in kind.fields if f.type == "words" and f.starter}
            if any(plain(section.fields.get(slug, "")) == starter for slug, starter in starters.items()):
                found.add(key)
    return found
