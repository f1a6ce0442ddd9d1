"""What a part is: header, footer, whatever every page shares."""

from __future__ import annotations

import importlib
import pkgutil
from collections.abc import Callable, Iterable, Mapping
from functools import cache
from typing import TYPE_CHECKING, NamedTuple

from yemba.core.place import Place
from yemba.core.site.setting import Setting

if TYPE_CHECKING:
    from yemba.core.site.document import Standing
    from yemba.core.site.resolve import Look

BEFORE, BESIDE, AFTER = "before", "beside", "after"
"""Where a part stands on a page: before its content, beside it, or after."""

_STANDS = (BEFORE, BESIDE, AFTER)


class Element(NamedTuple):
    """Something in a part that can be pointed at: its name, the level of text it is set in, and what decides it."""

    name: str
    level: str
    place: Place


class PartText(NamedTuple):
    """Words that a part shows, and the element they stand in; `page` is the id of the page they are of, or ""."""

    element: str
    words: str
    page: str = ""


def _no_texts(look: Look) -> Iterable[PartText]:
    return ()


class Part(NamedTuple):
    """A part of every page.

    `settings` hold one of its ground, "SLUG.ground". `elements` are what can be pointed at, by the name that the markup
    gives in data-field; "" is the part itself. `texts` gives its words. One that `holds_sections` has sections of its
    own. `order` places it among those before or after the content. `stands_on` tells the ground of one that does not
    have the same on every page, by the id of a page. `chapter` is the slug of the one in which it is decided, "" for
    one of its own. Its markup is ``render/parts/SLUG.html``, its styles
    are ``render/parts/SLUG.css``.
    """

    slug: str
    name: str
    stands: str
    settings: tuple[Setting, ...]
    elements: Mapping[str, Element]
    texts: Callable[[Look], Iterable[PartText]] = _no_texts
    holds_sections: bool = False
    order: int = 0
    stands_on: Callable[[Look, str], str] | None = None
    chapter: str = ""

    @property
    def ground(self) -> str:
        """The key of the setting of its ground."""
        return f"{self.slug}.ground"

    def ground_on(self, look: Look, page: str) -> str:
        """The ground it stands on, on a page, by its slug."""
        return self.stands_on(look, page) if self.stands_on else str(look.value(self.ground))

    def element(self, field: str) -> Element:
        """What is pointed at; the part itself for anything unknown."""
        return self.elements.get(field) or self.elements[""]


def ground_under(look: Look, standing: Standing, page: str = "") -> str:
    """The ground that a section stands on, on a page (the first where none is named), by its slug: one of a
    part has the part's, but where its owner chose another."""
    if standing.part and not standing.section.ground:
        return parts()[standing.part].ground_on(look, page or look.document.order[0])
    return str(look.ground(standing.section).value)


@cache
def parts() -> Mapping[str, Part]:
    """Every part by slug, in the order they stand on a page."""
    from yemba.core import part as folder

    modules = (importlib.import_module(f"{folder.__name__}.{m.name}") for m in pkgutil.iter_modules(folder.__path__))
    known: list[Part] = [module.PART for module in modules if hasattr(module, "PART")]
    known.sort(key=lambda part: (_STANDS.index(part.stands), part.order, part.slug))
    return {part.slug: part for part in known}


def part_settings() -> list[Setting]:
    """The settings of all parts."""
    return [setting for part in parts().values() for setting in part.settings]
