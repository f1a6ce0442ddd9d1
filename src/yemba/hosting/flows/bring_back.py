"""Going back: an earlier edition live again, or the draft as one was."""

from __future__ import annotations

from yemba.core.message import Message
from yemba.core.site.document import read
from yemba.hosting.flows.publish import make_live
from yemba.hosting.live import edition
from yemba.hosting.models import Edition
from yemba.hosting.rendering import rendering
from yemba.sites import services as sites
from yemba.sites.models import Site


def bring_back(site: Site, number: int) -> Edition:
    """Make an earlier edition live again, byte for byte but for what time has changed; the draft stays as it is.

    Raises Fault ``no-such-edition``.
    """
    earlier = edition(site, number)
    make_live(site, earlier, rendering(read(earlier.document)))
    return earlier


def draft_from(site: Site, number: int) -> None:
    """Make the draft what an edition was made from, as one edit. Raises Fault ``no-such-edition``."""
    sites.put_document(site, read(edition(site, number).document), Message("Draft as edition {number}", number=number))
