"""Waiting changes: what differs between two documents, by id, as the owner thinks of it.

Computed whenever it is asked for, never stored: it cannot be stale. What follows from another
change (the header a new template brings) is not a change of its own. One subject, one module.
"""

from __future__ import annotations

from yemba.core.change.difference import navigation, pages, palette, pictures, site, values
from yemba.core.change.difference.change import COLOUR, PAGE, SECTION, VALUE, WORDS, Change, Pair
from yemba.core.site.catalogue import Catalogue
from yemba.core.site.document import Document
from yemba.core.site.resolve import Look

__all__ = ["COLOUR", "PAGE", "SECTION", "VALUE", "WORDS", "Change", "difference"]

_SUBJECTS = (site, palette, values, navigation, pages, pictures)


def difference(before: Document, after: Document, catalogue: Catalogue) -> list[Change]:
    """Every change from `before` to `after`, design first, then pages in their order."""
    pair = Pair(Look(before, catalogue), Look(after, catalogue))
    return [change for subject in _SUBJECTS for change in subject.changes(pair)]
