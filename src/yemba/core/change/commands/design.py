"""Design values: set one, return one to the template, choose a template, sheet or pairing."""

from __future__ import annotations

from typing import Any, ClassVar

from yemba.core.change.command import Command
from yemba.core.change.commands.one_offs import drop
from yemba.core.change.new_pages import with_new_pages
from yemba.core.change.operation import ABSENT, Operation, put, remove
from yemba.core.errors import Fault
from yemba.core.limits import NAME_LETTERS
from yemba.core.message import Message, Plural
from yemba.core.site.ids import Ids
from yemba.core.site.one_offs import level_of, one_offs
from yemba.core.site.resolve import Look
from yemba.core.site.settings import setting
from yemba.core.type.levels import LEVELS, Level, properties
from yemba.core.value.line import Line


class SetValue(Command):
    """Set one design value by its key."""

    name: ClassVar[str] = "set-value"
    key: str
    value: Any = ""

    def plan(self, look: Look, ids: Ids) -> list[Operation]:
        chosen = setting(self.key)
        if chosen.kind.refers_to and chosen.default is None and not self.value:  # text takes the face it follows
            return [remove(look.document, (chosen.home, self.key))]
        value = chosen.read(self.value)
        chosen.kind.check(value, look, chosen.name, self.key)
        linked, steps = with_new_pages(look, ids, chosen.kind, value, self.key)
        return [*steps, put(look.document, (chosen.home, self.key), linked)]

    def say(self, look: Look) -> str:
        chosen = setting(self.key)
        stays = _stay(look, "face") if chosen.kind.refers_to == "face" else ""
        return f"{chosen.name}: {chosen.kind.say(chosen.read(self.value), look)}{stays}"


class PlaceExtra(Command):
    """Move the small picture of the header by an offset from its anchor, in px."""

    name: ClassVar[str] = "place-extra"
    x: str = "0"
    y: str = "0"

    def plan(self, look: Look, ids: Ids) -> list[Operation]:
        moved = {"header.extra_x": self.x, "header.extra_y": self.y}
        places = ((setting(key), typed) for key, typed in moved.items())
        return [put(look.document, (known.home, known.key), known.read(typed)) for known, typed in places]

    def say(self, look: Look) -> str:
        return Message("Small picture of the header moved: {x} px across, {y} px down", x=self.x, y=self.y)


class ReturnValue(Command):
    """Take the owner's value away, so that the layer below shows."""

    name: ClassVar[str] = "return-value"
    key: str

    def plan(self, look: Look, ids: Ids) -> list[Operation]:
        return [remove(look.document, (setting(self.key).home, self.key))]

    def say(self, look: Look) -> str:
        return Message("{name} as the template has it", name=setting(self.key).name)


class ReturnLevel(Command):
    """All that the owner set of one level of text, back to what the template and the scale give."""

    name: ClassVar[str] = "return-level"
    level: str

    def plan(self, look: Look, ids: Ids) -> list[Operation]:
        keys = (f"{self.level}.{name}" for name in properties(self._known()))
        return [remove(look.document, ("sheet", key)) for key in keys if key in look.document.sheet]

    def say(self, look: Look) -> str:
        return Message("{name} as the template has it{stay}", name=self._known().name, stay=_stay(look, "", self.level))

    def _known(self) -> Level:
        if self.level not in LEVELS:
            raise Fault("no-such-level", Message("There is no level of text “{level}”.", level=self.level), "level")
        return LEVELS[self.level]


def _stay(look: Look, what: str, level: str = "") -> str:
    """How many one-offs of texts an edit leaves as they are: those of one property, or of the texts of one level."""
    stays = [one for one in one_offs(look) if one.element and (not what or one.property == what)]
    if level:
        stays = [one for one in stays if level_of(look, one.standing.section, one.element) == level]
    return Plural("; {number} one-off stays as set", "; {number} one-offs stay as set", len(stays)) if stays else ""


class ReturnChapter(Command):
    """All design values of one subject, or with "" of every one, back to the template's. Content is not touched.

    One-offs are kept, or with `one_offs` "clear" taken away too.
    """

    name: ClassVar[str] = "return-chapter"
    of: str = ""
    one_offs: str = "keep"

    def plan(self, look: Look, ids: Ids) -> list[Operation]:
        stored = [(home, key) for home in ("sheet", "parts") for key in getattr(look.document, home)]
        steps = [remove(look.document, at) for at in stored if self.of in ("", setting(at[1]).subject)]
        if not self.of:
            steps += [put(look.document, (field,), ABSENT) for field in ("ready_sheet", "own_sheet", "set_aside")]
        if self.one_offs == "clear" and self.of in ("", "pages"):
            steps += drop(look.document, one_offs(look))
        return steps

    def say(self, look: Look) -> str:
        what = Message("Chapter {of}", of=self.of.title()) if self.of else Message("The whole design")
        if self.one_offs == "clear":
            return Message("{what} as the template has it, one-offs too", what=what)
        return Message("{what} as the template has it", what=what)


class ChooseTemplate(Command):
    """Change the template. Nothing else in the document is touched: that is why nothing is lost."""

    name: ClassVar[str] = "choose-template"
    template: str

    def plan(self, look: Look, ids: Ids) -> list[Operation]:
        return [put(look.document, ("template",), look.catalogue.template(self.template).slug)]

    def say(self, look: Look) -> str:
        return Message("Template {name}", name=look.catalogue.template(self.template).name)


class ChoosePairing(Command):
    """Heading and body family together."""

    name: ClassVar[str] = "choose-pairing"
    pairing: str

    def plan(self, look: Look, ids: Ids) -> list[Operation]:
        pairing = look.catalogue.pairings.get(self.pairing)
        if pairing is None:
            raise Fault("no-such-pairing", Message("There is no pairing “{pairing}”.", pairing=self.pairing), "pairing")
        return [
            put(look.document, ("sheet", "type.heading"), pairing.heading),
            put(look.document, ("sheet", "type.body"), pairing.body),
        ]

    def say(self, look: Look) -> str:
        return Message(
            "Pairing {name}{stay}", name=look.catalogue.pairings[self.pairing].name, stay=_stay(look, "face")
        )


class ChooseFaces(Command):
    """Any heading and body family together."""

    name: ClassVar[str] = "choose-faces"
    heading: str
    body: str

    def plan(self, look: Look, ids: Ids) -> list[Operation]:
        known = look.families
        for family in (self.heading, self.body):
            if family not in known:
                raise Fault("no-such-family", Message("There is no typeface “{family}”.", family=family), "heading")
        return [
            put(look.document, ("sheet", "type.heading"), self.heading),
            put(look.document, ("sheet", "type.body"), self.body),
        ]

    def say(self, look: Look) -> str:
        known = look.families
        names = [known[slug].name for slug in (self.heading, self.body)]
        return Message(
            "{names} for headings, {names_2} for text{stay}", names=names[0], names_2=names[1], stay=_stay(look, "face")
        )


class NameSite(Command):
    """The site's name, its tagline, or both."""

    name: ClassVar[str] = "name-site"
    title: str | None = None
    tagline: str | None = None

    def plan(self, look: Look, ids: Ids) -> list[Operation]:
        steps = []
        if self.title is not None:
            title = Line(NAME_LETTERS, empty=False).read(self.title, Message("The site’s name"), "title")
            steps.append(put(look.document, ("name",), title))
        if self.tagline is not None:
            tagline = Line(120).read(self.tagline, Message("The tagline"), "tagline")
            steps.append(put(look.document, ("tagline",), tagline or ABSENT))
        return steps

    def say(self, look: Look) -> str:
        if self.title is None or self.title.strip() == look.document.name:
            return Message("Tagline: {value}", value=self.tagline or Message("none"))
        return Message("Site name: {title}", title=self.title)
