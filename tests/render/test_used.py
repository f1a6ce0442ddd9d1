"""Where colours are used: by role of a ground, and by the colour that is seen."""

from __future__ import annotations

from yemba.core.colour.grounds import GROUND_NAMES, ROLE_NAMES
from yemba.core.colour.srgb import from_hex
from yemba.core.site.document import Document
from yemba.core.site.resolve import Look
from yemba.hosting.services import rendering
from yemba.render.reach import Spot, State
from yemba.render.used import Used


def used(document: Document) -> tuple[Look, Used]:
    state = State(rendering(document))
    return state.look, Used(state)


def test_a_colour_is_seen_where_some_role_of_that_colour_is_taken(document: Document) -> None:
    look, of_site = used(document)
    for colour in {getattr(look.grounds[ground], role) for ground in GROUND_NAMES for role in ROLE_NAMES}:
        taken: dict[Spot, set[str]] = {}
        for ground in GROUND_NAMES:
            for role in (one for one in ROLE_NAMES if getattr(look.grounds[ground], one) == colour):
                for spot in of_site.at(ground, role):
                    taken.setdefault(spot, set()).add(role)
        assert {spot: set(roles) for spot, roles in of_site.of(colour).items()} == taken
    assert of_site.of(from_hex("#123456")) == {}


def test_every_place_shows_the_background_of_the_ground_it_stands_on(document: Document) -> None:
    look, of_site = used(document)
    home = document.order[0]
    for key, section in document.pages[home].sections.items():
        ground = look.ground(section).value
        assert Spot(home, key) in of_site.at(ground, "fill")
        assert Spot(home, key) not in [
            spot for other in {*GROUND_NAMES} - {ground} for spot in of_site.at(other, "fill")
        ]
