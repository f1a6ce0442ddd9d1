"""The value of anything, and where it comes from.

Layers, lowest first: engine < template < brand sheet < part or section < one-off.
The highest layer that speaks decides; taking its value away shows the one below.
"""

from __future__ import annotations

from enum import StrEnum
from functools import cached_property
from hashlib import sha256
from typing import Any, NamedTuple

from yemba.core.colour.contrast import luminance
from yemba.core.colour.grounds import GROUND_NAMES, ByHand, Ground, work_out
from yemba.core.colour.srgb import Colour, Read, from_hex, read
from yemba.core.language import Language
from yemba.core.layout.arrangement import Arrangement
from yemba.core.layout.tiles import TileSizes
from yemba.core.message import Joined, Message, labels
from yemba.core.part.part import parts
from yemba.core.picture.collection import RoleColours, coloured, role_colours
from yemba.core.picture.filters import DUOTONE
from yemba.core.site.catalogue import Catalogue, Family
from yemba.core.site.document import Document, Picture, Section, Standing, Tones
from yemba.core.site.lettering import Lettering
from yemba.core.site.own_fonts import own_families
from yemba.core.site.setting import PARTS, SHEET, SITE
from yemba.core.site.settings import SETTINGS, refers, setting
from yemba.core.trade.trade import Trade
from yemba.core.type.facts import FULL, REGULAR
from yemba.core.type.levels import LEVELS, STEPPED, Level, Text
from yemba.core.type.scale import Fluid, calm, line_height, phone_base, scale

TITLE_ON_PHONE = 0.85  # of the site title's size on a wide window; common practice, no source
BUTTON_WEIGHT = 600
HEADING_MEASURE = 24  # characters; a heading's line, common practice, no source
COMFORTABLE = (45, 75)  # characters a line: Bringhurst, The Elements of Typographic Style (from memory)


class Origin(StrEnum):
    """The layer that decided a value."""

    SITE = "site"
    ENGINE = "engine"
    TEMPLATE = "template"
    SHEET = "sheet"
    PART = "part"
    SECTION = "section"
    ONE_OFF = "one-off"

    @property
    def words(self) -> str:
        """The layer, as its owner knows it."""
        return _WORDS[self]


_WORDS = labels(
    {
        Origin.SITE: "you, for this site",
        Origin.ENGINE: "Yemba’s default",
        Origin.TEMPLATE: "the template",
        Origin.SHEET: "your brand sheet",
        Origin.PART: "you, for this part",
        Origin.SECTION: "you, for this section",
        Origin.ONE_OFF: "you, as a one-off here",
    }
)


_ORIGINS = {SITE: Origin.SITE, SHEET: Origin.SHEET, PARTS: Origin.PART}
"""By where a document keeps a value."""


class Resolved(NamedTuple):
    """A value and its origin; `detail` names the template or the ready sheet."""

    value: Any
    origin: Origin
    detail: str = ""

    @property
    def set_by_owner(self) -> bool:
        return self.origin not in (Origin.ENGINE, Origin.TEMPLATE)

    @property
    def comes_from(self) -> str:
        """The layer that decided it, with the name of the template or the sheet."""
        return Joined(" ", [self.origin.words, self.detail]) if self.detail else self.origin.words


class Look:
    """Everything a document resolves to. Made once per document, asked often.

    Where the document is seen in a further language, `whole` is the look of the site in its main one.
    """

    def __init__(self, document: Document, catalogue: Catalogue, whole: Look | None = None) -> None:
        self.document = document
        self.whole = whole or self
        self.catalogue = catalogue
        self.template = catalogue.template(document.template)
        self._ready = catalogue.ready_sheet(document.ready_sheet) if document.ready_sheet else None

    def resolve(self, key: str) -> Resolved:
        """A setting's value; one that the template cannot show is passed over. Raises Fault ``no-such-setting``."""
        home = setting(key).home
        mine = getattr(self.document, home)
        if key in mine and self._shows(key, mine[key]):
            return Resolved(mine[key], _ORIGINS[home])
        if home == SHEET and self._ready and key in self._ready.values:
            return Resolved(self._ready.values[key], Origin.SHEET, self._ready.name)
        own = self.template.sheets[0].values
        for layer in (self.template.design, own):
            if key in layer:
                return Resolved(layer[key], Origin.TEMPLATE, self.template.name)
        return Resolved(SETTINGS[key].default, Origin.ENGINE)

    def _shows(self, key: str, value: Any) -> bool:
        if refers(key, "ground") and value not in self.grounds:
            return False  # a ground that was taken away
        return self.template.shows(key, value)

    def value(self, key: str) -> Any:
        return self.resolve(key).value

    @cached_property
    def trade(self) -> Trade | None:
        """The trade of the site; None where its owner named none, or one that no longer ships."""
        return self.catalogue.trades.get(self.value("site.trade"))

    @property
    def starter_trade(self) -> Trade:
        """The trade whose starter words new pages have: the site's, else the one for everybody."""
        return self.trade or self.catalogue.trade("something-else")

    @cached_property
    def pictures(self) -> dict[str, Picture]:
        """The pictures of the site, by id, as they are shown: those of the collection in the site's colours, those that
        are toned with what these make of them."""
        by_id = dict(self.document.pictures)
        for key, (picture, _) in self._coloured.items():
            by_id[key] = picture
        return {key: self._toned(picture) for key, picture in by_id.items()}

    def _toned(self, picture: Picture) -> Picture:
        if picture.filter != DUOTONE and not picture.tint:
            return picture
        tint = self.read_colour(picture.tint) if picture.tint else None
        return picture.model_copy(update={"tones": Tones(*self.duotone, tint.colour if tint else None)})

    @cached_property
    def duotone(self) -> tuple[Colour, Colour]:
        """The darkest and the lightest colour of the palette, of which a filter makes pictures."""
        ranked = sorted(self.colours, key=luminance)
        return ranked[0], ranked[-1]

    def load(self, digest: str) -> bytes:
        """The bytes of a file by its SHA-256: of a picture as it is shown, or whatever is stored."""
        data_in_colours = next((data for picture, data in self._coloured.values() if picture.file == digest), None)
        return data_in_colours if data_in_colours is not None else self.catalogue.load(digest)

    def in_colours(self, picture: Picture) -> tuple[Picture, bytes] | None:
        """A picture of the collection in the site's colours, with its bytes; None for any other."""
        drawing = self.catalogue.collection.get(picture.collection)
        if drawing is None or picture.own_colours:
            return None
        data = coloured(drawing.svg, self.role_colours)
        return picture.model_copy(update={"file": sha256(data).hexdigest()}), data

    @cached_property
    def role_colours(self) -> RoleColours:
        """What the roles of the collection's drawings are here."""
        return role_colours(self.grounds, [from_hex(entry["hex"]) for entry in self.value("palette")])

    @cached_property
    def _coloured(self) -> dict[str, tuple[Picture, bytes]]:
        made = (
            (key, self.in_colours(picture)) for key, picture in self.document.pictures.items() if picture.collection
        )
        return {key: pair for key, pair in made if pair}

    def layout(self, section: Section) -> Resolved:
        """A stored layout that the kind or the template does not have is kept, and its nearest twin shown."""
        return self.layout_of(section.kind, section.layout)

    def layout_of(self, kind: str, stored: str | None) -> Resolved:
        """As `layout`, for a kind and what is stored; a template that lacks all of a kind's has its first."""
        shape = self.catalogue.kind(kind)
        known = [slug for slug in shape.layout_names() if self.template.shows(kind, slug)]
        if stored in known:
            return Resolved(stored, Origin.SECTION)
        wanted = self.template.layouts.get(kind)
        if wanted in known:
            return Resolved(wanted, Origin.TEMPLATE, self.template.name)
        return Resolved(known[0] if known else shape.layouts[0].slug, Origin.ENGINE)

    def picture_sizes(self, kind: str, layout: str) -> TileSizes:
        """How wide a layout draws its pictures; "" where it has none."""
        own = self.template.sizes
        usual = self.catalogue.kind(kind).sizes(layout)
        path = f"{kind}.{layout}"
        named = {name: own.get(f"{path}.{name}", getattr(usual, name)) for name in ("half", "whole", "first", "two")}
        return TileSizes(
            own.get(path, usual.third), **named, abreast=self.template.measures.abreast, in_rows=usual.in_rows
        )

    def ground(self, section: Section) -> Resolved:
        """A stored ground that is gone is passed over."""
        return self.ground_of(section.kind, section.ground)

    def ground_of(self, kind: str, stored: str | None) -> Resolved:
        """As `ground`, for a kind and what is stored."""
        if stored in self.grounds:
            return Resolved(stored, Origin.SECTION)
        wanted = self.template.grounds.get(kind)
        if wanted in self.grounds:
            return Resolved(wanted, Origin.TEMPLATE, self.template.name)
        return Resolved("light", Origin.ENGINE)

    @cached_property
    def colours(self) -> tuple[Colour, ...]:
        return tuple(from_hex(colour["hex"]) for colour in self.value("palette"))

    @cached_property
    def grounds(self) -> dict[str, Ground]:
        own = [(ground["id"], self.read_colour(ground["fill"])) for ground in self.value("grounds.own")]
        hand = [(*one["id"].split("."), self.read_colour(one["value"])) for one in self.value("roles.by_hand")]
        return work_out(
            self.colours,
            tuple((slug, value.colour) for slug, value in own if value),
            tuple(ByHand(ground, role, colour) for ground, role, colour in hand if colour),
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
        """The size of every level."""
        return self.sized()

    def sized(self, ratio: float | None = None) -> dict[str, Fluid]:
        """Every level's size, as it would be for another ratio on both windows where one is given."""
        base = self.value("type.base")
        bases = Fluid(self.value("type.base_phone") or phone_base(base), base)
        wide = ratio or self.value("type.ratio")
        ratios = Fluid(calm(wide) if ratio else self.phone_ratio, wide)
        hand = {slug: Fluid(*(self.value(f"{slug}.{end}") or 0 for end in ("phone", "wide"))) for slug in LEVELS}
        sizes = scale(bases, ratios, STEPPED, hand)
        body, measures = sizes["body"], self.template.measures
        against = {"title": (TITLE_ON_PHONE * measures.title_size, measures.title_size)}
        against["navigation"] = (measures.nav_size, measures.nav_size)
        for slug, (low, high) in against.items():
            sizes[slug] = Fluid(hand[slug].low or body.low * low, hand[slug].high or body.high * high)
        return sizes

    @property
    def phone_ratio(self) -> float:
        """The phone's ratio, as set or worked out."""
        return float(self.value("type.ratio_phone") or calm(self.value("type.ratio")))

    @cached_property
    def texts(self) -> dict[str, Text]:
        """How every level of text is set."""
        return {slug: self._text(level) for slug, level in LEVELS.items()}

    def _text(self, level: Level) -> Text:
        values = {
            name: self.value(f"{level.slug}.{name}") for name in ("weight", "style", "width", "spacing", "leading")
        }
        family, size, title = self.face(level.slug), self.sizes[level.slug], level.title
        weight = values["weight"] or self._weight(level)
        measure = HEADING_MEASURE if title else self.measure
        return Text(
            face=family.slug,
            size=size,
            weight=round(min(family.weights[1], max(family.weights[0], weight))),
            style=values["style"] or "normal",
            stretch=round(min(family.widths[1], max(family.widths[0], values["width"] or FULL))),
            spacing=values["spacing"] or 0.0,
            leading=values["leading"] or level.leading or line_height(size.high, measure),
            case=self.value(f"{level.slug}.case") or "none",
            line=(self.value(f"{level.slug}.line") if title else None) or "none",
            shadow=(self.value(f"{level.slug}.shadow") if title else None) or "none",
            outline=(self.value(f"{level.slug}.outline") if title else None) or 0.0,
        )

    def _weight(self, level: Level) -> float:
        if level.slug == "button":
            return BUTTON_WEIGHT
        return float(self.value("type.heading_weight")) if level.follows == "heading" else REGULAR

    @cached_property
    def measure(self) -> float:
        """Characters in the longest line of text: as set, else the template's, held where reading is comfortable."""
        body = self.family("type.body").facts
        natural = (
            self.template.measures.measure * 16 / (self.sizes["body"].high * body.average_width / body.units_per_em)
        )
        return self.value("type.measure") or min(COMFORTABLE[1], max(COMFORTABLE[0], round(natural)))

    def where(self, standing: Standing) -> str:
        """A section as its owner knows it: "Offers on Home"."""
        kind = self.catalogue.kind(standing.section.kind).name
        if standing.is_shared:
            return Message("{kind}, standing", kind=kind)
        if standing.part:
            part = parts()[standing.part].name.lower() if standing.part in parts() else standing.part
            return Message("{kind} in the {part}", kind=kind, part=part)
        return Message("{kind} on {name}", kind=kind, name=self.document.pages[standing.page].name)

    @cached_property
    def holder_of(self) -> dict[str, tuple[str, str]]:
        """The path of what holds a section, by the section."""
        return {section: path for path, holder in self.document.holders() for section in holder.sections}

    @cached_property
    def arrangement(self) -> Arrangement:
        """How the header's pieces stand."""
        return self.catalogue.arrangement(self.value("header.arrangement"))

    @cached_property
    def language(self) -> Language:
        """What the site is written in."""
        return self.catalogue.language(self.value("site.language"))

    @cached_property
    def families(self) -> dict[str, Family]:
        """Every family that may be chosen here, those of the owner's own first."""
        return own_families(self.document, self.catalogue) | self.catalogue.families

    def family(self, key: str) -> Family:
        """The family for "type.heading" or "type.body"; one that is no longer here shows the default."""
        return self.families.get(self.value(key)) or self.families[SETTINGS[key].default]

    def face(self, level: str) -> Family:
        """The family of a level: its own where one is set and still here, else the one it follows."""
        own = self.families.get(self.value(f"{level}.face") or "") if LEVELS[level].faced else None
        return own or self.family(f"type.{LEVELS[level].follows}")

    def lettering(self, level: str) -> Lettering:
        """A level's face as outlines; for letters that it lacks the site's other faces stand in, then those that ship,
        of the same kind first."""
        text, family = self.texts[level], self.face(level)
        near = [self.family("type.heading"), self.family("type.body")]
        others = sorted(self.families.values(), key=lambda other: other.kind != family.kind)
        return Lettering(family, [*near, *others], text.weight, text.style)

    def brand_name(self, colour: Colour) -> str:
        """What the owner calls this colour, or "" where it was worked out."""
        return next((c["name"] for c in self.value("palette") if c["hex"] == colour.hex), "")
