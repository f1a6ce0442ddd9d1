"""The grounds as small pages; one of them with its roles, what stands on it, and a role set by hand."""

from __future__ import annotations

from collections.abc import Mapping
from functools import cache

from yemba.core.colour.contrast import nearest, ratio
from yemba.core.colour.grounds import REQUIREMENTS, ROLE_NAMES, Ground, Requirement
from yemba.core.colour.srgb import Read
from yemba.core.message import Message
from yemba.core.site.resolve import Look
from yemba.core.value.entries import MOST_GROUNDS
from yemba.hosting.services import rendering
from yemba.render.reach import State
from yemba.render.used import Used
from yemba.sites.models import Site
from yemba.studio.desks.palette.colours import mended
from yemba.studio.desks.places import counted, listed
from yemba.studio.desks.plane import instrument, stands_on
from yemba.studio.desks.setting import Context, setting

_SHOWN = 60


def view(site: Site, look: Look, chosen: dict[str, str], query: Mapping[str, str]) -> Context:
    slug = query.get("ground", "")
    slug = slug if slug in look.grounds else "light"
    used = Used(State(rendering(look.document)))
    own = {ground["id"]: ground for ground in look.value("grounds.own")}
    return {
        "grounds": [_little(look, one, own, slug, used) for one in look.grounds],
        "ground": _whole(look, slug, own, used, query.get("role", "")),
        "came": _came(look, query.get("section", "")),
        "grounds_full": len(own) >= MOST_GROUNDS,
        "underline": setting(look, "link.underline"),
        "corner": setting(look, "shape.corner"),
    }


def _little(look: Look, slug: str, own: Mapping[str, dict[str, str]], chosen: str, used: Used) -> Context:
    ground = look.grounds[slug]
    return {
        "slug": slug,
        "name": look.ground_names[slug],
        "own": slug in own,
        "chosen": slug == chosen,
        "roles": {role: getattr(ground, role) for role in ROLE_NAMES},
        "text_ratio": ratio(ground.text, ground.fill),
        "button_ratio": ratio(ground.button_text, ground.button),
        "used": counted(used.at(slug, "fill")),
        "fails": [row["name"] for row in _roles(look, slug) if row["fails"]],
        "mended": mended(look, slug),
    }


def _whole(look: Look, slug: str, own: Mapping[str, dict[str, str]], used: Used, role: str) -> Context:
    on = used.at(slug, "fill")
    places, more = listed(look, on, _SHOWN)
    return {
        "slug": slug,
        "name": look.ground_names[slug],
        "own": own.get(slug),
        "others": [(one, name) for one, name in look.ground_names.items() if one != slug],
        "roles": _roles(look, slug),
        "role": _role(look, slug, role, used) if role in ROLE_NAMES else None,
        "places": places,
        "more": more,
        "used": counted(on),
    }


@cache
def _requirements() -> dict[str, list[Requirement]]:
    """What is required of each role, and of what stands on it."""
    return {role: [one for one in REQUIREMENTS if role in (one.role, one.against)] for role in ROLE_NAMES}


def _worst(ground: Ground, role: str) -> tuple[float, Requirement] | None:
    """The requirement a role is furthest from, or nearest to, with the ratio it has."""
    if role == "fill":
        return None
    got = [(requirement.on(ground), requirement) for requirement in _requirements()[role]]
    return min(got, key=lambda pair: pair[0] / pair[1].ratio, default=None)


def _roles(look: Look, slug: str) -> list[Context]:
    ground = look.grounds[slug]
    rows = []
    for role, name in ROLE_NAMES.items():
        colour, worst = getattr(ground, role), _worst(ground, role)
        value = look.by_hand.get(f"{slug}.{role}", "")
        rows.append(
            {
                "role": role,
                "name": name,
                "hex": colour.hex,
                "named": look.brand_name(colour) or colour.hex,
                "mine": bool(value),
                "from": Message("by hand")
                if value
                else Message("brand colour")
                if look.brand_name(colour)
                else Message("worked out"),
                "ratio": worst[0] if worst else None,
                "required": worst[1].ratio if worst else None,
                "fails": bool(worst and worst[0] < worst[1].ratio),
            }
        )
    return rows


def _role(look: Look, slug: str, role: str, used: Used) -> Context:
    """One role as its editor needs it: its colour and how see-through, what it misses, and what would pass."""
    ground = look.grounds[slug]
    colour, worst = getattr(ground, role), _worst(ground, role)
    value = look.by_hand.get(f"{slug}.{role}", "")
    parsed = (look.read_colour(value) if value else None) or Read(colour)
    return {
        "slug": role,
        "name": ROLE_NAMES[role],
        "hex": colour.hex,
        "value": value,
        "typed": value if value and not value.startswith("@") else parsed.colour.hex,
        "alpha": parsed.alpha,
        "percent": round(100 * parsed.alpha),
        "brand": value[1:] if value.startswith("@") else "",
        "plane": instrument(
            look,
            parsed,
            stands_on(look, f"{slug}.{role}").name,
            _plane_against(slug, role),
            look.value("palette"),
        ),
        "miss": _miss(ground, role, worst) if worst and worst[0] < worst[1].ratio else None,
        "ratio": worst[0] if worst else None,
        "against": _against(worst[1], role) if worst else "",
        "places": listed(look, used.at(slug, role), _SHOWN)[0],
        "used": counted(used.at(slug, role)),
    }


def _plane_against(slug: str, role: str) -> str:
    """What a role's plane shows it on: the first that it must be read on, which for most is the ground."""
    against = next((requirement.against for requirement in REQUIREMENTS if requirement.role == role), "fill")
    return slug if against == "fill" else f"{slug}.{against}"


def _against(requirement: Requirement, role: str) -> str:
    return ROLE_NAMES[requirement.against if requirement.role == role else requirement.role]


def _miss(ground: Ground, role: str, worst: tuple[float, Requirement]) -> Context:
    """What is required, and the nearest colour that has it, None where there is none."""
    got, requirement = worst
    other = requirement.against if requirement.role == role else requirement.role
    try:
        passing = nearest(getattr(ground, role), getattr(ground, other), requirement.ratio)
    except ValueError:
        passing = None
    reached = ratio(passing, getattr(ground, other)) if passing else 0
    miss = {"got": got, "required": requirement.ratio, "against": ROLE_NAMES[other]}
    return miss | {"nearest": passing, "reached": reached}


def _came(look: Look, section: str) -> Context | None:
    """The section from which one came to its ground."""
    for standing in look.document.standing():
        if standing.key == section:
            return {
                "section": section,
                "page": standing.page,
                "words": look.where(standing),
                "ground": look.ground(standing.section).value,
                "mine": standing.section.ground or "",
            }
    return None
