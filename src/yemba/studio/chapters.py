"""The chapters in the order of the work, and how each stands."""

from __future__ import annotations

from collections.abc import Sequence
from functools import cache
from typing import NamedTuple

from yemba.core.change.difference import Change
from yemba.core.check.alt_text import pictures_without_alt
from yemba.core.check.starter_words import starter_sections
from yemba.core.message import Message, Plural, labels
from yemba.core.part.part import BEFORE, parts
from yemba.core.site.document import Navigation
from yemba.core.site.resolve import Look
from yemba.core.site.setting import SITE
from yemba.core.site.settings import SETTINGS
from yemba.studio.controls import chapter_of


@cache
def names() -> dict[str, str]:
    """The chapters by slug; each part has its own, those before the content before Pages, the others after."""
    own = [part for part in parts().values() if not part.chapter]
    before = {part.slug: part.name for part in own if part.stands == BEFORE}
    after = {part.slug: part.name for part in own if part.stands != BEFORE}
    first = labels({"template": "Template", "palette": "Palette", "type": "Type", "logo": "Logo"})
    return {**first, **before, "frame": Message("Frame"), "pages": Message("Pages"), **after, "proof": Message("Proof")}


@cache
def desks() -> dict[str, str]:
    """Every desk there is: the chapters, and what belongs to none of them."""
    return {**names(), "pictures": Message("Pictures"), "history": Message("History")}


class Chapter(NamedTuple):
    """`state` is "yours" (set by the owner), "template" (as it came) or "look" (needs a look); `reason` says it."""

    slug: str
    name: str
    state: str
    reason: str
    digit: int


def chapters(look: Look, waiting: Sequence[Change]) -> list[Chapter]:
    """All chapters with their states."""
    return [
        Chapter(slug, name, *_state(slug, look, waiting), digit)
        for digit, (slug, name) in enumerate(names().items(), start=1)
    ]


def _state(slug: str, look: Look, waiting: Sequence[Change]) -> tuple[str, str]:
    if slug == "proof":
        return (
            ("yours", Message("{number} waiting", number=len(waiting)))
            if waiting
            else ("template", Message("nothing waits"))
        )
    if slug == "pages" and (reason := _unfinished(look)):
        return "look", reason
    mine = _content_set(slug, look) or any(look.resolve(key).set_by_owner for key in _of_templates(slug))
    return ("yours", Message("set by you")) if mine else ("template", Message("as the template has it"))


@cache
def _of_templates(slug: str) -> list[str]:
    """The settings of a chapter that a template gives too; trade, language and their like are the site's alone."""
    return [key for key, one in SETTINGS.items() if chapter_of(one.subject) == slug and one.home != SITE]


def _content_set(slug: str, look: Look) -> bool:
    """Whether the owner has set what a chapter decides beside design values."""
    document = look.document
    return {
        "template": document.ready_sheet is not None,
        "logo": bool(document.tagline),
        "header": document.navigation != Navigation(),
        "frame": "sidebar" in document.shared,
        "pages": True,
    }.get(slug, slug in document.shared)


def _unfinished(look: Look) -> str:
    """What on the pages still needs a look, or ""."""
    if count := len(starter_sections(look)):
        return Plural("{number} section with starter words", "{number} sections with starter words", count)
    if without := pictures_without_alt(look.document):
        return Plural("{number} picture without alt text", "{number} pictures without alt text", len(without))
    return ""
