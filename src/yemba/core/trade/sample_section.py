"""One section of a kind in a layout, alone on a page, in the owner's look: what a new one would be."""

from __future__ import annotations

from collections.abc import Iterator
from itertools import count, cycle
from typing import Any

from yemba.core.layout.frame import NONE
from yemba.core.site.document import Document, Navigation, Page
from yemba.core.site.kinds import SHARED, Field, SectionKind
from yemba.core.site.resolve import Look
from yemba.core.trade.begin import new_section

_WITHOUT = {"header.arrangement": "none", "sidebar.side": NONE}


def sample_section(look: Look, kind: SectionKind, layout: str) -> Document:
    """A site of one page with the section on it. Where it wants pictures it has those of the site, in turn."""
    numbers = (f"x{number}" for number in count())
    section = new_section(look, kind, numbers.__next__) | ({"layout": layout} if layout else {})
    pictures = cycle(sorted(look.document.pictures) or [""])
    for fields, known in _fields(kind, section):
        fields |= {field.slug: next(pictures) for field in known if field.type == "picture" and field not in SHARED}
    page = Page.model_validate({"name": kind.name, "slug": "", "sections": {"alone": section}, "order": ["alone"]})
    alone = {"pages": {"alone": page}, "order": ["alone"], "shared": {}, "navigation": Navigation(), "bin": {}}
    return look.document.model_copy(update=alone | {"parts": {**look.document.parts, **_WITHOUT}})


def _fields(kind: SectionKind, section: dict[str, Any]) -> Iterator[tuple[dict[str, str], list[Field]]]:
    """The fields of the section and of each of its entries, each with what the kind says of them."""
    yield section.setdefault("fields", {}), kind.fields
    for item in section.get("items", {}).values():
        yield item.setdefault("fields", {}), kind.fields_of("item")
