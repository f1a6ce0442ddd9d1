"""What differs of the pages: which there are, their properties, their order; and of whatever else holds sections."""

from __future__ import annotations

from collections.abc import Callable, Iterator, Mapping

from yemba.core.calendar.in_words import day_in_words
from yemba.core.change.difference import sections
from yemba.core.change.difference.change import GONE, NEW, PAGE, SECTION, VALUE, WORDS, Change, Pair, Steps, change
from yemba.core.change.difference.navigation import of_new_page
from yemba.core.change.difference.order import arranged, inserted, reordered, without
from yemba.core.change.operation import Path
from yemba.core.message import Joined, Message, labels
from yemba.core.part.part import parts
from yemba.core.picture.sharing import COMPOSITIONS
from yemba.core.place import OfPage, OfPages, OfSection
from yemba.core.site.document import STANDING, Holder, Page, Standing

_PROPERTIES = labels({"name": "Page name", "slug": "Address", "title": "Title", "description": "Description"})
_REORDERED = (Message("as it was"), Message("new order"))


def _composition(page: Page) -> str:
    return COMPOSITIONS.get(page.card, Message("as the site’s"))


def _seen(page: Page) -> str:
    return Message("not published") if page.unpublished else Message("published")


def _sidebar(page: Page) -> str:
    return Message("none") if page.no_sidebar else Message("as on the others")


def _posted(page: Page) -> str:
    """When a post appears, in words."""
    day, _, time = page.posted.partition("T")
    return Joined(", ", filter(None, (day_in_words(day), time))) if day else Message("no post")


def _tags(page: Page) -> str:
    return ", ".join(page.tags) or Message("none")


_STATES: Mapping[str, tuple[str, Callable[[Page], Message], Callable[[Page], str]]] = {
    "card": ("card", lambda page: Message("Picture for sharing of {name}", name=page.name), _composition),
    "no_sidebar": ("sidebar", lambda page: Message("Sidebar on {name}", name=page.name), _sidebar),
    "unpublished": ("unpublished", lambda page: Message("Page {name}", name=page.name), _seen),
    "posted": ("posted", lambda page: Message("Day of {name}", name=page.name), _posted),
    "tags": ("tags", lambda page: Message("Tags of {name}", name=page.name), _tags),
}
"""Properties of a page that are no words: the place of each, what is said to differ, and each state in words."""


def changes(pair: Pair) -> Iterator[Change]:
    before, after = pair.before, pair.after
    for key, page in after.ordered_pages():
        old = before.pages.get(key)
        if old is None:
            steps = _come_or_gone(pair, (), "pages", key, before.order, after.order) + of_new_page(pair, key)
            yield change(f"page.{key}", PAGE, Message("Page {name}", name=page.name), NEW, OfPage(key), steps, key)
        elif old is not page and old != page:
            yield from _page(pair, key, old, page)
    for key in before.order:
        if key not in after.pages:
            steps = _come_or_gone(pair, (), "pages", key, before.order, after.order)
            subject = Message("Page {name}", name=before.pages[key].name)
            yield change(f"page.{key}", PAGE, subject, GONE, OfPages(), steps, key)
    if reordered(before.order, after.order):
        yield _order(pair, (), before.order, after.order, "page.order", Message("Order of pages"), "")
    yield from _standing(pair)
    for slug, part in parts().items():
        old_part, new_part = before.shared.get(slug, Holder()), after.shared.get(slug, Holder())
        if old_part != new_part:
            yield from _sections(
                pair, ("shared", slug), old_part, new_part, Message("in the {name}", name=part.name.lower())
            )


def _page(pair: Pair, key: str, old: Page, new: Page) -> Iterator[Change]:
    here: Path = ("pages", key)
    for field, subject in _PROPERTIES.items():
        states = getattr(old, field), getattr(new, field)
        if states[0] == states[1]:
            continue
        steps = pair.moved((*here, field), (*here, "was")) if field == "slug" else pair.moved((*here, field))
        yield change(f"page.{key}.{field}", WORDS, subject, states, OfPage(key, field), steps, key)
    for field, (what, called, say) in _STATES.items():
        if getattr(old, field) == getattr(new, field):
            continue
        steps = pair.moved((*here, field))
        yield change(f"page.{key}.{what}", VALUE, called(new), (say(old), say(new)), OfPage(key, what), steps, key)
    if old.was != new.was and old.slug == new.slug:
        steps = pair.moved((*here, "was"))
        subject = Message("Old addresses of {name}", name=new.name)
        states = _old_addresses(old), _old_addresses(new)
        yield change(f"page.{key}.was", WORDS, subject, states, OfPage(key, "slug"), steps, key)
    yield from _sections(pair, ("pages", key), old, new, Message("on {name}", name=new.name))
    yield from _shown_on(pair, key, old, new)


def _old_addresses(page: Page) -> str:
    return ", ".join(page.was) or Message("none")


def _standing(pair: Pair) -> Iterator[Change]:
    """What differs of standing sections; one that comes or goes does so with the pages that show it."""
    old, new = (document.shared.get(STANDING, Holder()) for document in (pair.before, pair.after))
    if old == new:
        return
    for one in _sections(pair, ("shared", STANDING), old, new, Message("on several pages")):
        key = one.key.removeprefix("section.")
        if (key in old.sections) == (key in new.sections):
            yield one
            continue
        pages = [page for page in pair.before.pages if page in pair.after.pages and _differs(pair, page, key)]
        steps = pair.moved(*(("pages", page, "standing", key) for page in pages))
        yield one._replace(steps=one.steps + steps.forth, back=one.back + steps.back)


def _differs(pair: Pair, page: str, section: str) -> bool:
    return pair.before.pages[page].standing.get(section) != pair.after.pages[page].standing.get(section)


def _shown_on(pair: Pair, page: str, old: Page, new: Page) -> Iterator[Change]:
    """Standing sections, which both documents have, that a page shows now, no more, or elsewhere."""
    if old.standing == new.standing:
        return
    both = [document.shared.get(STANDING, Holder()).sections for document in (pair.before, pair.after)]
    for key in [*new.standing, *(one for one in old.standing if one not in new.standing)]:
        states = old.standing.get(key), new.standing.get(key)
        if states[0] == states[1] or not all(key in sections for sections in both):
            continue
        kind = pair.now.catalogue.kind(both[1][key].kind).name
        sentence = (
            Message("shown") if states[0] else "",
            (Message("shown elsewhere") if states[0] else Message("shown")) if states[1] else Message("taken off"),
        )
        steps = pair.moved(("pages", page, "standing", key))
        yield change(
            f"page.{page}.standing.{key}",
            SECTION,
            Message("{kind} on {name}", kind=kind, name=new.name),
            sentence,
            OfPage(page),
            steps,
            page,
        )


def _sections(pair: Pair, path: tuple[str, str], old: Holder, new: Holder, where: str) -> Iterator[Change]:
    """What came, what went, what differs, and the order."""
    page = path[1] if path[0] == "pages" else ""
    for key in [*new.order, *(k for k in old.order if k not in new.sections)]:
        was, now = old.sections.get(key), new.sections.get(key)
        kind = pair.now.catalogue.kind((now or old.sections[key]).kind).name
        if was and now:
            if was != now:
                yield from sections.changes(pair, Standing(path, key, was), now, Joined(" ", [kind, where]))
            continue
        steps = _come_or_gone(pair, path, "sections", key, old.order, new.order)
        states = GONE if was else NEW
        place = OfSection(key) if now else OfPage(path[1])
        yield change(f"section.{key}", SECTION, f"{kind} {where}", states, place, steps, page)
    if reordered(old.order, new.order):
        yield _order(
            pair, path, old.order, new.order, f"page.{path[1]}.order", Message("Order {where}", where=where), page
        )


def _order(pair: Pair, here: Path, old: list[str], new: list[str], key: str, subject: str, page: str) -> Change:
    """A change of order among the things that both have."""
    steps = pair.put((*here, "order"), arranged(old, new), arranged(new, old))
    return change(key, VALUE, subject, _REORDERED, OfPage(page) if page else OfPages(), steps, page)


def _come_or_gone(pair: Pair, here: Path, holder: str, key: str, old: list[str], new: list[str]) -> Steps:
    """Steps for a page or a section that only one of the two has, with its place in the order."""
    if key in new:
        orders = inserted(old, key, new), without(new, key)
    else:
        orders = without(old, key), inserted(new, key, old)
    return pair.moved((*here, holder, key)) + pair.put((*here, "order"), *orders)
