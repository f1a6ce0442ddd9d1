"""A setting as a control needs it."""

from __future__ import annotations

from typing import Any

from yemba.core.message import Message
from yemba.core.site.resolve import Look, Origin
from yemba.core.site.setting import SITE
from yemba.core.site.settings import SETTINGS
from yemba.core.value.kind import Kind
from yemba.core.value.link import Link, is_inner
from yemba.core.value.number import Number
from yemba.studio.controls import chapter_of

Context = dict[str, Any]


def owned(chapter: str, look: Look) -> list[str]:
    """Names of the values of a chapter that its owner set; on the Template desk those of the whole design."""
    document = look.document
    mine = [SETTINGS[key] for key in (*document.sheet, *document.parts)]
    return [setting.name for setting in mine if chapter in (chapter_of(setting.subject), "template")]


def setting(look: Look, key: str) -> Context:
    """A setting as a control needs it: value, limits, choices, origin; `template` is that of its control."""
    known, resolved = SETTINGS[key], look.resolve(key)
    kind = known.kind
    limits = _limits(kind)
    origin = Message("comes from {origin}", origin=resolved.comes_from)
    if known.default is None and resolved.origin is Origin.ENGINE:
        origin = Message("worked out from the others") if limits else Message("as it comes")
    return {
        "key": key,
        "name": known.name,
        "value": resolved.value,
        "mine": resolved.set_by_owner,
        "origin": origin,
        "choices": kind.choices(look),
        "elsewhere": isinstance(kind, Link) and bool(resolved.value) and not is_inner(resolved.value),
        "template": f"studio/control/{kind.control}.html",
        **limits,
    }


def _limits(kind: Kind) -> Context:
    """The range of a number."""
    if not isinstance(kind, Number):
        return {}
    return {"low": kind.low, "high": kind.high, "unit": kind.unit, "step": kind.step}


def returnable(chapter: str) -> bool:
    """Whether a chapter has design values, which can be returned to the template's."""
    return any(chapter_of(setting.subject) == chapter and setting.home != SITE for setting in SETTINGS.values())
