"""Fonts of the owner's whose files the store has lost."""

from __future__ import annotations

from collections.abc import Iterator

from yemba.core.check.finding import Finding, Inspected
from yemba.core.message import Message
from yemba.core.place import OfFont
from yemba.core.site.own_fonts import settings_with

NAME = Message("Files of fonts")


def find(inspected: Inspected) -> Iterator[Finding]:
    """Each that is chosen somewhere: what was set in it is set in another."""
    look = inspected.look
    for key, own in look.document.fonts.items():
        if key not in look.families and any(settings_with(look.document, key)):
            sentence = Message(
                "The file of the font {name} is no longer there; another stands in its place. Choose its file again.",
                name=own.name,
            )
            yield Finding(sentence, OfFont(key))
