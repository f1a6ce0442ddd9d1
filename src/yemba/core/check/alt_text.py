"""Pictures that say nothing to those who do not see them (WCAG 2.2 SC 1.1.1)."""

from __future__ import annotations

from yemba.core.site.document import Document, values_of


def pictures_without_alt(document: Document) -> list[str]:
    """Names of pictures in use on pages that have no alt text."""
    used = {v for page in document.pages.values() for section in page.sections.values() for v in values_of(section)}
    return [picture.name for key, picture in document.pictures.items() if key in used and not picture.alt]
