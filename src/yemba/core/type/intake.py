"""Taking in a font of the owner's: read, checked, cleaned, made a WOFF2."""

from __future__ import annotations

import re
from io import BytesIO
from typing import Any, NamedTuple

import uharfbuzz as harfbuzz
from fontTools.ttLib import TTFont

from yemba.core import apart
from yemba.core.errors import Fault
from yemba.core.limits import FONT_BYTES
from yemba.core.message import Message, labels
from yemba.core.type.facts import Face, Facts, opened
from yemba.core.type.subset import packed, tag

MOST_UNPACKED = 40_000_000
SECONDS = 20.0
"""That reading a font may take."""
_SIGNATURES = {b"wOF2": "woff2", b"wOFF": "woff", b"\x00\x01\x00\x00": "ttf", b"true": "ttf", b"OTTO": "otf"}
# What is not a font that browsers show, by how it begins, and what to do.
_OTHERS = labels(
    {
        b"ttcf": "a collection of several fonts. Save the one you want as a file of its own",
        b"PK\x03\x04": "an archive. Unpack it, and choose the .woff2, .ttf or .otf in it",
        b"%!PS": "a PostScript font, which browsers do not show. Choose its .otf or .ttf",
        b"<svg": "an SVG. Choose the font’s .woff2, .ttf or .otf",
        b"<?xm": "an SVG. Choose the font’s .woff2, .ttf or .otf",
        b"%PDF": "a document. Choose the font’s .woff2, .ttf or .otf",
    }
)
_KEPT = {
    *("head", "hhea", "hmtx", "maxp", "name", "OS/2", "post", "cmap", "glyf", "loca", "CFF ", "CFF2", "VORG"),
    *("GSUB", "GPOS", "GDEF", "BASE", "kern", "vhea", "vmtx", "COLR", "CPAL"),
    *("fvar", "avar", "gvar", "HVAR", "VVAR", "MVAR", "STAT"),
}
"""Tables that text needs. Others are left out: bytecode, drawings in SVG, whatever a maker's tools put there."""

LICENCES = labels(
    {
        "installable": "Its maker sets no limit to embedding it. Its licence says whether websites are meant.",
        "editable": "Its maker allows it in documents one can edit. Its licence says whether websites are meant.",
        "preview": "Its maker allows it only for preview and print. To publish with it you need the maker’s leave.",
        "restricted": "Its maker forbids embedding it. To publish with it you need the maker’s leave.",
        "leave": "You have said that you may publish with it.",
    }
)
"""What the embedding bits say, in words (OpenType specification, OS/2 fsType)."""
UNLICENSED = ("preview", "restricted")
_NO_SUBSETTING = 0x0100
_WEIGHT_WORDS = re.compile(
    r"(\s(thin|((extra|ultra|semi|demi)[ -]?)?(light|bold)|regular|book|medium|black|heavy|italic|oblique))+$",
    re.IGNORECASE,
)


class CleanFont(NamedTuple):
    """`data` is a WOFF2. `weights` is the range of a variable font, or one weight twice; `kind` serif, sans or hand, as
    near as the file tells. `whole` says that the maker forbids cutting it to the letters that are used."""

    data: bytes
    family: str
    style: str
    weights: tuple[int, int]
    kind: str
    licence: str
    whole: bool
    facts: Facts


def clean_font(data: bytes, file_name: str) -> CleanFont:
    """Raises Fault ``font-too-large``, ``not-a-font``, ``font-empty`` or ``font-unreadable``, naming the file."""
    named = check_size(data, file_name)
    try:
        _sniff(data, named)
        return _read(data, file_name, named)
    except Fault:
        raise
    except Exception as error:  # a broken or hostile file makes the readers raise nearly anything
        raise Fault(
            "font-unreadable",
            Message("{named} is broken: {first_line}. Fetch it again.", named=named, first_line=_first_line(error)),
            "file",
        ) from error


def clean_font_apart(data: bytes, file_name: str) -> CleanFont:
    """As `clean_font`, in a process of its own. Raises what that raises, and Fault ``busy``."""
    check_size(data, file_name)
    try:
        plain = apart.work("clean-font", seconds=SECONDS, data=data, file_name=file_name)
    except apart.Failed:
        reason = Message(
            "“{file_name}” keeps its reader too long, or fills its memory. Fetch it again from its maker.",
            file_name=file_name[:60],
        )
        raise Fault("font-unreadable", reason, "file") from None
    facts = {name: tuple(value) if isinstance(value, list) else value for name, value in plain["facts"].items()}
    return CleanFont(**plain | {"weights": tuple(plain["weights"]), "facts": Facts(**facts)})  # type: ignore[arg-type]


def clean_here(data: bytes, file_name: str) -> dict[str, Any]:
    """What `clean_font` tells, as a process apart hands it over."""
    font = clean_font(data, file_name)
    return font._asdict() | {"facts": font.facts._asdict()}


def check_size(data: bytes, file_name: str) -> str:
    """The file as sentences name it. Raises Fault ``font-too-large``."""
    named = f"“{file_name[:60]}”"
    if len(data) > FONT_BYTES:
        raise Fault(
            "font-too-large",
            Message(
                "{named} has {number:.0f} MB; {font_bytes:.0f} MB is the most. Choose a .woff2, or a font with "
                "fewer scripts.",
                named=named,
                number=len(data) / 1e6,
                font_bytes=FONT_BYTES / 1e6,
            ),
            "file",
        )
    return named


def _sniff(data: bytes, named: str) -> None:
    if data[:4] in _SIGNATURES:
        packed_size = int.from_bytes(data[16:20], "big") if data[:2] == b"wO" else len(data)
        if packed_size > MOST_UNPACKED:
            raise Fault(
                "font-too-large",
                Message(
                    "{named} says it unpacks to {packed_size:.0f} MB; {most_unpacked:.0f} MB is the most.",
                    named=named,
                    packed_size=packed_size / 1e6,
                    most_unpacked=MOST_UNPACKED / 1e6,
                ),
                "file",
            )
        return
    what = next((sentence for start, sentence in _OTHERS.items() if data.lstrip()[: len(start)] == start), "")
    sentence = (
        Message("{named} is {what}.", named=named, what=what)
        if what
        else Message("{named} is no font. Choose a .woff2, .woff, .ttf or .otf.", named=named)
    )
    raise Fault("not-a-font", sentence, "file")


def _read(data: bytes, file_name: str, named: str) -> CleanFont:
    font = TTFont(BytesIO(data), lazy=True)
    clean = _cleaned(font)
    face = Face(clean)
    facts = face.facts
    if not any(chr(code).isalnum() for code in face.letters):
        raise Fault(
            "font-empty", Message("{named} has no letters and no numbers that text could use.", named=named), "file"
        )
    if not 16 <= facts.units_per_em <= 16384 or facts.ascent <= 0:  # OpenType specification, table head
        raise Fault(
            "font-unreadable",
            Message("{named} is broken: its measures make no sense. Fetch it again.", named=named),
            "file",
        )
    os2 = font["OS/2"]
    slanted = bool(os2.fsSelection & 1) or bool(font["head"].macStyle & 2)
    return CleanFont(
        data=clean,
        family=_name(facts.family) or _name(file_name.rpartition(".")[0]) or Message("A font"),
        style="italic" if slanted else "normal",
        weights=_weights(facts.weights),
        kind=_kind(os2),
        licence=_licence(os2.fsType),
        whole=bool(os2.fsType & _NO_SUBSETTING),
        facts=facts,
    )


def _cleaned(font: TTFont) -> bytes:
    """Every table written anew by HarfBuzz, which checks it, and nothing but what text needs."""
    wanted = harfbuzz.SubsetInput()
    wanted.keep_everything()
    wanted.flags = harfbuzz.SubsetFlags.NO_HINTING | harfbuzz.SubsetFlags.RETAIN_GIDS | harfbuzz.SubsetFlags.GLYPH_NAMES
    wanted.drop_table_tag_set.update(tag(name) for name in font.reader.tables if name not in _KEPT)
    return packed(harfbuzz.subset(opened(font), wanted).blob.data)


def _name(typed: str) -> str:
    """A family's name as it may stand in a style sheet and on a desk, without the weight that files of old tell in it:
    so the weights of a family come together."""
    plain = " ".join(re.sub(r"[^\w\s&.+-]", " ", typed).split())
    return (_WEIGHT_WORDS.sub("", plain) or plain)[:40]


def _weights(span: tuple[int, int]) -> tuple[int, int]:
    """Within what CSS knows; some old files count from 1 to 9."""
    low, high = (weight * 100 if 1 <= weight <= 9 else min(1000, max(1, weight)) for weight in span)
    return min(low, high), max(low, high)


def _kind(os2: object) -> str:
    """By the classification in the file (PANOSE 1.0: family 3 is script, serif styles from 11 on are sans)."""
    panose = getattr(os2, "panose", None)
    if panose is None:
        return "sans"
    if panose.bFamilyType == 3:
        return "hand"
    return "serif" if panose.bFamilyType == 2 and 2 <= panose.bSerifStyle <= 10 else "sans"


def _licence(bits: int) -> str:
    """Where several bits are set, the least strict counts (OpenType specification, OS/2 fsType, versions 0 to 2)."""
    if not bits & 0x000E:
        return "installable"
    return "editable" if bits & 8 else "preview" if bits & 4 else "restricted"


def _first_line(error: Exception) -> str:
    return (str(error).splitlines() or [""])[0][:80] or type(error).__name__
