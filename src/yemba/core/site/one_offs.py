"""One-offs: what an owner set on one element or one section alone, which no sheet and no template reaches."""

from __future__ import annotations

from typing import NamedTuple

from yemba.core.site.document import ordered_sections
from yemba.core.site.resolve import Look


class OneOff(NamedTuple):
    """`path` is where it stands in the document; `applies` says whether the present template shows it."""

    page: str
    section: str
    where: str
    what: str
    value: str
    otherwise: str
    applies: bool
    path: tuple[str, ...]


_ALIGNED = {"start": "at the start", "center": "centred", "end": "at the end"}


def one_offs(look: Look) -> list[OneOff]:
    """Every one-off of the site, pages in their order; `otherwise` is what would stand there without it."""
    found = []
    for page_id, page in look.document.ordered_pages():
        for key, section in ordered_sections(page):
            kind = look.catalogue.kind(section.kind)
            where, here = f"{kind.name} on {page.name}", ("pages", page_id, "sections", key)
            bare = section.model_copy(update={"layout": None, "ground": None})
            if section.layout:
                names, shown = kind.layout_names(), look.layout(section).value == section.layout
                said = names.get(section.layout, section.layout), names[look.layout(bare).value]
                found.append(OneOff(page_id, key, where, "Layout", *said, shown, (*here, "layout")))
            if section.ground:
                names = look.ground_names
                said = names.get(section.ground, section.ground), names[look.ground(bare).value]
                shown = look.ground(section).value == section.ground
                found.append(OneOff(page_id, key, where, "Ground", *said, shown, (*here, "ground")))
            for element, values in section.one_offs.items():
                said = _ALIGNED.get(values.get("align", ""), ""), "as the layout has it"
                what = f"Alignment of the {element}"
                found.append(OneOff(page_id, key, where, what, *said, True, (*here, "one_offs", element)))
    return found
