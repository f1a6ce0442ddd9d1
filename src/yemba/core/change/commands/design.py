"""Design values: set one, return one to the template, choose a template, sheet or pairing."""

from __future__ import annotations

from typing import Any, ClassVar

from yemba.core.change.command import Command
from yemba.core.change.commands.one_offs import drop
from yemba.core.change.operation import ABSENT, Operation, put, remove
from yemba.core.change.said import said
from yemba.core.errors import Fault
from yemba.core.site.catalogue import Catalogue
from yemba.core.site.document import Document
from yemba.core.site.one_offs import level_of, one_offs
from yemba.core.site.resolve import Look
from yemba.core.site.settings import GroundChoice, Line, OneOf, YesNo, names_family, setting
from yemba.core.type.levels import LEVELS, Level, properties


class SetValue(Command):
    """Set one design value by its key."""

    name: ClassVar[str] = "set-value"
    key: str
    value: Any = ""

    def plan(self, document: Document, catalogue: Catalogue) -> list[Operation]:
        chosen = setting(self.key)
        if self.key.endswith(".face") and not self.value:
            return [remove(document, (chosen.home, self.key))]
        value = chosen.rule.read(self.value, chosen.name, self.key)
        if names_family(self.key) and value not in Look(document, catalogue).families:
            raise Fault("no-such-family", f"There is no typeface “{value}”.", self.key)
        if self.key.endswith(".ground") and value not in Look(document, catalogue).ground_names:
            offered = ", ".join(Look(document, catalogue).ground_names)
            raise Fault("no-such-ground", f"“{value}” is no ground. Choose: {offered}.", self.key)
        if self.key in ("logo.picture", "header.backdrop") and value and value not in document.pictures:
            raise Fault("no-such-picture", "That picture is no longer here. Choose a file again.", self.key)
        return [put(document, (chosen.home, self.key), value)]

    def say(self, document: Document, catalogue: Catalogue) -> str:
        chosen = setting(self.key)
        if isinstance(chosen.rule, OneOf | GroundChoice):
            return f"{chosen.name}: {said(self.key, str(self.value), Look(document, catalogue))}"
        if isinstance(chosen.rule, YesNo):
            return f"{chosen.name}: {'shown' if chosen.rule.read(self.value, '', '') else 'not shown'}"
        if names_family(self.key):
            name = said(self.key, str(self.value), Look(document, catalogue))
            return f"{chosen.name}: {name}{_stay(document, catalogue, 'face')}"
        return f"{chosen.name}: {self.value}"


class ReturnValue(Command):
    """Take the owner's value away, so that the layer below shows."""

    name: ClassVar[str] = "return-value"
    key: str

    def plan(self, document: Document, catalogue: Catalogue) -> list[Operation]:
        return [remove(document, (setting(self.key).home, self.key))]

    def say(self, document: Document, catalogue: Catalogue) -> str:
        return f"{setting(self.key).name} as the template has it"


class ReturnLevel(Command):
    """All that the owner set of one level of text, back to what the template and the scale give."""

    name: ClassVar[str] = "return-level"
    level: str

    def plan(self, document: Document, catalogue: Catalogue) -> list[Operation]:
        keys = (f"{self.level}.{name}" for name in properties(self._known()))
        return [remove(document, ("sheet", key)) for key in keys if key in document.sheet]

    def say(self, document: Document, catalogue: Catalogue) -> str:
        return f"{self._known().name} as the template has it{_stay(document, catalogue, '', self.level)}"

    def _known(self) -> Level:
        if self.level not in LEVELS:
            raise Fault("no-such-level", f"There is no level of text “{self.level}”.", "level")
        return LEVELS[self.level]


def _stay(document: Document, catalogue: Catalogue, what: str, level: str = "") -> str:
    """How many one-offs of texts an edit leaves as they are: those of one property, or of the texts of one level."""
    look = Look(document, catalogue)
    count = sum(
        1
        for one in one_offs(look)
        if one.element
        and (one.path[-1] == what if what else level_of(look, document.section(one.section)[1], one.element) == level)
    )
    return f"; {count} one-off{' stays' if count == 1 else 's stay'} as set" if count else ""


class ReturnChapter(Command):
    """All design values of one chapter, or with "" of every chapter, back to the template's. Content is not touched.

    One-offs are kept, or with `one_offs` "clear" taken away too.
    """

    name: ClassVar[str] = "return-chapter"
    of: str = ""
    one_offs: str = "keep"

    def plan(self, document: Document, catalogue: Catalogue) -> list[Operation]:
        held = [(home, key) for home in ("sheet", "parts") for key in getattr(document, home)]
        steps = [remove(document, at) for at in held if self.of in ("", setting(at[1]).chapter)]
        if not self.of:
            steps += [put(document, (field,), ABSENT) for field in ("ready_sheet", "own_sheet", "set_aside")]
        if self.one_offs == "clear" and self.of in ("", "pages"):
            steps += drop(document, one_offs(Look(document, catalogue)))
        return steps

    def say(self, document: Document, catalogue: Catalogue) -> str:
        what = f"Chapter {self.of.title()}" if self.of else "The whole design"
        return f"{what} as the template has it{', one-offs too' if self.one_offs == 'clear' else ''}"


class ChooseTemplate(Command):
    """Change the template. Nothing else in the document is touched: that is why nothing is lost."""

    name: ClassVar[str] = "choose-template"
    template: str

    def plan(self, document: Document, catalogue: Catalogue) -> list[Operation]:
        return [put(document, ("template",), catalogue.template(self.template).slug)]

    def say(self, document: Document, catalogue: Catalogue) -> str:
        return f"Template {catalogue.template(self.template).name}"


class ChoosePairing(Command):
    """Heading and body family together."""

    name: ClassVar[str] = "choose-pairing"
    pairing: str

    def plan(self, document: Document, catalogue: Catalogue) -> list[Operation]:
        pairing = catalogue.pairings.get(self.pairing)
        if pairing is None:
            raise Fault("no-such-pairing", f"There is no pairing “{self.pairing}”.", "pairing")
        return [
            put(document, ("sheet", "type.heading"), pairing.heading),
            put(document, ("sheet", "type.body"), pairing.body),
        ]

    def say(self, document: Document, catalogue: Catalogue) -> str:
        return f"Pairing {catalogue.pairings[self.pairing].name}{_stay(document, catalogue, 'face')}"


class ChooseFaces(Command):
    """Any heading and body family together."""

    name: ClassVar[str] = "choose-faces"
    heading: str
    body: str

    def plan(self, document: Document, catalogue: Catalogue) -> list[Operation]:
        known = Look(document, catalogue).families
        for family in (self.heading, self.body):
            if family not in known:
                raise Fault("no-such-family", f"There is no typeface “{family}”.", "heading")
        return [
            put(document, ("sheet", "type.heading"), self.heading),
            put(document, ("sheet", "type.body"), self.body),
        ]

    def say(self, document: Document, catalogue: Catalogue) -> str:
        known = Look(document, catalogue).families
        names = [known[slug].name for slug in (self.heading, self.body)]
        return f"{names[0]} for headings, {names[1]} for text{_stay(document, catalogue, 'face')}"


class NameSite(Command):
    """The site's name and tagline."""

    name: ClassVar[str] = "name-site"
    title: str
    tagline: str = ""

    def plan(self, document: Document, catalogue: Catalogue) -> list[Operation]:
        title = Line(60, empty=False).read(self.title, "The site’s name", "title")
        tagline = Line(120).read(self.tagline, "The tagline", "tagline")
        return [
            put(document, ("name",), title),
            put(document, ("tagline",), tagline or ABSENT),
        ]

    def say(self, document: Document, catalogue: Catalogue) -> str:
        if self.title.strip() == document.name:
            return f"Tagline: {self.tagline or 'none'}"
        return f"Site name: {self.title}"
