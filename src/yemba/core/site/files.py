"""Files that visitors may take away: what kinds there are, how one is known, where it stands, which are led to."""

from __future__ import annotations

import re
from collections.abc import Collection, Iterator
from itertools import count
from typing import NamedTuple

from yemba.core.errors import Fault
from yemba.core.limits import FILE_BYTES, MB
from yemba.core.message import Message
from yemba.core.site.document import Document, OwnFile
from yemba.core.value.link import FILE

_TEXT: tuple[bytes, ...] = ()
_ZIP = (b"PK\x03\x04",)
_LONGEST = 60  # letters of a file's address
_LETTERS = re.compile(r"[^0-9a-z]+")


class FileKind(NamedTuple):
    """`starts` are what its first bytes may be, none for plain text; `media` is its media type (IANA)."""

    name: str
    media: str
    starts: tuple[bytes, ...]


_OFFICE = "application/vnd.openxmlformats-officedocument"
_OPEN = "application/vnd.oasis.opendocument"
KINDS = {
    "pdf": FileKind("PDF", "application/pdf", (b"%PDF-",)),
    "txt": FileKind(Message("Text"), "text/plain", _TEXT),
    "csv": FileKind("CSV", "text/csv", _TEXT),
    "ics": FileKind(Message("Calendar"), "text/calendar", _TEXT),
    "vcf": FileKind(Message("Contact"), "text/vcard", _TEXT),
    "docx": FileKind("DOCX", f"{_OFFICE}.wordprocessingml.document", _ZIP),
    "xlsx": FileKind("XLSX", f"{_OFFICE}.spreadsheetml.sheet", _ZIP),
    "odt": FileKind("ODT", f"{_OPEN}.text", _ZIP),
    "ods": FileKind("ODS", f"{_OPEN}.spreadsheet", _ZIP),
    "epub": FileKind("EPUB", "application/epub+zip", _ZIP),
    "zip": FileKind("ZIP", "application/zip", _ZIP),
    "mp3": FileKind("MP3", "audio/mpeg", (b"ID3", b"\xff\xfb", b"\xff\xf3", b"\xff\xf2")),
    "ogg": FileKind("Ogg", "audio/ogg", (b"OggS",)),
    "wav": FileKind("WAV", "audio/wav", (b"RIFF",)),
}
"""By the ending of their names. None of them is a page or carries script that a browser would run."""


def read_file(data: bytes, name: str) -> str:
    """The kind of a file that was brought. Raises Fault ``file-unreadable`` or ``file-too-large``."""
    ending = name.rpartition(".")[2].lower()
    if len(data) > FILE_BYTES:
        reason = Message(
            "{name} is larger than {file_bytes} MB, the most a file may be. Make it smaller, or split it.",
            name=name,
            file_bytes=FILE_BYTES // MB,
        )
        raise Fault("file-too-large", reason, "file")
    if ending not in KINDS:
        known = ", ".join(f".{one}" for one in KINDS)
        raise Fault(
            "file-unreadable",
            Message("{name} is of no kind that visitors are given here. Choose: {known}.", name=name, known=known),
            "file",
        )
    if not data or not _is(KINDS[ending], data):
        reason = Message(
            "{name} is called .{ending} and is no {name_2} file. Save it anew from its program.",
            name=name,
            ending=ending,
            name_2=KINDS[ending].name,
        )
        raise Fault("file-unreadable", reason, "file")
    return ending


def _is(kind: FileKind, data: bytes) -> bool:
    if kind.starts:
        return data.startswith(kind.starts)
    try:
        return "\0" not in data.decode("utf-8-sig")
    except UnicodeDecodeError:
        return False


def slug_for(name: str, others: Collection[str]) -> str:
    """The address of a file, from its name without the ending; with a number where another has it."""
    stem = name.rpartition(".")[0].lower()
    slug = _LETTERS.sub("-", stem).strip("-")[:_LONGEST] or "file"
    if slug not in others:
        return slug
    numbered = (f"{slug}-{number}" for number in count(2))
    return next(other for other in numbered if other not in others)


def path(file: OwnFile) -> str:
    """Where it stands on the site; it stays when the file is replaced by one of its kind."""
    return f"files/{file.slug}.{file.format}"


def in_words(file: OwnFile) -> str:
    """Its kind and size in words."""
    size = (
        Message("{size:.1f} MB", size=file.size / MB)
        if file.size >= MB
        else Message("{max} kB", max=max(1, round(file.size / 1000)))
    )
    return f"{KINDS[file.format].name}, {size}"


def plays(file: OwnFile) -> bool:
    """Whether it is a sound, which browsers play."""
    return KINDS[file.format].media.startswith("audio/")


def led_to(document: Document) -> set[str]:
    """The ids of the files that something on the site leads to; no other is published."""
    return {link.removeprefix(FILE) for link in _links(document)} & document.files.keys()


def _links(document: Document) -> Iterator[str]:
    values = [stored.value for stored in document.stored()]
    values += [str(value) for value in document.parts.values()]
    values += [link.link for link in document.navigation.links.values()]
    return (value for value in values if value.startswith(FILE))
