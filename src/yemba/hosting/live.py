"""What is live: the edition that visitors see, and those before it."""

from __future__ import annotations

from yemba.core.errors import Fault
from yemba.core.site.document import Document
from yemba.hosting.making import recorded
from yemba.hosting.models import Edition, Live
from yemba.hosting.rendering import rendering
from yemba.render.page import path_of
from yemba.render.reach import State
from yemba.sites import services as sites
from yemba.sites.models import Site


def live_edition(site: Site) -> Edition | None:
    pointer = Live.objects.filter(site=site).select_related("edition").first()
    return pointer.edition if pointer else None


def live_document(site: Site) -> Document | None:
    """What the live edition was made from; None before the first publishing."""
    edition = live_edition(site)
    return sites.read_again(edition.document) if edition else None


def live_state(site: Site) -> State | None:
    """The live site as far as its places show it, with what its pages were seen to read when they were made."""
    edition = live_edition(site)
    if edition is None:
        return None
    document = sites.read_again(edition.document)
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
        raise Fault("no-such-edition", f"There is no edition {number} of this site.")
    return row
