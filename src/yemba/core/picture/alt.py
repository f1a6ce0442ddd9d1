"""Alt text proposed from what is known of a picture: what is written beside it, then what its file is called."""

from __future__ import annotations

import re
from collections.abc import Iterable
from pathlib import PurePath

MOST = 3
_LONGEST = 120  # letters
_BREAKS = re.compile(r"[_\-+.\s]+")
_CAMEL = re.compile(r"(?<=[a-z])(?=[A-Z])")
_MACHINE = re.compile(
    r"(img|dsc[nf]?|pict?|image|photo|foto|scan|screenshot|untitled|unnamed|p|wa|mvi|final|copy|v)?\d*"
)
"""What cameras, phones and programs write into names of files; common practice, no source."""


def from_file_name(name: str) -> str:
    """What a file's name says in words; "" where only a machine named it."""
    parts = _BREAKS.split(_CAMEL.sub(" ", PurePath(name).stem))
    words = [part for part in parts if not _MACHINE.fullmatch(part.lower())]
    label = " ".join(words)
    return label[:1].upper() + label[1:] if len(label) > 3 else ""


def proposals(name: str, beside: Iterable[str]) -> list[str]:
    """At most three: what stands `beside` the picture, nearest first, then its file's name; none twice."""
    first: dict[str, str] = {}
    for offered in (*beside, from_file_name(name)):
        words = " ".join(offered.split())
        if 0 < len(words) <= _LONGEST:
            first.setdefault(words.casefold().rstrip("."), words)
    return [*first.values()][:MOST]
