"""What a stored value may be. One kind of value, one class, one file of this folder.

Design values (``core.site.settings``), one-offs of texts and fields of sections are all of such kinds.
"""

from __future__ import annotations

from typing import TYPE_CHECKING, Any, ClassVar

from yemba.core.errors import Fault
from yemba.core.message import Joined, Message

if TYPE_CHECKING:
    from yemba.core.site.resolve import Look


class Kind:
    """A kind of value. Subclasses are frozen dataclasses; their fields are the limits.

    `control` names the component of the studio that edits it (``templates/studio/control/``), `refers_to` what a
    value of it is the id of: "face", "ground", "picture", "page", "colour", or "" for nothing. `sets_text` says that a
    field of it shows as text. `by_id` says that a value is a list of entries kept by id, each of which differs for
    itself.
    """

    control: ClassVar[str] = "line"
    sets_text: ClassVar[bool] = True
    refers_to: ClassVar[str] = ""
    by_id: ClassVar[bool] = False

    @classmethod
    def of_field(cls, limit: int, needed: bool) -> Kind:
        """The kind of value of a section's field, of at most `limit` letters, which may be `needed`."""
        return cls()

    def read(self, typed: Any, name: str, key: str) -> Any:
        """What is stored for what was typed. Raises Fault beside `key`, naming the value and the cure."""
        raise NotImplementedError

    def read_on(self, look: Look, typed: Any, name: str, key: str) -> Any:
        """As `read`, on a site; raises Fault too where it does not fit what stands there."""
        value = self.read(typed, name, key)
        self.check(value, look, name, key)
        return value

    def check(self, value: Any, look: Look, name: str, key: str) -> None:
        """Raises Fault where `value`, as read, names something that is not on this site."""

    def say(self, value: Any, look: Look | None = None) -> str:
        """A stored value as its owner knows it; `look` gives what it refers to its name."""
        return str(value) or Message("none")

    def css(self, value: Any) -> str:
        """A stored value as a custom property has it."""
        return str(value)

    def choices(self, look: Look) -> list[tuple[str, str]]:
        """What may be chosen on a site, by value, with its name; nothing where it is typed."""
        return []


def refuse_choice(value: Any, name: str, key: str, choices: list[str]) -> Fault:
    """The fault for a value that is none of the choices."""
    return Fault(
        "no-such-choice",
        Message(
            "{name} cannot be “{value}”. Choose one of: {listed}.", name=name, value=value, listed=Joined(", ", choices)
        ),
        key,
    )
