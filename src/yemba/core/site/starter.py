"""What a new section of a kind begins with."""

from __future__ import annotations

from collections.abc import Sequence
from typing import Any

from yemba.core.language import ENGLISH, Language
from yemba.core.site.ids import Ids
from yemba.core.site.kinds import Field, SectionKind


def starter_fields(fields: Sequence[Field], language: Language = ENGLISH) -> dict[str, str]:
    """What fields begin with."""
    return {field.slug: field.read(language.phrase(field.starter)) for field in fields if field.starter}


def starter(kind: SectionKind, ids: Ids, language: Language = ENGLISH) -> dict[str, Any]:
    """A new section of a kind with its starter words and items."""
    section: dict[str, Any] = {"kind": kind.slug, "fields": starter_fields(kind.fields, language)}
    if kind.items:
        order = [ids() for _ in range(kind.items.begins)]
        items = {key: {"fields": starter_fields(kind.items.fields, language)} for key in order}
        section |= {"items": items, "order": order}
    return section
