"""Pictures whose files the store has lost."""

from __future__ import annotations

from collections.abc import Iterator

from yemba.core.check.finding import Finding, Inspected
from yemba.core.message import Message
from yemba.core.site.pictures import missing_pictures, uses

NAME = Message("Files of pictures")


def find(inspected: Inspected) -> Iterator[Finding]:
    """Each, where it is shown first; the logo has a check of its own."""
    look = inspected.look
    for key, picture in missing_pictures(look).items():
        use = uses(look.document)[key][0]
        if use.standing:
            sentence = Message(
                "The file of the picture {name} is no longer there. Replace it, or take it out.", name=picture.name
            )
            yield Finding(sentence, use.place, use.page)
