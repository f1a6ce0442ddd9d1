"""The chapters in the order of the work, and how each stands."""

from __future__ import annotations

from collections.abc import Sequence
from typing import NamedTuple

from yemba.core.change.difference import Change
from yemba.core.check.alt_text import pictures_without_alt
from yemba.core.check.starter_words import starter_sections
from yemba.core.site.resolve import Look
from yemba.core.site.settings import SETTINGS

NAMES = {
    "template": "Template",
    "palette": "Palette",
    "type": "Type",
    "logo": "Logo",
    "header": "Header",
    "pages": "Pages",
    "footer": "Footer",
    "proof": "Proof",
}


DESKS = {**NAMES, "pictures": "Pictures", "history": "History"}
"""Every desk there is: the chapters, and what belongs to none of them."""


class Chapter(NamedTuple):
    """`state` is "yours" (set by the owner), "template" (as it came) or "look" (needs a look)."""

    slug: str
    name: str
    state: str
    said: str
    digit: int


def chapters(look: Look, waiting: Sequence[Change]) -> list[Chapter]:
    """All chapters with their states."""
    return [
        Chapter(slug, name, *_state(slug, look, waiting), digit)
        for digit, (slug, name) in enumerate(NAMES.items(), start=1)
    ]


def _state(slug: str, look: Look, waiting: Sequence[Change]) -> tuple[str, str]:
    document = look.document
    if slug == "proof":
        return ("yours", f"{len(waiting)} waiting") if waiting else ("template", "nothing waits")
    if slug == "pages" and (reason := _unfinished(look)):
        return "look", reason
    mine = {
        "template": document.ready_sheet is not None,
        "logo": bool(document.tagline),
        "header": document.navigation != type(document.navigation)(),
        "pages": True,
    }.get(slug, False)
    mine = mine or any(s.chapter == slug and look.resolve(key).set_by_owner for key, s in SETTINGS.items())
    return ("yours", "set by you") if mine else ("template", "as the template has it")


def _unfinished(look: Look) -> str:
    """What on the pages still needs a look, or ""."""
    if count := len(starter_sections(look)):
        return f"{count} section{'s' if count > 1 else ''} with starter words"
    if without := pictures_without_alt(look.document):
        return f"{len(without)} picture{'s' if len(without) > 1 else ''} without alt text"
    return ""
