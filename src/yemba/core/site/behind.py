"""What stands behind the words of a section or of the header: its ground alone, a gradient, a pattern, a picture, or
what is behind the page."""

from __future__ import annotations

from collections.abc import Mapping
from typing import NamedTuple

from yemba.core.colour.contrast import TEXT
from yemba.core.colour.gradient import laid_over, least_over, steps
from yemba.core.colour.srgb import Colour
from yemba.core.picture.patterns import as_css, mark
from yemba.core.site.document import Picture, Section
from yemba.core.site.resolve import Look

GROUND, GRADIENT, PATTERN, PICTURE, THROUGH = "ground", "gradient", "pattern", "picture", "through"
DEFAULTS = {
    "backdrop_fit": "fill",
    "gradient_way": "to bottom",
    "pattern": "dots",
    "pattern_strength": "35",
    "filter": "none",
    "moves": "with",
}
"""What a section has where its owner chose a gradient, a pattern or a picture and nothing of it, by field."""
_SIZE = 24  # px, of a tile


class Chosen(NamedTuple):
    """What is chosen, as it is stored: `ground` by its slug, `picture` by its id, colours as "@" and theirs. `strength`
    is in % of what lets text read, `size` that of a tile in px."""

    behind: str
    ground: str
    picture: str
    stops: tuple[str, ...]
    way: str
    pattern: str
    colour: str
    strength: float
    size: int

    def shown(self, look: Look) -> str:
        """What is shown: what is chosen, as far as it is there; a picture where one is set and nothing chosen."""
        behind = self.behind or PICTURE
        if behind == PICTURE:
            return PICTURE if self.picture in look.pictures else GROUND
        if behind == GRADIENT:
            return GRADIENT if len(self.colours(look)) > 1 else GROUND
        return behind

    def colours(self, look: Look) -> tuple[Colour, ...]:
        """Those of a gradient that are there."""
        readings = (look.read_colour(value) for value in self.stops if value)
        return tuple(one.colour for one in readings if one)

    def backdrop(self, look: Look) -> Picture | None:
        """The picture, where it is what is shown."""
        return look.pictures[self.picture] if self.shown(look) == PICTURE else None

    def gradient(self, look: Look) -> Gradient | None:
        """None where it is not what is shown."""
        if self.shown(look) != GRADIENT:
            return None
        stops = self.colours(look)
        return Gradient(stops, self.way, least_over(stops, self.fill(look), self.inks(look)))

    def patterned(self, look: Look) -> Patterned | None:
        """None where it is not what is shown."""
        if self.shown(look) != PATTERN:
            return None
        read = look.read_colour(self.colour) if self.colour else None
        wanted = read.colour if read else look.grounds[self.ground].button
        most = mark(self.fill(look), wanted, self.inks(look))
        made = laid_over(self.fill(look), most, self.strength / 100)
        return Patterned(self.pattern, made, self.size)

    def fill(self, look: Look) -> Colour:
        """Of its ground."""
        return look.grounds[self.ground].fill

    def inks(self, look: Look) -> tuple[tuple[Colour, float], ...]:
        """The colours of its text, each with the contrast that it needs."""
        ground = look.grounds[self.ground]
        return ((ground.heading, TEXT), (ground.text, TEXT))


class Gradient(NamedTuple):
    """`over` is how much of the ground's fill lies over it so that text reads along its whole length, in %; None where
    text does not read on the ground itself."""

    stops: tuple[Colour, ...]
    way: str
    over: int | None

    def css(self, fill: Colour) -> str:
        """As a CSS image."""
        colours = ", ".join(colour.hex for colour in steps(self.stops))
        red, green, blue = fill
        tint = f"rgb({red} {green} {blue} / {self.over or 0}%)"
        return f"linear-gradient({tint}, {tint}), linear-gradient({self.way}, {colours})"


class Patterned(NamedTuple):
    """`mark` is its colour, at most as strong as lets text read on it; `size` that of a tile in px."""

    pattern: str
    mark: Colour
    size: int

    def css(self) -> str:
        """As a CSS image."""
        return as_css(self.pattern, self.mark)


def of_section(look: Look, section: Section) -> Chosen:
    """What is chosen for a section."""
    return of_fields(section.fields, look.ground(section).value)


def of_part(look: Look, part: str, behind: str, ground: str) -> Chosen:
    """What the settings of a part, header or background, choose; `behind` and `ground` are told by it."""
    return Chosen(
        behind=behind,
        ground=ground,
        picture=look.value(f"{part}.backdrop"),
        stops=tuple(look.value(f"{part}.gradient_{end}") for end in ("from", "via", "to")),
        way=look.value(f"{part}.gradient_way"),
        pattern=look.value(f"{part}.pattern"),
        colour=look.value(f"{part}.pattern_colour"),
        strength=look.value(f"{part}.pattern_strength"),
        size=look.value(f"{part}.pattern_size"),
    )


def of_fields(fields: Mapping[str, str], ground: str) -> Chosen:
    """What fields of a section choose, on a ground by its slug."""
    known = DEFAULTS | {slug: value for slug, value in fields.items() if value}
    return Chosen(
        behind=fields.get("behind", ""),
        ground=ground,
        picture=fields.get("backdrop", ""),
        stops=tuple(fields.get(f"gradient_{end}", "") for end in ("from", "via", "to")),
        way=known["gradient_way"],
        pattern=known["pattern"],
        colour=fields.get("pattern_colour", ""),
        strength=float(known["pattern_strength"]),
        size=_SIZE,
    )
