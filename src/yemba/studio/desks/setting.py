"""A setting as a control needs it."""

from __future__ import annotations

from typing import Any

from yemba.core.site.resolve import Look, Origin
from yemba.core.site.settings import SETTINGS, Between

Context = dict[str, Any]


def owned(chapter: str, look: Look) -> list[str]:
    """Names of the values of a chapter that its owner set; on the Template desk those of the whole design."""
    document = look.document
    held = (SETTINGS[key] for key in (*document.sheet, *document.parts))
    return [known.name for known in held if chapter in (known.chapter, "template")]


def setting(look: Look, key: str) -> Context:
    """A setting as a control needs it: value, limits, origin."""
    known, found = SETTINGS[key], look.resolve(key)
    rule = known.rule
    limits = rule._asdict() if isinstance(rule, Between) else {}
    origin = f"comes from {found.origin} {found.detail}".strip()
    if known.default is None and found.origin is Origin.ENGINE:
        origin = "worked out from the others" if isinstance(rule, Between) else "as it comes"
    return {
        "key": key,
        "name": known.name,
        "value": found.value,
        "mine": found.set_by_owner,
        "origin": origin,
        **limits,
    }
