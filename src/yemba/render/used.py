"""Where a site's colours are used: the places of each role on each ground, by the styles that take it there."""

from __future__ import annotations

from collections import defaultdict
from collections.abc import Iterable, Mapping

from yemba.core.colour.grounds import ROLE_NAMES
from yemba.core.colour.srgb import Colour
from yemba.core.site.resolve import Look
from yemba.render.reach import PARTS, Place, State, cuts

Taken = Mapping[tuple[str, str], list[Place]]
_ROLE_OF = {role.replace("_", "-"): role for role in ROLE_NAMES}


def used(state: State) -> Taken:
    """Places by ground and role. A place takes a role where a style that holds for one of its elements asks for it."""
    found: dict[tuple[str, str], list[Place]] = defaultdict(list)
    document = state.look.document
    parts = {part: _roles(state.part_use(part).values) for part in PARTS}
    on = {part: state.look.value(f"{part}.ground") for part in PARTS}
    of_cut: dict[int, tuple[str, list[str]]] = {}
    for page_id, page in document.ordered_pages():
        places = [(part, on[part], parts[part]) for part in PARTS]
        for key, cut in cuts(page):
            if cut not in of_cut:
                ground = state.look.ground(page.sections[key]).value
                of_cut[cut] = ground, _roles(state.section_use(page_id, key).values)
            places.insert(len(places) - 1, (key, *of_cut[cut]))
        for key, ground, roles in places:
            for role in roles:
                found[ground, role].append(Place(page_id, key))
    return found


def _roles(values: Iterable[str]) -> list[str]:
    """The ground's own background shows wherever it stands."""
    return ["fill", *(_ROLE_OF[name] for name in values if name in _ROLE_OF and name != "fill")]


def of_colour(colour: Colour, look: Look, taken: Taken) -> dict[Place, list[str]]:
    """The places in which a colour is seen, in page order, each with the roles it plays there."""
    found: dict[Place, list[str]] = {}
    for (ground, role), places in taken.items():
        if getattr(look.grounds[ground], role) == colour:
            for place in places:
                found.setdefault(place, []).append(role)
    return found
