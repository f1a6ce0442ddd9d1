"""A site without an icon of its own (the browser's tab, the phone's home screen)."""

from __future__ import annotations

from collections.abc import Iterator

from yemba.core.check.finding import Cure, Finding, Inspected
from yemba.core.place import OfLogo

NAME = "Site icon"


def find(inspected: Inspected) -> Iterator[Finding]:
    """A logo that is to be a picture and is none; a name of which no letter can stand in for one."""
    look = inspected.look
    picture = look.value("logo.picture")
    if look.value("logo.form") == "picture" and picture not in look.document.pictures:
        cure = Cure("Set the name as a wordmark", "set-value", {"key": "logo.form", "value": "wordmark"})
        sentence = "The logo is to be a picture, and none is chosen. The site icon is made from it."
        yield Finding(sentence, OfLogo(), cure=cure)
    elif look.value("logo.form") != "picture" and not any(letter.isalnum() for letter in look.document.name):
        sentence = f"The site icon is the first letter of the name, and “{look.document.name}” has none. Choose a logo."
        yield Finding(sentence, OfLogo())
