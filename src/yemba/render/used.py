"""Where a site's colours are used: the places of each role on each ground, by the styles that take it there."""

from __future__ import annotations

from collections.abc import Iterable, Iterator
from functools import cache
from typing import NamedTuple

from yemba.core.colour.grounds import ROLE_NAMES
from yemba.core.colour.srgb import Colour
from yemba.core.part.part import parts
from yemba.render.page import places
from yemba.render.reach import Spot, State, cuts

_ROLE_OF = {role.replace("_", "-"): role for role in ROLE_NAMES}


class Usage(NamedTuple):
    """A place, the ground it stands on, and the roles that a style which holds for one of its elements asks for."""

    spot: Spot
    ground: str
    roles: frozenset[str]


class Used:
    """What every place of a document takes, in page order."""

    def __init__(self, state: State) -> None:
        self._look = state.look
        self._usages = list(_usages(state))

    def at(self, ground: str, role: str) -> list[Spot]:
        """The places that take a role of a ground."""
        return [usage.spot for usage in self._usages if usage.ground == ground and role in usage.roles]

    def of(self, colour: Colour) -> dict[Spot, list[str]]:
        """The places in which a colour is seen, each with the roles it plays there."""

        @cache
        def plays(ground: str, roles: frozenset[str]) -> list[str]:
            roles_of = self._look.grounds[ground]
            return [role for role in ROLE_NAMES if role in roles and getattr(roles_of, role) == colour]

        spots = ((usage.spot, plays(usage.ground, usage.roles)) for usage in self._usages)
        return {spot: roles for spot, roles in spots if roles}


def _usages(state: State) -> Iterator[Usage]:
    look = state.look
    of_part = {slug: (part.ground_on(look, ""), _roles(state.part_use(slug).values)) for slug, part in parts().items()}
    of_cut: dict[int, tuple[str, frozenset[str]]] = {}
    for page_id in look.document.order:
        page = look.document.shown(page_id)
        cut_of = cuts(page)
        for place in places(page):
            if place in of_part:
                yield Usage(Spot(page_id, place), *of_part[place])
                continue
            cut, section = cut_of[place], page.sections[place]
            if cut not in of_cut or state.shows_other_pages(section):
                of_cut[cut] = look.ground(section).value, _roles(state.section_use(page_id, place).values)
            yield Usage(Spot(page_id, place), *of_cut[cut])


def _roles(values: Iterable[str]) -> frozenset[str]:
    """The ground's own background shows wherever it stands."""
    return frozenset({"fill", *(_ROLE_OF[name] for name in values if name in _ROLE_OF)})
