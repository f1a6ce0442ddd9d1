"""The footer: sections of its own, the owner's line, the copyright line, the navigation mirrored."""

from __future__ import annotations

from collections.abc import Iterator
from typing import TYPE_CHECKING

from yemba.core.message import Message, labels
from yemba.core.part.header import LINE_COLOURS, LINES
from yemba.core.part.part import AFTER, Element, Part, PartText
from yemba.core.place import OfSetting
from yemba.core.site.setting import PARTS, Setting
from yemba.core.value.brand_colour import BrandColourChoice
from yemba.core.value.choice import Choice
from yemba.core.value.ground import GroundChoice
from yemba.core.value.kind import Kind
from yemba.core.value.line import Line
from yemba.core.value.number import Number
from yemba.core.value.yes_no import YesNo

if TYPE_CHECKING:
    from yemba.core.site.resolve import Look

OWN, SIGN = "template", "sign"
ARRANGEMENTS = labels(
    {
        OWN: "As the template has it",
        "line": "In one line",
        "split": "Words and navigation apart",
        "columns": "In columns",
        "centred": "In the middle",
        "stack": "One below the other",
        SIGN: "The name large",
        "fine": "Small, in one line",
    }
)
ALIGNS = labels({"start": "Where lines start", "center": "In the middle", "end": "Where lines end"})
STANDS = labels({"foot": "At the foot of the window", "follows": "Right after the content"})
"""Where it stands on a page that is shorter than the window."""
BEHIND = {"ground": Message("Its ground"), "through": Message("See-through")}


def _texts(look: Look) -> Iterator[PartText]:
    if not look.value("footer.shown"):
        return
    if look.value("footer.logo") or look.value("footer.arrangement") == SIGN:
        yield PartText("logo", look.document.name)
    yield PartText("words", f"{look.value('footer.words')} {look.value('footer.copyright')}")


def _setting(name: str, label: str, kind: Kind, default: object, css: str = "", along: str = "") -> Setting:
    return Setting(f"footer.{name}", Message(label), "footer", PARTS, kind, default, css, along)


PART = Part(
    slug="footer",
    name=Message("Footer"),
    stands=AFTER,
    settings=(
        _setting("shown", "Footer on the pages", YesNo(), True),
        _setting("arrangement", "Footer arrangement", Choice(ARRANGEMENTS), OWN),
        _setting("align", "Its words stand", Choice(ALIGNS), None),
        _setting("columns", "Sections abreast", Number(1, 6, ""), None, "footer-columns"),
        _setting("ground", "Footer ground", GroundChoice(), "dark"),
        _setting("behind", "Behind the footer’s words", Choice(BEHIND), "ground"),
        _setting("link_colour", "Colour of its links", BrandColourChoice(), ""),
        _setting("link_pointed", "Under the pointer", BrandColourChoice(), ""),
        _setting("line", "Line above", Number(0, 12, "px"), None, "footer-line"),
        _setting("line_style", "Style of the line above", Choice(LINES), "solid", "footer-line-style"),
        _setting("line_colour", "Colour of the line above", Choice(LINE_COLOURS), "line"),
        _setting("height", "Footer height, at least", Number(0, 640, "px"), None, "footer-height"),
        _setting("padding", "Footer padding above and below", Number(0, 160, "px"), None, "footer-padding"),
        _setting("stands", "On a short page it stands", Choice(STANDS), "foot"),
        _setting("copyright", "Copyright line", Line(160), "© {year} {name}"),
        _setting("logo", "Logo in the footer", YesNo(), False),
        _setting("navigation", "Navigation in the footer", YesNo(), True),
        _setting("switch", "Other languages of the site", YesNo(), False),
        _setting("words", "Words in the footer", Line(240), ""),
        _setting("credit", "Made with Yemba", YesNo(), False),
    ),
    elements={
        "": Element(Message("Footer"), "footer", OfSetting("footer.ground")),
        "copyright": Element(Message("Copyright line"), "footer", OfSetting("footer.copyright")),
        "logo": Element(Message("Logo in the footer"), "title", OfSetting("footer.logo")),
        "words": Element(Message("Footer"), "footer", OfSetting("footer.words")),
        "navigation": Element(Message("Footer"), "footer", OfSetting("footer.navigation")),
        "switch": Element(Message("Languages in the footer"), "footer", OfSetting("footer.switch")),
        "credit": Element(Message("Made with Yemba"), "footer", OfSetting("footer.credit")),
    },
    texts=_texts,
    holds_sections=True,
)
