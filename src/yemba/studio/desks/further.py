"""Design values of a chapter that its desk has no place of its own for: each shown by its kind's control."""

from __future__ import annotations

from collections.abc import Iterator, Mapping
from typing import Any

from yemba.core.place import OfSetting
from yemba.core.site.resolve import Look
from yemba.core.site.settings import SETTINGS
from yemba.core.type.levels import LEVELS
from yemba.studio.controls import control, offered
from yemba.studio.desks.setting import Context, setting


def further(chapter: str, look: Look, context: Mapping[str, Any]) -> list[Context]:
    """Those whose control stands on this desk, as it is shown, and that `context` does not hold yet."""
    placed = set(_keys(context))
    keys = [key for key in SETTINGS if key not in placed and _belongs(key, chapter, look, context)]
    return [setting(look, key) for key in keys]


def _belongs(key: str, chapter: str, look: Look, context: Mapping[str, Any]) -> bool:
    if SETTINGS[key].kind.by_id or key.partition(".")[0] in LEVELS or not offered(look, key):
        return False
    decides = control(OfSetting(key), look)
    view = decides.query.get("show", "")
    in_view = view in ("", context.get("show", ""))
    return decides.chapter == chapter and in_view and decides.id == key


def _keys(context: Any) -> Iterator[str]:
    """The keys of all settings that a desk shows."""
    if isinstance(context, Mapping):
        key = context.get("key")
        if isinstance(key, str) and key in SETTINGS:
            yield key
        for inner in context.values():
            yield from _keys(inner)
    elif isinstance(context, list):
        for inner in context:
            yield from _keys(inner)
