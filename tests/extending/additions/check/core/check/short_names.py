"""Page names that say too little."""

from __future__ import annotations

from collections.abc import Iterator

from yemba.core.check.finding import Cure, Finding, Inspected
from yemba.core.place import OfPage

NAME = "Names of pages"
_SHORTEST = 3


def find(inspected: Inspected) -> Iterator[Finding]:
    for key, page in inspected.look.document.ordered_pages():
        if len(page.name) < _SHORTEST:
            sentence = (
                f"The page “{page.name}” has a name of {len(page.name)} letters; visitors cannot tell what it is."
            )
            cure = Cure("Call it Notes", "rename-page", {"page": key, "page_name": "Notes"})
            yield Finding(sentence, OfPage(key, "name"), key, cure)
