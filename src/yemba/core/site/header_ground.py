"""What stands behind the words of a header: its ground alone, a gradient, a pattern or a picture."""

from __future__ import annotations

from typing import NamedTuple

from yemba.core.colour.contrast import TEXT, luminance
from yemba.core.colour.gradient import laid_over, least_over, steps
from yemba.core.colour.srgb import Colour
from yemba.core.layout.arrangement import OVER
from yemba.core.picture.patterns import as_css, mark
from yemba.core.site.document import Picture
from yemba.core.site.resolve import Look

GROUND, GRADIENT, PATTERN, PICTURE = "ground", "gradient", "pattern", "picture"


class Gradient(NamedTuple):
    """`over` is how much of the ground's fill lies over it so that text reads along its whole length, in %; None where
    text does not read on the ground itself."""

    stops: tuple[Colour, ...]
    way: str
    over: int | None

    def css(self, fill: Colour) -> str:
        """As a CSS image."""
        drawn = ", ".join(colour.hex for colour in steps(self.stops))
        red, green, blue = fill
        tint = f"rgb({red} {green} {blue} / {self.over or 0}%)"
        return f"linear-gradient({tint}, {tint}), linear-gradient({self.way}, {drawn})"


class Patterned(NamedTuple):
    """`mark` is its colour, at most as strong as lets text read on it; `size` that of a tile in px."""

    pattern: str
    mark: Colour
    size: int

    def css(self) -> str:
        """As a CSS image."""
        return as_css(self.pattern, self.mark)


def behind(look: Look) -> str:
    """What is shown: what is chosen, as far as it is there; a picture where one is set and nothing chosen."""
    if look.arrangement.stands == OVER:
        return GROUND
    chosen = look.value("header.behind") or PICTURE
    if chosen == PICTURE:
        return PICTURE if backdrop(look) else GROUND
    if chosen == GRADIENT:
        return GRADIENT if len(_stops(look)) > 1 else GROUND
    return str(chosen)


def backdrop(look: Look) -> Picture | None:
    """The picture that is set."""
    return look.pictures.get(look.value("header.backdrop"))


def gradient(look: Look) -> Gradient | None:
    """None where it is not what is shown."""
    if behind(look) != GRADIENT:
        return None
    stops = _stops(look)
    return Gradient(stops, look.value("header.gradient_way"), least_over(stops, _fill(look), _inks(look)))


def pattern(look: Look) -> Patterned | None:
    """None where it is not what is shown."""
    if behind(look) != PATTERN:
        return None
    colour = look.value("header.pattern_colour")
    chosen = look.read_colour(colour) if colour else None
    wanted = chosen.colour if chosen else look.grounds[look.value("header.ground")].button
    most = mark(_fill(look), wanted, _inks(look))
    made = laid_over(_fill(look), most, look.value("header.pattern_strength") / 100)
    return Patterned(look.value("header.pattern"), made, look.value("header.pattern_size"))


def duotone(look: Look) -> tuple[Colour, Colour]:
    """The darkest and the lightest colour of the palette, of which a filter makes pictures."""
    ranked = sorted(look.colours, key=luminance)
    return ranked[0], ranked[-1]


def _stops(look: Look) -> tuple[Colour, ...]:
    values = (look.value(f"header.gradient_{end}") for end in ("from", "via", "to"))
    found = (look.read_colour(value) for value in values if value)
    return tuple(one.colour for one in found if one)


def _fill(look: Look) -> Colour:
    return look.grounds[look.value("header.ground")].fill


def _inks(look: Look) -> tuple[tuple[Colour, float], ...]:
    ground = look.grounds[look.value("header.ground")]
    return ((ground.heading, TEXT), (ground.text, TEXT))
