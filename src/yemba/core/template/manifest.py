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
    """How the header is set, in em of the body size but for `nav_gap` and `gutter`, in px.

    The stylesheet and the header's fit are both made from these. `capitals` says that the stylesheet sets
    section headings in capitals.
    """

    title_size: float
    title_weight: int
    title_spacing: float
    nav_size: float
    nav_weight: int
    nav_spacing: float
    nav_gap: float
    gutter: float
    capitals: bool = False


class Template(Strict):
    """`design` are values by setting key; `layouts` and `grounds` by section kind.

    `lacks` names what it cannot show: values by setting key, layouts by section kind. What an owner
    has chosen of these is kept and set aside. `sheets` are ordered; the first is the template's own.
    """

    slug: str
    name: str
    idea: str
    design: dict[str, Any]
    measures: Measures
    layouts: dict[str, str]
    grounds: dict[str, str]
    lacks: dict[str, list[str]] = {}
    css: str
    sheets: list[ReadySheet]

    def shows(self, key: str, value: Any) -> bool:
        """Whether it can show this value of a setting, or this layout of a kind."""
        return value not in self.lacks.get(key, ())

    def sheet(self, slug: str) -> ReadySheet | None:
        return next((sheet for sheet in self.sheets if sheet.slug == slug), None)
