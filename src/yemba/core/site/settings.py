"""Every design value there is: one line each. Those of parts stand with their part (``core.part``)."""

from __future__ import annotations

from collections.abc import Mapping, Sequence

from yemba.core.errors import Fault
from yemba.core.layout.frame import END, FIXED, FULL, MIDDLE, START
from yemba.core.limits import LARGEST_TEXT, SMALLEST_TEXT, TOWN_LETTERS
from yemba.core.message import Message, labels
from yemba.core.part.part import part_settings
from yemba.core.picture.ornaments import ORNAMENTS
from yemba.core.picture.sharing import COMPOSITIONS
from yemba.core.site.buttons import FORMS, POINTED, PRESSED, SIGNS
from yemba.core.site.setting import PARTS, SHEET, SITE, Setting
from yemba.core.trade.trade import AIMS
from yemba.core.type.levels import CASES, LEVELS, LINES, PROPERTIES, SHADOWS, STYLES, properties
from yemba.core.value.choice import Choice
from yemba.core.value.currency import Currency
from yemba.core.value.entries import OwnGrounds, Palette, RolesByHand
from yemba.core.value.face import Face
from yemba.core.value.ground import GroundChoice
from yemba.core.value.kind import Kind
from yemba.core.value.language import LanguageChoice
from yemba.core.value.line import Line
from yemba.core.value.number import Number
from yemba.core.value.picture import PictureChoice
from yemba.core.value.several import Several
from yemba.core.value.side import Side
from yemba.core.value.time_zone import TimeZone
from yemba.core.value.trade import TradeChoice
from yemba.core.value.yes_no import YesNo

NUMBERS = {
    "oldstyle-nums": Message("Old-style"),
    "lining-nums": Message("Lining"),
    "normal": Message("As the face has them"),
}
"""By the value of CSS font-variant-numeric."""
LIGATURES = labels(
    {"normal": "Usual ones", "none": "None", "common-ligatures discretionary-ligatures": "Ornamental too"}
)
"""By the value of CSS font-variant-ligatures."""
UNDERLINES = labels(
    {
        "always": "Always",
        "needed": "Where only colour would tell them from text",
        "never": "Only under the pointer",
    }
)

_OF_TEXT: Mapping[str, Kind] = {
    "face": Face(empty=True),
    "wide": Number(SMALLEST_TEXT, LARGEST_TEXT, "px", 0.5),
    "phone": Number(SMALLEST_TEXT, LARGEST_TEXT, "px", 0.5),
    "weight": Number(100, 900, "", 10),
    "style": Choice(STYLES),
    "width": Number(50, 200, "%"),
    "spacing": Number(-0.1, 0.5, "em", 0.005),
    "leading": Number(0.8, 2.4, "", 0.05),
    "case": Choice(CASES),
    "line": Choice(LINES),
    "shadow": Choice(SHADOWS),
    "outline": Number(0, 0.12, "em", 0.01),
}
"""What may be set of a level of text: its ranges are common practice, no source."""

_SLATE = [
    {"id": "c1", "name": "Slate", "hex": "#3d4a52"},
    {"id": "c2", "name": "Ink", "hex": "#1c2226"},
    {"id": "c3", "name": "Paper", "hex": "#fafafa"},
]
_BOX = Number(0.6, 1.6, "", 0.05)
RATIO = Number(1.05, 1.6, "", 0.005)
_MARK = Choice(labels({"wordmark": "Wordmark", "picture": "Picture", "none": "None"}))
_LINES = Choice(labels({"one": "In one line", "two": "In two lines"}))
_BESIDE = Choice(labels({"none": "Nothing", "letter": "Its first letter", "ornament": "An ornament"}))
_ORNAMENT = Choice({slug: ornament.name for slug, ornament in ORNAMENTS.items()})
_PAGE = Choice(labels({FULL: "Grounds run to the edges", FIXED: "A sheet of this width"}))
_PAGE_PLACE = Side(labels({START: "Where lines start", MIDDLE: "In the middle", END: "Where lines end"}))
_ICON = Choice(labels({"logo": "As the logo", "letter": "Letter", "picture": "Own picture"}))


def _of_level(slug: str, name: str) -> Setting:
    level = LEVELS[slug]
    return Setting(f"{slug}.{name}", f"{level.name}: {PROPERTIES[name]}", level.subject, SHEET, _OF_TEXT[name], None)


_ALL: Sequence[Setting] = (
    Setting("site.language", Message("Language"), "site", SITE, LanguageChoice(), "en-GB"),
    Setting("site.currency", Message("Currency"), "site", SITE, Currency(), "EUR"),
    Setting("site.time_zone", Message("Time zone"), "site", SITE, TimeZone(), "UTC"),
    Setting("site.trade", Message("Trade"), "site", SITE, TradeChoice(), ""),
    Setting("site.town", Message("Town"), "site", SITE, Line(TOWN_LETTERS), ""),
    Setting("site.aims", Message("What the site is for"), "site", SITE, Several(AIMS), ""),
    Setting("palette", Message("Palette"), "palette", SHEET, Palette(), _SLATE),
    Setting("grounds.own", Message("Grounds of your own"), "palette", SHEET, OwnGrounds(), []),
    Setting("roles.by_hand", Message("Roles set by hand"), "palette", SHEET, RolesByHand(), []),
    Setting("link.underline", Message("Links underlined"), "palette", SHEET, Choice(UNDERLINES), "always"),
    Setting("type.heading", Message("Heading typeface"), "type", SHEET, Face(), "work-sans"),
    Setting("type.body", Message("Body typeface"), "type", SHEET, Face(), "work-sans"),
    Setting("type.base", Message("Base size"), "type", SHEET, Number(16, 24, "px", 0.5), 18),
    Setting("type.ratio", Message("Ratio"), "type", SHEET, RATIO, 1.25),
    Setting("type.base_phone", Message("Base size on a phone"), "type", SHEET, Number(12, 24, "px", 0.5), None),
    Setting("type.ratio_phone", Message("Ratio on a phone"), "type", SHEET, Number(1, 1.6, "", 0.005), None),
    Setting("type.measure", Message("Longest line, in characters"), "type", SHEET, Number(30, 100), None),
    Setting("type.heading_weight", Message("Heading weight"), "type", SHEET, Number(300, 900, "", 50), 700),
    Setting("type.numbers", Message("Numbers in text"), "type", SHEET, Choice(NUMBERS), "oldstyle-nums", "numbers"),
    Setting("type.ligatures", Message("Ligatures"), "type", SHEET, Choice(LIGATURES), "normal", "ligatures"),
    Setting("type.hanging", Message("Hanging quotes"), "type", SHEET, YesNo(), True),
    *(_of_level(level.slug, name) for level in LEVELS.values() for name in properties(level)),
    Setting("shape.corner", Message("Corner radius"), "palette", SHEET, Number(0, 32, "px"), 2, "corner"),
    Setting("buttons.form", Message("Buttons"), "palette", SHEET, Choice(FORMS), "filled"),
    Setting("buttons.edge", Message("Edge"), "palette", SHEET, Number(0, 6, "px", 0.5), None, "button-edge-width"),
    Setting("buttons.corner", Message("Corners"), "palette", SHEET, Number(0, 40, "px"), None, "button-corner"),
    Setting("buttons.size", Message("Box, times the usual"), "palette", SHEET, _BOX, None, "button-size"),
    Setting("buttons.sign", Message("After the words"), "palette", SHEET, Choice(SIGNS), "none"),
    Setting("buttons.pointed", Message("Under the pointer"), "palette", SHEET, Choice(POINTED), "shade"),
    Setting("buttons.pressed", Message("When pressed"), "palette", SHEET, Choice(PRESSED), "shade"),
    Setting("logo.form", Message("Logo"), "logo", SHEET, _MARK, "wordmark"),
    Setting("logo.picture", Message("Logo picture"), "logo", SHEET, PictureChoice(), "", along="logo.form"),
    Setting("logo.light", Message("Light version of the logo"), "logo", PARTS, PictureChoice(), "", along="logo.form"),
    Setting("logo.dark", Message("Dark version of the logo"), "logo", PARTS, PictureChoice(), "", along="logo.form"),
    Setting("logo.pointed", Message("Logo under the pointer"), "logo", PARTS, PictureChoice(), "", along="logo.form"),
    Setting("logo.lines", Message("The name stands"), "logo", SHEET, _LINES, "one"),
    Setting("logo.beside", Message("Beside the name"), "logo", SHEET, _BESIDE, "none"),
    Setting("logo.ornament", Message("Ornament"), "logo", SHEET, _ORNAMENT, "disc", along="logo.beside"),
    Setting("icon.form", Message("Site icon"), "logo", PARTS, _ICON, "logo"),
    Setting("icon.picture", Message("Picture of the site icon"), "logo", PARTS, PictureChoice(), "", along="icon.form"),
    Setting("logo.height", Message("Logo height"), "logo", PARTS, Number(24, 100, "%"), 62),
    Setting("sharing.composition", Message("Picture for sharing"), "logo", PARTS, Choice(COMPOSITIONS), "name"),
    Setting("sharing.ground", Message("Ground of that picture"), "logo", PARTS, GroundChoice(), None),
    Setting("frame.form", Message("Page"), "frame", PARTS, _PAGE, FULL),
    Setting("frame.place", Message("It stands"), "frame", PARTS, _PAGE_PLACE, MIDDLE, along="frame.form"),
    Setting("frame.width", Message("Page width"), "frame", PARTS, Number(720, 1680, "px", 10), 1160, "frame-width"),
    *part_settings(),
)
SETTINGS: Mapping[str, Setting] = {setting.key: setting for setting in _ALL}


def setting(key: str) -> Setting:
    """Raises Fault ``no-such-setting``."""
    if key not in SETTINGS:
        raise Fault("no-such-setting", Message("There is no setting “{key}”.", key=key))
    return SETTINGS[key]


def refers(key: str, to: str) -> bool:
    """Whether a setting's value is the id of a "face", a "ground" or a "picture"."""
    return key in SETTINGS and SETTINGS[key].kind.refers_to == to


def referring(to: str) -> list[Setting]:
    """The settings whose value is the id of one."""
    return [setting for setting in SETTINGS.values() if setting.kind.refers_to == to]
