"""Where a site's colours are used: the places of each role on each ground, by the styles that take it there."""

from __future__ import annotations

from collections.abc import Iterable, Iterator
from functools import cache
from typing import NamedTuple

from yemba.core.colour.grounds import ROLE_NAMES
from yemba.core.colour.srgb import Colour
from yemba.render.reach import PARTS, Place, State, cuts

_ROLE_OF = {role.replace("_", "-"): role for role in ROLE_NAMES}


class Taken(NamedTuple):
    """A place, the ground it stands on, and the roles that a style which holds for one of its elements asks for."""

    place: Place
    ground: str
    roles: frozenset[str]


class Used:
    """What every place of a document takes, in page order."""

    def __init__(self, state: State) -> None:
        self._look = state.look
        self._taken = list(_taken(state))

    def at(self, ground: str, role: str) -> list[Place]:
        """The places that take a role of a ground."""
        return [taken.place for taken in self._taken if taken.ground == ground and role in taken.roles]

    def of(self, colour: Colour) -> dict[Place, list[str]]:
        """The places in which a colour is seen, each with the roles it plays there."""

        @cache
        def plays(ground: str, roles: frozenset[str]) -> list[str]:
            held = self._look.grounds[ground]
            return [role for role in ROLE_NAMES if role in roles and getattr(held, role) == colour]

        found = ((taken.place, plays(taken.ground, taken.roles)) for taken in self._taken)
        return {place: roles for place, roles in found if roles}


def _taken(state: State) -> Iterator[Taken]:
    document, look = state.look.document, state.look
    parts = {part: (look.value(f"{part}.ground"), _roles(state.part_use(part).values)) for part in PARTS}
    of_cut: dict[int, tuple[str, frozenset[str]]] = {}
    for page_id, page in document.ordered_pages():
        yield Taken(Place(page_id, "header"), *parts["header"])
        for key, cut in cuts(page):
            if cut not in of_cut:
                of_cut[cut] = look.ground(page.sections[key]).value, _roles(state.section_use(page_id, key).values)
            yield Taken(Place(page_id, key), *of_cut[cut])
        yield Taken(Place(page_id, "footer"), *parts["footer"])


def _roles(values: Iterable[str]) -> frozenset[str]:
    """The ground's own background shows wherever it stands."""
    return frozenset({"fill", *(_ROLE_OF[name] for name in values if name in _ROLE_OF)})
