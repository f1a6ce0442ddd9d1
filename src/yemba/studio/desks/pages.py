"""The Pages chapter: the map of the site, its sections and what stands in them."""

from __future__ import annotations

from collections.abc import Mapping, Sequence

from yemba.core.check.starter_words import starter_sections
from yemba.core.site.backdrop import Backdrop, of_section, reads_from
from yemba.core.site.document import Document, Section, ordered_items, ordered_sections
from yemba.core.site.kinds import SHARED, Field
from yemba.core.site.one_offs import ALIGNMENTS, field_of, level_of
from yemba.core.site.resolve import Look
from yemba.core.type.levels import LEVELS, STYLES
from yemba.sites import store
from yemba.sites.models import Site
from yemba.studio.desks.little_page import bands
from yemba.studio.desks.setting import Context
from yemba.studio.waiting import Waiting


def desk(site: Site, look: Look, query: Mapping[str, str], waits: Sequence[Waiting]) -> Context:
    document = look.document
    page_id = query.get("page", "")
    if query.get("section"):
        page_id = next((key for key, p in document.pages.items() if query["section"] in p.sections), page_id)
    if page_id not in document.pages:
        page_id = document.order[0]
    page = document.pages[page_id]
    starters = starter_sections(look)
    drawings: dict[str, tuple[int, list[Context]]] = {}  # pages drawn alike share a drawing
    drawn = {}
    for key in document.order:
        made = bands(look, key)
        drawn[key] = drawings.setdefault(repr(made), (len(drawings), made))[0]
    return {
        "pages": [
            {"id": key, "name": p.name, "chosen": key == page_id, "drawing": str(drawn[key])}
            for key, p in document.ordered_pages()
        ],
        "drawings": list(drawings.values()),
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
        "pictures_count": len(document.pictures),
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
            if not binned.picture
        ],
    }


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
        "layouts": [(slug, name) for slug, name in kind.layout_names().items() if look.template.shows(kind.slug, slug)],
        "grounds": list(look.ground_names.items()),
        "fields": [
            _control(document, f, section.fields.get(f.slug, "")) | {"apart": _apart(look, section, f.slug)}
            for f in kind.fields
            if f not in SHARED
        ],
        "faces": [(slug, family.name) for slug, family in look.families.items()],
        "colours": [(f"@{c['id']}", c["name"]) for c in look.value("palette")],
        "styles": list(STYLES.items()),
        "alignments": list(ALIGNMENTS.items()),
        "behind": _control(document, kind.field("backdrop"), section.fields.get("backdrop", "")),
        "tint": tint_desk(look, of_section(look, section)),
        "has_heading": any(f.slug == "heading" for f in kind.fields),
        "items_name": kind.items.plural if kind.items else "",
        "item_name": kind.items.name if kind.items else "",
        "items": [
            {
                "id": item_id,
                "fields": [
                    _control(document, f, item.fields.get(f.slug, ""))
                    | {"apart": _apart(look, section, f"{item_id}.{f.slug}")}
                    for f in item_fields
                ],
            }
            for item_id, item in ordered_items(section)
        ],
    }


def _apart(look: Look, section: Section, element: str) -> Context | None:
    """What of a text is set apart from its level, and what the level gives; None for what is no text."""
    if field_of(look.catalogue, section, element) is None:
        return None
    slug = level_of(look, section, element)
    text = look.texts[slug]
    stored = section.one_offs.get(element, {})
    code = stored.get("colour", "")
    return {
        "element": element,
        "stored": stored,
        "code": "" if code.startswith("@") else code,
        "count": len(stored),
        "level": LEVELS[slug].name,
        "level_slug": slug,
        "family": look.families[text.face].name,
        "size": f"{text.size.high:.3g}",
        "weight": text.weight,
        "style": STYLES[text.style].lower(),
    }


def tint_desk(look: Look, behind: Backdrop | None) -> Context | None:
    """How much tint lies over a picture, and from how much on text reads there."""
    if behind is None:
        return None
    least = reads_from(look, behind, store.load)
    return {"now": behind.tint, "least": least, "reads": least is None or behind.tint >= least}


def _control(document: Document, field: Field, value: str) -> Context:
    links = [(f"page:{key}", page.name) for key, page in document.ordered_pages()]
    picture = document.pictures.get(value) if field.type == "picture" else None
    return {
        "field": field,
        "value": value,
        "others": [(key, p.name) for key, p in document.pictures.items()] if field.type == "picture" else [],
        "links": links,
        "picture": picture,
        "elsewhere": not value.startswith("page:"),
    }
