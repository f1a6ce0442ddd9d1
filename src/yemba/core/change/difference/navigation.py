"""What differs of the menu: its order, the names of its entries, which it shows."""

from __future__ import annotations

from collections.abc import Iterator

from yemba.core.change.difference.change import VALUE, WORDS, Change, Pair, Steps, change
from yemba.core.change.difference.order import toggled
from yemba.core.place import OfMenu

_HIDDEN = ("navigation", "hidden")


def changes(pair: Pair) -> Iterator[Change]:
    before, after = pair.before.navigation, pair.after.navigation
    if before.order != after.order:
        steps = pair.moved(("navigation", "order"))
        states = "as it was", "new order"
        yield change("navigation.order", VALUE, "Order of the menu", states, OfMenu(), steps)
    for page in pair.after.pages:
        if page in pair.before.pages:  # what the menu calls a new page comes with the page
            yield from _entry(pair, page)


def _entry(pair: Pair, page: str) -> Iterator[Change]:
    before, after = pair.before.navigation, pair.after.navigation
    name = pair.after.pages[page].name
    names = before.names.get(page, name), after.names.get(page, name)
    if names[0] != names[1]:
        steps = pair.moved(("navigation", "names", page))
        yield change(f"navigation.{page}", WORDS, "Menu name", names, OfMenu(page), steps, page)
    if (page in before.hidden) != (page in after.hidden):
        states = ("hidden", "shown") if page in before.hidden else ("shown", "hidden")
        place = OfMenu(page, "shown")
        yield change(f"menu.{page}", VALUE, f"{name} in the menu", states, place, visibility(pair, page), page)


def visibility(pair: Pair, page: str) -> Steps:
    """Steps for whether the menu shows a page."""
    before, after = pair.before.navigation, pair.after.navigation
    return pair.put(_HIDDEN, toggled(before.hidden, page), toggled(after.hidden, page))


def of_new_page(pair: Pair, page: str) -> Steps:
    """Steps for what the menu calls a new page, and whether it shows it."""
    before, after = pair.before.navigation, pair.after.navigation
    steps = Steps((), ())
    if page in after.names:
        steps += pair.moved(("navigation", "names", page))
    if (page in before.hidden) != (page in after.hidden):
        steps += visibility(pair, page)
    return steps
