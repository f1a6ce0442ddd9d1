"""What is live: the edition that visitors see, and those before it."""

from __future__ import annotations

from datetime import datetime

from yemba.core.cache import Cache
from yemba.core.errors import Fault
from yemba.core.message import Message
from yemba.core.site.document import Document
from yemba.hosting.making import recorded
from yemba.hosting.models import Edition, Live
from yemba.hosting.rendering import rendering
from yemba.render.page import path_of
from yemba.render.reach import State
from yemba.sites import services as sites
from yemba.sites.models import Site


def live_edition(site: Site) -> Edition | None:
    """Its document and manifest are read from the database only when they are asked for: they are long."""
    pointers = Live.objects.filter(site=site).select_related("edition")
    pointer = pointers.defer("edition__document", "edition__manifest").first()
    return pointer.edition if pointer else None


def live_document(site: Site) -> Document | None:
    """What the live edition was made from; None before the first publishing."""
    edition = live_edition(site)
    return _document(edition) if edition else None


_DOCUMENTS: Cache[tuple[int, datetime], Document] = Cache(
    "documents of live editions", most=40_000_000, weigh=lambda document: 20_000 * len(document.pages)
)


def _document(edition: Edition) -> Document:
    """What it was made from; an edition never changes."""
    key = (edition.pk, edition.made_at)
    return _DOCUMENTS.get_or_make(key, lambda: sites.read_again(edition.document))


def live_state(site: Site) -> State | None:
    """The live site as far as its places show it, with what its pages were seen to read when they were made."""
    edition = live_edition(site)
    if edition is None:
        return None
    document = _document(edition)
    by_digest = recorded(edition.manifest)
    digests = {key: edition.manifest.get(path_of(page), "") for key, page in document.pages.items()}
    return State(rendering(document), {key: by_digest[d] for key, d in digests.items() if d in by_digest})


def editions(site: Site) -> list[Edition]:
    """Newest first."""
    return list(Edition.objects.filter(site=site))


def edition(site: Site, number: int) -> Edition:
    """Raises Fault ``no-such-edition``."""
    row = Edition.objects.filter(site=site, number=number).first()
    if row is None:
        raise Fault("no-such-edition", Message("There is no edition {number} of this site.", number=number))
    return row
