"""The Palette chapter: brand colours, the picking plane, the grounds."""

from __future__ import annotations

import base64
from collections.abc import Mapping, Sequence
from io import BytesIO

from PIL import Image

from yemba.core.colour.contrast import EDGE, TEXT, carries, ratio
from yemba.core.colour.grounds import GROUND_NAMES, ROLE_NAMES, gave_way
from yemba.core.colour.oklch import to_oklch
from yemba.core.colour.plane import HEIGHT, MOST_CHROMA, WIDTH, line, plane
from yemba.core.colour.srgb import Colour, from_hex
from yemba.core.site.document import ordered_sections
from yemba.core.site.resolve import Look
from yemba.core.site.settings import FEWEST_COLOURS, MOST_COLOURS
from yemba.sites.models import Site
from yemba.studio.desks.setting import Context, setting
from yemba.studio.waiting import Waiting


def desk(site: Site, look: Look, query: Mapping[str, str], waits: Sequence[Waiting]) -> Context:
    palette = look.value("palette")
    chosen = next((c for c in palette if c["id"] == query.get("colour")), palette[0])
    colour = from_hex(chosen["hex"])
    ground = query.get("ground") if query.get("ground") in look.grounds else "light"
    return {
        "palette": palette,
        "chosen": chosen,
        "few": len(palette) <= FEWEST_COLOURS,
        "many": len(palette) >= MOST_COLOURS,
        "place": [c["id"] for c in palette].index(chosen["id"]),
        "last": len(palette) - 1,
        "oklch": to_oklch(colour),
        "plane": plane_context(round(to_oklch(colour).hue) % 360, look.grounds[ground or "light"].fill),
        "mark": _mark(colour),
        "on": [_reads(colour, name, look.grounds[slug].fill) for slug, name in GROUND_NAMES.items()],
        "grounds": [
            {
                "slug": slug,
                "name": name,
                "roles": {r: getattr(look.grounds[slug], r) for r in look.grounds[slug]._fields},
                "sections": sections_on(look, slug),
                "chosen": slug == query.get("ground"),
                "text_ratio": ratio(look.grounds[slug].text, look.grounds[slug].fill),
                "button_ratio": ratio(look.grounds[slug].button_text, look.grounds[slug].button),
                "mended": _mended(look, slug),
            }
            for slug, name in GROUND_NAMES.items()
        ],
        "ground_name": GROUND_NAMES[ground or "light"],
        "ground": ground,
        "origin": setting(look, "palette"),
        "corner": setting(look, "shape.corner"),
    }


def plane_context(hue: int, ground: Colour) -> Context:
    """The plane as a picture, and the readable lines as SVG paths in its cells."""
    out = BytesIO()
    Image.frombytes("RGB", (WIDTH, HEIGHT), plane(hue)).save(out, "PNG")
    paths = {}
    for asked in (TEXT, EDGE):
        points = line(hue, ground, asked).points
        steps = " L".join(f"{x * WIDTH:.1f} {HEIGHT * (1 - y / MOST_CHROMA):.1f}" for x, y in points)
        paths[f"{asked:g}"] = f"M{steps}" if points else ""
    image = "data:image/png;base64," + base64.b64encode(out.getvalue()).decode()
    return {"image": image, "text": paths["4.5"], "edge": paths["3"], "width": WIDTH, "height": HEIGHT, "hue": hue}


def _mark(colour: Colour) -> Context:
    lightness, chroma, _ = to_oklch(colour)
    return {"x": lightness * WIDTH, "y": HEIGHT * (1 - min(chroma, MOST_CHROMA) / MOST_CHROMA)}


def _reads(colour: Colour, name: str, ground: Colour) -> Context:
    got = ratio(colour, ground)
    return {"name": name, "ratio": got, "carries": carries(colour, ground), "warn": got < EDGE}


def _mended(look: Look, slug: str) -> str:
    """Where the leading colour had to give way on a ground, in a sentence; "" where it stands."""
    lead, ground = look.colours[0], look.grounds[slug]
    roles = gave_way(lead, ground)
    if not roles:
        return ""
    name, got = look.brand_name(lead), ratio(lead, ground.fill)
    which = " and ".join(ROLE_NAMES[role] for role in roles)
    return f"{name} is only {got:.2f} : 1 here, so {which} use another colour that reads."


def sections_on(look: Look, slug: str) -> list[Context]:
    """The sections that sit on a ground, and the parts."""
    found = [
        {"page": page_id, "section": key, "name": f"{look.catalogue.kind(section.kind).name}, {page.name}"}
        for page_id, page in look.document.ordered_pages()
        for key, section in ordered_sections(page)
        if look.ground(section).value == slug
    ]
    return found + [
        {"name": part.title(), "part": part} for part in ("header", "footer") if look.value(f"{part}.ground") == slug
    ]
