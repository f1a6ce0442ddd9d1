"""Taking away files of the store that nothing points to: what a stop in mid-work left behind."""

from __future__ import annotations

import re
import time
from collections.abc import Iterator
from pathlib import Path

from django.conf import settings

from yemba.hosting.models import Edition, Made, Planned
from yemba.sites.models import BrandSheet, Edit, Site

_HASH = re.compile(r"[0-9a-f]{64}")
_FRESH = 60 * 60  # seconds in which an upload may not have its edit yet


def sweep(*, at_start: bool = False) -> int:
    """How many files were taken away. At a start nothing else runs, so that fresh files count too."""
    kept = _pointed_at()
    _forget_unused(kept)
    kept |= set(Made.objects.values_list("digest", flat=True))
    gone = 0
    for file in _files():
        old = at_start or time.time() - file.stat().st_mtime > _FRESH
        if old and file.name not in kept:
            file.unlink(missing_ok=True)
            gone += 1
    return gone


def _files() -> Iterator[Path]:
    root = Path(settings.MEDIA_ROOT)
    return (file for file in root.rglob("*") if file.is_file()) if root.exists() else iter(())


def _pointed_at() -> set[str]:
    """Every hash that a draft, an edit, an edition, a plan or a brand sheet names."""
    texts = [
        Site.objects.values_list("document", flat=True),
        Edition.objects.values_list("document", flat=True),
        Planned.objects.values_list("document", flat=True),
        Edit.objects.values_list("operations", flat=True),
        BrandSheet.objects.values_list("logo", flat=True),
        BrandSheet.objects.values_list("fonts", flat=True),
        Edition.objects.values_list("manifest", flat=True),
    ]
    return {found for rows in texts for row in rows.iterator() for found in _HASH.findall(str(row))}


def _forget_unused(kept: set[str]) -> None:
    """Pages made for editions that never came about, and sizes of pictures that nobody has any more."""
    pictures = {digest[:16] for digest in kept}
    unused = [
        key
        for key, digest in Made.objects.values_list("key", "digest")
        if digest not in kept
        and (key.startswith(("page:", "font:")) or (key.startswith("picture:") and key[8:24] not in pictures))
    ]
    for start in range(0, len(unused), 500):
        Made.objects.filter(key__in=unused[start : start + 500]).delete()
