"""The site's background: what is seen beside a page of fixed width, and through sections that are see-through."""

from __future__ import annotations

from typing import TYPE_CHECKING

from yemba.core.message import Message, labels
from yemba.core.part.header import BEHIND, WAYS
from yemba.core.part.part import BEFORE, Element, Part
from yemba.core.picture.filters import FILTERS
from yemba.core.picture.patterns import PATTERNS
from yemba.core.picture.placing import ANCHORS, FITS
from yemba.core.place import OfSetting
from yemba.core.site.setting import PARTS, Setting
from yemba.core.value.brand_colour import BrandColourChoice
from yemba.core.value.choice import Choice
from yemba.core.value.ground import GroundChoice
from yemba.core.value.kind import Kind
from yemba.core.value.number import Number
from yemba.core.value.picture import PictureChoice

if TYPE_CHECKING:
    from yemba.core.site.resolve import Look

MOVES = labels({"still": "Stands still", "with": "Moves with the page"})


def _setting(name: str, label: str, kind: Kind, default: object, along: str = "background.behind") -> Setting:
    return Setting(f"background.{name}", Message(label), "frame", PARTS, kind, default, "", along)


def _stands_on(look: Look, page: str) -> str:
    return str(look.value("background.ground") or look.template.page)


PART = Part(
    slug="background",
    name=Message("Background"),
    stands=BEFORE,
    order=-1,
    settings=(
        _setting("ground", "Background ground", GroundChoice(), None, along=""),
        _setting("behind", "Background", Choice(BEHIND | {"ground": Message("A ground")}), "ground", along=""),
        _setting("gradient_from", "Gradient from", BrandColourChoice(), ""),
        _setting("gradient_via", "By way of", BrandColourChoice(), ""),
        _setting("gradient_to", "Gradient to", BrandColourChoice(), ""),
        _setting("gradient_way", "It runs", Choice(WAYS), "to bottom"),
        _setting("pattern", "Pattern", Choice({key: one.name for key, one in PATTERNS.items()}), "dots"),
        _setting("pattern_colour", "Colour of the pattern", BrandColourChoice(), ""),
        _setting("pattern_strength", "Strength of the pattern", Number(5, 100, "%"), 35),
        _setting("pattern_size", "Size of the pattern", Number(8, 96, "px"), 24),
        _setting("backdrop", "Picture in the background", PictureChoice(), ""),
        _setting("fit", "It is shown", Choice(FITS), "fill"),
        _setting("anchor", "It is held at", Choice(ANCHORS), "center center"),
        _setting("tile", "Width of a tile", Number(24, 800, "px"), 240),
        _setting("moves", "While one scrolls it", Choice(MOVES), "still"),
        _setting("filter", "Filter over the picture", Choice(FILTERS), "none"),
        _setting("tint", "Tint over it", Number(0, 100, "%"), 40),
    ),
    elements={"": Element(Message("Background"), "body", OfSetting("background.behind"))},
    stands_on=_stands_on,
    chapter="frame",
)
