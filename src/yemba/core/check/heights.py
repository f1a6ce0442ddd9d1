"""Sections that are very high on a phone, and room in them that stays empty, as its window measured them."""

from __future__ import annotations

from collections.abc import Iterator

from yemba.core.check.finding import Cure, Finding, Height, Inspected
from yemba.core.errors import Fault
from yemba.core.message import Message
from yemba.core.place import OfField, OfSection
from yemba.core.site.document import Standing

NAME = Message("Heights")
SCREEN = 640  # px of a phone's window; common practice, no source
MOST = 7 * SCREEN
"""px; a section that is higher is one that visitors give up."""
MOST_EMPTY = 400
"""px in which nothing stands."""


def find(inspected: Inspected) -> Iterator[Finding]:
    for page, measured in inspected.measured.items():
        for height in measured.heights:
            try:
                standing = inspected.look.document.section(height.place)
            except Fault:
                continue  # it has gone since
            if standing.page == page:
                yield from _of_section(inspected, standing, height)


def _of_section(inspected: Inspected, standing: Standing, height: Height) -> Iterator[Finding]:
    where = inspected.look.where(standing)
    if height.whole > MOST:
        screens = round(height.whole / SCREEN)
        sentence = Message(
            "{where} is {screens} screens high on a phone. Part it in two, or take another layout.",
            where=where,
            screens=screens,
        )
        yield Finding(sentence, OfSection(standing.key, "layout"), standing.page)
    if height.empty > MOST_EMPTY:
        sentence = Message(
            "{where} has {empty:.0f} px on a phone in which nothing stands.", where=where, empty=height.empty
        )
        is_set = standing.section.fields.get("height")
        arguments = {"section": standing.key, "field": "height", "words": ""}
        cure = Cure(Message("As high as what is in it"), "set-words", arguments) if is_set else None
        place = OfField(standing.key, "height") if is_set else OfSection(standing.key, "layout")
        yield Finding(sentence, place, standing.page, cure)
