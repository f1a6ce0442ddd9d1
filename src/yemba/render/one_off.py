"""One-offs of a text as styles: a rule for each way of setting, and the mark that an element carries for it."""

from __future__ import annotations

from collections.abc import Iterator
from hashlib import sha256

from yemba.core.site.document import Section
from yemba.core.site.one_offs import shown_values
from yemba.core.site.resolve import Look
from yemba.render.fonts import stack


def one_off_mark(look: Look, section: Section, element: str) -> str:
    """The value of data-one that an element carries; "" where nothing of it is set apart."""
    said = _declarations(look, section, element)
    return sha256(said.encode()).hexdigest()[:6] if said else ""


def one_off_rules(look: Look) -> Iterator[str]:
    """A rule for every mark there is on the site."""
    for page in look.document.pages.values():
        for section in page.sections.values():
            for element in section.one_offs:
                if mark := one_off_mark(look, section, element):
                    yield f'[data-one="{mark}"]{{{_declarations(look, section, element)}}}'


def marks_of(look: Look, section: Section) -> tuple[tuple[str, str], ...]:
    """All marks of a section, by element."""
    return tuple((element, one_off_mark(look, section, element)) for element in section.one_offs)


def _declarations(look: Look, section: Section, element: str) -> str:
    values = shown_values(look, section, element)
    said = {
        "font-family": stack(values.face) if values.face else "",
        "font-size": values.size.css() if values.size else "",
        "font-weight": values.weight,
        "font-style": values.style,
        "color": values.colour.hex if values.colour else "",
    }
    return "".join(f"{name}:{value};" for name, value in said.items() if value)
