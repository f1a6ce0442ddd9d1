"""Which picture stands for the site's name on a ground: the logo, or its version for grounds of that lightness; and
which stands for it as an icon."""

from __future__ import annotations

from yemba.core.colour.contrast import reads_in_white
from yemba.core.site.document import Picture
from yemba.core.site.resolve import Look

LIGHT, DARK = "logo.light", "logo.dark"
"""The settings of the light version, for dark grounds, and of the dark one, for light grounds."""
POINTED = "logo.pointed"
"""The setting of the picture that stands there under the pointer."""
NAMES = {LIGHT: "light", DARK: "dark"}


def logo(look: Look) -> Picture | None:
    """The logo as it was brought; None where the name is set in type."""
    return look.pictures.get(look.value("logo.picture")) if look.value("logo.form") == "picture" else None


def logo_on(look: Look, ground: str) -> Picture | None:
    """The logo for a ground, by its slug; None where the name is set in type."""
    return look.pictures[key_on(look, ground)] if logo(look) else None


def key_on(look: Look, ground: str) -> str:
    """The id of the picture that is the logo on a ground, where there is a logo."""
    brought, version = look.value("logo.picture"), look.value(version_for(look, ground))
    known = look.pictures.get(version)
    return str(version if known and known.version_of == brought else brought)


def logo_pointed(look: Look) -> Picture | None:
    """What stands in the logo's place under the pointer; None where that is the logo itself."""
    brought, other = logo(look), look.pictures.get(look.value(POINTED))
    return other if brought and other and other.version_of == look.value("logo.picture") else None


def icon_picture(look: Look) -> Picture | None:
    """What the site icon is made of; None where it is the letter that the name begins with."""
    form = look.value("icon.form")
    own = look.pictures.get(look.value("icon.picture")) if form == "picture" else None
    return None if form == "letter" else own or logo_on(look, look.value("header.ground"))


def version_for(look: Look, ground: str) -> str:
    """The key of the version that such a ground asks for."""
    return LIGHT if reads_in_white(look.grounds[ground].fill) else DARK


def grounds_of(look: Look, version: str) -> list[str]:
    """The grounds that a version is for, by slug."""
    return [slug for slug in look.grounds if version_for(look, slug) == version]
