"""Whether visitors find their way from page to page."""

from __future__ import annotations

from collections.abc import Iterator

from yemba.core.check.finding import Cure, Finding, Inspected
from yemba.core.layout.arrangement import NONE
from yemba.core.message import Message
from yemba.core.place import OfMenu, OfSetting
from yemba.core.site.footer import has_navigation, is_shown
from yemba.core.site.header import shown_title
from yemba.core.site.navigation import leads_home

NAME = Message("The way about")


def find(inspected: Inspected) -> Iterator[Finding]:
    """A site of several pages without a menu in its header or its footer, or where nothing leads back to the first."""
    yield from _nowhere(inspected)
    yield from _not_home(inspected)


def _nowhere(inspected: Inspected) -> Iterator[Finding]:
    look = inspected.look
    if look.arrangement.menu != NONE or has_navigation(look) or len(look.document.pages) < 2:
        return
    if is_shown(look):
        what, key, shows = (
            Message("the footer shows no navigation"),
            "footer.navigation",
            Message("Show the navigation in the footer"),
        )
    else:
        what, key, shows = Message("no footer"), "footer.shown", Message("Show the footer")
    sentence = Message("There is no header, and {what}: nobody finds the other pages.", what=what)
    yield Finding(sentence, OfSetting(key), "", Cure(shows, "set-value", {"key": key, "value": "true"}))


def _not_home(inspected: Inspected) -> Iterator[Finding]:
    """Neither a mark nor an entry of the menu leads to the first page."""
    look, document = inspected.look, inspected.look.document
    needed = look.arrangement.menu != NONE and shown_title(look) != "both" and len(document.pages) > 1
    if not needed or leads_home(document):
        return
    first = document.order[0]
    name = document.pages[first].name
    sentence = Message(
        "Where neither name nor logo stands in the header, the menu does not lead back to {name} either.", name=name
    )
    cure = Cure(Message("Show {name} in the menu", name=name), "show-menu-entry", {"entry": first, "shown": "true"})
    yield Finding(sentence, OfMenu(first, "shown"), "", cure)
