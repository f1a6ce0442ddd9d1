"""A site without an icon of its own (the browser's tab, the phone's home screen)."""

from __future__ import annotations

from collections.abc import Iterator

from yemba.core.check.finding import Cure, Finding, Inspected
from yemba.core.check.logo import loaded
from yemba.core.message import Message
from yemba.core.picture import icons
from yemba.core.place import OfLogo, OfSetting
from yemba.core.site.logo import icon_picture
from yemba.core.site.pictures import picture_size
from yemba.core.site.resolve import Look

NAME = Message("Site icon")
_TAB = 16  # px
_LEAST = 6  # px of its shorter side below which nothing is told; common practice, no source


def find(inspected: Inspected) -> Iterator[Finding]:
    """A logo that is to be a picture and is none; a name of which no letter can stand in for one."""
    look = inspected.look
    picture = look.value("logo.picture")
    if look.value("logo.form") == "picture" and picture not in look.document.pictures:
        cure = Cure(Message("Set the name as a wordmark"), "set-value", {"key": "logo.form", "value": "wordmark"})
        sentence = Message("The logo is to be a picture, and none is chosen. The site icon is made from it.")
        yield Finding(sentence, OfLogo(), cure=cure)
    elif icon_picture(look) is None:
        yield from (Finding(sentence, OfLogo()) for sentence in _of_letter(look))
    else:
        yield from _of_picture(inspected)


def _of_picture(inspected: Inspected) -> Iterator[Finding]:
    """What is too long, or too fine, to be told in a browser's tab; cured by the letter."""
    look = inspected.look
    picture, ground = icon_picture(look), look.grounds[look.value("header.ground")]
    data = loaded(inspected.load, picture) if picture else None
    if picture is None or data is None:
        return
    sides = picture_size(picture)
    short = round(_TAB * min(sides) / max(sides))
    if short < _LEAST:
        wide, high = (_TAB, short) if sides[0] > sides[1] else (short, _TAB)
        why = Message("it is drawn {wide} × {high} px", wide=wide, high=high)
    elif icons.fades(icons.from_logo(data, picture.format, *sides, ground.fill), ground.fill):
        why = Message("next to nothing of it stands out from {hex}", hex=ground.fill.hex)
    else:
        return
    cure = Cure(Message("Take the letter"), "set-value", {"key": "icon.form", "value": "letter"})
    sentence = Message("In a browser’s tab, {tab} px wide, the site icon cannot be told: {why}.", tab=_TAB, why=why)
    yield Finding(sentence, OfSetting("icon.form"), cure=cure)


def _of_letter(look: Look) -> Iterator[str]:
    """What is wrong with the letter that stands for the name."""
    name, lettering = look.document.name, look.lettering("title")
    letter = next((letter for letter in name if letter.isalnum()), "")
    if not letter:
        yield Message("The site icon is the first letter of the name, and “{name}” has none. Choose a logo.", name=name)
    elif not lettering.can_draw(letter):
        yield Message(
            "The site icon is the first letter of the name, and no face here has “{letter}”. Choose a logo.",
            letter=letter,
        )
    lacking = lettering.lacks(name).replace(letter, "")
    if lacking:
        yield Message(
            "No face here has “{lacking}” of the name: the link card leaves it out. Add a font that has it.",
            lacking=lacking,
        )
