"""What the footer is on a site as it stands: its classes, what is behind its words, the colours of its links."""

from __future__ import annotations

from yemba.core.colour.contrast import TEXT, nearest
from yemba.core.colour.srgb import Colour
from yemba.core.part.footer import OWN, SIGN
from yemba.core.site.behind import THROUGH, Chosen, of_fields
from yemba.core.site.resolve import Look

FOOTER = "footer"
_MEASURES = ("height", "padding", "columns")
_LINKS = {"link": "footer.link_colour", "link-hover": "footer.link_pointed"}
"""Roles of a ground that may be set for the footer alone, with the setting of each."""


def is_shown(look: Look) -> bool:
    """Whether pages have a footer."""
    return bool(look.value("footer.shown"))


def behind(look: Look) -> Chosen:
    """What is chosen to stand behind its words."""
    return of_fields({"behind": look.value("footer.behind")}, look.value("footer.ground"))


def link_colours(look: Look) -> dict[str, Colour]:
    """The colours of its links by role, each the nearest to the wanted one that reads on its ground; none where
    it is see-through, since links then have the colour of its text."""
    if behind(look).shown(look) == THROUGH:
        return {}
    fill = look.grounds[look.value("footer.ground")].fill
    wanted = {role: look.value(key) for role, key in _LINKS.items()}
    read = {role: look.read_colour(value) for role, value in wanted.items() if value}
    return {role: nearest(one.colour, fill, TEXT) for role, one in read.items() if one}


def has_navigation(look: Look) -> bool:
    """Whether visitors find the pages by it."""
    return is_shown(look) and bool(look.value("footer.navigation"))


def is_own(look: Look) -> bool:
    """Whether anything of it is its owner's: what the template has needs no further styles."""
    return bool(marks(look) or look.document.holder(("shared", FOOTER)).order)


def names_site(look: Look) -> bool:
    """Whether the logo, or the name for it, stands in it, where it is shown."""
    return bool(look.value("footer.logo")) or look.value("footer.arrangement") == SIGN


def marks(look: Look) -> str:
    """Classes for what its owner set of it."""
    value = {
        name: look.value(f"footer.{name}")
        for name in ("arrangement", "align", "line", "line_colour", "stands", *_MEASURES)
    }
    named = {
        f"arranged arranged-{value['arrangement']}": value["arrangement"] != OWN,
        f"aligned-{value['align']}": value["align"] is not None,
        f"has-line line-{value['line_colour']}": value["line"] is not None,
        **{f"has-{name}": value[name] is not None for name in _MEASURES},
        **{f"has-{role}": True for role in link_colours(look)},
        "follows": value["stands"] == "follows",
        "behind-through": behind(look).shown(look) == THROUGH,
    }
    return " ".join(name for name, holds in named.items() if holds)
