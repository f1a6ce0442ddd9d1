"""Pictures that say nothing to those who do not see them (WCAG 2.2 SC 1.1.1)."""

from __future__ import annotations

from yemba.core.site.document import Document


def pictures_without_alt(document: Document) -> list[str]:
    """Names of pictures in use on pages that have no alt text."""
    used = {
        value
        for page in document.pages.values()
        for section in page.sections.values()
        for fields in (section.fields, *(item.fields for item in section.items.values()))
        for value in fields.values()
    }
    return [picture.name for key, picture in document.pictures.items() if key in used and not picture.alt]
