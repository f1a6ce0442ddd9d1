"""A site without an icon of its own (the browser's tab, the phone's home screen)."""

from __future__ import annotations

from collections.abc import Iterator

from yemba.core.check.finding import Cure, Finding, Inspected
from yemba.core.place import OfLogo
from yemba.core.site.resolve import Look

NAME = "Site icon"


def find(inspected: Inspected) -> Iterator[Finding]:
    """A logo that is to be a picture and is none; a name of which no letter can stand in for one."""
    look = inspected.look
    picture = look.value("logo.picture")
    if look.value("logo.form") == "picture" and picture not in look.document.pictures:
        cure = Cure("Set the name as a wordmark", "set-value", {"key": "logo.form", "value": "wordmark"})
        sentence = "The logo is to be a picture, and none is chosen. The site icon is made from it."
        yield Finding(sentence, OfLogo(), cure=cure)
    elif look.value("logo.form") != "picture":
        yield from (Finding(sentence, OfLogo()) for sentence in _of_letter(look))


def _of_letter(look: Look) -> Iterator[str]:
    """What is wrong with the letter that stands for the name."""
    name, lettering = look.document.name, look.lettering("title")
    letter = next((letter for letter in name if letter.isalnum()), "")
    if not letter:
        yield f"The site icon is the first letter of the name, and “{name}” has none. Choose a logo."
    elif not lettering.can_draw(letter):
        yield f"The site icon is the first letter of the name, and no face here has “{letter}”. Choose a logo."
    lacking = lettering.lacks(name).replace(letter, "")
    if lacking:
        yield f"No face here has “{lacking}” of the name: the link card leaves it out. Add a font that has it."
