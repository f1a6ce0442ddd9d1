"""Fonts of the owner's whose makers do not let them go out."""

from __future__ import annotations

from collections.abc import Iterator

from yemba.core.check.finding import Cure, Finding, Inspected
from yemba.core.message import Message
from yemba.core.place import OfFont
from yemba.core.site.texts import texts
from yemba.core.type.intake import LICENCES, UNLICENSED

NAME = Message("Leave to use fonts")


def find(inspected: Inspected) -> Iterator[Finding]:
    """Each that is used; cured by the owner's word that there is leave."""
    fonts = inspected.look.document.fonts
    unlicensed = [key for key, font in fonts.items() if font.licence in UNLICENSED]
    used = {text.family.slug for text in texts(inspected.look)} if unlicensed else set()
    for key in unlicensed:
        if key in used:
            sentence = f"{fonts[key].name}: {LICENCES[fonts[key].licence]}"
            yield Finding(sentence, OfFont(key), cure=Cure(Message("I have leave"), "allow-font", {"font": key}))
