"""Making ahead what publishing would wait for: the fonts, once somebody looks at the proof."""

from __future__ import annotations

import logging
from concurrent.futures import Future, ThreadPoolExecutor
from threading import Lock

from django.conf import settings
from django.db import connection

from yemba.core.site.document import Document
from yemba.hosting.making import make_all
from yemba.hosting.rendering import live_address, rendering
from yemba.render.files import site_files
from yemba.sites import services as sites
from yemba.sites.models import Site

_LOG = logging.getLogger("yemba.ahead")
_pool = ThreadPoolExecutor(max_workers=1, thread_name_prefix="ahead")
_waiting: dict[int, Future[None]] = {}
_lock = Lock()


def make_fonts_ahead(site: Site) -> None:
    """Cut the faces of the draft, in a process of their own; what was cut before is not cut again. One at a time for
    each site: who looks again meanwhile waits for nothing."""
    if not settings.MAKE_AHEAD:
        return
    with _lock:
        begun = _waiting.get(site.pk)
        if begun is None or begun.done():
            _waiting[site.pk] = _pool.submit(_make, sites.document(site), live_address(site))


def _make(document: Document, address: str) -> None:
    try:
        make_fonts(document, address)
    except Exception:  # noqa: BLE001 - publishing makes them itself, and says what is wrong
        _LOG.exception("fonts could not be made ahead")
    finally:
        connection.close()


def make_fonts(document: Document, address: str) -> int:
    """Make the font files of a site; says how many there are."""
    files = {path: file for path, file in site_files(rendering(document, address=address)).items() if _is_font(path)}
    make_all(files)
    return len(files)


def _is_font(path: str) -> bool:
    return path.endswith(".woff2")
