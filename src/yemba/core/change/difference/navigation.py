"""What differs of the menu: its order, its links, the names of its entries, which it shows, what stands under what."""

from __future__ import annotations

from collections.abc import Iterator

from yemba.core.change.difference.change import GONE, NEW, VALUE, WORDS, Change, Pair, Steps, change
from yemba.core.change.difference.order import toggled
from yemba.core.message import Joined, Message
from yemba.core.place import OfMenu
from yemba.core.site.document import Document
from yemba.core.site.navigation import name_of
from yemba.core.value.link import Link

_HOME = ("navigation",)
_HIDDEN = (*_HOME, "hidden")


def changes(pair: Pair) -> Iterator[Change]:
    before, after = pair.before.navigation, pair.after.navigation
    if before.order != after.order:
        steps = pair.moved((*_HOME, "order"))
        states = Message("as it was"), Message("new order")
        yield change("navigation.order", VALUE, Message("Order of the menu"), states, OfMenu(), steps)
    for page in pair.after.pages:
        if page in pair.before.pages:  # what the menu says of a new page comes with the page
            yield from _name(pair, page)
            yield from _entry(pair, page)
    for link in sorted(before.links.keys() | after.links.keys()):
        yield from _link(pair, link)


def _name(pair: Pair, page: str) -> Iterator[Change]:
    name = pair.after.pages[page].name
    names = (pair.before.navigation.names.get(page, name), pair.after.navigation.names.get(page, name))
    if names[0] != names[1]:
        steps = pair.moved((*_HOME, "names", page))
        yield change(f"navigation.{page}", WORDS, Message("Menu name"), names, OfMenu(page), steps, page)


def _entry(pair: Pair, key: str) -> Iterator[Change]:
    """Whether an entry that both have is shown, and what it stands under."""
    before, after = pair.before.navigation, pair.after.navigation
    name, page = name_of(pair.after, key), key if key in pair.after.pages else ""
    if (key in before.hidden) != (key in after.hidden):
        hidden, shown = Message("hidden"), Message("shown")
        states: tuple[str, str] = (hidden, shown) if key in before.hidden else (shown, hidden)
        place = OfMenu(key, "shown")
        yield change(
            f"menu.{key}", VALUE, Message("{name} in the menu", name=name), states, place, visibility(pair, key), page
        )
    if before.under.get(key) != after.under.get(key):
        states = _over(pair.before, key), _over(pair.after, key)
        steps = pair.moved((*_HOME, "under", key))
        yield change(
            f"under.{key}", VALUE, Message("{name} in the menu", name=name), states, OfMenu(key, "under"), steps, page
        )


def _over(document: Document, key: str) -> str:
    over = document.navigation.under.get(key, "")
    known = over in document.pages or over in document.navigation.links
    return Message("under {name_of}", name_of=name_of(document, over)) if known else Message("at the top")


def _link(pair: Pair, key: str) -> Iterator[Change]:
    """A link that came, went, or leads or is called otherwise."""
    was, now = pair.before.navigation.links.get(key), pair.after.navigation.links.get(key)
    if was == now:
        yield from _entry(pair, key)
        return
    if was and now:
        states: tuple[str, str] = (
            Joined(", ", [was.name, Link().say(was.link, pair.was)]),
            Joined(", ", [now.name, Link().say(now.link, pair.now)]),
        )
        steps = pair.moved((*_HOME, "links", key))
        yield change(f"link.{key}", WORDS, Message("Link in the menu"), states, OfMenu(key), steps)
        yield from _entry(pair, key)
        return
    states = NEW if now else GONE
    subject = Message("Link {name} in the menu", name=(now or was).name)  # type: ignore[union-attr]
    steps = pair.moved((*_HOME, "links", key)) + _placed(pair, key)
    yield change(f"link.{key}", WORDS, subject, states, OfMenu(key), steps)


def visibility(pair: Pair, key: str) -> Steps:
    """Steps for whether the menu shows an entry."""
    before, after = pair.before.navigation, pair.after.navigation
    return pair.put(_HIDDEN, toggled(before.hidden, key), toggled(after.hidden, key))


def of_new_page(pair: Pair, page: str) -> Steps:
    """Steps for what the menu says of a new page."""
    names = Steps((), ())
    if page in pair.after.navigation.names:
        names = pair.moved((*_HOME, "names", page))
    return names + _placed(pair, page)


def _placed(pair: Pair, key: str) -> Steps:
    """Steps for where an entry stands that only one of the two has, and whether it is shown."""
    before, after = pair.before.navigation, pair.after.navigation
    steps = Steps((), ())
    if before.under.get(key) != after.under.get(key):
        steps += pair.moved((*_HOME, "under", key))
    if (key in before.hidden) != (key in after.hidden):
        steps += visibility(pair, key)
    return steps
