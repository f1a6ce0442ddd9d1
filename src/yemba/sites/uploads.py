"""Files that a person brought, and how much of them one person may keep."""

from __future__ import annotations

import re
from math import ceil

from django.conf import settings

from yemba.core.cache import Cache
from yemba.core.message import Message
from yemba.core.room import Room
from yemba.people.models import Person
from yemba.sites import store
from yemba.sites.models import BrandSheet, Site, Start

_HASH = re.compile(r"[0-9a-f]{64}")
_MEGABYTE = 1_000_000
_SIZES: Cache[str, int] = Cache("sizes of files", most=2_000_000, weigh=lambda _: 150)


def room() -> Room:
    """In megabytes."""
    called = Message("megabytes of pictures, fonts and files of one person")
    return Room(settings.MOST_MEGABYTES, called, Message("Ask whoever runs this Yemba for more."))


def warning(person: Person) -> str:
    """A sentence once nine in ten megabytes are there; "" before."""
    return room().warning(kept(person) // _MEGABYTE)


def kept(person: Person) -> int:
    """Bytes of the files on this person's sites, also begun ones and bins, and in brand sheets; each counts once."""
    texts = list(Site.objects.filter(owner=person).values_list("document", flat=True))
    texts += [str(answers) for answers in Start.objects.filter(owner=person).values_list("answers", flat=True)]
    for sheet in BrandSheet.objects.filter(owner=person):
        texts.append(f"{sheet.logo} {sheet.fonts}")
    digests = {digest for text in texts for digest in _HASH.findall(text)}
    return sum(_size(digest) for digest in digests)


def _size(digest: str) -> int:
    """Bytes of a file; of one that is there they never change."""
    return _SIZES.get(digest) or _SIZES.put(digest, store.size(digest))


def keep(person: Person, data: bytes) -> str:
    """Keep a file for this person; the answer is its SHA-256. Raises Fault ``too-many`` beside ``file``."""
    after = ceil((kept(person) + len(data)) / _MEGABYTE)
    room().check(after - 1, "file")
    return store.keep(data)
