"""Grounds: a role set by hand, grounds of one's own."""

from __future__ import annotations

from typing import Any, ClassVar

from yemba.core.change.command import Command
from yemba.core.change.operation import ABSENT, Operation, put
from yemba.core.colour.grounds import ROLE_NAMES
from yemba.core.errors import Fault
from yemba.core.message import Joined, Message
from yemba.core.site.document import Document
from yemba.core.site.ids import Ids
from yemba.core.site.resolve import Look
from yemba.core.site.settings import referring, setting

Entry = dict[str, str]


def put_entries(document: Document, key: str, entries: list[Entry]) -> Operation:
    """The step that keeps a list of entries; entries with an empty value go, and an empty list is not kept."""
    chosen = setting(key)
    filled = [entry for entry in entries if all(entry.values())]
    return put(document, ("sheet", key), chosen.read(filled) or ABSENT)


def _entries(look: Look, key: str) -> list[Entry]:
    value: Any = look.value(key)
    return [dict(entry) for entry in value]


class OfGround(Command):
    """What is done to one ground, given by its slug."""

    ground: str

    def _name(self, look: Look) -> str:
        names = look.ground_names
        if self.ground not in names:
            raise Fault(
                "gone",
                Message(
                    "There is no ground “{ground}” any more. Choose: {listed}.",
                    ground=self.ground,
                    listed=Joined(", ", names),
                ),
                "ground",
            )
        return names[self.ground]

    def _own(self, look: Look) -> list[Entry]:
        """The owner's grounds. Raises Fault ``not-own`` where this is none of them."""
        own = _entries(look, "grounds.own")
        if all(entry["id"] != self.ground for entry in own):
            name = self._name(look)
            raise Fault(
                "not-own",
                Message("{name} is worked out from the palette: it keeps its name and stays.", name=name),
                "ground",
            )
        return own


class SetRole(OfGround):
    """A role of a ground by hand: a brand colour ("@" and its id), any colour, also a see-through one. With "" it is
    worked out again."""

    name: ClassVar[str] = "set-role"
    role: str
    value: str = ""

    def plan(self, look: Look, ids: Ids) -> list[Operation]:
        self._name(look)
        if self.role not in ROLE_NAMES:
            raise Fault(
                "no-such-role",
                Message("“{role}” is no role. Choose: {listed}.", role=self.role, listed=Joined(", ", ROLE_NAMES)),
                "role",
            )
        if self.value.startswith("@") and look.read_colour(self.value) is None:
            raise Fault("gone", Message("That colour is no longer in the palette."), "value")
        own = _entries(look, "grounds.own")
        if self.role == "fill" and any(entry["id"] == self.ground for entry in own):
            if not self.value:
                raise Fault(
                    "empty", Message("A ground of your own needs a background. Give a colour, or take the ground away.")
                )
            changed = [entry | {"fill": self.value} if entry["id"] == self.ground else entry for entry in own]
            return [put_entries(look.document, "grounds.own", changed)]
        key = f"{self.ground}.{self.role}"
        others = [entry for entry in _entries(look, "roles.by_hand") if entry["id"] != key]
        return [put_entries(look.document, "roles.by_hand", [*others, {"id": key, "value": self.value.strip()}])]

    def say(self, look: Look) -> str:
        what = Message("{role_names} on {name}", role_names=ROLE_NAMES[self.role].capitalize(), name=self._name(look))
        parsed = look.read_colour(self.value) if self.value else None
        if parsed is None:
            return Message("{what} worked out again", what=what)
        return f"{what}: {look.brand_name(parsed.colour) or parsed.colour.hex}"


class AddGround(Command):
    """A ground of one's own; with `section` it is put under that section at once."""

    name: ClassVar[str] = "add-ground"
    ground_name: str
    fill: str
    section: str = ""

    def plan(self, look: Look, ids: Ids) -> list[Operation]:
        own, slug = _entries(look, "grounds.own"), ids()
        named = self.ground_name.strip().casefold()
        if named in {name.casefold() for name in look.ground_names.values()}:
            reason = Message(
                "There is a ground “{ground_name}” already. Give this one another name.",
                ground_name=self.ground_name.strip(),
            )
            raise Fault("name-taken", reason, "ground_name")
        steps = [put_entries(look.document, "grounds.own", [*own, self._entry(slug)])]
        if self.section:
            standing = look.document.section(self.section)
            steps.append(put(look.document, (*standing.path, "ground"), slug))
        return steps

    def _entry(self, slug: str) -> Entry:
        # a blank is read as what is missing, and refused by name
        return {"id": slug, "name": self.ground_name or " ", "fill": self.fill or " "}

    def say(self, look: Look) -> str:
        return Message("Ground {ground_name} made", ground_name=self.ground_name.strip())


class NameGround(OfGround):
    name: ClassVar[str] = "name-ground"
    ground_name: str

    def plan(self, look: Look, ids: Ids) -> list[Operation]:
        name = self.ground_name or " "
        own = [entry | {"name": name} if entry["id"] == self.ground else entry for entry in self._own(look)]
        return [put_entries(look.document, "grounds.own", own)]

    def say(self, look: Look) -> str:
        return Message(
            "Ground {name} is called {ground_name}", name=self._name(look), ground_name=self.ground_name.strip()
        )


class RemoveGround(OfGround):
    """Take a ground of one's own away. What stood on it stands on `instead`, or with "" on what the template gives."""

    name: ClassVar[str] = "remove-ground"
    instead: str = ""

    def plan(self, look: Look, ids: Ids) -> list[Operation]:
        document, instead = look.document, self.instead or ABSENT
        own = [entry for entry in self._own(look) if entry["id"] != self.ground]
        hand = _entries(look, "roles.by_hand")
        steps = [put_entries(document, "grounds.own", own)]
        stays = [entry for entry in hand if not entry["id"].startswith(f"{self.ground}.")]
        if stays != hand:
            steps.append(put_entries(document, "roles.by_hand", stays))
        on_it = [standing for standing in document.standing() if standing.section.ground == self.ground]
        steps += [put(document, (*standing.path, "ground"), instead) for standing in on_it]
        chosen = [setting for setting in referring("ground") if look.value(setting.key) == self.ground]
        return steps + [put(document, (setting.home, setting.key), instead) for setting in chosen]

    def say(self, look: Look) -> str:
        return Message("Ground {name} taken away", name=self._name(look))
