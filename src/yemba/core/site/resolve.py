"""The value of anything, and where it comes from.

Layers, lowest first: engine < template < brand sheet < part or section < one-off.
The highest layer that speaks decides; taking its value away shows the one below.
"""

from __future__ import annotations

from enum import StrEnum
from functools import cached_property
from typing import Any, NamedTuple

from yemba.core.colour.grounds import GROUND_NAMES, ByHand, Ground, work_out
from yemba.core.colour.srgb import Colour, Read, from_hex, read
from yemba.core.site.catalogue import Catalogue, Family
from yemba.core.site.document import Document, Section
from yemba.core.site.settings import SETTINGS, setting
from yemba.core.type.scale import Fluid, scale


class Origin(StrEnum):
    """The layer that decided a value, as the owner hears it."""

    ENGINE = "Yemba’s default"
    TEMPLATE = "the template"
    SHEET = "your brand sheet"
    PART = "you, for this part"
    SECTION = "you, for this section"
    ONE_OFF = "you, as a one-off here"


class Resolved(NamedTuple):
    """A value and its origin; `detail` names the template or the ready sheet."""

    value: Any
    origin: Origin
    detail: str = ""

    @property
    def set_by_owner(self) -> bool:
        return self.origin not in (Origin.ENGINE, Origin.TEMPLATE)


class Look:
    """Everything a document resolves to. Made once per document, asked often."""

    def __init__(self, document: Document, catalogue: Catalogue) -> None:
        self.document = document
        self.catalogue = catalogue
        self.template = catalogue.template(document.template)
        self._ready = catalogue.ready_sheet(document.ready_sheet) if document.ready_sheet else None

    def resolve(self, key: str) -> Resolved:
        """A setting's value; one that the template cannot show is passed over. Raises Fault ``no-such-setting``."""
        home = setting(key).home
        if key in self.document.parts and self._shows(key, self.document.parts[key]):
            return Resolved(self.document.parts[key], Origin.PART)
        if key in self.document.sheet and self._shows(key, self.document.sheet[key]):
            return Resolved(self.document.sheet[key], Origin.SHEET)
        if home == "sheet" and self._ready and key in self._ready.values:
            return Resolved(self._ready.values[key], Origin.SHEET, self._ready.name)
        own = self.template.sheets[0].values
        for layer in (self.template.design, own):
            if key in layer:
                return Resolved(layer[key], Origin.TEMPLATE, self.template.name)
        return Resolved(SETTINGS[key].default, Origin.ENGINE)

    def _shows(self, key: str, value: Any) -> bool:
        if key.endswith(".ground") and value not in self.grounds:
            return False  # a ground that was taken away
        return self.template.shows(key, value)

    def value(self, key: str) -> Any:
        return self.resolve(key).value

    def layout(self, section: Section) -> Resolved:
        """A stored layout that the kind or the template does not have is kept, and its nearest twin shown."""
        kind = self.catalogue.kind(section.kind)
        known = {slug for slug in kind.layout_names() if self.template.shows(section.kind, slug)}
        if section.layout in known:
            return Resolved(section.layout, Origin.SECTION)
        wanted = self.template.layouts.get(section.kind)
        if wanted in known:
            return Resolved(wanted, Origin.TEMPLATE, self.template.name)
        return Resolved(kind.layouts[0].slug, Origin.ENGINE)

    def ground(self, section: Section) -> Resolved:
        if section.ground in self.grounds:
            return Resolved(section.ground, Origin.SECTION)
        wanted = self.template.grounds.get(section.kind)
        if wanted in self.grounds:
            return Resolved(wanted, Origin.TEMPLATE, self.template.name)
        return Resolved("light", Origin.ENGINE)

    def align(self, section: Section, element: str) -> Resolved:
        """An element's alignment: a one-off, or "start"."""
        given = section.one_offs.get(element, {}).get("align")
        return Resolved(given, Origin.ONE_OFF) if given else Resolved("start", Origin.TEMPLATE)

    @cached_property
    def colours(self) -> tuple[Colour, ...]:
        return tuple(from_hex(colour["hex"]) for colour in self.value("palette"))

    @cached_property
    def grounds(self) -> dict[str, Ground]:
        own = [(ground["id"], self.read_colour(ground["fill"])) for ground in self.value("grounds.own")]
        hand = [(*one["id"].split("."), self.read_colour(one["value"])) for one in self.value("roles.by_hand")]
        return work_out(
            self.colours,
            tuple((slug, found.colour) for slug, found in own if found),
            tuple(ByHand(ground, role, found) for ground, role, found in hand if found),
        )

    @cached_property
    def ground_names(self) -> dict[str, str]:
        """Every ground by slug, with its name."""
        own = {ground["id"]: ground["name"] for ground in self.value("grounds.own")}
        return {slug: name for slug, name in (GROUND_NAMES | own).items() if slug in self.grounds}

    @cached_property
    def by_hand(self) -> dict[str, str]:
        """What the owner set by hand: "ground.role" to the value as stored."""
        return {one["id"]: one["value"] for one in self.value("roles.by_hand")}

    def read_colour(self, value: str) -> Read | None:
        """A stored colour: "@" and a brand colour's id, or a code. None where that brand colour is gone."""
        if not value.startswith("@"):
            return read(value)
        return next((Read(from_hex(c["hex"])) for c in self.value("palette") if c["id"] == value[1:]), None)

    @cached_property
    def sizes(self) -> dict[str, Fluid]:
        return scale(self.value("type.base"), self.value("type.ratio"))

    def family(self, key: str) -> Family:
        """The family for "type.heading" or "type.body"; a slug no longer shipped shows the default."""
        families = self.catalogue.families
        return families.get(self.value(key)) or families[SETTINGS[key].default]

    def brand_name(self, colour: Colour) -> str:
        """What the owner calls this colour, or "" where it was worked out."""
        return next((c["name"] for c in self.value("palette") if c["hex"] == colour.hex), "")
