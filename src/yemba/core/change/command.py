"""A command: something an owner does, by name, planned as steps on the document.

A new command is a new class in any module of ``commands/``; it is found by its place.
"""

from __future__ import annotations

import importlib
import pkgutil
from collections.abc import Mapping
from functools import cache
from typing import Any, ClassVar

from pydantic import BaseModel, ConfigDict, ValidationError

from yemba.core.change.operation import Operation
from yemba.core.errors import Fault
from yemba.core.message import Message
from yemba.core.site.ids import Ids
from yemba.core.site.resolve import Look


class Command(BaseModel):
    """Arguments are the fields. `name` is stored and sent; it never changes its meaning.

    One that is not `by_hand` takes what a service has prepared (a file in the store), never what was posted.
    """

    model_config = ConfigDict(extra="ignore", frozen=True)
    name: ClassVar[str]
    by_hand: ClassVar[bool] = True

    def plan(self, look: Look, ids: Ids) -> list[Operation]:
        """The steps, on the document as it is now; `ids` gives one for each new thing. The same look and ids, the same
        steps. Raises Fault where it cannot be done."""
        raise NotImplementedError

    def say(self, look: Look) -> str:
        """What was done, in words for the history: "Rename page Repairs to Mending"."""
        raise NotImplementedError


@cache
def commands() -> Mapping[str, type[Command]]:
    """Every command by name."""
    from yemba.core.change import commands as folder

    by_name: dict[str, type[Command]] = {}
    for module in pkgutil.iter_modules(folder.__path__):
        contents = vars(importlib.import_module(f"{folder.__name__}.{module.name}"))
        for thing in contents.values():
            if isinstance(thing, type) and issubclass(thing, Command) and "name" in vars(thing):
                by_name[thing.name] = thing
    return by_name


def read_command(name: str, arguments: Mapping[str, Any], *, posted: bool = False) -> Command:
    """The command of that name with its arguments. Raises Fault for a name or arguments that are none,
    and for a `posted` one that is not by hand."""
    kind = commands().get(name)
    if kind is None or (posted and not kind.by_hand):
        raise Fault("no-such-command", Message("There is no command “{name}”.", name=name))
    try:
        return kind.model_validate(dict(arguments))
    except ValidationError as error:
        first = error.errors()[0]
        field = str(first["loc"][0]) if first["loc"] else ""
        raise Fault(
            "bad-argument", Message("“{value}” will not do: {msg}.", value=first.get("input"), msg=first["msg"]), field
        ) from error
