"""A first look, taken later."""

from __future__ import annotations

from typing import Any, ClassVar

from yemba.core.brand.sheet import read_values
from yemba.core.change.command import Command
from yemba.core.change.commands.pictures import AddPicture
from yemba.core.change.operation import Operation, put, remove
from yemba.core.message import Message
from yemba.core.site.ids import Ids
from yemba.core.site.resolve import Look

_GOVERNED = ("palette", "type.heading", "type.body", "type.heading_weight", "shape.corner")
_GOVERNED_PARTS = ("header.ground",)
"""What a look decides: where it sets none of these, they are as its template has them."""


class TakeLook(Command):
    """Template and values of a first look, as one edit, with `versions` of the logo that its grounds ask for. Values of
    the brand that it covers are set aside."""

    name: ClassVar[str] = "take-look"
    by_hand: ClassVar[bool] = False
    title: str
    template: str
    values: dict[str, Any]
    parts: dict[str, Any] = {}
    versions: tuple[AddPicture, ...] = ()

    def plan(self, look: Look, ids: Ids) -> list[Operation]:
        look.catalogue.template(self.template)
        values = read_values(self.values, look.catalogue, look.document.fonts.keys())
        plain = look.document.plain()
        now = plain.get("sheet", {})
        covered = {key: now[key] for key in _GOVERNED if key in now and now[key] != values.get(key)}
        others = {key: value for key, value in now.items() if key not in _GOVERNED}
        parts = {key: value for key, value in plain.get("parts", {}).items() if key not in _GOVERNED_PARTS}
        parts |= self.parts | {one.version: one.picture for one in self.versions}
        pictures = [step for one in self.versions for step in one.plan(look, ids) if step.path[0] == "pictures"]
        aside = {**plain.get("set_aside", {}), **covered}
        return [
            put(look.document, ("template",), self.template),
            put(look.document, ("sheet",), {**others, **values}),
            put(look.document, ("parts",), parts),
            *pictures,
            remove(look.document, ("ready_sheet",)),
            remove(look.document, ("own_sheet",)),
            *([put(look.document, ("set_aside",), aside)] if covered else []),
        ]

    def say(self, look: Look) -> str:
        return Message("First look {title}, {name}", title=self.title, name=look.catalogue.template(self.template).name)
