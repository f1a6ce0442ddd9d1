"""The header: logo or name, tagline, navigation, and a picture behind them."""

from __future__ import annotations

from collections.abc import Iterator
from typing import TYPE_CHECKING

from yemba.core.layout.anchored import ANCHORS
from yemba.core.message import Message, labels
from yemba.core.part.part import BEFORE, Element, Part, PartText
from yemba.core.picture.filters import FILTERS
from yemba.core.picture.patterns import PATTERNS
from yemba.core.place import OfMenu, OfSetting, OfSite
from yemba.core.site.navigation import menu, name_of
from yemba.core.site.setting import PARTS, Setting
from yemba.core.value.arrangement import ArrangementChoice
from yemba.core.value.brand_colour import BrandColourChoice
from yemba.core.value.choice import Choice
from yemba.core.value.ground import GroundChoice
from yemba.core.value.kind import Kind
from yemba.core.value.line import Line
from yemba.core.value.link import Link
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
    if look.value("header.action"):
        yield PartText("action", look.value("header.action"))
    for key in menu(document):
        yield PartText("navigation", name_of(document, key), key if key in document.pages else "")


def _stands_on(look: Look, page: str) -> str:
    from yemba.core.site.header import ground_on  # which knows what stands in parts

    return ground_on(look, page)


POSITIONS = labels({"relative": "Scrolls away", "sticky": "Stays on top", "shrinks": "Shrinks to a bar"})
SHOWN = labels({"both": "At every width", "wide": "Where the menu is unfolded", "phone": "Where the menu is folded"})
ACTIONS = labels({"button": "As a button", "outlined": "As an outlined button", "link": "As a link"})
MARKS = labels({"line": "By a line", "ground": "By a ground of its own", "weight": "By weight", "none": "Not at all"})
"""How the entry of the page one is on is told."""
POINTED = labels({"line": "A line", "ground": "A ground of its own", "colour": "Another colour"})
"""What an entry gets under the pointer."""
PANELS = labels({"whole": "Over the whole screen", "top": "Down from the top", "side": "In from the side"})
LINES = labels({"solid": "Plain", "dashed": "Dashed", "dotted": "Dotted", "double": "Double"})
LINE_COLOURS = labels({"line": "As lines are", "text": "As text is", "button": "As buttons are"})
WIDTHS = labels({"page": "As wide as the page", "full": "From edge to edge"})
BEHIND = labels({"ground": "Its ground", "gradient": "A gradient", "pattern": "A pattern", "picture": "A picture"})
WAYS = labels({"to right": "Across", "to bottom": "Down", "to bottom right": "From corner to corner"})
ENTRANCES = labels({"none": "At once", "fade": "Fading in", "rise": "Rising"})
BOXES = labels({"none": "None", "plain": "Plain", "edged": "With an edge"})
STANDS = labels({"top": "At the top", "middle": "In the middle", "foot": "At the foot"})
SHADOWS = labels({"none": "None", "soft": "Soft", "deep": "Deep"})


def _setting(name: str, label: str, kind: Kind, default: object, css: str = "", along: str = "") -> Setting:
    return Setting(f"header.{name}", Message(label), "header", PARTS, kind, default, css, along)


_PATTERN = Choice({slug: pattern.name for slug, pattern in PATTERNS.items()})
PART = Part(
    slug="header",
    name=Message("Header"),
    stands=BEFORE,
    settings=(
        _setting("arrangement", "Header arrangement", ArrangementChoice(), "row"),
        _setting("backdrop", "Picture behind the header", PictureChoice(), ""),
        _setting("tint", "Tint over that picture", Number(0, 100, "%"), 60),
        _setting("behind", "Behind its words", Choice(BEHIND), None),
        _setting("gradient_from", "Gradient from", BrandColourChoice(), "", along="header.behind"),
        _setting("gradient_via", "By way of", BrandColourChoice(), "", along="header.behind"),
        _setting("gradient_to", "Gradient to", BrandColourChoice(), "", along="header.behind"),
        _setting("gradient_way", "It runs", Choice(WAYS), "to right", along="header.behind"),
        _setting(
            "pattern",
            "Pattern",
            Choice({key: one.name for key, one in PATTERNS.items()}),
            "dots",
            along="header.behind",
        ),
        _setting("pattern_colour", "Colour of the pattern", BrandColourChoice(), "", along="header.behind"),
        _setting("pattern_strength", "Strength of the pattern", Number(5, 100, "%"), 35, along="header.behind"),
        _setting("pattern_size", "Size of the pattern", Number(8, 96, "px"), 24, along="header.behind"),
        _setting("filter", "Filter over the picture", Choice(FILTERS), "none"),
        _setting("entrance", "The picture comes in", Choice(ENTRANCES), "none"),
        _setting("height_wide", "Header height, wide", Number(56, 480, "px"), 88, "header-wide"),
        _setting("height_phone", "Header height, phone", Number(48, 320, "px"), 64, "header-phone"),
        _setting("stand", "Its words stand", Choice(STANDS), "middle"),
        _setting("position", "While one scrolls", Choice(POSITIONS), "relative"),
        _setting("ground", "Header ground", GroundChoice(), "light"),
        _setting("title", "Name or logo in the header", Choice(SHOWN), "both"),
        _setting("tagline", "Tagline in the header", YesNo(), False),
        _setting("tagline_phone", "Tagline on a phone too", YesNo(), False),
        _setting("action", "Call to action", Line(30), ""),
        _setting("action_link", "Where it leads", Link(), ""),
        _setting("action_style", "How it looks", Choice(ACTIONS), "button"),
        _setting("action_phone", "Call to action beside the menu button on a phone", YesNo(), True),
        _setting("gap", "Gap between entries", Number(0, 64, "px"), None),
        _setting("current", "The page one is on is marked", Choice(MARKS), "line"),
        _setting("hover", "Under the pointer an entry gets", Choice(POINTED), "line"),
        _setting("sub_ground", "What stands under an entry opens on", GroundChoice(), None),
        _setting("panel", "The folded menu opens", Choice(PANELS), "whole"),
        _setting("switch", "Other languages of the site, after the menu", YesNo(), True),
        _setting("trail", "Breadcrumbs on pages under others", YesNo(), True),
        _setting("extra", "Small picture", PictureChoice(), ""),
        _setting("extra_anchor", "It stands", Choice(ANCHORS), "end", along="header.extra"),
        _setting("extra_x", "Moved across", Number(-400, 400, "px"), 0, along="header.extra"),
        _setting("extra_y", "Moved down", Number(-200, 200, "px"), 0, along="header.extra"),
        _setting("extra_size", "Its height", Number(16, 240, "px"), 56, along="header.extra"),
        _setting("extra_turn", "Turned by", Number(-180, 180, "°"), 0, along="header.extra"),
        _setting("extra_mirror", "Mirrored", YesNo(), False, along="header.extra"),
        _setting("extra_strength", "How much of it shows", Number(10, 100, "%"), 100, along="header.extra"),
        _setting("extra_link", "It leads", Link(), "", along="header.extra"),
        _setting("box", "Box behind the words", Choice(BOXES), "none"),
        _setting("width", "Width of the header", Choice(WIDTHS), "page"),
        _setting("padding", "Padding above and below", Number(0, 64, "px"), None, "header-padding"),
        _setting("line", "Line below", Number(0, 12, "px"), None, "header-line"),
        _setting("line_style", "Style of that line", Choice(LINES), "solid", "header-line-style"),
        _setting("line_colour", "Colour of that line", Choice(LINE_COLOURS), "line"),
        _setting("corner", "Corners at the foot", Number(0, 48, "px"), None, "header-corner"),
        _setting("shadow", "Shadow below", Choice(SHADOWS), "none"),
    ),
    elements={
        "": Element(Message("Header"), "navigation", OfSetting("header.ground")),
        "logo": Element(Message("Logo"), "title", OfSite("name")),
        "tagline": Element(Message("Tagline"), "small", OfSite("tagline")),
        "extra": Element(Message("Small picture"), "small", OfSetting("header.extra")),
        "action": Element(Message("Call to action"), "button", OfSetting("header.action")),
        "navigation": Element(Message("Navigation"), "navigation", OfMenu()),
    },
    texts=_texts,
    stands_on=_stands_on,
)
