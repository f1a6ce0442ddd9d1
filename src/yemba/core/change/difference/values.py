"""What differs of the design values, one change a setting."""

from __future__ import annotations

from collections.abc import Iterator, Sequence

from yemba.core.change.difference.change import TEMPLATES, VALUE, Change, Pair, change
from yemba.core.change.difference.site import covered
from yemba.core.change.words import value_in_words
from yemba.core.message import Joined, Message
from yemba.core.place import OfSetting
from yemba.core.site.resolve import Look
from yemba.core.site.settings import SETTINGS

_TOGETHER = {
    key: [key, *(other.key for other in SETTINGS.values() if other.along == key)]
    for key, setting in SETTINGS.items()
    if not (setting.along or setting.kind.by_id)
}
"""Each setting that is told by itself, with those that go along with it."""


def changes(pair: Pair) -> Iterator[Change]:
    taken_over = covered(pair)
    for key, keys in _TOGETHER.items():
        paths = [(SETTINGS[one].home, one) for one in keys if one not in taken_over]
        if key in taken_over or not any(map(pair.differ, paths)):
            continue
        states = tuple(_in_words(keys, look) for look in (pair.was, pair.now))
        if states[0] == states[1]:  # the same to see, but set by the owner on one side alone
            states = owned(states[0], pair.was, key), owned(states[1], pair.now, key)
        before, after = states
        yield change(f"value.{key}", VALUE, SETTINGS[key].name, (before, after), OfSetting(key), pair.moved(*paths))


def _in_words(keys: Sequence[str], look: Look) -> str:
    """What is set, with what goes along with it and is set by the owner too."""
    first, *along = keys
    set_too = [key for key in along if look.value(key) and look.resolve(key).set_by_owner]
    words = [value_in_words(key, look.value(key), look) for key in (first, *set_too)]
    return Joined(", ", words)


def owned(words: str, look: Look, key: str) -> str:
    """A value in words, with who set it."""
    return Joined(", ", [words, Message("set by you") if look.resolve(key).set_by_owner else TEMPLATES])
