"""Lists of entries that are kept by id: the palette, grounds of the owner's own, roles set by hand."""

from __future__ import annotations

import re
from collections.abc import Mapping
from dataclasses import dataclass
from typing import TYPE_CHECKING, Any, ClassVar

from yemba.core.colour.grounds import GROUND_NAMES, ROLE_NAMES
from yemba.core.colour.srgb import parse, read
from yemba.core.errors import Fault
from yemba.core.limits import COLOUR_NAME_LETTERS
from yemba.core.message import Message
from yemba.core.value.kind import Kind
from yemba.core.value.line import Line

if TYPE_CHECKING:
    from yemba.core.site.resolve import Look

MOST_COLOURS, FEWEST_COLOURS = 8, 3
MOST_GROUNDS = 6  # of the owner's own
_BRAND_COLOUR = re.compile(r"@[a-z][a-z0-9]{1,11}")
_GROUND_ID = re.compile(r"[a-z][a-z0-9]{1,11}")
_NAME = Line(COLOUR_NAME_LETTERS, empty=False)

Entry = dict[str, str]


def read_colour_code(value: Any, key: str) -> str:
    """A brand colour, "@" and its id, as it is; any other as its code, with two more digits where it is see-through."""
    text = str(value).strip()
    if _BRAND_COLOUR.fullmatch(text):
        return text
    parsed = read(text, key)
    return parsed.colour.hex + (f"{round(parsed.alpha * 255):02x}" if parsed.alpha < 1 else "")


class Entries(Kind):
    """A list of entries, each a dict of strings with an "id"."""

    by_id: ClassVar[bool] = True

    def say(self, value: Any, look: Look | None = None) -> str:
        return ", ".join(" ".join(v for k, v in entry.items() if k != "id") for entry in value) or Message("none")


@dataclass(frozen=True)
class Palette(Entries):
    """Three to eight brand colours: {id, name, hex}, in the owner's order."""

    def read(self, typed: Any, name: str, key: str) -> list[Entry]:
        colours = _mappings(typed)
        if not FEWEST_COLOURS <= len(colours) <= MOST_COLOURS:
            raise Fault(
                "palette-size",
                Message(
                    "A palette has {fewest_colours} to {most_colours} colours; this one would have {number}.",
                    fewest_colours=FEWEST_COLOURS,
                    most_colours=MOST_COLOURS,
                    number=len(colours),
                ),
                key,
            )
        return [self._colour(colour) for colour in colours]

    def _colour(self, entry: Mapping[str, Any]) -> Entry:
        name = _NAME.read(entry["name"], Message("The colour's name"), "colour_name")
        return {"id": entry["id"], "name": name, "hex": parse(entry["hex"]).hex}


@dataclass(frozen=True)
class OwnGrounds(Entries):
    """Grounds of the owner's own: {id, name, fill}, `fill` "@" and a brand colour's id, or a code. In order of id."""

    def read(self, typed: Any, name: str, key: str) -> list[Entry]:
        grounds = _mappings(typed)
        if len(grounds) > MOST_GROUNDS:
            raise Fault(
                "too-many-grounds",
                Message("{most_grounds} grounds of your own fit; take one away first.", most_grounds=MOST_GROUNDS),
                key,
            )
        known = [self._ground(ground) for ground in grounds if _GROUND_ID.fullmatch(str(ground.get("id")))]
        return _in_order(known)

    def _ground(self, entry: Mapping[str, Any]) -> Entry:
        name = _NAME.read(entry.get("name", ""), Message("The ground’s name"), "ground_name")
        return {"id": str(entry["id"]), "name": name, "fill": read_colour_code(entry.get("fill", ""), "fill")}


@dataclass(frozen=True)
class RolesByHand(Entries):
    """Roles set by hand: {id, value}, `id` "ground.role", `value` "@" and a colour's id, or a code. In order of id."""

    def read(self, typed: Any, name: str, key: str) -> list[Entry]:
        return _in_order([self._role(entry, key) for entry in _mappings(typed)])

    def _role(self, entry: Mapping[str, Any], key: str) -> Entry:
        name = str(entry.get("id"))
        ground, _, role = name.partition(".")
        is_ground = ground in GROUND_NAMES or _GROUND_ID.fullmatch(ground)
        if role not in ROLE_NAMES or not is_ground:
            raise Fault("no-such-role", Message("“{value}” is no role of a ground.", value=name), key)
        code = read_colour_code(entry.get("value"), "value")
        return {"id": name, "value": code}


def _mappings(typed: Any) -> list[Mapping[str, Any]]:
    return [entry for entry in typed if isinstance(entry, Mapping)] if isinstance(typed, list) else []


def _in_order(entries: list[Entry]) -> list[Entry]:
    """Each id once, the last that was given, in order of id."""
    known = {entry["id"]: entry for entry in entries}
    return [known[key] for key in sorted(known)]
