"""What is behind the pages of a site."""

from __future__ import annotations

from yemba.core.colour.gradient import laid_over, steps
from yemba.core.colour.srgb import Colour
from yemba.core.layout.frame import FIXED
from yemba.core.part.part import parts
from yemba.core.site.behind import GROUND, PICTURE, Chosen, of_part
from yemba.core.site.resolve import Look

_EXTREMES = (Colour(0, 0, 0), Colour(255, 255, 255))
"""Between these every colour of a picture lies."""


def chosen(look: Look) -> Chosen:
    """What is set."""
    return of_part(look, "background", look.value("background.behind"), parts()["background"].ground_on(look, ""))


def is_seen(look: Look) -> bool:
    """Whether it is more than a ground."""
    return chosen(look).shown(look) != GROUND


def colours_behind(look: Look) -> tuple[Colour, ...]:
    """The colours that a section which is see-through may have behind it; of a picture the darkest and the lightest
    there could be, under its tint. A page of fixed width is a sheet, of which sections show the ground."""
    if look.value("frame.form") == FIXED:
        return (look.grounds[look.template.page].fill,)
    here = chosen(look)
    fill = look.grounds[here.ground].fill
    if gradient := here.gradient(look):
        return tuple(laid_over(colour, fill, (gradient.over or 0) / 100) for colour in steps(gradient.stops))
    if pattern := here.patterned(look):
        return fill, pattern.mark
    if here.shown(look) == PICTURE:
        tint = look.value("background.tint") / 100
        return tuple(laid_over(extreme, fill, tint) for extreme in _EXTREMES)
    return (fill,)
