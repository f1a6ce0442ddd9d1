"""Links that lead nowhere: to pages that are gone, or to nothing at all."""

from __future__ import annotations

import re
from collections.abc import Iterator
from typing import Any

from yemba.core.check.finding import Cure, Finding, Inspected
from yemba.core.site.document import Document, Page, Section, ordered_sections
from yemba.core.site.kinds import SectionKind

NAME = "Links"
_LINK = re.compile(r'<a(?: href="([^"]*)")?>(.*?)</a>', re.DOTALL)


def find(inspected: Inspected) -> Iterator[Finding]:
    """Every link on a page whose target is not there. What is in the bin can be put back by one click."""
    document = inspected.look.document
    for page_id, page in document.ordered_pages():
        for key, section in ordered_sections(page):
            kind = inspected.look.catalogue.kind(section.kind)
            holders = [("", section.fields), *((item, section.items[item].fields) for item in section.order)]
            for item, fields in holders:
                for field, value in fields.items():
                    yield from _in_field(document, (page_id, page), (key, section), kind, item, field, value)


def _in_field(
    document: Document,
    on: tuple[str, Page],
    of: tuple[str, Section],
    kind: SectionKind,
    item: str,
    field: str,
    value: str,
) -> Iterator[Finding]:
    shape = kind.item_field(field) if item else kind.field(field)
    where = f"{kind.name} on {on[1].name}"
    control = f"words-{item}-{field}" if item else f"words-{field}"
    about: dict[str, Any] = {"section": of[0], "field": field, "item": item}
    if shape.type == "link" and value.startswith("page:") and value[5:] not in document.pages:
        cure = _back(document, value) or Cure("Take the link out", "set-words", about | {"words": ""})
        yield Finding(f"{where} leads to {_called(document, value)}.", "pages", *_at(on, of), control, cure)
    if shape.type == "words":
        for address, words in _LINK.findall(value):
            if address and not (address.startswith("page:") and address[5:] not in document.pages):
                continue
            bare = _LINK.sub(lambda m, dead=address: m[2] if m[1] == dead else m[0], value)  # type: ignore[misc]
            cure = _back(document, address) or Cure("Take the link out", "set-words", about | {"words": bare})
            called = _called(document, address) if address else "nothing"
            yield Finding(f"“{words}” in {where} leads to {called}.", "pages", *_at(on, of), control, cure)


def _at(on: tuple[str, Page], of: tuple[str, Section]) -> tuple[str, str]:
    return on[0], of[0]


def _called(document: Document, address: str) -> str:
    binned = document.bin.get(address[5:])
    return f"the page {binned.page.name}, which is in the bin" if binned and binned.page else "a page that is gone"


def _back(document: Document, address: str) -> Cure | None:
    binned = document.bin.get(address[5:])
    if binned is None or binned.page is None:
        return None
    return Cure(f"Put {binned.page.name} back", "restore-page", {"page": address[5:]})
