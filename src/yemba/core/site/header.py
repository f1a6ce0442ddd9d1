"""What stands in a site's header, how it fits, and which ground it stands on."""

from __future__ import annotations

from yemba.core.layout.arrangement import NONE, OVER, Arrangement
from yemba.core.layout.frame import FIXED
from yemba.core.layout.header_fit import (
    HIGHEST_LOGO,
    Contents,
    Faces,
    Fit,
    Header,
    Heights,
    Least,
    Setting,
    Spaces,
    bar_heights,
    fit,
    heights,
    widths_of,
    within,
)
from yemba.core.site.behind import GRADIENT, PATTERN, PICTURE
from yemba.core.site.document import MAIN
from yemba.core.site.header_ground import behind
from yemba.core.site.languages import further, home, name
from yemba.core.site.logo import logo_on
from yemba.core.site.navigation import entries
from yemba.core.site.pictures import proportion
from yemba.core.site.resolve import Look
from yemba.core.site.wordmark import wordmark

_STYLES = {
    "current": "line", "hover": "line", "panel": "whole", "width": "page", "shadow": "none", "stand": "middle",
    "box": "none",
}  # fmt: skip
_OF_PICTURE = {"filter": "none", "entrance": "none"}
"""What is said by a class, unless it is as usual."""
_CURRENT_WEIGHT = 700
_TEMPLATE_LINE = 12  # px; the line below a header at most, where its owner set none
_MEASURES = ("line", "padding", "corner")
_LEVELS = ("title", "navigation", "small", "button")


def header(look: Look, arrangement: Arrangement | None = None) -> Header:
    """It with all that its measures depend on, in an arrangement of its own or another."""
    measures = look.template.measures
    spaces = Spaces(gap(look), measures.gutter + measures.margin, measures.plate)
    arrangement = arrangement or look.arrangement
    contents = _contents(look) if arrangement.menu != NONE else Contents("")
    faces = _faces(look)
    return Header(arrangement, contents, faces, spaces, _least(look), widths_of(contents, faces))


def _contents(look: Look) -> Contents:
    """What stands in it."""
    document, menu = look.document, entries(look.document)
    logo = logo_on(look, look.value("header.ground"))
    mark, title = wordmark(look), shown_title(look)
    here = document.seen_in or MAIN
    languages = [name(look, tag) for tag in (MAIN, *further(document)) if tag != here and home(document, tag)]
    return Contents(
        title=document.name,
        lines=mark.lines,
        beside=mark.beside,
        title_wide=title in ("both", "wide"),
        title_on_phone=title in ("both", "phone"),
        entries=(*(entry.name for entry in menu), *(languages if look.value("header.switch") else ())),
        opening=frozenset(entry.name for entry in menu if entry.below),
        tagline=document.tagline if look.value("header.tagline") else "",
        action=look.value("header.action") if look.value("header.action_link") else "",
        logo=proportion(logo) if logo else None,
        logo_share=look.value("logo.height") / 100,
        tagline_on_phone=look.value("header.tagline_phone"),
        action_on_phone=look.value("header.action_phone"),
    )


def shown_title(look: Look) -> str:
    """Where the name or the logo stands: at every width ("both"), only "wide", only on a "phone", or nowhere ("")."""
    return "" if look.value("logo.form") == "none" else str(look.value("header.title"))


def shrinks(look: Look) -> bool:
    """Whether it shrinks to a bar while one scrolls; one at the side or over the opening cannot."""
    arrangement = look.arrangement
    return look.value("header.position") == "shrinks" and arrangement.stands != OVER and not arrangement.column


def marks(look: Look) -> str:
    """Classes for what its owner set of it, that the template does not say already."""
    kind = behind(look)
    styles = _STYLES | (_OF_PICTURE if kind == PICTURE else {})
    value = {name: look.value(f"header.{name}") for name in (*styles, "line_colour", *_MEASURES)}
    named = [f"{name}-{value[name]}" for name, usual in styles.items() if value[name] != usual]
    if shrinks(look):
        named.append("shrinks")
    if kind in (GRADIENT, PATTERN):
        named.append(f"behind-{kind}")
    lined = [f"has-line line-{value['line_colour']}"] if value["line"] is not None else []
    return " ".join([*named, *lined, *(f"has-{name}" for name in ("padding", "corner") if value[name] is not None)])


def header_fit(look: Look) -> Fit:
    """How its pieces fit, as they are now; in a page of fixed width they have no more room than that."""
    fixed = look.value("frame.form") == FIXED
    return within(fit(header(look)), look.value("frame.width") + 2 * look.template.measures.gutter if fixed else None)


def header_heights(look: Look) -> Heights:
    """How high it stands at most, as it is now."""
    return _with_line(look, heights(header(look)))


def header_bar_heights(look: Look) -> Heights:
    """How high it stands at most once it has shrunk."""
    return _with_line(look, bar_heights(header(look)))


def _with_line(look: Look, bare: Heights) -> Heights:
    """With the line below it."""
    own = look.value("header.line")
    line = _TEMPLATE_LINE if own is None else own
    return Heights(bare.unfolded and bare.unfolded + line, tuple(height and height + line for height in bare.folded))


def gap(look: Look) -> float:
    """Between entries of the menu, in px."""
    own = look.value("header.gap")
    return float(look.template.measures.nav_gap if own is None else own)


def _least(look: Look) -> Least:
    wide, phone = look.value("header.height_wide"), look.value("header.height_phone")
    return Least(wide, phone, min(wide, HIGHEST_LOGO), min(phone, HIGHEST_LOGO))


def _faces(look: Look) -> Faces:
    faces = Faces(*(Setting(look.face(level), look.texts[level]) for level in _LEVELS))
    if look.value("header.current") != "weight":
        return faces
    heaviest = faces.navigation.family.weights[1]
    bold = faces.navigation.text._replace(weight=round(min(heaviest, _CURRENT_WEIGHT)))
    return faces._replace(navigation=faces.navigation._replace(text=bold))


def ground_on(look: Look, page: str) -> str:
    """The ground that the header stands on, by its slug: over a section that one's."""
    document = look.document
    whole = document.shown(page) if page in document.pages else None
    if look.arrangement.stands == OVER and whole and whole.order:
        return str(look.ground(whole.sections[whole.order[0]]).value)
    return str(look.value("header.ground"))
