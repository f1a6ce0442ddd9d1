"""What Yemba ships, as values: the rules are given it, they do not look for it."""

from __future__ import annotations

from typing import NamedTuple

from yemba.core.errors import Fault
from yemba.core.site.kinds import SectionKind
from yemba.core.template.manifest import ReadySheet, Template
from yemba.core.type.facts import Face, Facts


class Family(NamedTuple):
    """A shipped type family. `files` maps (style, subset) to a file name, `face` reads the upright one."""

    slug: str
    name: str
    kind: str
    about: str
    weights: tuple[int, int]
    files: dict[tuple[str, str], str]
    face: Face

    @property
    def facts(self) -> Facts:
        return self.face.facts

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
