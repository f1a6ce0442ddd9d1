"""What the owner of a new site gave, as far as looks are worked out from it."""

from __future__ import annotations

from typing import NamedTuple

from yemba.core.colour.srgb import Colour
from yemba.core.first_look.shape import Shape
from yemba.core.trade.trade import Trade


class Brief(NamedTuple):
    """`sections` are the kinds of the sections of the plan, each as often as it stands in it; `letters` are all that
    the site is written in. `codes`, `logo` and `photo` are colours, what matters most first, `shape` the logo's."""

    trade: Trade
    aims: tuple[str, ...]
    sections: tuple[str, ...]
    letters: str
    codes: tuple[Colour, ...] = ()
    logo: tuple[Colour, ...] = ()
    shape: Shape | None = None
    photo: tuple[Colour, ...] = ()

    @property
    def colours(self) -> tuple[Colour, ...]:
        """Those to design with: codes, then the logo's; a photo's where there is neither."""
        return (*self.codes, *self.logo) or self.photo
