"""A brand sheet: what it holds, its open file, and how two of them compare."""

from __future__ import annotations

import base64
import binascii
import json
from collections.abc import Collection, Mapping, Sequence
from typing import Any, NamedTuple

from yemba.core.change.words import value_in_words
from yemba.core.errors import Fault
from yemba.core.limits import NAME_LETTERS, SHEET_BYTES
from yemba.core.message import Message
from yemba.core.picture.intake import CleanPicture, clean_picture
from yemba.core.site.catalogue import Catalogue
from yemba.core.site.ids import new_id
from yemba.core.site.own_fonts import font_id
from yemba.core.site.resolve import Look
from yemba.core.site.setting import SHEET
from yemba.core.site.settings import SETTINGS, refers
from yemba.core.type.intake import CleanFont, clean_font_apart
from yemba.core.untrusted import read_json
from yemba.core.value.line import Line

FORMAT, VERSION = "brand-sheet", 1
LOGO = "logo.picture"
"""The key of the logo's picture, which a sheet brings beside its values."""
KEYS = tuple(key for key, setting in SETTINGS.items() if setting.home == SHEET)
"""The design values a sheet holds."""


class File(NamedTuple):
    """A brand sheet as read from a file; `logo` is the picture as taken in, its name and alt text, `fonts` the files of
    each font of the owner's by its id."""

    name: str
    values: dict[str, Any]
    logo: tuple[CleanPicture, str, str] | None
    fonts: dict[str, list[CleanFont]] = {}


class Compared(NamedTuple):
    """One value in two sheets, in words; palettes as lists of {name, hex}."""

    name: str
    first: Any
    second: Any
    same: bool


def values_of_look(look: Look) -> dict[str, Any]:
    """Every value of a site's brand as it stands, whether set or the template's; the logo's picture and what is
    worked out left out."""
    values = {key: look.value(key) for key in KEYS if key != LOGO}
    return {key: value for key, value in values.items() if value is not None}


def fonts_of(values: Mapping[str, Any], look: Look) -> dict[str, Any]:
    """The owner's own fonts that these values name, as documents keep them."""
    named = {value for key, value in values.items() if refers(key, "face")}
    return {key: own.model_dump() for key, own in look.document.fonts.items() if key in named}


def read_values(values: Mapping[str, Any], catalogue: Catalogue, own: Collection[str] = ()) -> dict[str, Any]:
    """Values as stored; `own` are the ids of fonts that come with them. Raises Fault for one that is no design value
    or cannot be what it says."""
    read: dict[str, Any] = {}
    for key, value in values.items():
        if key not in KEYS:
            raise Fault("no-such-setting", Message("A brand sheet holds no “{key}”.", key=key), "file")
        if key == LOGO:
            continue
        setting = SETTINGS[key]
        colours = key == "palette" and isinstance(value, list)
        entry = [_colour(c) for c in value if isinstance(c, Mapping)] if colours else value
        read[key] = setting.read(entry)
        if refers(key, "face") and str(value) not in catalogue.families and str(value) not in own:
            raise Fault(
                "no-such-family",
                Message("{name} “{value}” does not ship with this Yemba.", name=setting.name, value=value),
                "file",
            )
    return read


def _colour(colour: Mapping[str, Any]) -> dict[str, str]:
    entry = {key: str(colour.get(key, "")) for key in ("id", "name", "hex")}
    return entry | {"id": entry["id"][:12] if entry["id"].isalnum() else new_id()}


def write(
    name: str,
    values: Mapping[str, Any],
    logo: tuple[bytes, str, str] | None,
    fonts: Mapping[str, Sequence[bytes]] | None = None,
) -> bytes:
    """The sheet as an open file: JSON, described in docs/formats.md. `fonts` are the files of each font by its id."""
    plain: dict[str, Any] = {"format": FORMAT, "version": VERSION, "name": name, "values": dict(values)}
    if logo:
        data, file_name, alt = logo
        plain["logo"] = {"name": file_name, "alt": alt, "data": base64.b64encode(data).decode()}
    if fonts:
        plain["fonts"] = {key: [base64.b64encode(data).decode() for data in files] for key, files in fonts.items()}
    return json.dumps(plain, ensure_ascii=False, indent=2, sort_keys=True).encode()


def read_file(data: bytes, catalogue: Catalogue) -> File:
    """Read such a file.

    Raises Fault ``file-too-large``, ``sheet-unreadable``, ``no-such-setting``, or what a wrong value or an unsafe
    logo raises.
    """
    if len(data) > SHEET_BYTES:
        raise Fault(
            "file-too-large",
            Message(
                "This file has more than {sheet_bytes} MB; no brand sheet has.", sheet_bytes=SHEET_BYTES // 1_000_000
            ),
            "file",
        )
    try:
        plain = read_json(data.decode("utf-8-sig"))
        if plain["format"] != FORMAT or not isinstance(plain["values"], dict):
            raise KeyError("format")
        number = int(plain["version"])
    except (ValueError, KeyError, TypeError, RecursionError) as error:
        raise Fault(
            "sheet-unreadable",
            Message("This file is not a brand sheet that Yemba wrote. Choose one that was exported."),
            "file",
        ) from error
    if number > VERSION:
        raise Fault(
            "sheet-unreadable",
            Message(
                "This brand sheet is of version {number}; this Yemba reads up to {version}.",
                number=number,
                version=VERSION,
            ),
            "file",
        )
    name = Line(NAME_LETTERS, empty=False).read(plain.get("name", ""), Message("The brand sheet’s name"), "file")
    fonts = _fonts(plain.get("fonts"))
    return File(name, read_values(plain["values"], catalogue, fonts.keys()), _logo(plain.get("logo")), fonts)


def _fonts(plain: Any) -> dict[str, list[CleanFont]]:
    """Each file is checked like any upload; a font is known by its name again."""
    families: dict[str, list[CleanFont]] = {}
    for key, files in plain.items() if isinstance(plain, dict) else ():
        for data in files if isinstance(files, list) else ():
            try:
                font = clean_font_apart(base64.b64decode(str(data), validate=True), Message("font {key}", key=key))
            except binascii.Error as error:
                raise Fault(
                    "sheet-unreadable", Message("The font “{key}” in this brand sheet is broken.", key=key), "file"
                ) from error
            families.setdefault(font_id(font.family), []).append(font)
    return families


def _logo(plain: Any) -> tuple[CleanPicture, str, str] | None:
    if not isinstance(plain, dict):
        return None
    name = str(plain.get("name", "logo"))[:80]
    try:
        data = base64.b64decode(str(plain.get("data", "")), validate=True)
    except binascii.Error as error:
        raise Fault(
            "sheet-unreadable", Message("The logo “{name}” in this brand sheet is broken.", name=name), "file"
        ) from error
    return clean_picture(data, name), name, str(plain.get("alt", ""))[:250]


def compare(first: Mapping[str, Any], second: Mapping[str, Any], look: Look) -> list[Compared]:
    """All values of two sheets beside one another, the differing ones first."""
    rows = []
    for key in KEYS:
        if key == LOGO:
            continue
        one, other = (values.get(key, SETTINGS[key].default) for values in (first, second))
        if one is None and other is None:
            continue
        if key == "palette":
            same = [c["hex"] for c in one] == [c["hex"] for c in other]
            rows.append(Compared(Message("Palette"), one, other, same))
        else:
            rows.append(_compared(key, one, other, look))
    return sorted(rows, key=lambda row: row.same)


def _compared(key: str, one: Any, other: Any, look: Look) -> Compared:
    words = [value_in_words(key, value, look) for value in (one, other)]
    return Compared(SETTINGS[key].name, words[0], words[1], one == other)
