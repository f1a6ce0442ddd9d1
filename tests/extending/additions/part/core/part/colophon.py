"""The colophon: who made the site and how, after the content of every page, with sections of its own."""

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
    yield PartText("title", look.value("colophon.title"))


PART = Part(
    slug="colophon",
    name="Colophon",
    stands=AFTER,
    order=-1,
    settings=(
        Setting("colophon.ground", "Colophon ground", "colophon", PARTS, GroundChoice(), "tinted"),
        Setting("colophon.title", "Colophon title", "colophon", PARTS, Line(60), "Made by"),
    ),
    elements={
        "": Element("Colophon", "body", OfSetting("colophon.ground")),
        "title": Element("Colophon title", "h4", OfSetting("colophon.title")),
    },
    texts=_texts,
    holds_sections=True,
)
