"""The sidebar: a column beside every page, with sections of its own."""

from __future__ import annotations

from collections.abc import Iterator
from typing import TYPE_CHECKING

from yemba.core.part.part import AFTER, Element, Part, PartText
from yemba.core.place import OfSetting
from yemba.core.site.setting import PARTS, Setting
from yemba.core.value.ground import GroundChoice
from yemba.core.value.line import Line

if TYPE_CHECKING:
    from yemba.core.site.resolve import Look


def _texts(look: Look) -> Iterator[PartText]:
    yield PartText("title", look.value("sidebar.title"))


PART = Part(
    slug="sidebar",
    name="Sidebar",
    stands=AFTER,
    order=-1,
    settings=(
        Setting("sidebar.ground", "Sidebar ground", "sidebar", PARTS, GroundChoice(), "tinted"),
        Setting("sidebar.title", "Sidebar title", "sidebar", PARTS, Line(60), "Beside"),
    ),
    elements={
        "": Element("Sidebar", "body", OfSetting("sidebar.ground")),
        "title": Element("Sidebar title", "h4", OfSetting("sidebar.title")),
    },
    texts=_texts,
    holds_sections=True,
)
