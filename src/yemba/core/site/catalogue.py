"""What Yemba ships, as values: the rules are given it, they do not look for it."""

from __future__ import annotations

from collections.abc import Callable
from functools import lru_cache
from hashlib import sha256
from itertools import groupby
from typing import NamedTuple

from yemba.core.errors import Fault
from yemba.core.language import Language, unknown
from yemba.core.layout.arrangement import Arrangement
from yemba.core.message import Message
from yemba.core.picture.collection import Drawing, in_own_colours
from yemba.core.site.kinds import ROLES, SectionKind
from yemba.core.template.manifest import ReadySheet, Template
from yemba.core.trade.trade import Trade
from yemba.core.type.facts import FULL, REGULAR, Face, Facts
from yemba.core.type.levels import Text
from yemba.core.type.subsets import SAMPLES, SCRIPTS, subset_of


class FontFile(NamedTuple):
    """One file of a family: `subset` is a key of ``core.type.subsets.RANGES``, "" for a file that is whole; `weights`
    its range or one weight twice; `name` what the family's `read` and `open` know it by."""

    style: str
    subset: str
    weights: tuple[int, int]
    name: str


class Family(NamedTuple):
    """A type family, shipped or the owner's own. `read` gives the bytes of one of its files, `open` its face, read when
    first asked for. `kind` is serif, sans or hand. One that is `whole` may not be cut to the letters used."""

    slug: str
    name: str
    kind: str
    about: str
    files: tuple[FontFile, ...]
    facts: Facts
    read: Callable[[str], bytes]
    open: Callable[[str], Face]
    own: bool = False
    whole: bool = False

    @property
    def face(self) -> Face:
        """The upright face of the Latin letters."""
        return self.open(self.file("x").name)

    def file(self, character: str, weight: int = REGULAR, style: str = "normal") -> FontFile:
        """The file that a browser takes a character from (CSS Fonts 4, sections 5.2 and 5.3); the first where none
        has it."""
        return _nearest(self.files, subset_of(character), weight, style)

    def lacks(self, text: str) -> str:
        """The characters of a text that it has no letter for, each once, in order of code; blanks do not count."""
        return "".join(c for c in sorted(set(text)) if not c.isspace() and not self.open(self.file(c).name).covers(c))

    def width(
        self,
        text: str,
        size: float,
        weight: int = REGULAR,
        spacing: float = 0.0,
        stretch: int = FULL,
        style: str = "normal",
    ) -> float:
        """Width in px of a line of text at `size` px, as browsers set it: each run of letters from its file."""
        runs = groupby(text, key=lambda character: self.file(character, weight, style).name)
        return sum(self.open(name).width("".join(run), size, weight, spacing, stretch) for name, run in runs)

    def text_width(self, text: Text, words: str, size: float) -> float:
        """Width in px of one line of words in a level of text, at `size` px."""
        return self.width(text.written(words), size, text.weight, text.spacing, text.stretch, text.style)

    def average(self, weight: int) -> float:
        """The average advance per em in running text at a weight, the nearest it has."""
        low, high = self.weights
        file = self.file("x", weight)
        return self.open(file.name).average(min(high, max(low, weight)))

    @property
    def weights(self) -> tuple[int, int]:
        """The lightest and the heaviest it has."""
        return min(file.weights[0] for file in self.files), max(file.weights[1] for file in self.files)

    @property
    def widths(self) -> tuple[int, int]:
        """The narrowest and the widest it has, in %."""
        return self.facts.widths

    @property
    def italic(self) -> bool:
        """Whether it has italics of its own; browsers slant the upright where it has none."""
        return any(file.style == "italic" for file in self.files)

    @property
    def scripts(self) -> list[str]:
        """What it has beyond Latin, in words."""
        subsets = {file.subset for file in self.files}
        return [
            name
            for subset, name in SCRIPTS.items()
            if subset in subsets or ("" in subsets and self.face.covers(SAMPLES[subset]))
        ]


@lru_cache(maxsize=4096)
def _nearest(files: tuple[FontFile, ...], subset: str, weight: int, style: str) -> FontFile:
    candidates = [file for file in files if file.subset in ("", subset)]
    return min(candidates or files, key=lambda file: (file.style != style, _off(weight, file.weights)))


def _off(weight: int, span: tuple[int, int]) -> tuple[int, bool]:
    """How far a weight is from what a file has; of two as far, light text takes the lighter (CSS Fonts 4, 5.2)."""
    low, high = span
    off = max(0, low - weight, weight - high)
    return off, (low > weight) == (weight <= REGULAR)


class Pairing(NamedTuple):
    """A heading and a body family that go together, and why."""

    slug: str
    name: str
    heading: str
    body: str
    reason: str


def _no_store(digest: str) -> bytes:
    raise Fault("font-gone", Message("The font file {digest}… is not in the store.", digest=digest[:8]))


class Catalogue(NamedTuple):
    """Everything by slug; languages by tag (BCP 47). `stored` gives the bytes of a file of the owner's by its SHA-256,
    `is_stored` says whether it is there: a catalogue alone has none."""

    templates: dict[str, Template]
    kinds: dict[str, SectionKind]
    families: dict[str, Family]
    pairings: dict[str, Pairing]
    arrangements: dict[str, Arrangement]
    languages: dict[str, Language]
    trades: dict[str, Trade] = {}
    collection: dict[str, Drawing] = {}
    stored: Callable[[str], bytes] = _no_store
    is_stored: Callable[[str], bool] = lambda _: True

    def open_stored(self, digest: str) -> Face:
        """The face of a font file of the owner's, read once."""
        return _opened(digest, self.stored)

    def load(self, digest: str) -> bytes:
        """A file by its SHA-256: a drawing of the collection in its own colours, or of the owner's."""
        drawing = _by_digest(tuple(self.collection.values())).get(digest)
        return in_own_colours(drawing) if drawing else self.stored(digest)

    def kind(self, slug: str) -> SectionKind:
        """Raises Fault ``no-such-kind``."""
        if slug not in self.kinds:
            raise Fault("no-such-kind", Message("There is no kind of section called “{slug}”.", slug=slug), "kind")
        return self.kinds[slug]

    def kind_of_role(self, role: str) -> SectionKind:
        """The first kind that is this to the rest of a site. Raises Fault ``no-such-kind``."""
        for kind in self.kinds.values():
            if role in kind.roles:
                return kind
        raise Fault("no-such-kind", Message("No kind of section is for {roles}.", roles=ROLES[role]), "kind")

    def trade(self, slug: str) -> Trade:
        """Raises Fault ``no-such-trade``."""
        if slug not in self.trades:
            raise Fault("no-such-trade", Message("There is no trade called “{slug}”.", slug=slug), "trade")
        return self.trades[slug]

    def template(self, slug: str) -> Template:
        """Raises Fault ``no-such-template``."""
        if slug not in self.templates:
            raise Fault("no-such-template", Message("There is no template called “{slug}”.", slug=slug), "template")
        return self.templates[slug]

    def language(self, tag: str) -> Language:
        """A language that ships, or what is known of any other: its tag and its direction."""
        return self.languages.get(tag) or self.languages.get(tag.partition("-")[0]) or unknown(tag)

    def arrangement(self, slug: str) -> Arrangement:
        """The arrangement of that slug; the first for one that no longer ships."""
        return self.arrangements.get(slug) or next(iter(self.arrangements.values()))

    def ready_sheet(self, path: str) -> ReadySheet:
        """`path` is "template/sheet". Raises Fault ``no-such-sheet``."""
        template, _, slug = path.partition("/")
        sheet = self.template(template).sheet(slug)
        if sheet is None:
            raise Fault("no-such-sheet", Message("There is no ready brand sheet “{path}”.", path=path), "sheet")
        return sheet


@lru_cache(maxsize=4)
def _by_digest(drawings: tuple[Drawing, ...]) -> dict[str, Drawing]:
    return {sha256(in_own_colours(drawing)).hexdigest(): drawing for drawing in drawings}


@lru_cache(maxsize=64)
def _opened(digest: str, stored: Callable[[str], bytes]) -> Face:
    return Face(stored(digest))
