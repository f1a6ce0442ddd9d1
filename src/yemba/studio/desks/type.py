"""The Type chapter: pairings, sizes, the waterfall."""

from __future__ import annotations

from collections.abc import Mapping, Sequence

from yemba.core.site.resolve import Look
from yemba.core.site.settings import NUMBERS
from yemba.core.type.pairing import judge, ranked
from yemba.core.type.scale import PHONE_WIDTH, WIDE_WIDTH
from yemba.render.style import font_bytes, needed_subsets, used_families
from yemba.sites.models import Site
from yemba.studio.desks.setting import Context, setting
from yemba.studio.waiting import Waiting

_OFFERED = 8


def _cost(look: Look) -> Context:
    """What the chosen faces weigh on a page that uses all of them: kB by face, uprights and italics."""
    subsets = needed_subsets(look)
    faces = []
    for family in used_families(look):
        held = [which for which in family.files if which[1] in subsets]
        weights = {
            style: sum(len(font_bytes(family, *w)) for w in held if w[0] == style) for style in ("normal", "italic")
        }
        faces.append({"name": family.name, "upright": weights["normal"] / 1000, "italic": weights["italic"] / 1000})
    return {"faces": faces, "total": sum(face["upright"] + face["italic"] for face in faces)}


def _pairings(look: Look, now: tuple[str, str]) -> list[Context]:
    """The ready ones: the chosen one, the template's own, then the best by what is measured."""
    families, own = look.catalogue.families, look.template.design
    template = (own.get("type.heading"), own.get("type.body"))
    found = [
        {"pairing": p, "chosen": (p.heading, p.body) == now, "own": (p.heading, p.body) == template}
        | {"score": judge(families[p.heading], families[p.body]).score}
        for p in look.catalogue.pairings.values()
    ]
    return sorted(found, key=lambda entry: (not entry["chosen"], not entry["own"], -entry["score"]))


def _ranked(look: Look, heading: str = "", body: str = "") -> list[Context]:
    """The faces that go best with the one that stays, each as the pair that choosing it makes."""
    families = look.catalogue.families
    now = look.family("type.body" if heading else "type.heading").slug
    return [
        {
            "name": families[one.slug].name,
            "heading": heading or one.slug,
            "body": body or one.slug,
            "reason": one.reason,
            "slug": one.slug,
            "chosen": one.slug == now,
            "scripts": ", ".join(families[one.slug].scripts),
        }
        for one in ranked(families, heading, body)[:_OFFERED]
    ]


def desk(site: Site, look: Look, query: Mapping[str, str], waits: Sequence[Waiting]) -> Context:
    sizes = look.sizes
    levels = ("h1", "h2", "h3", "h4", "h5", "h6", "lead", "body", "small")
    heading, body = look.family("type.heading"), look.family("type.body")
    pairings = _pairings(look, (heading.slug, body.slug))
    narrow = body.facts.average_width / body.facts.units_per_em
    top, rows = 0.0, []
    for level in levels:
        size = sizes[level]
        top += size.high * 0.5 + 13
        is_heading = level.startswith("h")
        rows.append(
            {
                "level": level,
                "low": size.low,
                "high": size.high,
                "y": top,
                "drawn": size.high * 0.5,
                "family": (heading if is_heading else body).name,
                "weight": look.value("type.heading_weight") if is_heading else 400,
            }
        )
    return {
        "pairings": pairings[:_OFFERED],
        "more_pairings": pairings[_OFFERED:],
        "families": list(look.catalogue.families.values()),
        "under": _ranked(look, heading=heading.slug),
        "over": _ranked(look, body=body.slug),
        "heading": setting(look, "type.heading") | {"family": heading},
        "body": setting(look, "type.body") | {"family": body},
        "controls": [setting(look, f"type.{key}") for key in ("base", "ratio", "heading_weight")],
        "rows": rows,
        "cost": _cost(look),
        "numbers": setting(look, "type.numbers"),
        "numbers_choices": list(NUMBERS.items()),
        "waterfall_height": top + 16,
        "phone_width": PHONE_WIDTH,
        "wide_width": WIDE_WIDTH,
        "measures": [
            {"name": "Phone", "characters": round(334 / (sizes["body"].low * narrow))},
            {"name": "Wide", "characters": round(36 * 16 / (sizes["body"].high * narrow))},
        ],
    }
