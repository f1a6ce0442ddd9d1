"""Which kinds of section need their script on a page."""

from __future__ import annotations

from collections.abc import Iterable

from yemba.core.site.document import Section
from yemba.core.site.files import plays
from yemba.core.site.resolve import Look
from yemba.core.value.link import FILE


def kinds_with_scripts(look: Look, sections: Iterable[Section]) -> set[str]:
    """The kinds of those sections that show something which their script is for."""
    return {section.kind for section in sections if _runs(look, section)}


def kinds_with_scripts_everywhere(look: Look) -> tuple[str, ...]:
    """The kinds whose script goes with every page, since one of their sections needs it on some."""
    anywhere = kinds_with_scripts(look, (one.section for one in look.document.standing()))
    return tuple(sorted(kind for kind in anywhere if look.catalogue.kinds[kind].script_everywhere))


def _runs(look: Look, section: Section) -> bool:
    kind = look.catalogue.kinds.get(section.kind)
    if kind is None or not kind.script:
        return False
    field_sets = [section.fields, *(item.fields for item in section.items.values())]
    values = [fields.get(kind.script, "") for fields in field_sets]
    is_link = any(field.slug == kind.script and field.type == "link" for field in kind.fields_of("item"))
    return any(_plays(look, value) if is_link else value for value in values)


def _plays(look: Look, link: str) -> bool:
    file = look.document.files.get(link.removeprefix(FILE)) if link.startswith(FILE) else None
    return file is not None and plays(file)
