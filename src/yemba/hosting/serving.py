"""Answers to visitors: a file of the live edition, conditional (RFC 9110, 13) and ranged (RFC 9110, 14)."""

from __future__ import annotations

import mimetypes
import re
from datetime import datetime
from typing import NamedTuple

import brotli
from django.http import HttpRequest, HttpResponse
from django.utils.cache import get_conditional_response, patch_vary_headers
from django.utils.http import http_date

from yemba.config.packing import TEXT
from yemba.core.cache import Cache
from yemba.core.site.files import KINDS as FILE_KINDS
from yemba.hosting.fresh import current
from yemba.hosting.models import Edition, Fresh, Live
from yemba.sites import store

FOR_EVER = "public, max-age=31536000, immutable"
ASK_AGAIN = "public, no-cache"
NOT_FOUND = "404.html"
_RANGE = re.compile(r"bytes=(\d{0,15})-(\d{0,15})")
mimetypes.add_type("application/manifest+json", ".webmanifest")
mimetypes.add_type("text/calendar", ".ics")
mimetypes.add_type("application/atom+xml", ".atom")
mimetypes.add_type("font/woff2", ".woff2")
mimetypes.add_type("image/webp", ".webp")
mimetypes.add_type("image/avif", ".avif")
for ending, file_kind in FILE_KINDS.items():
    mimetypes.add_type(file_kind.media, f".{ending}")


class Published(NamedTuple):
    """What an edition serves: its files by path, and where old addresses lead. `edition` is its number in the
    database, `changes` that some of its pages do as time goes."""

    manifest: dict[str, str]
    redirects: dict[str, str]
    made_at: datetime
    edition: int = 0
    changes: bool = False


class Resource(NamedTuple):
    """A file at an address. `status` is 404 for the page that says so; `made_at` is told of one that is newer than the
    edition."""

    name: str
    digest: str
    status: int = 200
    made_at: datetime | None = None


_BROTLI = re.compile(r"(?:^|[,\s])br(?!\s*;\s*q=0(?:\.0*)?(?:,|$))\b")
_EARLIER = 10  # editions whose assets are still served
_QUALITY = 6  # of 0 to 11: near the best in a tenth of its time
_PACKED_BYTES: Cache[str, bytes] = Cache("live files packed by brotli", most=20_000_000, weigh=len)
_PUBLISHED: Cache[tuple[int, datetime], Published] = Cache(
    "manifests of editions", most=20_000_000, weigh=lambda published: 160 * len(published.manifest)
)


def runs_scripts(of: Published) -> bool:
    """Whether any section of the edition needs a script."""
    return any(path.startswith("assets/") and path.endswith(".js") for path in of.manifest)


def published(slug: str) -> Published | None:
    """What is live at an address, None where nothing is; editions never change, so that each is read once."""
    pointer = (
        Live.objects.filter(site__slug=slug, site__binned_at=None).values_list("edition_id", "edition__made_at").first()
    )
    return None if pointer is None else _PUBLISHED.get_or_make(pointer, lambda: _read(pointer[0]))


def _read(pk: int) -> Published:
    row = Edition.objects.values_list("manifest", "redirects", "made_at").get(pk=pk)
    return Published(*row, pk, Fresh.objects.filter(edition_id=pk).exists())


def resource(of: Published, path: str) -> Resource | None:
    """What stands at a path; the edition's own page for what is none, None where it has no such page."""
    name = f"{path}index.html" if path == "" or path.endswith("/") else path
    fresh = _fresh(of, name)
    if fresh:
        return fresh
    if name in of.manifest and name != NOT_FOUND:
        return Resource(name, of.manifest[name])
    return Resource(NOT_FOUND, of.manifest[NOT_FOUND], 404) if NOT_FOUND in of.manifest else None


def _fresh(of: Published, name: str) -> Resource | None:
    """What stands there now, of a page that changes as time goes or of a file that such a one brought."""
    is_known = name in of.manifest
    stays = not name.endswith((".html", ".ics")) if is_known else name.endswith(".html")
    if not of.changes or stays:
        return None
    row = current(of.edition, name)
    return Resource(name, row.digest, made_at=row.made_at) if row else None


def earlier_asset(slug: str, path: str) -> Resource | None:
    """A style, font or picture of one of the last editions: a page that was fetched before a publishing meets it
    still. Its name is that of its content, so that nothing of it can be out of date."""
    if not path.startswith("assets/"):
        return None
    rows = (
        Edition.objects.filter(site__slug=slug, site__binned_at=None)
        .order_by("-number")
        .values_list("pk", "made_at")[:_EARLIER]
    )
    for row in rows:
        manifest = _PUBLISHED.get_or_make(row, lambda pk=row[0]: _read(pk)).manifest  # type: ignore[misc]
        if path in manifest:
            return Resource(path, manifest[path])
    return None


def lacks_slash(of: Published, path: str) -> bool:
    """Whether an address is that of a page without its closing slash."""
    return path not in of.manifest and f"{path}/index.html" in of.manifest


def moved_to(of: Published, path: str) -> str | None:
    """Where an address that a page had before leads."""
    old = path.removesuffix("index.html").strip("/")
    if old not in of.redirects:
        return None
    slug = of.redirects[old]
    return f"/{slug}/" if slug else "/"


def serve(request: HttpRequest, asset: Resource, made_at: datetime) -> HttpResponse:
    """The file, or that it has not changed, or the range of it that was asked for."""
    kind = content_type(asset.name)
    response = HttpResponse(content_type=kind, status=asset.status)
    response["ETag"] = f'"{asset.digest[:32]}"'
    response["Last-Modified"] = http_date(made_at.timestamp())
    response["Cache-Control"] = FOR_EVER if asset.name.startswith("assets/") else ASK_AGAIN
    if asset.status == 200:
        response["Accept-Ranges"] = "bytes"
        conditional = _conditional(request, response, int(made_at.timestamp()))
        if conditional:
            return conditional
    response.content = store.load(asset.digest)
    response["Content-Length"] = len(response.content)
    if asset.status == 200 and _ranged(request, response):
        return response
    # nothing on a live page is secret, so that its length may tell of it; pictures and fonts are small already
    if kind.startswith(TEXT):
        _pack(request, response, asset.digest)
    return response


def _pack(request: HttpRequest, response: HttpResponse, digest: str) -> None:
    """By brotli (RFC 7932) where a browser takes it; else it is left to ``config.packing``."""
    if not _BROTLI.search(request.headers.get("Accept-Encoding", "")):
        return
    patch_vary_headers(response, ("Accept-Encoding",))
    packed = _PACKED_BYTES.get_or_make(digest, lambda: brotli.compress(response.content, quality=_QUALITY))
    if len(packed) < len(response.content):
        response.content = packed
        response["Content-Encoding"] = "br"
        response["Content-Length"] = len(packed)
        response["ETag"] = f"W/{response['ETag']}"


def _conditional(request: HttpRequest, response: HttpResponse, modified: int) -> HttpResponse | None:
    """That nothing has changed, with the headers that a cache needs; None where the file is to be sent."""
    answer = get_conditional_response(request, etag=response["ETag"], last_modified=modified, response=response)
    if answer is None or answer is response:
        return None
    answer["Cache-Control"] = response["Cache-Control"]
    return HttpResponse(status=answer.status_code, headers=answer.headers)


def _ranged(request: HttpRequest, response: HttpResponse) -> bool:
    """Cut the answer to the one range that was asked for; several, or one we do not read, are answered whole."""
    match = _RANGE.fullmatch(request.headers.get("Range", ""))
    unchanged = request.headers.get("If-Range", response["ETag"]) == response["ETag"]
    if request.method != "GET" or match is None or match[0] == "bytes=-" or not unchanged:
        return False
    size = len(response.content)
    first, last = _ends(match[1], match[2], size)
    if first > last or first >= size:
        response.status_code = 416
        response["Content-Range"] = f"bytes */{size}"
        response.content = b""
        response["Content-Length"] = 0
        return True
    response.status_code = 206
    response["Content-Range"] = f"bytes {first}-{last}/{size}"
    response.content = response.content[first : last + 1]
    response["Content-Length"] = len(response.content)
    return True


def _ends(first: str, last: str, size: int) -> tuple[int, int]:
    """The first and the last byte, counted from 0; "-500" asks for the last 500."""
    if not first:
        return max(0, size - int(last)), size - 1 if int(last) else -1
    return int(first), min(int(last), size - 1) if last else size - 1


def content_type(name: str) -> str:
    kind = mimetypes.guess_type(name)[0] or "application/octet-stream"
    return f"{kind}; charset=utf-8" if kind.startswith("text/") else kind
