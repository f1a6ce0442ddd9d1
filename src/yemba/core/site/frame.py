"""The frame of a site's pages, and which of them have a sidebar."""

from __future__ import annotations

from yemba.core.layout.frame import NONE, Frame
from yemba.core.layout.header_fit import NEVER, Fit
from yemba.core.site.document import Section
from yemba.core.site.header import header_fit
from yemba.core.site.pictures import picture_size
from yemba.core.site.resolve import Look
from yemba.core.type.scale import Fluid

SIDEBAR = "sidebar"
PADDING = 20
"""px on both sides of what stands in a sidebar."""


def frame(look: Look, fit: Fit | None = None) -> Frame:
    """As it is set, beside its header where that stands at the side; `fit` says how that fits, where it is known."""
    header = fit or header_fit(look)
    column = header.column if look.arrangement.column and header.fold < NEVER else 0
    return Frame(
        form=look.value("frame.form"),
        place=look.value("frame.place"),
        width=look.value("frame.width"),
        margin=look.template.measures.gutter,
        side=look.value("sidebar.side"),
        sidebar=look.value("sidebar.width"),
        gap=look.value("sidebar.gap"),
        column=column,
        column_from=header.fold if column else 0,
    )


def sidebar_on(look: Look, page: str) -> str:
    """Where the sidebar stands on a page: "start", "end", or "none"."""
    known = look.document.pages.get(page)
    return NONE if known is None or known.no_sidebar else str(look.value("sidebar.side"))


SIZED_AS = {
    SIDEBAR: {"h1": "h4", "h2": "h4", "h3": "h5"},
    "footer": {"h1": "h5", "h2": "h5", "h3": "h6"},
}
"""By part, levels of text that are set smaller in its sections, each with that whose size it has there."""


def size_of(look: Look, section: str, level: str) -> Fluid:
    """The size of a level of text in a section, by its id."""
    kind, holder = look.holder_of.get(section, ("", ""))
    smaller = SIZED_AS.get(holder, {}) if kind == "shared" else {}
    return look.texts[smaller.get(level, level)].size


def width_of_pictures(look: Look) -> int | None:
    """How wide a sidebar is that shows its widest picture at its own size; None where it has no picture."""
    sections = look.document.holder(("shared", SIDEBAR)).sections.values()
    values = {value for section in sections for value in _values(section)}
    widths = [picture_size(look.pictures[value])[0] for value in values if value in look.pictures]
    return max(widths) + 2 * PADDING if widths else None


def _values(section: Section) -> set[str]:
    of_items = (value for item in section.items.values() for value in item.fields.values())
    return {*section.fields.values(), *of_items}
