"""What a check finds, what it is given to look at, and how all of them are asked."""

from __future__ import annotations

import importlib
import pkgutil
from collections.abc import Callable, Iterable, Iterator, Mapping, Sequence
from functools import cache, cached_property, partial
from hashlib import sha256
from typing import Any, NamedTuple, Protocol, TypeVar

from yemba.core.cache import Cache
from yemba.core.message import Message
from yemba.core.part.part import parts
from yemba.core.place import OfSection, Place
from yemba.core.site.document import Holder, Picture, Standing
from yemba.core.site.resolve import Look

T = TypeVar("T")
_COMPUTED: Cache[tuple[Any, ...], tuple[Any, Any]] = Cache(
    "what checks find in sections", most=30_000_000, weigh=lambda held: 400 + 400 * len(held[1])
)


class Target(NamedTuple):
    """Something to tap, as a window drew it: its place and words, and its box in px."""

    place: str
    words: str
    x: float
    y: float
    width: float
    height: float


class Height(NamedTuple):
    """A section as a window drew it: its id, its height and that of the highest empty strip in it, in px."""

    place: str
    whole: float
    empty: float


class Measured(NamedTuple):
    """A page as a window of `width` px drew it: how wide its content came out, what pushed it, what can be tapped, how
    high its sections are."""

    width: int
    content: int
    widest: str
    targets: Sequence[Target]
    heights: Sequence[Height] = ()


class Inspected:
    """A site to be looked at. `load` gives a stored picture's bytes by its hash; `weigh` the bytes a
    browser loads of a picture that is to be drawn so many px wide. `measured` are pages, by id, that a
    phone's window has drawn; the checks that need it find nothing on others."""

    def __init__(
        self,
        look: Look,
        load: Callable[[str], bytes],
        weigh: Callable[[Picture, int], int],
        measured: Mapping[str, Measured] | None = None,
    ) -> None:
        self.look = look
        self.load = load
        self.weigh = weigh
        self.measured = measured or {}

    @cached_property
    def around(self) -> str:
        """A digest of all that a section's findings may follow from, beside its own content: what is set for the site,
        its pictures, which pages there are and what they are called."""
        document = self.look.document
        pages = [(key, page.name, page.slug, page.unpublished) for key, page in document.ordered_pages()]
        return sha256(repr((document.model_copy(update={"pages": {}, "order": []}).text(), pages)).encode()).hexdigest()

    def of_section(self, compute: Callable[[Inspected, Standing], T], standing: Standing) -> T:
        """What `compute` makes of a section; not computed again while the section and what is `around` are the same.

        Whether a section is the first of its page counts as its own.
        """
        section = standing.section
        first = self.look.document.holder(standing.holder).order[0] == standing.key
        name = f"{compute.__module__}.{compute.__qualname__}"
        key = (name, id(section), standing.key, first, self.around)
        entry = _COMPUTED.get_or_make(key, lambda: (section, compute(self, standing)))
        outcome: T = entry[1]
        return outcome

    def of_sections(self, compute: Callable[[Inspected, Standing], Sequence[T]]) -> Iterator[T]:
        """What `compute` finds in every section, as they stand; pages that are the same are passed over at once."""
        name = f"{compute.__module__}.{compute.__qualname__}"
        for path, holder in self.look.document.holders():
            key = (name, id(holder), path, self.around)
            entry = _COMPUTED.get_or_make(key, partial(self._of_holder, compute, path, holder))
            yield from entry[1]

    def _of_holder(
        self, compute: Callable[[Inspected, Standing], Sequence[T]], path: tuple[str, str], holder: Holder
    ) -> tuple[Holder, list[T]]:
        sections = (Standing(path, key, section) for key, section in holder.ordered())
        return holder, [finding for standing in sections for finding in self.of_section(compute, standing)]


class Cure(NamedTuple):
    """One command that mends what was found, and what its button says. `action` is "edit", or "mend-logo" where a file
    has to be made first."""

    words: str
    command: str
    arguments: dict[str, Any]
    action: str = "edit"


class Finding(NamedTuple):
    """`sentence` names the thing and its value, `place` is where it is decided, `page` the id of the page it shows on,
    "" for the whole site."""

    sentence: str
    place: Place
    page: str = ""
    cure: Cure | None = None


class Check(Protocol):
    """A module of this folder: what it is called, and what it finds."""

    NAME: str

    def find(self, inspected: Inspected) -> Iterable[Finding]: ...


class Result(NamedTuple):
    """A check with all that it found."""

    slug: str
    name: str
    findings: list[Finding]


@cache
def checks() -> dict[str, Check]:
    """Every check by its module's name."""
    from yemba.core import check as folder

    modules = (importlib.import_module(f"{folder.__name__}.{m.name}") for m in pkgutil.iter_modules(folder.__path__))
    return {m.__name__.rpartition(".")[2]: m for m in modules if hasattr(m, "NAME")}


def where(look: Look, page: str, fragment: str) -> str:
    """A fragment of a page as the owner knows it: "Offers on Home", "the header"."""
    if fragment in parts():
        return Message("the {name}", name=parts()[fragment].name.lower())
    holder = look.document.shown(page)
    kind = (
        look.catalogue.kind(holder.sections[fragment].kind).name
        if fragment in holder.sections
        else Message("a section")
    )
    return Message("{kind} on {name}", kind=kind, name=holder.name)


def place_of(fragment: str) -> Place:
    """Where a fragment of a page is decided: a part by its ground, a section by itself."""
    return parts()[fragment].element("").place if fragment in parts() else OfSection(fragment)


def inspect(inspected: Inspected) -> list[Result]:
    """Every check's result, those that found something first."""
    results = [Result(slug, check.NAME, list(check.find(inspected))) for slug, check in checks().items()]
    return sorted(results, key=lambda result: (not result.findings, result.name))
