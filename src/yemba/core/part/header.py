"""The header: logo or name, tagline, navigation, and a picture behind them."""

from __future__ import annotations

from collections.abc import Iterator
from typing import TYPE_CHECKING

from yemba.core.part.part import BEFORE, Element, Part, PartText
from yemba.core.place import OfMenu, OfSetting, OfSite
from yemba.core.site.setting import PARTS, Setting
from yemba.core.value.arrangement import ArrangementChoice
from yemba.core.value.choice import Choice
from yemba.core.value.ground import GroundChoice
from yemba.core.value.number import Number
from yemba.core.value.picture import PictureChoice
from yemba.core.value.yes_no import YesNo

if TYPE_CHECKING:
    from yemba.core.site.resolve import Look


def _texts(look: Look) -> Iterator[PartText]:
    document = look.document
    yield PartText("logo", document.name)
    if document.tagline:
        yield PartText("tagline", document.tagline)
    for key, page in document.ordered_pages():
        yield PartText("navigation", document.navigation.names.get(key, page.name), key)


POSITIONS = {"relative": "Scrolls away", "sticky": "Stays on top"}
"""By the value of CSS position."""


def _setting(name: str, label: str, kind: object, default: object, css: str = "") -> Setting:
    return Setting(f"header.{name}", label, "header", PARTS, kind, default, css)  # type: ignore[arg-type]


PART = Part(
    slug="header",
    name="Header",
    stands=BEFORE,
    settings=(
        _setting("arrangement", "Header arrangement", ArrangementChoice(), "row"),
        _setting("backdrop", "Picture behind the header", PictureChoice(), ""),
        _setting("tint", "Tint over that picture", Number(0, 100, "%"), 60),
        _setting("height_wide", "Header height, wide", Number(56, 240, "px"), 88, "header-wide"),
        _setting("height_phone", "Header height, phone", Number(48, 140, "px"), 64, "header-phone"),
        _setting("position", "While one scrolls", Choice(POSITIONS), "relative", "header-position"),
        _setting("ground", "Header ground", GroundChoice(), "light"),
        _setting("tagline", "Tagline in the header", YesNo(), False),
    ),
    elements={
        "": Element("Header", "navigation", OfSetting("header.ground")),
        "logo": Element("Logo", "title", OfSite("name")),
        "tagline": Element("Tagline", "small", OfSite("tagline")),
        "navigation": Element("Navigation", "navigation", OfMenu()),
    },
    texts=_texts,
)
