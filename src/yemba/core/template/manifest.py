"""A template's manifest and its ready brand sheets."""

from __future__ import annotations

from typing import Any

from yemba.core.message import Label
from yemba.core.strict import Strict

_ROUND_FROM = 6  # px of corner radius; common practice, no source


class ReadySheet(Strict):
    """A brand sheet that ships with a template: design values by setting key."""

    slug: str
    name: str
    values: dict[str, Any]


class Measures(Strict):
    """What the stylesheet and the rules are both made from: sizes in the header in em of the text's, `nav_gap` and
    `gutter` in px, `inset` the padding of a frame inside the gutters, `margin` what is left beside the header and
    `plate` what a name in type has on both sides together, in px; `measure` (the width of a column of text) in rem,
    `abreast` the px of a window from which three tiles stand in a row. The defaults are common practice, no source."""

    title_size: float = 1.25
    nav_size: float = 1.0
    nav_gap: float = 28
    gutter: float = 24
    inset: float = 0
    margin: float = 0
    plate: float = 0
    measure: float = 36
    abreast: float = 860


class Template(Strict):
    """`design` are values by setting key; `layouts` and `grounds` by section kind, where they are another than the
    kind's first layout and the ground "light".

    `lacks` names what it cannot show: values by setting key, layouts by section kind. What an owner
    has chosen of these is kept and set aside. `levels` names the level of text, by "KIND.FIELD", where
    it is another than the kind's, `sizes` how wide pictures are drawn, by "KIND.LAYOUT", where it is otherwise than
    the kind's, and by "KIND.LAYOUT.half", ".whole", ".first" and ".two" in layouts of tiles. `page` is the ground
    behind and between the sections, `moods` what it is like and `strengths` the kinds of section it does most for
    (first looks are chosen by both), `signature` its mark on icon and link card. `sheets` are ordered; the first is the
    template's own. `picture` says whether it brings one of itself.
    """

    slug: str
    name: str
    idea: Label
    design: dict[str, Any] = {}
    measures: Measures = Measures()
    layouts: dict[str, str] = {}
    grounds: dict[str, str] = {}
    lacks: dict[str, list[str]] = {}
    page: str = "light"
    signature: str = "none"
    moods: list[str] = []
    strengths: list[str] = []
    levels: dict[str, str] = {}
    sizes: dict[str, str] = {}
    css: str
    sheets: list[ReadySheet]
    picture: bool = False

    def value(self, key: str) -> Any:
        """What it says of a setting by itself or by its own brand sheet; None where it says nothing."""
        return self.design.get(key, self.sheets[0].values.get(key) if self.sheets else None)

    @property
    def is_round(self) -> bool:
        """Whether its corners are drawn round."""
        return bool((self.value("shape.corner") or 0) >= _ROUND_FROM)

    def shows(self, key: str, value: Any) -> bool:
        """Whether it can show this value of a setting, or this layout of a kind."""
        return value not in self.lacks.get(key, ())

    def sheet(self, slug: str) -> ReadySheet | None:
        return next((sheet for sheet in self.sheets if sheet.slug == slug), None)
