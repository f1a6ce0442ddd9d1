"""Files made from a site: kept in the store, and made once for the same inputs."""

from __future__ import annotations

import json
from collections.abc import Callable, Iterable, Mapping
from concurrent.futures import ThreadPoolExecutor
from hashlib import sha256
from typing import Any, NamedTuple

from yemba.core.picture.sizes import FORMATS, resized, widths
from yemba.core.site.document import Picture
from yemba.core.site.pictures import picture_bytes, picture_size, rendition
from yemba.core.site.resolve import Look
from yemba.hosting.models import Made
from yemba.render import fonts
from yemba.render.files import File, PageReads, page_base, picture_file
from yemba.render.pictures import file_name
from yemba.render.recorder import from_plain, known, to_plain
from yemba.sites import store

_MAKERS = 4
Load = Callable[[str], bytes]
_THUMB = 640
_AT_ONCE = 500  # names in one question to the database


def made(file: File) -> bytes:
    """The bytes of a file; what is the same every time is made once and kept."""
    if not file.key:
        return file.make()
    earlier = Made.objects.filter(key=file.key).first()
    if earlier:
        return store.load(earlier.digest)
    data = file.make()
    Made.objects.get_or_create(key=file.key, defaults={"digest": store.keep(data)})
    return data


def make_all(files: Mapping[str, File]) -> dict[str, str]:
    """Every file in the store: its digest by its path. Only what was never made from the same inputs is made now."""
    digests = _made_before(files)
    missing = {path: file for path, file in files.items() if path not in digests}
    wanted = {file.key or path: file for path, file in missing.items()}  # the same content once
    with ThreadPoolExecutor(max_workers=_MAKERS) as makers:  # pictures are made outside Python's lock
        new = dict(zip(wanted, makers.map(_made_now, wanted.values()), strict=True))
    rows = [made.row for made in new.values() if made.row]
    Made.objects.bulk_create(rows, ignore_conflicts=True)
    return digests | {path: new[file.key or path].digest for path, file in missing.items()}


class _New(NamedTuple):
    """A file that was made now, and the row that it is remembered by, where it can be."""

    digest: str
    row: Made | None


def _made_now(file: File) -> _New:
    if file.recording:
        data, reads = file.recording.make()
        digest, plain = store.keep(data), plain_reads(reads)
        key = f"{file.recording.base}:{_digest(plain)}"
        return _New(digest, Made(key=key, base=file.recording.base, reads=plain, digest=digest))
    digest = store.keep(file.make())
    return _New(digest, Made(key=file.key, digest=digest) if file.key else None)


def _made_before(files: Mapping[str, File]) -> dict[str, str]:
    """By path, the digests of what was made from the same inputs."""
    keys = {file.key for file in files.values() if file.key}
    by_key = {row.key: row.digest for row in _rows("key", keys)}
    by_base: dict[str, list[Made]] = {}
    for row in _rows("base", {file.recording.base for file in files.values() if file.recording}):
        by_base.setdefault(row.base, []).append(row)
    digests = {path: by_key[file.key] for path, file in files.items() if file.key in by_key}
    for path, file in files.items():
        if file.recording:
            rows = by_base.get(file.recording.base, [])
            same = next((row for row in rows if _holds(file, row)), None)
            digests |= {path: same.digest} if same else {}
    return digests


def _holds(file: File, row: Made) -> bool:
    """Whether all that a page read while it was made is as it was."""
    reads = reads_of(row)
    return file.recording is not None and reads is not None and file.recording.holds(reads)


def _rows(column: str, names: set[str]) -> Iterable[Made]:
    listed = sorted(names)
    for start in range(0, len(listed), _AT_ONCE):
        yield from Made.objects.filter(**{f"{column}__in": listed[start : start + _AT_ONCE]})


def plain_reads(reads: PageReads) -> dict[str, Any]:
    """The reads of a page as they are stored."""
    return {place: to_plain(of) for place, of in reads.items()}


def reads_of(row: Made) -> PageReads | None:
    """The reads a page was made with, by place; None where a question is no more asked."""
    reads = {place: from_plain(stored) for place, stored in row.reads.items()}
    return reads if all(map(known, reads.values())) else None


def recorded(manifest: Mapping[str, str]) -> dict[str, PageReads]:
    """By digest, the reads of the pages of an edition, but of those that another renderer made, by other questions."""
    rows = _rows("digest", {digest for path, digest in manifest.items() if path.endswith(".html")})
    return {
        row.digest: reads for row in rows if row.base.startswith(page_base()) and (reads := reads_of(row)) is not None
    }


def thumb(picture: Picture, load: Load = store.load) -> bytes:
    """A picture small enough for a desk, WebP or the SVG itself; `load` gives its bytes by their hash."""
    if picture.format == "svg":
        return picture_bytes(picture, load)
    width = min(_THUMB, picture_size(picture)[0])
    name = file_name(picture, width, "thumb")
    return made(File(lambda: resized(load(picture.file), width, "webp", rendition(picture)), f"picture:{name}"))


def weigh(picture: Picture, width: int, load: Load = store.load) -> int:
    """How many bytes a browser loads of a picture drawn `width` px wide: of AVIF the next larger size there is."""
    if picture.format == "svg":
        return len(load(picture.file))
    at_hand = widths(picture_size(picture)[0])
    chosen = next((w for w in at_hand if w >= width), at_hand[-1])
    return len(made(picture_file(picture, chosen, FORMATS[0], load)))


def weigh_fonts(look: Look) -> list[tuple[str, str, int]]:
    """What a page fetches of each face at most, cut to the site's letters: name, style and bytes."""
    weights: dict[tuple[str, str], int] = {}
    for one in fonts.published(look):
        key = (one.family.name, one.file.style)
        weights[key] = weights.get(key, 0) + len(made(File(one.make, f"font:{one.key}")))
    return [(name, style, weight) for (name, style), weight in weights.items()]


def _digest(plain: dict[str, Any]) -> str:
    return sha256(json.dumps(plain, sort_keys=True).encode()).hexdigest()[:24]
