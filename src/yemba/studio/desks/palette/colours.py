"""The brand's colours: one is chosen and moved on the plane; what it reads on, and where it is used."""

from __future__ import annotations

from collections.abc import Mapping

from yemba.core.change.commands.palette import colour_beneath
from yemba.core.colour.contrast import EDGE, carries, ratio
from yemba.core.colour.grounds import ROLE_NAMES, gave_way
from yemba.core.colour.harmony import neutrals, shades, tints
from yemba.core.colour.oklch import to_oklch
from yemba.core.colour.srgb import Colour, Read, from_hex
from yemba.core.message import Joined, Listed, Message
from yemba.core.site.resolve import Look
from yemba.core.value.entries import FEWEST_COLOURS, MOST_COLOURS
from yemba.hosting.services import rendering
from yemba.render.reach import Spot, State
from yemba.render.used import Used
from yemba.sites.models import Site
from yemba.studio.desks.places import counted, listed
from yemba.studio.desks.plane import instrument
from yemba.studio.desks.setting import Context, setting

_SHOWN = 60


def view(site: Site, look: Look, chosen: dict[str, str], query: Mapping[str, str]) -> Context:
    palette = look.value("palette")
    colour, ground = from_hex(chosen["hex"]), query.get("ground", "")
    uses = Used(State(rendering(look.document))).of(colour)
    places, more = listed(look, uses, _SHOWN)
    return {
        "given": _given(look, chosen),
        "few": len(palette) <= FEWEST_COLOURS,
        "many": len(palette) >= MOST_COLOURS,
        "place": [c["id"] for c in palette].index(chosen["id"]),
        "last": len(palette) - 1,
        "oklch": to_oklch(colour),
        "plane": instrument(look, Read(colour), chosen["name"], ground if ground in look.grounds else "light", palette),
        "on": [_reads(colour, look, slug) for slug in look.ground_names],
        "used": counted(uses),
        "uses": [place | {"roles": _roles(uses, place)} for place in places],
        "more_uses": more,
        "more": [
            (Message("Tints"), tints(colour)),
            (Message("Shades"), shades(colour)),
            (Message("Neutrals"), neutrals(colour)),
        ],
        "origin": setting(look, "palette"),
        "mended": [sentence for slug in look.grounds if (sentence := mended(look, slug))],
    }


def _reads(colour: Colour, look: Look, slug: str) -> Context:
    fill = look.grounds[slug].fill
    got, name = ratio(colour, fill), look.ground_names[slug]
    return {"slug": slug, "name": name, "ratio": got, "carries": carries(colour, fill), "warn": got < EDGE}


def _roles(uses: dict[Spot, list[str]], place: Context) -> str:
    roles = uses[Spot(place["page"], place["place"])]
    return Joined(", ", [ROLE_NAMES[role] for role in roles])


def mended(look: Look, slug: str) -> str:
    """Where the leading colour had to give way on a ground, in a sentence; "" where it stands."""
    lead, ground = look.colours[0], look.grounds[slug]
    roles = [role for role in gave_way(lead, ground) if f"{slug}.{role}" not in look.by_hand]
    if not roles:
        return ""
    which, got = Listed([ROLE_NAMES[role] for role in roles]), ratio(lead, ground.fill)
    on = look.ground_names[slug]
    return Message(
        "{brand_name} is only {got:.2f} : 1 on {on}, so {which} there use another colour that reads.",
        brand_name=look.brand_name(lead),
        got=got,
        on=on,
        which=which,
    )


def _given(look: Look, chosen: Mapping[str, str]) -> dict[str, str] | None:
    """The colour as it was given, where its owner made it another."""
    below = colour_beneath(look, chosen["id"])
    return below if below != chosen else None
