"""Reach: the places of a site that are written otherwise, or look otherwise, in another document.

Exact, and yet no page is rendered that cannot differ. A section's look follows from its shape (kind,
layout, which fields are filled): which values that takes is found once for each shape (``uses``).
Content is compared as stored first, and rendered only where that differs.
"""

from __future__ import annotations

import re
from collections.abc import Callable, Hashable
from functools import cached_property
from typing import Any, NamedTuple

from pydantic import ValidationError

from yemba.core.change.difference import Change
from yemba.core.change.operation import apply
from yemba.core.kept import kept
from yemba.core.site.document import Page, Section, fields_of, values_of
from yemba.core.site.resolve import Look
from yemba.render.one_off import marks_of
from yemba.render.page import at, footer, header, show_section
from yemba.render.site import Site
from yemba.render.style import custom_properties, header_fit
from yemba.render.uses import Use, use

_TAG = re.compile(r"<(\w+)")
_PAGE = re.compile(r"page:(\w+)")


class Place(NamedTuple):
    """A section of a page, or "header" or "footer" of one."""

    page: str
    section: str


class State:
    """A document as far as its places show it. Made once for a document, compared with many."""

    def __init__(self, site: Site) -> None:
        self.site = site
        self.look = site.look
        self._values = custom_properties(self.look)
        self._looks: dict[Hashable, Any] = {}
        self._facts: dict[str, Any] = {}

    def use(self, shape: Hashable, fragment: Callable[[], str], first: bool = False) -> Use:
        """Which of the owner's values a fragment of this shape takes, and by which rules."""
        document = self.look.document
        known = (shape, document.template, self.look.value("header.arrangement"), first)
        if known not in _USES:
            if len(_USES) > _MOST_SHAPES:
                _USES.clear()
            _USES[known] = use(fragment(), document.template, self.look.value("header.arrangement"), first)
        return _USES[known]

    def looks(self, shape: Hashable, ground: str, fragment: Callable[[], str], first: bool = False) -> Any:
        """All that decides how a fragment of this shape looks on a ground."""
        key = (shape, first, ground)
        if key not in self._looks:
            used = self.use(shape, fragment, first)
            root, grounds = self._values
            values = root | grounds[ground]
            self._looks[key] = (used.rules, tuple(values.get(name) for name in used.values))
        return self._looks[key]

    def written(self, page: str, place: str) -> str:
        """The markup of a place."""
        return self.part(place, page) if place in PARTS else self.section(page, place)

    def facts(self, page: str, place: str) -> Any:
        """All that the markup of a place is made from: where it is the same, so is the markup."""
        held = self.look.document.pages[page]
        return (self.part_facts(place), held.slug == "") if place in PARTS else _facts(self, held, place)

    def section(self, page: str, key: str) -> str:
        document = self.look.document
        found = document.pages[page]
        place = found.order.index(key)
        return show_section(self.site, at(document, page), key, found.sections[key], place)

    def section_looks(self, page: str, key: str) -> Any:
        section, first = self._held(page, key)
        return self.looks(
            self._shape_of(section), self.look.ground(section).value, lambda: self.section(page, key), first
        )

    def section_use(self, page: str, key: str) -> Use:
        section, first = self._held(page, key)
        return self.use(self._shape_of(section), lambda: self.section(page, key), first)

    def _held(self, page: str, key: str) -> tuple[Section, bool]:
        held = self.look.document.pages[page]
        return held.sections[key], held.order[0] == key

    def _shape_of(self, section: Section) -> Hashable:
        return (section.kind, self.look.layout(section).value, _shape(section))

    def part(self, part: str, page: str) -> str:
        return (header if part == "header" else footer)(self.site, at(self.look.document, page))

    @cached_property
    def fold(self) -> int:
        return header_fit(self.look).fold

    def part_looks(self, part: str) -> Any:
        html, shape = self._part_shape(part)
        looks = self.looks(shape, self.look.value(f"{part}.ground"), lambda: html)
        return (looks, self.fold) if part == "header" else looks

    def part_use(self, part: str) -> Use:
        html, shape = self._part_shape(part)
        return self.use(shape, lambda: html)

    def _part_shape(self, part: str) -> tuple[str, Hashable]:
        html = self.part(part, self.look.document.order[0])
        return html, (part, frozenset(re.findall(r'class="([\w-]+)"|<(\w+)', html)))

    def part_facts(self, part: str) -> Any:
        """All that a part's markup is made from, but for the address of the page it stands on."""
        if part not in self._facts:
            document, look = self.look.document, self.look
            pages = tuple((key, page.name, page.slug) for key, page in document.ordered_pages())
            values = tuple(look.value(key) for key in _PART_KEYS if key.startswith((part, "logo")))
            shown = [document.pictures.get(look.value(key)) for key in ("logo.picture", "header.backdrop")]
            name = (document.name, document.tagline)
            self._facts[part] = (name, pages, document.navigation, values, shown, self.site.today.year)
        return self._facts[part]

    @cached_property
    def shared(self) -> Any:
        """What may show in any section: names and addresses of pages, pictures, how dates and prices are said."""
        document = self.look.document
        addresses = tuple((key, page.slug) for key, page in document.ordered_pages())
        return (addresses, document.pictures, document.language, document.currency, document.template)


PARTS = ("header", "footer")
_MOST_SHAPES = 4000
_USES: dict[Hashable, Use] = {}


def reach(before: State, after: State) -> list[Place]:
    """Places that are written or look otherwise, those that came and those that went; in page order."""
    was, now = before.look.document, after.look.document
    restyled = {part for part in PARTS if before.part_looks(part) != after.part_looks(part)}
    retold = {part for part in PARTS if before.part_facts(part) != after.part_facts(part)}
    shared = before.shared == after.shared
    verdicts: dict[int, bool] = {}
    found: list[Place] = []
    for page_id in [*now.order, *(key for key in was.order if key not in now.pages)]:
        old, new = was.pages.get(page_id), now.pages.get(page_id)
        if old is None or new is None:
            held = (new or old).order  # type: ignore[union-attr]
            found += [Place(page_id, key) for key in ("header", *held, "footer")]
            continue
        moved = set(PARTS) if bool(old.slug) != bool(new.slug) else retold
        parts = restyled | {part for part in moved if before.part(part, page_id) != after.part(part, page_id)}
        if old is new and shared:
            keys = _restyled(before, after, page_id, verdicts)
        else:
            every = [*new.order, *(key for key in old.order if key not in new.sections)]
            keys = [key for key in every if _differs(before, after, page_id, key)]
        around = [["header"] if "header" in parts else [], keys, ["footer"] if "footer" in parts else []]
        found += [Place(page_id, key) for row in around for key in row]
    return found


def of_change(change: Change, live: State) -> list[Place]:
    """The places one waiting change touches: those that differ once it alone is on the live document.

    A change that cannot stand alone (its page is new too) touches the section or page it names.
    """
    try:
        alone = apply(live.look.document, change.steps)
    except ValidationError:
        return [Place(change.page, change.section)]
    return reach(live, State(live.site._replace(look=Look(alone, live.look.catalogue))))


def _restyled(before: State, after: State, page: str, verdicts: dict[int, bool]) -> list[str]:
    """The sections of an unchanged page that look otherwise. Those of one cut do so together: asked once."""
    held = after.look.document.pages[page]
    keys = []
    for key, cut in cuts(held):
        if cut not in verdicts:
            section = held.sections[key]
            verdicts[cut] = (
                before.section_looks(page, key) != after.section_looks(page, key)
                or before.look.layout(section) != after.look.layout(section)
                or before.look.ground(section).value != after.look.ground(section).value
            )
        apart = held.sections[key].one_offs and _marks_differ(before, after, held.sections[key])
        if verdicts[cut] or apart:
            keys.append(key)
    return keys


def _marks_differ(before: State, after: State, section: Section) -> bool:
    return marks_of(before.look, section) != marks_of(after.look, section)


_PART_KEYS = (
    "header.backdrop",
    "header.ground",
    "header.tagline",
    "header.tint",
    "logo.form",
    "logo.picture",
    "footer.ground",
    "footer.words",
    "footer.copyright",
    "footer.navigation",
)


def _differs(before: State, after: State, page: str, key: str) -> bool:
    was, now = before.look.document.pages[page], after.look.document.pages[page]
    if key not in was.sections or key not in now.sections:
        return True
    if before.section_looks(page, key) != after.section_looks(page, key):
        return True
    if before.facts(page, key) == after.facts(page, key):
        return False
    return before.section(page, key) != after.section(page, key)


def _facts(state: State, page: Page, key: str) -> Any:
    """All that a section's markup is made from."""
    section, document = page.sections[key], state.look.document
    values = values_of(section)
    led = {found for value in values for found in _PAGE.findall(value)}
    slugs = tuple((found, document.pages[found].slug if found in document.pages else None) for found in sorted(led))
    shown = tuple(document.pictures[value] for value in values if value in document.pictures)
    look = (state.look.layout(section).value, state.look.ground(section).value, marks_of(state.look, section))
    first, deep = page.order[0] == key, bool(page.slug)
    return (section, look, slugs, shown, first, deep, document.language, document.currency)


@kept
def _shape(section: Section) -> Hashable:
    """Which elements a section has: fields filled, tags within them, entries."""
    own, *items = [
        frozenset((slug, *_TAG.findall(value)) for slug, value in fields.items() if value)
        for fields in fields_of(section)
    ]
    one_offs = tuple(sorted((element, tuple(sorted(values))) for element, values in section.one_offs.items()))
    return (own, tuple(dict.fromkeys(items)), min(len(items), 4), one_offs)


_CUTS: dict[Hashable, int] = {}


@kept
def cuts(page: Page) -> list[tuple[str, int]]:
    """Each section of a page with the number of its cut: those of one cut look alike under any design."""
    made = []
    for key in page.order:
        section = page.sections[key]
        cut = (section.kind, section.layout, section.ground, _shape(section), page.order[0] == key)
        made.append((key, _CUTS.setdefault(cut, len(_CUTS))))
    return made
