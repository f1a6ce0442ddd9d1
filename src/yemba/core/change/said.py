"""A design value in the owner's words."""

from __future__ import annotations

from typing import Any

from yemba.core.site.resolve import Look
from yemba.core.site.settings import OneOf, YesNo, names_family, setting
from yemba.core.site.words import plain


def said(key: str, value: Any, look: Look | None = None) -> str:
    """`look` gives typefaces and pictures their names. Raises Fault ``no-such-setting``."""
    rule = setting(key).rule
    if value is None and not key.endswith(".face"):
        return "worked out"
    if isinstance(value, list):
        return in_words(value) or "none"
    if look and key.endswith(".ground"):
        return look.ground_names.get(value, str(value))
    if isinstance(rule, OneOf):
        return rule.choices.get(value, str(value))
    if isinstance(rule, YesNo):
        return "shown" if value else "not shown"
    if look and names_family(key):
        family = look.families.get(value)
        return family.name if family else str(value or "as the text it follows")
    if look and key in ("logo.picture", "header.backdrop"):
        picture = look.document.pictures.get(value)
        return picture.name if picture else "none"
    unit = getattr(rule, "unit", "")
    return f"{value:g} {unit}".strip() if isinstance(value, int | float) else str(value) or "none"


def in_words(value: Any) -> str:
    """Any stored value so that its owner knows it again: words without markup, colours with their codes."""
    if isinstance(value, str):
        return plain(value) if "<" in value else value
    if isinstance(value, bool):
        return "yes" if value else "no"
    if isinstance(value, int | float):
        return f"{value:g}"
    if isinstance(value, dict):
        inner = [f"{value['name']} {value['hex']}"] if "hex" in value else [in_words(v) for v in value.values()]
        return ", ".join(part for part in inner if part)
    if isinstance(value, list | tuple):
        return ", ".join(in_words(part) for part in value)
    return "nothing"
