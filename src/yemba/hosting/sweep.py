"""Taking away files of the store that nothing points to: what a stop in mid-work left behind."""

from __future__ import annotations

import re
from collections.abc import Iterator
from datetime import timedelta

from django.core.files.storage import default_storage
from django.utils import timezone

from yemba.hosting.models import Edition, Fresh, Made, Planned
from yemba.sites import store
from yemba.sites.models import BrandSheet, Edit, Feed, Site, Start

_HASH = re.compile(r"[0-9a-f]{64}")
_FRESH = timedelta(hours=1)  # in which an upload may not have its edit yet
_CLOCKS = timedelta(days=1)  # by which those of the store and of this machine may differ
_PICTURE = re.compile(r"picture:([0-9a-f]{16})")
_AT_ONCE = 500


def sweep(*, at_start: bool = False) -> int:
    """How many files were taken away. At a start nothing else runs, so that fresh files count too."""
    needed = _pointed_at()
    _forget_unused(needed)
    needed |= set(Made.objects.values_list("digest", flat=True))
    written_before = timezone.now() + _CLOCKS if at_start else timezone.now() - _FRESH
    unneeded = [name for name in _names() if name.rpartition("/")[2] not in needed]
    return sum(store.delete_old(name, written_before) for name in unneeded)


def _names(folder: str = "") -> Iterator[str]:
    """Every file of the store."""
    try:
        folders, files = default_storage.listdir(folder)
    except FileNotFoundError:
        return  # nothing was kept yet
    prefix = f"{folder}/" if folder else ""
    yield from (f"{prefix}{file}" for file in files)
    for inner in folders:
        yield from _names(f"{prefix}{inner}")


def _pointed_at() -> set[str]:
    """Every hash that a draft, an edit, a new site in the making, an edition, a plan or a brand sheet names."""
    texts = [
        Site.objects.values_list("document", flat=True),
        Edition.objects.values_list("document", flat=True),
        Planned.objects.values_list("document", flat=True),
        Edit.objects.values_list("operations", flat=True),
        Start.objects.values_list("answers", flat=True),
        Start.objects.values_list("document", flat=True),
        BrandSheet.objects.values_list("logo", flat=True),
        BrandSheet.objects.values_list("fonts", flat=True),
        Edition.objects.values_list("manifest", flat=True),
        Fresh.objects.values_list("digest", flat=True),
        Feed.objects.values_list("digest", flat=True),
    ]
    return {digest for rows in texts for row in rows.iterator() for digest in _HASH.findall(str(row))}


def _forget_unused(needed: set[str]) -> None:
    """What was made for editions that never came about, and of pictures, logos and words that nobody has any more.

    Sizes of pictures that are still on a site stay: desks show them.
    """
    pictures = {digest[:16] for digest in needed}
    unused = [
        key
        for key, digest in Made.objects.values_list("key", "digest")
        if digest not in needed and not ((of := _PICTURE.match(key)) and of[1] in pictures)
    ]
    for start in range(0, len(unused), _AT_ONCE):
        Made.objects.filter(key__in=unused[start : start + _AT_ONCE]).delete()
