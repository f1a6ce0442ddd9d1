"""Whether visitors find their way from page to page."""

from __future__ import annotations

from collections.abc import Iterator

from yemba.core.check.finding import Cure, Finding, Inspected
from yemba.core.layout.arrangement import NONE
from yemba.core.place import OfSetting

NAME = "The way about"


def find(inspected: Inspected) -> Iterator[Finding]:
    """A site of several pages without a menu in its header or its footer."""
    look = inspected.look
    if look.arrangement.menu != NONE or look.value("footer.navigation") or len(look.document.pages) < 2:
        return
    sentence = "There is no header, and the footer shows no navigation: nobody finds the other pages."
    cure = Cure("Show the navigation in the footer", "set-value", {"key": "footer.navigation", "value": "true"})
    yield Finding(sentence, OfSetting("footer.navigation"), "", cure)
