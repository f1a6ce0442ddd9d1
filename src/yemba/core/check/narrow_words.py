"""What does not fit the narrowest phone: words that would break in the middle, and pages that scroll sideways
(WCAG 2.2 SC 1.4.10)."""

from __future__ import annotations

import re
from collections.abc import Iterator
from typing import NamedTuple

from yemba.core.check.finding import Cure, Finding, Inspected, place_of, where
from yemba.core.limits import NARROWEST
from yemba.core.place import OfField
from yemba.core.site.document import Document, Standing, ordered_items
from yemba.core.site.resolve import Look
from yemba.core.site.settings import RATIO

NAME = "At 320 px"
_BREAK = re.compile(r"(?<=[-–—/\u00ad])|\s+")  # where a line may break (UAX 14, the cases that matter here)


def find(inspected: Inspected) -> Iterator[Finding]:
    yield from _sideways(inspected)
    yield from inspected.of_sections(_broken)


def _sideways(inspected: Inspected) -> Iterator[Finding]:
    """Pages that came out wider than their window, as it measured them."""
    for page_id, measured in inspected.measured.items():
        if page_id in inspected.look.document.pages and measured.content > measured.width:
            fragment = measured.widest
            sentence = (
                f"{inspected.look.document.pages[page_id].name} scrolls sideways on a phone: "
                f"{where(inspected.look, page_id, fragment)} is {measured.content} px wide in {measured.width}."
            )
            yield Finding(sentence, place_of(fragment), page_id)


class _Heading(NamedTuple):
    """A heading with the level of text it is set in."""

    place: OfField
    level: str
    words: str


def _broken(inspected: Inspected, standing: Standing) -> list[Finding]:
    """Headings with a word that does not fit beside the gutters; cured by a smaller ratio where one is enough."""
    look, findings = inspected.look, []
    room = NARROWEST - 2 * look.template.measures.gutter
    for heading in _headings(look, standing):
        parts = _BREAK.split(heading.words)
        word = max(parts, key=lambda part: _width(look, part, heading.level), default="")
        wide = _width(look, word, heading.level)
        if wide > room:
            sentence = (
                f"“{word}” in {look.where(standing)} is {wide:.0f} px wide; a narrow phone has room for "
                f"{room:.0f}, so it would break in the middle."
            )
            findings.append(Finding(sentence, heading.place, standing.page, _smaller(look, word, heading.level, room)))
    return findings


def _headings(look: Look, standing: Standing) -> Iterator[_Heading]:
    section, kind = standing.section, look.catalogue.kind(standing.section.kind)
    level = "h1" if _leads(look.document, standing) else "h2"
    yield _Heading(OfField(standing.key, "heading"), level, section.fields.get("heading", ""))
    heads = [field.slug for field in kind.fields_of("item") if field.heads]
    for key, item in ordered_items(section):
        for slug in heads:
            yield _Heading(OfField(standing.key, slug, key), "h4", item.fields.get(slug, ""))


def _leads(document: Document, standing: Standing) -> bool:
    """Whether a section is the first of its page."""
    return bool(standing.page) and document.pages[standing.page].order[0] == standing.key


def _width(look: Look, word: str, level: str, ratio: float | None = None) -> float:
    """Width in px of a word at a level on a phone, as it would be for another ratio where one is given."""
    sizes = look.sizes if ratio is None else look.sized(ratio)
    return look.face(level).text_width(look.texts[level], word, sizes[level].low)


def _smaller(look: Look, word: str, level: str, room: float) -> Cure | None:
    """The largest ratio below the present one at which the word fits."""
    now = look.value("type.ratio")
    steps = int((now - RATIO.low) / RATIO.step)
    ratios = (round(now - n * RATIO.step, 3) for n in range(1, steps + 1))
    fits = next((ratio for ratio in ratios if _width(look, word, level, ratio) <= room), None)
    return Cure(f"Ratio {fits:g}", "set-value", {"key": "type.ratio", "value": fits}) if fits else None
