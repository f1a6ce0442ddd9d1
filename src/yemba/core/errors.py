"""What went wrong, as a value: a stable code, a sentence for people, the field it belongs to."""

from __future__ import annotations

from collections.abc import Iterable, Sequence
from difflib import get_close_matches

from yemba.core.message import Joined, Message


class Fault(ValueError):
    """Something the owner asked for that cannot be done as asked.

    code: stable, for programs (``colour-unreadable``).
    sentence: for people; names the value and says what would work.
    field: the name of the input it belongs to, or "" for the whole form.
    """

    def __init__(self, code: str, sentence: str, field: str = "") -> None:
        super().__init__(sentence)
        self.code = code
        self.sentence = sentence
        self.field = field


def nearest(named: str, known: Iterable[str]) -> str:
    """The cure for a name that is none: "did you mean “lead”?", or what there is."""
    names = list(known)
    near = get_close_matches(named, names, n=1)
    return (
        Message("did you mean “{near}”?", near=near[0])
        if near
        else Message("there are: {listed}", listed=Joined(", ", names))
    )


def known(named: str, offered: Iterable[str]) -> str:
    """The name, if it is one of those offered. Raises ValueError with the nearest right one."""
    names = list(offered)
    if named not in names:
        raise ValueError(f"“{named}” is none; {nearest(named, names)}")
    return named


class Faults(Fault):
    """Several at once, each beside its own input."""

    def __init__(self, each: Sequence[Fault]) -> None:
        super().__init__(each[0].code, Joined(" ", [fault.sentence for fault in each]), each[0].field)
        self.each = list(each)


class Clash(Fault):
    """Two hands on one place: what stands there now and what was wanted, so that one can be chosen."""

    def __init__(self, label: str, standing: str, wanted: str) -> None:
        super().__init__(
            "changed-meanwhile",
            Message(
                "This was changed in another window meanwhile: “{label}”. There now stands “{standing}”; yours is "
                "“{wanted}”. Keep one of them.",
                label=label,
                standing=standing,
                wanted=wanted,
            ),
        )
        self.standing = standing
        self.wanted = wanted
