"""What Yemba ships, as values: the rules are given it, they do not look for it."""

from __future__ import annotations

from collections.abc import Callable
from typing import NamedTuple

from yemba.core.errors import Fault
from yemba.core.site.kinds import SectionKind
from yemba.core.template.manifest import ReadySheet, Template
from yemba.core.type.facts import Face, Facts
from yemba.core.type.subsets import SCRIPTS, subset_of


class Family(NamedTuple):
    """A shipped type family. `files` maps (style, subset) to a file name; `open` gives the upright file of a subset,
    read when it is first asked for. `kind` is serif, sans or hand."""

    slug: str
    name: str
    kind: str
    about: str
    files: dict[tuple[str, str], str]
    facts: Facts
    open: Callable[[str], Face]

    @property
    def face(self) -> Face:
        return self.open("latin")

    def lacks(self, text: str) -> str:
        """The characters of a text that it has no letter for, each once, in order of code; blanks do not count."""
        held = {subset for _, subset in self.files}
        wanted = {character: subset_of(character) for character in sorted(set(text)) if not character.isspace()}
        return "".join(c for c, subset in wanted.items() if subset not in held or not self.open(subset).covers(c))

    @property
    def weights(self) -> tuple[int, int]:
        return self.facts.weights

    @property
    def scripts(self) -> list[str]:
        """What it has beyond Latin, in words."""
        held = {subset for _, subset in self.files}
        return [name for subset, name in SCRIPTS.items() if subset in held]

    @property
    def local(self) -> str:
        """The local font its fallback is made from."""
        return "Times New Roman" if self.kind == "serif" else "Arial"


class Pairing(NamedTuple):
    """A heading and a body family that go together, and why."""

    slug: str
    name: str
    heading: str
    body: str
    reason: str


class Catalogue(NamedTuple):
    templates: dict[str, Template]
    kinds: dict[str, SectionKind]
    families: dict[str, Family]
    pairings: dict[str, Pairing]

    def kind(self, slug: str) -> SectionKind:
        """Raises Fault ``no-such-kind``."""
        if slug not in self.kinds:
            raise Fault("no-such-kind", f"There is no kind of section called “{slug}”.", "kind")
        return self.kinds[slug]

    def template(self, slug: str) -> Template:
        """Raises Fault ``no-such-template``."""
        if slug not in self.templates:
            raise Fault("no-such-template", f"There is no template called “{slug}”.", "template")
        return self.templates[slug]

    def ready_sheet(self, path: str) -> ReadySheet:
        """`path` is "template/sheet". Raises Fault ``no-such-sheet``."""
        template, _, slug = path.partition("/")
        sheet = self.template(template).sheet(slug)
        if sheet is None:
            raise Fault("no-such-sheet", f"There is no ready brand sheet “{path}”.", "sheet")
        return sheet
