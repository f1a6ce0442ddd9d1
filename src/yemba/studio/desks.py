"""What each chapter's desk shows: one function a chapter, values in, context out."""

from __future__ import annotations

import base64
from collections.abc import Callable, Mapping
from io import BytesIO
from typing import Any

from PIL import Image

from yemba.catalogue import catalogue
from yemba.core.change.commands.pages import menu
from yemba.core.change.commands.sections import ALIGNMENTS
from yemba.core.check.starter_words import starter_sections
from yemba.core.colour.contrast import EDGE, TEXT, carries, ratio
from yemba.core.colour.grounds import GROUND_NAMES, ROLE_NAMES, gave_way
from yemba.core.colour.oklch import to_oklch
from yemba.core.colour.plane import HEIGHT, MOST_CHROMA, WIDTH, line, plane
from yemba.core.colour.srgb import Colour, from_hex
from yemba.core.site.document import Document, ordered_items, ordered_sections
from yemba.core.site.kinds import Field
from yemba.core.site.resolve import Look
from yemba.core.site.settings import ARRANGEMENTS, FEWEST_COLOURS, MOST_COLOURS, SETTINGS, Between
from yemba.core.type.scale import PHONE_WIDTH, WIDE_WIDTH
from yemba.hosting import services as hosting
from yemba.render.style import header_fit
from yemba.sites.models import Site
from yemba.studio.waiting import waiting

Context = dict[str, Any]


def desk(chapter: str, site: Site, look: Look, query: Mapping[str, str]) -> Context:
    """The context of one chapter's desk."""
    return _DESKS[chapter](site, look, query)


def setting(look: Look, key: str) -> Context:
    """A setting as a control needs it: value, limits, origin."""
    known, found = SETTINGS[key], look.resolve(key)
    rule = known.rule
    limits = rule._asdict() if isinstance(rule, Between) else {}
    origin = f"{found.origin} {found.detail}".strip()
    return {
        "key": key,
        "name": known.name,
        "value": found.value,
        "mine": found.set_by_owner,
        "origin": origin,
        **limits,
    }


def _template(site: Site, look: Look, query: Mapping[str, str]) -> Context:
    applied = look.document.ready_sheet
    return {
        "templates": [
            {
                "slug": template.slug,
                "name": template.name,
                "idea": template.idea,
                "chosen": template.slug == look.template.slug,
                "sheets": [
                    {
                        "path": f"{template.slug}/{sheet.slug}",
                        "name": sheet.name,
                        "colours": sheet.values["palette"],
                        "chosen": applied == f"{template.slug}/{sheet.slug}",
                    }
                    for sheet in template.sheets
                ],
            }
            for template in look.catalogue.templates.values()
        ],
        "aside": [SETTINGS[key].name for key in look.document.set_aside],
        "own": [SETTINGS[key].name for key in look.document.sheet],
    }


def _palette(site: Site, look: Look, query: Mapping[str, str]) -> Context:
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


def _type(site: Site, look: Look, query: Mapping[str, str]) -> Context:
    sizes = look.sizes
    levels = ("h1", "h2", "h3", "h4", "h5", "h6", "lead", "body", "small")
    heading, body = look.family("type.heading"), look.family("type.body")
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
        "pairings": [
            {"pairing": p, "chosen": (p.heading, p.body) == (heading.slug, body.slug)}
            for p in look.catalogue.pairings.values()
        ],
        "families": list(look.catalogue.families.values()),
        "heading": setting(look, "type.heading") | {"family": heading},
        "body": setting(look, "type.body") | {"family": body},
        "controls": [setting(look, f"type.{key}") for key in ("base", "ratio", "heading_weight")],
        "rows": rows,
        "waterfall_height": top + 16,
        "phone_width": PHONE_WIDTH,
        "wide_width": WIDE_WIDTH,
        "measures": [
            {"name": "Phone", "characters": round(334 / (sizes["body"].low * narrow))},
            {"name": "Wide", "characters": round(36 * 16 / (sizes["body"].high * narrow))},
        ],
    }


def _logo(site: Site, look: Look, query: Mapping[str, str]) -> Context:
    picture = look.document.pictures.get(look.value("logo.picture"))
    return {"form": setting(look, "logo.form"), "picture": picture, "picture_id": look.value("logo.picture")}


def _header(site: Site, look: Look, query: Mapping[str, str]) -> Context:
    navigation, fit = look.document.navigation, header_fit(look)
    keys = ("header.height_wide", "header.height_phone")
    scale = 1600
    return {
        "arrangement": setting(look, "header.arrangement"),
        "arrangements": list(ARRANGEMENTS.items()),
        "heights": [setting(look, key) for key in keys],
        "ground": setting(look, "header.ground"),
        "grounds": list(GROUND_NAMES.items()),
        "tagline": setting(look, "header.tagline"),
        "fit": fit,
        "fold_at": min(100.0, 100 * fit.fold / scale),
        "never": fit.fold > scale,
        "entries": [
            {
                "id": key,
                "page": look.document.pages[key].name,
                "name": navigation.names.get(key, ""),
                "shown": key not in navigation.hidden,
                "address": look.document.pages[key].slug,
            }
            for key in menu(look.document)
        ],
    }


def _pages(site: Site, look: Look, query: Mapping[str, str]) -> Context:
    document = look.document
    page_id = query.get("page", "")
    if query.get("section"):
        page_id = next((key for key, p in document.pages.items() if query["section"] in p.sections), page_id)
    if page_id not in document.pages:
        page_id = document.order[0]
    page = document.pages[page_id]
    starters = starter_sections(look)
    return {
        "pages": [
            {"id": key, "page": p, "chosen": key == page_id, "grounds": _little_page(look, key), "first": not p.slug}
            for key, p in document.ordered_pages()
        ],
        "page_id": page_id,
        "page": page,
        "sections": [
            {
                "id": key,
                "kind": look.catalogue.kind(section.kind),
                "open": key == query.get("section"),
                "starter": key in starters,
                **(_section_desk(look, document, key) if key == query.get("section") else {}),
            }
            for key, section in ordered_sections(page)
        ],
        "kinds": list(look.catalogue.kinds.values()),
        "binned": [
            {
                "id": key,
                "page": binned.page is not None,
                "name": f"Page {binned.page.name}"
                if binned.page
                else look.catalogue.kind(binned.section.kind).name
                if binned.section
                else "",
            }
            for key, binned in document.bin.items()
        ],
    }


def _little_page(look: Look, page: str) -> list[Context]:
    """A page as a small drawing: its sections as bands in their grounds' colours."""
    bands = [look.grounds[look.ground(section).value] for _, section in ordered_sections(look.document.pages[page])]
    return [{"y": 7 + 9 * n, "fill": g.fill.hex, "ink": g.heading.hex} for n, g in enumerate(bands[:6])]


def _section_desk(look: Look, document: Document, key: str) -> Context:
    _, section = document.section(key)
    kind = look.catalogue.kind(section.kind)
    layout, ground = look.layout(section), look.ground(section)
    item_fields = kind.items.fields if kind.items else []
    return {
        "layout": layout,
        "layout_mine": section.layout or "",
        "ground": ground,
        "ground_mine": section.ground or "",
        "layouts": list(kind.layout_names().items()),
        "grounds": list(GROUND_NAMES.items()),
        "fields": [_control(document, f, section.fields.get(f.slug, "")) for f in kind.fields],
        "aligned": section.one_offs.get("heading", {}).get("align", ""),
        "has_heading": any(f.slug == "heading" for f in kind.fields),
        "alignments": list(ALIGNMENTS.items()),
        "items_name": kind.items.plural if kind.items else "",
        "item_name": kind.items.name if kind.items else "",
        "items": [
            {"id": item_id, "fields": [_control(document, f, item.fields.get(f.slug, "")) for f in item_fields]}
            for item_id, item in ordered_items(section)
        ],
    }


def _control(document: Document, field: Field, value: str) -> Context:
    links = [(f"page:{key}", page.name) for key, page in document.ordered_pages()]
    picture = document.pictures.get(value) if field.type == "picture" else None
    return {
        "field": field,
        "value": value,
        "links": links,
        "picture": picture,
        "elsewhere": not value.startswith("page:"),
    }


def _footer(site: Site, look: Look, query: Mapping[str, str]) -> Context:
    return {
        "ground": setting(look, "footer.ground"),
        "grounds": list(GROUND_NAMES.items()),
        "lines": [setting(look, key) for key in ("footer.words", "footer.copyright")],
        "navigation": setting(look, "footer.navigation"),
        "shown": look.grounds[look.value("footer.ground")],
    }


def _proof(site: Site, look: Look, query: Mapping[str, str]) -> Context:
    live = hosting.live_edition(site)
    return {
        "waiting": waiting(site),
        "live": live,
        "editions": hosting.editions(site),
        "never": live is None,
        "page_names": {key: page.name for key, page in look.document.pages.items()},
        "kinds": catalogue().kinds,
    }


_DESKS: dict[str, Callable[[Site, Look, Mapping[str, str]], Context]] = {
    "template": _template,
    "palette": _palette,
    "type": _type,
    "logo": _logo,
    "header": _header,
    "pages": _pages,
    "footer": _footer,
    "proof": _proof,
}
