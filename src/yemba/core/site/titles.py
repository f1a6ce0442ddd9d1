"""What browsers and search engines call a page."""

from __future__ import annotations

from yemba.core.site.document import Page


def title_of(page: Page, name: str, tagline: str) -> str:
    """Its own title, else one made of its name and those of the site; the first page's of name and tagline."""
    return page.title or usual_title(page, name, tagline)


def usual_title(page: Page, name: str, tagline: str) -> str:
    """The title of a page that has none of its own."""
    if page.slug:
        return f"{page.name} – {name}"
    return f"{name}: {tagline}" if tagline else name
