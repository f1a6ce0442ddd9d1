"""The footer: the owner's line, the copyright line, the navigation mirrored."""

from __future__ import annotations

from collections.abc import Iterator
from typing import TYPE_CHECKING

from yemba.core.part.part import AFTER, Element, Part, PartText
from yemba.core.place import OfSetting
from yemba.core.site.setting import PARTS, Setting
from yemba.core.value.ground import GroundChoice
from yemba.core.value.line import Line
from yemba.core.value.yes_no import YesNo

if TYPE_CHECKING:
    from yemba.core.site.resolve import Look


def _texts(look: Look) -> Iterator[PartText]:
    if look.value("footer.logo"):
        yield PartText("logo", look.document.name)
    yield PartText("words", f"{look.value('footer.words')} {look.value('footer.copyright')}")


def _setting(name: str, label: str, kind: object, default: object) -> Setting:
    return Setting(f"footer.{name}", label, "footer", PARTS, kind, default)  # type: ignore[arg-type]


PART = Part(
    slug="footer",
    name="Footer",
    stands=AFTER,
    settings=(
        _setting("ground", "Footer ground", GroundChoice(), "dark"),
        _setting("copyright", "Copyright line", Line(160), "© {year} {name}"),
        _setting("logo", "Logo in the footer", YesNo(), False),
        _setting("navigation", "Navigation in the footer", YesNo(), True),
        _setting("words", "Words in the footer", Line(240), ""),
    ),
    elements={
        "": Element("Footer", "footer", OfSetting("footer.ground")),
        "copyright": Element("Copyright line", "footer", OfSetting("footer.copyright")),
        "logo": Element("Logo in the footer", "title", OfSetting("footer.logo")),
        "words": Element("Footer", "footer", OfSetting("footer.words")),
        "navigation": Element("Footer", "footer", OfSetting("footer.navigation")),
    },
    texts=_texts,
)
