"""A template's manifest and its ready brand sheets."""

from __future__ import annotations

from typing import Any

from yemba.core.site.document import Strict


class ReadySheet(Strict):
    """A brand sheet that ships with a template: design values by setting key."""

    slug: str
    name: str
    values: dict[str, Any]


class Measures(Strict):
    """What the stylesheet and the rules are both made from: sizes in the header in em of the text's, `nav_gap` and
    `gutter` in px, `measure` (the width of a column of text) in rem."""

    title_size: float
    nav_size: float
    nav_gap: float
    gutter: float
    measure: float


class Template(Strict):
    """`design` are values by setting key; `layouts` and `grounds` by section kind.

    `lacks` names what it cannot show: values by setting key, layouts by section kind. What an owner
    has chosen of these is kept and set aside. `levels` names the level of text, by "KIND.FIELD", where
    it is another than the kind's. `sheets` are ordered; the first is the template's own.
    """

    slug: str
    name: str
    idea: str
    design: dict[str, Any]
    measures: Measures
    layouts: dict[str, str]
    grounds: dict[str, str]
    lacks: dict[str, list[str]] = {}
    levels: dict[str, str] = {}
    css: str
    sheets: list[ReadySheet]

    def shows(self, key: str, value: Any) -> bool:
        """Whether it can show this value of a setting, or this layout of a kind."""
        return value not in self.lacks.get(key, ())

    def sheet(self, slug: str) -> ReadySheet | None:
        return next((sheet for sheet in self.sheets if sheet.slug == slug), None)
