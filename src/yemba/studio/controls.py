"""Where a place is decided: its chapter, what that is to show, and the control. Nothing else knows."""

from __future__ import annotations

from collections.abc import Mapping
from functools import singledispatch
from typing import NamedTuple
from urllib.parse import urlencode

from django.urls import reverse

from yemba.core import place as places
from yemba.core.change.commands.pages import has_own_address
from yemba.core.layout.frame import FIXED, NONE
from yemba.core.part.part import parts
from yemba.core.place import Place
from yemba.core.site import behind as behind_words
from yemba.core.site.behind import GRADIENT, GROUND, PATTERN, PICTURE, THROUGH
from yemba.core.site.document import STANDING
from yemba.core.site.extra import extra
from yemba.core.site.header_ground import behind
from yemba.core.site.kinds import SHARED
from yemba.core.site.languages import further
from yemba.core.site.logo import NAMES, POINTED, logo
from yemba.core.site.navigation import menu
from yemba.core.site.resolve import Look
from yemba.core.site.settings import SETTINGS
from yemba.core.site.wordmark import ORNAMENT
from yemba.core.type.levels import LEVELS
from yemba.sites.models import Site

CHAPTERS = {"site": "logo"}
"""The chapters of subjects that have none of their own name."""


class Control(NamedTuple):
    """`chapter` and `query` open a desk on which an element with the id `id` decides."""

    chapter: str
    id: str
    query: Mapping[str, str] = {}

    def address(self, site: Site) -> str:
        """The address of that desk."""
        return address(site, self.chapter, **self.query)


def address(site: Site, chapter: str, **query: str) -> str:
    """The address of a chapter."""
    path = reverse("workbench", args=(site.slug, chapter))
    return f"{path}?{urlencode(query)}" if query else path


@singledispatch
def control(place: Place, look: Look) -> Control:
    """The control of a place on a site as it stands; for something that is gone, where its like is decided."""
    raise NotImplementedError(type(place).__name__)


def chapter_of(subject: str) -> str:
    """The chapter that the settings of a subject stand in."""
    return CHAPTERS.get(subject, subject)


@control.register
def _(place: places.OfTemplate, look: Look) -> Control:
    return Control("template", f"template-{look.template.slug}")


@control.register
def _(place: places.OfSheet, look: Look) -> Control:
    return Control("template", f"template-{look.template.slug}")


@control.register
def _(place: places.OfSite, look: Look) -> Control:
    return Control("logo", {"name": "title"}.get(place.words, place.words))


@control.register
def _(place: places.OfSetting, look: Look) -> Control:
    setting = SETTINGS[place.key]
    level, _, name = place.key.partition(".")
    if place.key in _SPECIAL:
        return _SPECIAL[place.key]
    if setting.subject == "header":
        return _of_header(look, place.key)
    if place.key in _FOOTER:
        return Control("footer", _of_footer(look, place.key))
    if setting.subject == "frame":
        return Control("frame", _of_frame(look, place.key))
    if level in LEVELS:
        return _of_level(look, level, name)
    if place.key.startswith("logo."):
        return _of_logo(look, place.key)
    if place.key.startswith("type."):
        return Control("type", place.key, {"show": "sizes"})
    return Control(chapter_of(setting.subject), place.key)


_SPECIAL = {
    "icon.picture": Control("logo", "icon-file-file"),
    "palette": Control("palette", "palette-colours"),
    "grounds.own": Control("palette", "ground-name-new", {"show": "grounds"}),
    "roles.by_hand": Control("palette", "ground-roles", {"show": "grounds"}),
    "link.underline": Control("palette", "link.underline", {"show": "grounds"}),
    "shape.corner": Control("palette", "shape.corner", {"show": "grounds"}),
    **{key: Control("palette", key, {"show": "buttons"}) for key in SETTINGS if key.startswith("buttons.")},
    "type.heading": Control("type", "type.heading", {"show": "pairings"}),
    "type.body": Control("type", "type.body", {"show": "pairings"}),
}


def _of_header(look: Look, key: str) -> Control:
    """One that shows nothing now is decided by what would make it show."""
    if key in _EXTRAS and extra(look) is None:
        return Control("header", "header.extra", _SURFACE)
    needs = _NEEDS.get(key, "")
    if needs and needs != (behind(look) if needs == PICTURE else look.value("header.behind")):
        key = "header.behind"
    if key == "header.backdrop" and look.value("header.behind") in (GRADIENT, PATTERN):
        key = "header.behind"
    return Control("header", key, _OF_HEADER.get(key, {}))


_FOOTER = {setting.key for setting in parts()["footer"].settings}


def _of_footer(look: Look, key: str) -> str:
    """One that shows nothing now is decided by what would make it show."""
    name = key.removeprefix("footer.")
    if not look.value("footer.shown"):
        return "footer.shown"
    if name in ("line_style", "line_colour") and not look.value("footer.line"):
        return "footer.line"
    if name in ("link_colour", "link_pointed") and look.value("footer.behind") == THROUGH:
        return "footer.behind"
    if name == "columns" and not look.document.holder(("shared", "footer")).order:
        return "add-section"
    return key


def _of_frame(look: Look, key: str) -> str:
    """One that shows nothing now is decided by what would make it show."""
    part, _, name = key.partition(".")
    if key == "frame.place" and look.value("frame.form") != FIXED:
        return "frame.form"
    if part == "sidebar" and look.value("sidebar.side") == NONE:
        return "sidebar.side"
    needed = next((behind for behind, names in _OF_BACKGROUND.items() if name in names), "")
    if part == "background" and needed and look.value("background.behind") != needed:
        return "background.behind"
    if key == "background.tile" and look.value("background.fit") != "tile":
        return "background.fit"
    return key


_OF_BACKGROUND = {
    GRADIENT: {"gradient_from", "gradient_via", "gradient_to", "gradient_way"},
    PATTERN: {"pattern", "pattern_colour", "pattern_strength", "pattern_size"},
    PICTURE: {"backdrop", "fit", "anchor", "tile", "moves", "filter", "tint"},
}
_MENU, _SURFACE = {"show": "menu"}, {"show": "surface"}
_MENU_SETTINGS = ("gap", "current", "hover", "sub_ground", "panel")
_SURFACE_SETTINGS = (
    "ground", "behind", "backdrop", "stand", "box", "width", "padding", "line", "line_style", "line_colour", "corner",
    "shadow",
)  # fmt: skip
_NEEDS = {f"header.{name}": PICTURE for name in ("tint", "filter", "entrance")}
_OF_EXTRA = ("anchor", "x", "y", "size", "turn", "mirror", "strength", "link")
_NEEDS |= {f"header.gradient_{name}": GRADIENT for name in ("from", "via", "to", "way")}
_NEEDS |= {f"header.{name}": PATTERN for name in ("pattern", "pattern_colour", "pattern_strength", "pattern_size")}
_OF_HEADER = {f"header.{name}": _MENU for name in _MENU_SETTINGS}
_EXTRAS = {f"header.extra_{name}" for name in _OF_EXTRA}
_OF_HEADER |= dict.fromkeys([*_NEEDS, *_EXTRAS, "header.extra"], _SURFACE)
_OF_HEADER |= {f"header.{name}": _SURFACE for name in _SURFACE_SETTINGS}
"""What the desk of the header is to show for a setting that is not in its first view."""


def _of_level(look: Look, level: str, name: str) -> Control:
    key = f"{level}.{name}" if offered(look, f"{level}.{name}") else f"{level}.wide"
    if LEVELS[level].subject != "type":
        query = _MENU if level == "navigation" else {}
        return Control(chapter_of(LEVELS[level].subject), key, query)
    if name == "face":
        return Control("type", key, {"show": "pairings"})
    return Control("type", key, {"show": "sizes", "level": level})


def offered(look: Look, key: str) -> bool:
    """Whether a design value has a control now: a width only where the face can be narrower or wider."""
    level, _, name = key.partition(".")
    if level not in LEVELS or name != "width":
        return True
    narrowest, widest = look.families[look.texts[level].face].widths
    return narrowest < widest


def _of_logo(look: Look, key: str) -> Control:
    if key in _OF_WORDMARK:
        return Control("logo", key if _wordmark_shows(look, key) else "logo.form")
    if key == "logo.form":
        return Control("logo", key)
    if look.document.pictures.get(look.value("logo.picture")) is None:
        return Control("logo", "logo-file-file")
    return Control("logo", _OF_LOGO.get(key, key) if logo(look) else "logo.form")


_OF_WORDMARK = ("logo.lines", "logo.beside", "logo.ornament")
_OF_LOGO = {"logo.picture": "logo.form"} | {key: f"logo-{name}-file" for key, name in NAMES.items()}
_OF_LOGO |= {POINTED: "logo-pointed-file"}


def _wordmark_shows(look: Look, key: str) -> bool:
    needed = key != "logo.ornament" or look.value("logo.beside") == ORNAMENT
    return look.value("logo.form") != "none" and logo(look) is None and needed


@control.register
def _(place: places.OfLogo, look: Look) -> Control:
    return Control("logo", "logo-file-file")


@control.register
def _(place: places.OfColour, look: Look) -> Control:
    if all(colour["id"] != place.colour for colour in look.value("palette")):
        return _SPECIAL["palette"]
    return Control("palette", f"colour-{place.colour}", {"colour": place.colour})


@control.register
def _(place: places.OfGround, look: Look) -> Control:
    if place.ground not in look.grounds:
        return _SPECIAL["grounds.own"]
    return Control("palette", f"ground-{place.ground}", {"show": "grounds", "ground": place.ground})


@control.register
def _(place: places.OfRole, look: Look) -> Control:
    if place.ground not in look.grounds:
        return _SPECIAL["grounds.own"]
    query = {"show": "grounds", "ground": place.ground, "role": place.role}
    return Control("palette", f"role-{place.ground}-{place.role}", query)


@control.register
def _(place: places.OfFont, look: Look) -> Control:
    known = place.font in look.document.fonts
    return Control("type", f"font-{place.font}" if known else "take-font-file", {"show": "fonts"})


@control.register
def _(place: places.OfPicture, look: Look) -> Control:
    if place.picture not in look.document.pictures:
        return Control("pictures", "take-pictures-file")
    ids = {"alt": f"alt-words-{place.picture}", "focal": f"focal-x-{place.picture}"}
    ids |= {"fit": f"fit-of-{place.picture}"}
    ids |= {"toning": f"filter-of-{place.picture}"}
    ids |= {"framing": f"crop-left-{place.picture}"}
    ids |= {"colours": f"colours-of-{place.picture}"}
    return Control("pictures", ids.get(place.what, f"picture-{place.picture}"), {"picture": place.picture})


@control.register
def _(place: places.OfFile, look: Look) -> Control:
    known = place.file in look.document.files
    return Control("pictures", f"file-{place.file}" if known else "take-files-file", {"show": "files"})


@control.register
def _(place: places.OfMenu, look: Look) -> Control:
    query = {"show": "menu"}
    if place.what in ("under", "link"):
        query["entry"] = place.entry
    if place.entry not in menu(look.document):
        return Control("header", "menu-entries", query)
    return Control("header", f"entry-{place.what}-{place.entry}", query)


@control.register
def _(place: places.OfLanguage, look: Look) -> Control:
    known = place.language in further(look.document)
    id_ = f"say-{place.language}-{place.what or 'name'}" if known else "language-new"
    return Control("pages", id_, {"show": "languages"})


@control.register
def _(place: places.OfPages, look: Look) -> Control:
    return Control("pages", "site-map")


@control.register
def _(place: places.OfPage, look: Look) -> Control:
    if place.what == "sidebar":
        has_sidebar = look.value("sidebar.side") != NONE and place.page in look.document.pages
        return Control("frame", f"sidebar-shown-{place.page}" if has_sidebar else "sidebar.side")
    page = look.document.pages.get(place.page)
    if page is None:
        return Control("pages", "site-map")
    what = "name" if place.what == "slug" and not has_own_address(page) else place.what
    return Control("pages", f"page-{what}" if what else f"page-{place.page}", {"page": place.page})


@control.register
def _(place: places.OfSection, look: Look) -> Control:
    return _in_section(look, place.section, f"{place.what}-of-{place.section}" if place.what else "")


@control.register
def _(place: places.OfField, look: Look) -> Control:
    field = place.field
    if field in _OF_BEHIND and not _behind_shows(look, place.section, field):
        field = "behind"
    id_ = f"words-{place.item}-{field}" if place.item else f"words-{field}"
    return _in_section(look, place.section, f"alt-of-{id_}" if place.what == "alt" else id_)


_OF_BEHIND = {field.slug for field in SHARED} - {"behind", "height"}


def _behind_shows(look: Look, section: str, field: str) -> bool:
    """Whether the control of a field is among those for what stands behind the section's words."""
    chosen = behind_words.of_fields(_stored(look, section), look.template.page)
    kind = chosen.shown(look)
    if field.startswith((GRADIENT, PATTERN)):
        return field.startswith(chosen.behind or GROUND)
    return chosen.behind in ("", GROUND, PICTURE) and (field == "backdrop" or kind == PICTURE)


@control.register
def _(place: places.OfItems, look: Look) -> Control:
    return _in_section(look, place.section, f"items-{place.section}")


@control.register
def _(place: places.OfOneOff, look: Look) -> Control:
    return _in_section(look, place.section, f"one-{place.element}-{place.what}")


def _in_section(look: Look, section: str, id_: str) -> Control:
    """A control on the desk of the page, or of the part, that holds a section; its entry where no id is given."""
    holder = look.holder_of.get(section)
    if holder is None:
        return Control("pages", "site-map")
    if holder == ("shared", STANDING):
        pages = look.document.shows(section)
        query = {"section": section, "page": pages[0]} if pages else {}
        return Control("pages", (id_ or f"section-{section}") if pages else f"put-{section}", query)
    part = parts().get(holder[1])
    chapter = (part.chapter or part.slug) if part else "pages"
    return Control(chapter, id_ or f"section-{section}", {"section": section})


def _stored(look: Look, section: str) -> Mapping[str, str]:
    for standing in look.document.standing():
        if standing.key == section:
            return standing.section.fields
    return {}
