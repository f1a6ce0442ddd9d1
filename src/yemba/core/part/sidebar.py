"""The sidebar: sections of its own beside the content of pages."""

from __future__ import annotations

from typing import TYPE_CHECKING

from yemba.core.layout.frame import END, NONE, START
from yemba.core.message import Message, labels
from yemba.core.part.part import BESIDE, Element, Part
from yemba.core.place import OfSetting
from yemba.core.site.setting import PARTS, Setting
from yemba.core.value.choice import Choice
from yemba.core.value.ground import GroundChoice
from yemba.core.value.kind import Kind
from yemba.core.value.number import Number
from yemba.core.value.side import Side

if TYPE_CHECKING:
    from yemba.core.site.resolve import Look

SIDES = labels({NONE: "Nowhere", START: "Where lines start", END: "Where lines end"})
FOLDS = labels({"after": "After it", "before": "Before it"})


def _setting(name: str, label: str, kind: Kind, default: object, css: str = "") -> Setting:
    return Setting(f"sidebar.{name}", Message(label), "frame", PARTS, kind, default, css)


def _stands_on(look: Look, page: str) -> str:
    return str(look.value("sidebar.ground") or look.template.page)


PART = Part(
    slug="sidebar",
    name=Message("Sidebar"),
    stands=BESIDE,
    settings=(
        _setting("side", "Sidebar", Side(SIDES), NONE),
        _setting("width", "Sidebar width", Number(160, 480, "px", 5), 280, "sidebar-width"),
        _setting("gap", "Gap beside the sidebar", Number(0, 120, "px", 2), 40, "sidebar-gap"),
        _setting("folds", "Where it has no room, it stands", Choice(FOLDS), "after"),
        _setting("ground", "Sidebar ground", GroundChoice(), None),
    ),
    elements={"": Element(Message("Sidebar"), "body", OfSetting("sidebar.side"))},
    holds_sections=True,
    stands_on=_stands_on,
    chapter="frame",
)
