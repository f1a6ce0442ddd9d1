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
from yemba.core.value.link import PAGE

_DAYS = ("2025-01-10", "2025-01-17", "2025-01-24")
_WITHOUT = {"header.arrangement": "none", "sidebar.side": NONE}


def sample_section(look: Look, kind: SectionKind, layout: str, ground: str = "") -> Document:
    """A site with the section on its first page. Where it wants pictures it has those of the site, in turn, and where
    it tells of pages those of the site, around it in time. It stands on a ground of the site, or else on its kind's."""
    numbers = (f"x{number}" for number in count())
    section = new_section(look, kind, numbers.__next__) | ({"layout": layout} if layout else {})
    section |= {"ground": ground} if ground in look.grounds else {}
    others = _others(look)
    pictures = cycle(sorted(look.document.pictures) or [""])
    links = cycle([f"{PAGE}{page}" for page in others] or [""])
    for place, (fields, known) in enumerate(_fields(kind, section)):
        for field in known:
            if field.type == "picture" and field not in SHARED:
                fields[field.slug] = next(pictures)
            elif field.excerpt:
                fields[field.slug] = next(links)
            elif field.sample:
                fields[field.slug] = field.sample[place % len(field.sample)]
    page = {"name": kind.name, "slug": "", "sections": {"alone": section}, "order": ["alone"], "posted": _DAYS[1]}
    pages = {"alone": Page.model_validate(page), **others}
    alone = {"pages": pages, "order": [*pages], "shared": {}, "navigation": Navigation(), "bin": {}}
    return look.document.model_copy(update=alone | {"parts": {**look.document.parts, **_WITHOUT}})


def _others(look: Look) -> dict[str, Page]:
    """Two pages of the site as posts, one before and one after that of the section."""
    document = look.document
    listed = [(key, page) for key, page in document.published_pages() if page.slug and not page.language]
    days = zip(listed, (_DAYS[0], _DAYS[2]), strict=False)
    return {key: page.model_copy(update={"posted": day, "standing": {}}) for (key, page), day in days}


def _fields(kind: SectionKind, section: dict[str, Any]) -> Iterator[tuple[dict[str, str], list[Field]]]:
    """The fields of the section and of each of its entries, each with what the kind says of them."""
    yield section.setdefault("fields", {}), kind.fields
    for item in section.get("items", {}).values():
        yield item.setdefault("fields", {}), kind.fields_of("item")
