"""What does not fit the narrowest phone: words that would break in the middle, and pages that scroll sideways
(WCAG 2.2 SC 1.4.10)."""

from __future__ import annotations

import re
from collections.abc import Iterator

from yemba.core.check.finding import Cure, Finding, Inspected, where
from yemba.core.site.document import ordered_items, ordered_sections
from yemba.core.site.settings import SETTINGS, Between

NAME = "At 320 px"
NARROWEST = 320
_BREAK = re.compile(r"(?<=[-–—/\u00ad])|\s+")  # where a line may break (UAX 14, the cases that matter here)


def find(inspected: Inspected) -> Iterator[Finding]:
    yield from _sideways(inspected)
    yield from _broken(inspected)


def _sideways(inspected: Inspected) -> Iterator[Finding]:
    """Pages that came out wider than their window, as it measured them."""
    for page_id, measured in inspected.measured.items():
        if page_id in inspected.look.document.pages and measured.content > measured.width:
            place = measured.widest
            said = (
                f"{inspected.look.document.pages[page_id].name} scrolls sideways on a phone: "
                f"{where(inspected.look, page_id, place)} is {measured.content} px wide in {measured.width}."
            )
            part = place in ("header", "footer")
            yield Finding(said, place if part else "pages", page_id, "" if part else place)


def _broken(inspected: Inspected) -> Iterator[Finding]:
    """Headings with a word that does not fit beside the gutters; cured by a smaller ratio where one is enough."""
    look = inspected.look
    room = NARROWEST - 2 * look.template.measures.gutter
    for page_id, page in look.document.ordered_pages():
        for place, (key, section) in enumerate(ordered_sections(page)):
            kind = look.catalogue.kind(section.kind)
            level = "h2" if place else "h1"
            headings = [("words-heading", level, section.fields.get("heading", ""))]
            heads = [field.slug for field in kind.items.fields if field.heads] if kind.items else []
            headings += [
                (f"words-{item_id}-{slug}", "h4", item.fields.get(slug, ""))
                for item_id, item in ordered_items(section)
                for slug in heads
            ]
            for control, size, text in headings:
                word = max(_BREAK.split(text), key=lambda part: _width(inspected, part, size), default="")
                wide = _width(inspected, word, size)
                if wide <= room:
                    continue
                said = (
                    f"“{word}” in {kind.name} on {page.name} is {wide:.0f} px wide; a narrow phone has room for "
                    f"{room:.0f}, so it would break in the middle."
                )
                yield Finding(said, "pages", page_id, key, control, _smaller(inspected, word, size, room))


def _width(inspected: Inspected, word: str, level: str, ratio: float | None = None) -> float:
    """Width in px of a word at a level on a phone."""
    look = inspected.look
    sizes = look.sizes if ratio is None else look.sized(ratio)
    return look.face(level).text_width(look.texts[level], word, sizes[level].low)


def _smaller(inspected: Inspected, word: str, level: str, room: float) -> Cure | None:
    rule, now = SETTINGS["type.ratio"].rule, inspected.look.value("type.ratio")
    if not isinstance(rule, Between):
        return None
    steps = int((now - rule.low) / rule.step)
    tried = (round(now - n * rule.step, 3) for n in range(1, steps + 1))
    fits = next((ratio for ratio in tried if _width(inspected, word, level, ratio) <= room), None)
    return Cure(f"Ratio {fits:g}", "set-value", {"key": "type.ratio", "value": fits}) if fits else None
