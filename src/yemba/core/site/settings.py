"""Every design value there is: its name, its chapter, what it may be, and the engine's default."""

from __future__ import annotations

import re
from collections.abc import Mapping, Sequence
from typing import Any, NamedTuple, Protocol

from yemba.core.colour.grounds import GROUND_NAMES, ROLE_NAMES
from yemba.core.colour.srgb import parse, read
from yemba.core.errors import Fault
from yemba.core.type.levels import CASES, LEVELS, LINES, PROPERTIES, SHADOWS, STYLES, properties

MOST_COLOURS, FEWEST_COLOURS = 8, 3
MOST_GROUNDS = 6  # of the owner's own
_BRAND_COLOUR = re.compile(r"@[a-z][a-z0-9]{1,11}")
_GROUND_ID = re.compile(r"[a-z][a-z0-9]{1,11}")


class Rule(Protocol):
    """What a value may be: reads what was typed, or raises Fault naming the value and the cure."""

    def read(self, value: Any, name: str, key: str) -> Any: ...


class Between(NamedTuple):
    """A number from `low` to `high`, in `unit`."""

    low: float
    high: float
    unit: str
    step: float = 1

    def read(self, value: Any, name: str, key: str) -> float | int:
        try:
            number = float(str(value).strip().removesuffix(self.unit).replace(",", "."))
        except ValueError:
            number = float("nan")
        if not self.low <= number <= self.high:
            raise Fault(
                "number-out-of-range",
                f"{name} cannot be “{value}”. Give a number from {self.low:g} to {self.high:g} {self.unit}.".strip(),
                key,
            )
        return int(number) if number == int(number) else number


class OneOf(NamedTuple):
    """One of named choices."""

    choices: Mapping[str, str]

    def read(self, value: Any, name: str, key: str) -> str:
        if not isinstance(value, str) or value not in self.choices:
            offered = ", ".join(self.choices)
            raise Fault("no-such-choice", f"{name} cannot be “{value}”. Choose one of: {offered}.", key)
        return str(value)


class Line(NamedTuple):
    """One line of words, at most `limit` characters; "" only where `empty`."""

    limit: int
    empty: bool = True

    def read(self, value: Any, name: str, key: str) -> str:
        text = " ".join(str(value).split())
        if not text and not self.empty:
            raise Fault("empty", f"{name} is empty. Write at least one letter.", key)
        if len(text) > self.limit:
            raise Fault(
                "too-long",
                f"{name} has {len(text)} letters: “{text[:40]}…”. At most {self.limit} fit; "
                f"shorten it by {len(text) - self.limit}.",
                key,
            )
        return text


class YesNo(NamedTuple):
    """True or false."""

    def read(self, value: Any, name: str, key: str) -> bool:
        return value in (True, "true", "on", "yes", "1")


class Identifier(NamedTuple):
    """The id or slug of something that the caller has checked to exist; "" for none."""

    def read(self, value: Any, name: str, key: str) -> str:
        return str(value)


class Colours(NamedTuple):
    """Three to eight brand colours: {id, name, hex}."""

    def read(self, value: Any, name: str, key: str) -> list[dict[str, str]]:
        colours = [c for c in value if isinstance(c, Mapping)] if isinstance(value, list) else []
        if not FEWEST_COLOURS <= len(colours) <= MOST_COLOURS:
            raise Fault(
                "palette-size",
                f"A palette has {FEWEST_COLOURS} to {MOST_COLOURS} colours; this one would have {len(colours)}.",
                key,
            )
        line = Line(30, empty=False)
        return [
            {
                "id": c["id"],
                "name": line.read(c["name"], "The colour's name", "colour_name"),
                "hex": parse(c["hex"]).hex,
            }
            for c in colours
        ]


def read_colour_code(value: Any, key: str) -> str:
    """A brand colour, "@" and its id, as it is; any other as its code, with two more digits where it is see-through."""
    text = str(value).strip()
    if _BRAND_COLOUR.fullmatch(text):
        return text
    found = read(text, key)
    return found.colour.hex + (f"{round(found.alpha * 255):02x}" if found.alpha < 1 else "")


class OwnGrounds(NamedTuple):
    """Grounds of the owner's own: {id, name, fill}, `fill` "@" and a brand colour's id, or a code. In order of id."""

    def read(self, value: Any, name: str, key: str) -> list[dict[str, str]]:
        grounds = [ground for ground in value if isinstance(ground, Mapping)] if isinstance(value, list) else []
        if len(grounds) > MOST_GROUNDS:
            raise Fault("too-many-grounds", f"{MOST_GROUNDS} grounds of your own fit; take one away first.", key)
        line = Line(30, empty=False)
        read_ones = {
            str(g["id"]): {
                "id": str(g["id"]),
                "name": line.read(g.get("name", ""), "The ground’s name", "ground_name"),
                "fill": read_colour_code(g.get("fill", ""), "fill"),
            }
            for g in grounds
            if _GROUND_ID.fullmatch(str(g.get("id")))
        }
        return [read_ones[one] for one in sorted(read_ones)]


class RolesByHand(NamedTuple):
    """Roles set by hand: {id, value}, `id` "ground.role", `value` "@" and a colour's id, or a code. In order of id."""

    def read(self, value: Any, name: str, key: str) -> list[dict[str, str]]:
        given = [one for one in value if isinstance(one, Mapping)] if isinstance(value, list) else []
        read_ones = {}
        for one in given:
            ground, _, role = str(one.get("id")).partition(".")
            if role not in ROLE_NAMES or not (ground in GROUND_NAMES or _GROUND_ID.fullmatch(ground)):
                raise Fault("no-such-role", f"“{one.get('id')}” is no role of a ground.", key)
            read_ones[f"{ground}.{role}"] = read_colour_code(one.get("value"), "value")
        return [{"id": one, "value": read_ones[one]} for one in sorted(read_ones)]


class GroundChoice(NamedTuple):
    """The slug of a ground; whether there is one is for the document to say."""

    def read(self, value: Any, name: str, key: str) -> str:
        return str(value)


class Setting(NamedTuple):
    """A design value. `home` is where the owner's value is stored: "sheet" or "parts". A `default` of None means
    that it is worked out from others where nobody sets it."""

    key: str
    name: str
    chapter: str
    home: str
    rule: Rule
    default: Any


ARRANGEMENTS = {"row": "One row", "stack": "Two rows, centred", "side": "At the side"}
_SHEET, _PARTS = "sheet", "parts"
_GROUND = GroundChoice()
NUMBERS = {"oldstyle-nums": "Old-style", "lining-nums": "Lining", "normal": "As the face has them"}
"""By the value of CSS font-variant-numeric."""
LIGATURES = {"normal": "Usual ones", "none": "None", "common-ligatures discretionary-ligatures": "Ornamental too"}
"""By the value of CSS font-variant-ligatures."""
UNDERLINES = {
    "always": "Always",
    "needed": "Where only colour would tell them from text",
    "never": "Only under the pointer",
}

_OF_TEXT: Mapping[str, Rule] = {
    "face": Identifier(),
    "wide": Between(8, 160, "px", 0.5),
    "phone": Between(8, 160, "px", 0.5),
    "weight": Between(100, 900, "", 10),
    "style": OneOf(STYLES),
    "width": Between(50, 200, "%"),
    "spacing": Between(-0.1, 0.5, "em", 0.005),
    "leading": Between(0.8, 2.4, "", 0.05),
    "case": OneOf(CASES),
    "line": OneOf(LINES),
    "shadow": OneOf(SHADOWS),
    "outline": Between(0, 0.12, "em", 0.01),
}
"""What may be set of a level of text: its ranges are common practice, no source."""

_ALL: Sequence[Setting] = (
    Setting(
        "palette",
        "Palette",
        "palette",
        _SHEET,
        Colours(),
        [
            {"id": "c1", "name": "Slate", "hex": "#3d4a52"},
            {"id": "c2", "name": "Ink", "hex": "#1c2226"},
            {"id": "c3", "name": "Paper", "hex": "#fafafa"},
        ],
    ),
    Setting("grounds.own", "Grounds of your own", "palette", _SHEET, OwnGrounds(), []),
    Setting("roles.by_hand", "Roles set by hand", "palette", _SHEET, RolesByHand(), []),
    Setting("link.underline", "Links underlined", "palette", _SHEET, OneOf(UNDERLINES), "always"),
    Setting("type.heading", "Heading typeface", "type", _SHEET, Identifier(), "work-sans"),
    Setting("type.body", "Body typeface", "type", _SHEET, Identifier(), "work-sans"),
    Setting("type.base", "Base size", "type", _SHEET, Between(16, 24, "px", 0.5), 18),
    Setting("type.ratio", "Ratio", "type", _SHEET, Between(1.05, 1.6, "", 0.005), 1.25),
    Setting("type.base_phone", "Base size on a phone", "type", _SHEET, Between(12, 24, "px", 0.5), None),
    Setting("type.ratio_phone", "Ratio on a phone", "type", _SHEET, Between(1, 1.6, "", 0.005), None),
    Setting("type.measure", "Longest line, in characters", "type", _SHEET, Between(30, 100, ""), None),
    Setting("type.heading_weight", "Heading weight", "type", _SHEET, Between(300, 900, "", 50), 700),
    Setting("type.numbers", "Numbers in text", "type", _SHEET, OneOf(NUMBERS), "oldstyle-nums"),
    Setting("type.ligatures", "Ligatures", "type", _SHEET, OneOf(LIGATURES), "normal"),
    Setting("type.hanging", "Hanging quotes", "type", _SHEET, YesNo(), True),
    *(
        Setting(
            f"{level.slug}.{name}", f"{level.name}: {PROPERTIES[name]}", level.chapter, _SHEET, _OF_TEXT[name], None
        )
        for level in LEVELS.values()
        for name in properties(level)
    ),
    Setting("shape.corner", "Corner radius", "palette", _SHEET, Between(0, 32, "px"), 2),
    Setting("logo.form", "Logo", "logo", _SHEET, OneOf({"wordmark": "Wordmark", "picture": "Picture"}), "wordmark"),
    Setting("logo.picture", "Logo picture", "logo", _SHEET, Identifier(), ""),
    Setting("frame.width", "Page width", "pages", _PARTS, Between(720, 1680, "px", 10), 1160),
    Setting("header.arrangement", "Header arrangement", "header", _PARTS, OneOf(ARRANGEMENTS), "row"),
    Setting("header.backdrop", "Picture behind the header", "header", _PARTS, Identifier(), ""),
    Setting("header.tint", "Tint over that picture", "header", _PARTS, Between(0, 100, "%"), 60),
    Setting("header.height_wide", "Header height, wide", "header", _PARTS, Between(56, 240, "px"), 88),
    Setting("header.height_phone", "Header height, phone", "header", _PARTS, Between(48, 140, "px"), 64),
    Setting("header.ground", "Header ground", "header", _PARTS, _GROUND, "light"),
    Setting("header.tagline", "Tagline in the header", "header", _PARTS, YesNo(), False),
    Setting("footer.ground", "Footer ground", "footer", _PARTS, _GROUND, "dark"),
    Setting("footer.copyright", "Copyright line", "footer", _PARTS, Line(160), "© {year} {name}"),
    Setting("footer.navigation", "Navigation in the footer", "footer", _PARTS, YesNo(), True),
    Setting("footer.words", "Words in the footer", "footer", _PARTS, Line(240), ""),
)
SETTINGS = {setting.key: setting for setting in _ALL}


def names_family(key: str) -> bool:
    """Whether a setting's value is the slug of a family."""
    return key in ("type.heading", "type.body") or key.endswith(".face")


def setting(key: str) -> Setting:
    """Raises Fault ``no-such-setting``."""
    if key not in SETTINGS:
        raise Fault("no-such-setting", f"There is no setting “{key}”.")
    return SETTINGS[key]
