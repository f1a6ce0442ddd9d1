"""Reach: the places of a site that are written otherwise, or look otherwise, in another document.

Exact, and yet no page is rendered that cannot differ. A section's look follows from its shape (kind,
layout, which fields are filled): which values that takes is found once for each shape (``uses``).
Its markup follows from what it was seen to read while it was rendered (``recorder``).
"""

from __future__ import annotations

import re
from collections.abc import Hashable, Iterable, Mapping
from functools import cached_property
from typing import Any, NamedTuple

from pydantic import ValidationError

from yemba.core.cache import by_identity
from yemba.core.change.difference import Change
from yemba.core.change.operation import apply
from yemba.core.layout.arrangement import OVER
from yemba.core.layout.frame import NONE, Boxes
from yemba.core.part.part import parts
from yemba.core.place import OfField, OfItems, OfOneOff, OfSection
from yemba.core.site.document import Document, Page, Section
from yemba.core.site.frame import SIDEBAR, frame, sidebar_on
from yemba.core.site.header import header_fit, header_heights
from yemba.core.site.kinds import OF_PAGES
from yemba.core.site.one_offs import BUTTON
from yemba.core.site.resolve import Look
from yemba.render.fragment import depth
from yemba.render.page import fragment_of, places
from yemba.render.recorder import Answers, Reads
from yemba.render.site import Site
from yemba.render.style import custom_properties
from yemba.render.uses import Use, use

_WINDOWS = (390, 1280, 1920)  # px, in which the frame of a page is looked at
_TAG = re.compile(r"<(\w+)")
_CHOICE = re.compile(r"[a-z]{1,16}")  # a value that may be a choice, on which classes depend
_CLASSES = re.compile(r'class="([\w-]+)"|<(\w+)')


class Spot(NamedTuple):
    """A fragment of a page: `place` is the id of a section, or the slug of a part."""

    page: str
    place: str


class State:
    """A document as far as its places show it. Made once for a document, compared with many.

    `recorded` are the reads of its fragments by page and place, as far as they are known from earlier.
    """

    def __init__(self, site: Site, recorded: Mapping[str, Mapping[str, Reads]] | None = None) -> None:
        self.site = site
        self.look: Look = site.look
        self.answers = Answers(site)
        self._recorded = recorded or {}
        fit = header_fit(site.look)
        self._values = custom_properties(site.look, fit)
        self._looks: dict[Hashable, Any] = {}
        self.frame = (frame(site.look, fit), site.look.value("sidebar.folds"))
        self._boxes: dict[str, tuple[Boxes, ...]] = {}
        self._page_reads: dict[str, Reads] = {}
        self._language_reads: dict[str, Reads] = {}

    def of(self, document: Document) -> State:
        """The state of another document of the same site."""
        return State(self.site._replace(look=Look(document, self.look.catalogue)))

    def boxes(self, page: str) -> tuple[Boxes, ...]:
        """Where the page, its content and its sidebar stand, in windows of each of _WINDOWS."""
        side = sidebar_on(self.look, page)
        if side not in self._boxes:
            framed = self.frame[0]._replace(side=side)
            self._boxes[side] = tuple(framed.boxes(window) for window in _WINDOWS)
        return self._boxes[side]

    # Markup

    def markup(self, page: str, place: str) -> str:
        """The markup of a place."""
        return fragment_of(self.answers, page, place).html

    def reads(self, page: str, place: str) -> Reads:
        """What the markup of a place depends on, beside its own content; rendered where that is not known yet."""
        earlier = self._recorded.get(page, {}).get(place)
        return earlier if earlier is not None else fragment_of(self.answers, page, place).reads

    def page_reads(self, page: str) -> Reads:
        """What the markup of any place of a page depends on."""
        if page not in self._page_reads:
            listed = places(self.look.document.shown(page))
            self._page_reads[page] = _merged(self.reads(page, place) for place in listed)
        return self._page_reads[page]

    def language_reads(self, language: str) -> Reads:
        """What the markup of any page in a language depends on."""
        if language not in self._language_reads:
            pages = self.look.document.published_pages()
            listed = [key for key, page in pages if page.language == language]
            self._language_reads[language] = _merged(map(self.page_reads, listed))
        return self._language_reads[language]

    # Looks

    def section_use(self, page: str, key: str) -> Use:
        """Which of the owner's values a section takes, and by which rules."""
        stored = self.look.document.shown(page)
        where = "first" if stored.order[0] == key else "main"
        return self._use(self._shape_of(page, key, stored.sections[key]), lambda: self.markup(page, key), where)

    def section_looks(self, page: str, key: str) -> Any:
        """All that decides how a section looks."""
        stored = self.look.document.shown(page)
        ground, first = self.look.ground(stored.sections[key]).value, stored.order[0] == key
        known = (self._shape_of(page, key, stored.sections[key]), first, ground)
        if known not in self._looks:
            covers = self._covers if first else None
            self._looks[known] = (self._values_of(self.section_use(page, key), ground), covers)
        return self._looks[known]

    def part_use(self, part: str) -> Use:
        """Which of the owner's values a part takes, and by which rules."""
        markup = self.markup(self.look.document.order[0], part)
        shape = (part, frozenset(_CLASSES.findall(markup)))
        return self._use(shape, lambda: markup, "body")

    def part_ground(self, page: str, part: str) -> str:
        """The ground a part stands on, on a page."""
        return parts()[part].ground_on(self.look, page)

    def part_looks(self, part: str, ground: str) -> Any:
        """All that decides how a part looks on a ground; how its pieces fit is the header's."""
        if (part, ground) not in self._looks:
            fit = self._fit if part == "header" else None
            self._looks[part, ground] = (self._values_of(self.part_use(part), ground), fit)
        return self._looks[part, ground]

    @cached_property
    def _fit(self) -> Any:
        """How the header gives way; what fits otherwise and shows alike is left out."""
        fit = header_fit(self.look)
        return fit.stages, fit.action_from

    @cached_property
    def _covers(self) -> Any:
        """How much a header takes that stands over the first section of a page."""
        if self.look.arrangement.stands != OVER:
            return None
        return header_heights(self.look), header_fit(self.look).fold

    @cached_property
    def _buttons(self) -> tuple[str, ...]:
        """What decides the classes of buttons."""
        return tuple(self.look.value(f"buttons.{name}") for name in ("form", "sign", "pointed", "pressed"))

    def _use(self, shape: tuple[Any, ...], markup: Any, where: str) -> Use:
        return use(shape, markup, self.look.document.template, self.look.value("header.arrangement"), where)

    def _values_of(self, used: Use, ground: str) -> Any:
        """The rules, and the values they take on a ground."""
        root, grounds = self._values
        values = root | grounds[ground]
        return used.rules, tuple(values.get(name) for name in used.values)

    def shows_other_pages(self, section: Section) -> bool:
        """Whether which elements it has follows from other pages too, or from the one it stands on."""
        return not OF_PAGES.isdisjoint(self.look.catalogue.kind(section.kind).roles)

    def _shape_of(self, page: str, key: str, section: Section) -> tuple[Any, ...]:
        shape = (section.kind, self.look.layout(section).value, _shape(section), self._buttons)
        if self.shows_other_pages(section):
            return (*shape, frozenset(_CLASSES.findall(self.markup(page, key))))
        return shape


def _merged(several: Iterable[Reads]) -> Reads:
    return {read: digest for reads in several for read, digest in reads.items()}


def reach(before: State, after: State) -> list[Spot]:
    """Places that are written or look otherwise, those that came and those that went; in page order."""
    was, now = before.look.document, after.look.document
    verdicts = _Verdicts(before, after)
    spots: list[Spot] = []
    for page_id in [*now.order, *(key for key in was.order if key not in now.pages)]:
        old, new = (document.shown(page_id) if page_id in document.pages else None for document in (was, now))
        if old is None or new is None:
            spots += [Spot(page_id, place) for place in places(new or was.shown(page_id))]
            continue
        spots += [Spot(page_id, place) for place in verdicts.differing(page_id, old, new)]
    return spots


class _Verdicts:
    """What differs between two states; what many places have in common is asked once."""

    def __init__(self, before: State, after: State) -> None:
        self._before, self._after = before, after
        self._restyled: dict[tuple[str, str, str], bool] = {}
        self._of_cut: dict[int, bool] = {}
        self._of_language: dict[str, bool] = {}

    def differing(self, page: str, old: Page, new: Page) -> list[str]:
        """Places of a page that is in both that are written or look otherwise, those that came and those that went."""
        listed = [*places(new), *(key for key in old.order if key not in new.sections)]
        public = [state.look.document.is_published(page) for state in (self._before, self._after)]
        if not all(public):
            return listed if any(public) else []
        if old is not new or not self._reads_hold(page, new):
            return [place for place in listed if self._differs(page, place, old, new)]
        if self._all_look_alike(page, new):
            return []
        return [place for place in listed if self._looks_otherwise(page, place, old, new)]

    def _all_look_alike(self, page: str, content: Page) -> bool:
        """Whether no place looks otherwise of a page of which all content is the same."""
        if self._before.frame != self._after.frame:
            return False
        if any(self._part_looks_otherwise(page, part) for part in parts()):
            return False
        return not any(self._cut_looks_otherwise(page, key, cut) for key, cut in cuts(content).items())

    def _reads_hold(self, page: str, content: Page) -> bool:
        """Whether nothing differs that the page reads: asked first of all that any page in its language reads."""
        return self._language_holds(content.language) or self._answers(page).hold(self._before.page_reads(page))

    def _language_holds(self, language: str) -> bool:
        """Whether nothing differs that any page in this language reads."""
        if language not in self._of_language:
            answers = self._after.answers.in_language(language)
            self._of_language[language] = answers.hold(self._before.language_reads(language))
        return self._of_language[language]

    def _answers(self, page: str) -> Answers:
        return self._after.answers.of_page(page)

    def _differs(self, page: str, place: str, old: Page, new: Page) -> bool:
        return self._looks_otherwise(page, place, old, new) or self._rewritten(page, place, old, new)

    def _looks_otherwise(self, page: str, place: str, old: Page, new: Page) -> bool:
        """Whether a place stands or looks otherwise, or is in one of them only."""
        if self._stands_otherwise(page, place):
            return True
        if place in parts():
            return self._part_looks_otherwise(page, place)
        if place not in old.sections or place not in new.sections:
            return True
        if old is new:
            return self._cut_looks_otherwise(page, place, cuts(new)[place])
        return bool(self._before.section_looks(page, place) != self._after.section_looks(page, place))

    def _stands_otherwise(self, page: str, place: str) -> bool:
        """Whether the frame of the page gives it another place or width: to sections that of the content, to the
        sidebar its own, to other parts that of the page."""
        both = self._before, self._after
        bare = {state.look.document.pages[page].no_sidebar for state in both}
        if len(bare) == 1 and self._before.frame == self._after.frame:
            return False
        if place == SIDEBAR and len({state.look.value("sidebar.folds") for state in both}) > 1:
            return any(sidebar_on(state.look, page) != NONE for state in both)
        span = {SIDEBAR: "sidebar"}.get(place, "page" if place in parts() else "main")
        old, new = (state.boxes(page) for state in both)
        return any(getattr(one, span) != getattr(other, span) for one, other in zip(old, new, strict=True))

    def _part_looks_otherwise(self, page: str, part: str) -> bool:
        """Asked once for each pair of grounds."""
        grounds = self._before.part_ground(page, part), self._after.part_ground(page, part)
        key = (part, *grounds)
        if key not in self._restyled:
            looks = (self._before.part_looks(part, grounds[0]), self._after.part_looks(part, grounds[1]))
            self._restyled[key] = looks[0] != looks[1]
        return self._restyled[key]

    def _cut_looks_otherwise(self, page: str, key: str, cut: int) -> bool:
        """Of a section that stayed the same. Those of one cut look alike under any design, so that they are asked once,
        but for those that show other pages."""
        if (verdict := self._of_cut.get(cut)) is not None:
            return verdict
        verdict = bool(self._before.section_looks(page, key) != self._after.section_looks(page, key))
        if not self._after.shows_other_pages(self._after.look.document.shown(page).sections[key]):
            self._of_cut[cut] = verdict
        return verdict

    def _rewritten(self, page: str, place: str, old: Page, new: Page) -> bool:
        """Whether the markup differs; rendered only where something that it read differs, or its own content."""
        if _same_content(place, old, new) and self._answers(page).hold(self._before.reads(page, place)):
            return False
        return self._before.markup(page, place) != self._after.markup(page, place)


def _same_content(place: str, old: Page, new: Page) -> bool:
    if depth(old) != depth(new) or old.language != new.language:
        return False
    if old is new or place in parts():
        return True
    first = [stored.order[0] == place for stored in (old, new)]
    return first[0] == first[1] and old.sections[place] == new.sections[place]


def of_change(change: Change, live: State) -> list[Spot]:
    """The places one waiting change touches: those that differ once it alone is on the live document.

    A change that cannot stand alone (its page is new too) touches the section or page it names.
    """
    try:
        alone = apply(live.look.document, change.steps)
    except ValidationError:
        return [Spot(change.page, _section_of(change))]
    return reach(live, live.of(alone))


def part_of(change: Change) -> str | None:
    """The part that a change is of, by its settings or its sections; None for what is of no part."""
    match change.steps[0].path:
        case ("shared" | "parts", str(slug), *_):
            return slug.split(".")[0]
    return None


def _section_of(change: Change) -> str:
    """The section a change is about, "" where it is about none."""
    place = change.place
    return place.section if isinstance(place, OfSection | OfField | OfItems | OfOneOff) else ""


_ENOUGH = 4  # entries, from which on the selectors of position match no further ones


@by_identity("shapes of sections", most=12_000_000, weigh=lambda _: 400)
def _shape(section: Section) -> Hashable:
    """Which elements a section has: fields filled, tags within them, entries."""
    items = [_filled(section.items[key].fields) for key in section.order]
    distinct = tuple(dict.fromkeys(items))
    one_offs = sorted(
        (element, *sorted(values), values.get(BUTTON, "")) for element, values in section.one_offs.items()
    )
    chosen = frozenset(one for one in section.fields.items() if _CHOICE.fullmatch(one[1]))
    return (_filled(section.fields), distinct, min(len(items), _ENOUGH), tuple(one_offs), chosen)


def _filled(fields: Mapping[str, str]) -> frozenset[tuple[str, ...]]:
    return frozenset((slug, *_TAG.findall(value)) for slug, value in fields.items() if value)


_CUTS: dict[Hashable, int] = {}


@by_identity("cuts of pages", most=12_000_000, weigh=lambda cuts: 150 * len(cuts))
def cuts(page: Page) -> dict[str, int]:
    """Each section of a page with the number of its cut: those of one cut look alike under any design."""
    made = {}
    for key, section in page.ordered():
        cut = (section.kind, section.layout, section.ground, _shape(section), page.order[0] == key)
        made[key] = _CUTS.setdefault(cut, len(_CUTS))
    return made
