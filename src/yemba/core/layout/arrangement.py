"""Arrangements of a header: which of its parts stand in one row, or whether it is a column at the side."""

from __future__ import annotations

from typing import Literal

from pydantic import Field, field_validator

from yemba.core.errors import nearest
from yemba.core.message import Label
from yemba.core.strict import Strict

PIECES = ("title", "tagline", "navigation")
"""What a header may hold and its width is measured of; a call to action stands beside the navigation."""
ABOVE, OVER, FOOT = "above", "over", "foot"
"""Where a header stands: above the page's content, over its first section, at the foot of its opening."""
UNFOLDS, FOLDED, NONE = "unfolds", "folded", "none"
"""What becomes of the menu where there is room: it unfolds, stays behind its button, or there is no header at all."""


class Arrangement(Strict):
    """`rows` are the pieces that stand side by side, from the top; a `column` stands at the side of the page and has
    its pieces one under the other. The menu stands in `menu_lines`, or in columns of `menu_rows` entries each (0: in
    lines); where it is `equal`, its entries share the width, each in the middle of its part; where it is `split`, half
    of it stands on each side of the title. `css` is in force where the menu is
    unfolded, `everywhere` at every width. `around` is how much padding, gaps and rules take above and below its pieces,
    in px, at most, in any template. `order` is its place among others."""

    slug: str
    name: Label
    order: int = 99
    column: bool = False
    rows: list[list[str]]
    menu: Literal["unfolds", "folded", "none"] = "unfolds"
    menu_lines: int = Field(default=1, ge=1)
    menu_rows: int = Field(default=0, ge=0)
    equal: bool = False
    split: bool = False
    stands: Literal["above", "over", "foot"] = "above"
    around: int = 72
    css: str = ""
    everywhere: str = ""

    @field_validator("rows")
    @classmethod
    def _known_pieces(cls, rows: list[list[str]]) -> list[list[str]]:
        for piece in (piece for row in rows for piece in row):
            if piece not in PIECES:
                raise ValueError(f"“{piece}” is no piece of a header; {nearest(piece, PIECES)}")
        return rows
