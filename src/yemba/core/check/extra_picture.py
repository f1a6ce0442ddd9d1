"""Whether words of the header stand on its small picture."""

from __future__ import annotations

from collections.abc import Iterator

from yemba.core.check.finding import Finding, Inspected
from yemba.core.message import Message
from yemba.core.place import OfSetting
from yemba.core.site.extra import covered

NAME = Message("The picture in the header")


def find(inspected: Inspected) -> Iterator[Finding]:
    """Told once, for the widest window in which they do."""
    met = list(covered(inspected.look))
    if not met:
        return
    windows = ", ".join(f"{window}" for window, _ in met)
    sentence = Message(
        "The small picture in the header stands under {met} at {windows} px. Move it, or draw it smaller.",
        met=met[-1][1],
        windows=windows,
    )
    yield Finding(sentence, OfSetting("header.extra_anchor"))
