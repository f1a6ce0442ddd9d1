"""Sections as desks list them, the open one with all its controls."""

from __future__ import annotations

from collections.abc import Iterable, Mapping

from django.utils.text import Truncator

from yemba.core.check.starter_words import starter_sections
from yemba.core.message import Message
from yemba.core.part.part import Part, ground_under
from yemba.core.site import behind
from yemba.core.site.addresses import slug_from
from yemba.core.site.backdrop import of_section
from yemba.core.site.behind_style import least_ground_over
from yemba.core.site.buttons import KINDS
from yemba.core.site.document import Item, Section, Standing, ordered_items
from yemba.core.site.feeds import FIELD
from yemba.core.site.frame import size_of
from yemba.core.site.kinds import DATES, GROUPS, OPENS, SHARED, Field, SectionKind
from yemba.core.site.one_offs import ALIGNMENTS, field_of, level_of
from yemba.core.site.resolve import Look
from yemba.core.site.words import plain
from yemba.core.type.levels import LEVELS, STYLES
from yemba.core.value.link import is_inner
from yemba.studio.desks.feed import feed_desk
from yemba.studio.desks.ideas import ideas
from yemba.studio.desks.languages import shared_section
from yemba.studio.desks.setting import Context
from yemba.studio.desks.standing import standing_desk
from yemba.studio.desks.tint import tint_desk
from yemba.studio.desks.when import WHEN_FIELDS, when_desk


def of_part(look: Look, part: Part, query: Mapping[str, str]) -> Context:
    """The sections of a part and what can be added to them."""
    return {
        "part": part,
        "part_ground": part.ground_on(look, look.document.order[0]),
        "sections": entries(look, ("shared", part.slug), query) if part.holds_sections else [],
        "kinds": kinds(look),
        "ground_names": list(look.ground_names.items()),
    }


def entries(look: Look, holder: tuple[str, str], query: Mapping[str, str]) -> list[Context]:
    """The sections of a page or a part; the `query` of the address names the open one."""
    starters, chosen = starter_sections(look), query.get("section", "")
    page = holder[1] if holder[0] == "pages" else ""
    whole = look.document.holds(page) if page else look.document.holder(holder)
    standing = look.document.pages[page].standing if page else {}
    own = look.document.pages[page].sections if page else {}
    return [
        {
            "id": key,
            "standing": standing_desk(look, key, page) if key in standing else None,
            "kind": look.catalogue.kind(section.kind),
            "says": says(look, section),
            "open": key == chosen,
            "starter": key in starters,
            "in_language": shared_section(look, section) if key not in own else None,
            **(_desk(look, key, section, query) if key == chosen else {}),
        }
        for key, section in whole.ordered()
    ]


_LONGEST = 40  # letters of a section's text that tell it from others of its kind


def says(look: Look, section: Section) -> str:
    """The heading of a section, or else its first text, by which its owner knows it."""
    return _first_text(look.catalogue.kind(section.kind).fields, section.fields)


def _first_text(fields: Iterable[Field], stored: Mapping[str, str]) -> str:
    headings_first = sorted(fields, key=lambda field: field.slug != "heading")
    texts = (plain(stored.get(field.slug, "")) for field in headings_first if field.sets_text)
    return Truncator(next(filter(None, texts), "")).chars(_LONGEST)


def texts(look: Look, page: str) -> list[Context]:
    """Every text of a page as it stands, by its section: that of the section, then that of each of its entries."""
    return [_texts(look, key, section) for key, section in look.document.pages[page].ordered()]


def _texts(look: Look, key: str, section: Section) -> Context:
    kind = look.catalogue.kind(section.kind)

    def controls(item: str) -> list[Context]:
        fields = (field for field in kind.fields_of(item) if field.sets_text)
        return [_field(look, key, section, item, field) for field in fields]

    items = [{"id": item, "fields": controls(item)} for item, _ in ordered_items(section)]
    return {"id": key, "kind": kind, "says": says(look, section), "fields": controls(""), "items": items}


def kinds(look: Look) -> list[tuple[str, list[Context]]]:
    """What can be added, by what it is for."""
    every = look.catalogue.kinds.values()
    return [(name, [offered(look, kind) for kind in every if kind.group == group]) for group, name in GROUPS.items()]


def offered(look: Look, kind: SectionKind) -> Context:
    """A kind with the layouts that the template shows, its own first, as one line: "slug=Name|slug=Name"; `first` says
    that a page begins with it."""
    usual = look.layout_of(kind.slug, None).value
    layouts = sorted(_layouts(look, kind), key=lambda one: one[0] != usual)
    listed = "|".join(f"{slug}={name}" for slug, name in layouts)
    return {"kind": kind, "layouts": listed, "first": OPENS in kind.roles}


def _layouts(look: Look, kind: SectionKind) -> list[tuple[str, str]]:
    """Slugs and names of those that the template shows."""
    return [(slug, name) for slug, name in kind.layout_names().items() if look.template.shows(kind.slug, slug)]


def _desk(look: Look, key: str, section: Section, query: Mapping[str, str]) -> Context:
    kind = look.catalogue.kind(section.kind)
    open_item = query.get("item", "") if {"ideas", "phrase"} & query.keys() else ""

    def controls(item: str, fields: Iterable[Field]) -> list[Context]:
        """Those of the section's own fields, or of an item's, each with its ideas."""
        return [
            _field(look, key, section, item, field) | {"ideas": ideas(look, section, key, item, field, query)}
            for field in fields
        ]

    return {
        "layout": look.layout(section),
        "layout_mine": section.layout or "",
        "ground": ground_under(look, look.document.section(key)),
        "ground_mine": section.ground or "",
        "ground_usual": _usual_ground(look, look.document.section(key)),
        "slug": section.slug,
        "suggested": slug_from(says(look, section)) or kind.slug,
        "layouts": _layouts(look, kind),
        "to": [(page, named.name) for page, named in look.document.ordered_pages()],
        "grounds": list(look.ground_names.items()),
        "fields": controls("", (field for field in kind.fields if field not in SHARED and field.slug != FIELD)),
        "faces": [(slug, family.name) for slug, family in look.families.items()],
        "colours": [(f"@{colour['id']}", colour["name"]) for colour in look.value("palette")],
        "styles": list(STYLES.items()),
        "alignments": list(ALIGNMENTS.items()),
        "button_kinds": list(KINDS.items()),
        "height": _field(look, key, section, "", kind.field("height")),
        "behind": _behind(look, key, section, kind),
        "tint": tint_desk(look, of_section(look, section)),
        "has_heading": any(field.slug == "heading" for field in kind.fields),
        "items_name": kind.items.plural if kind.items else "",
        "item_name": kind.items.name if kind.items else "",
        "feed": feed_desk(look, section) if DATES in kind.roles else None,
        "items": [
            {
                "id": item,
                "open": item == open_item,
                "fields": controls(item, kind.fields_of(item)),
                **_seen(look, kind.fields_of(item), stored),
                **_item(look, kind, stored, item, query),
            }
            for item, stored in ordered_items(section)
        ],
    }


def _usual_ground(look: Look, standing: Standing) -> Message:
    """The ground of a section whose owner chose none, and whose it is."""
    plain = standing._replace(section=standing.section.model_copy(update={"ground": None}))
    ground = look.ground_names[ground_under(look, plain)]
    if standing.part:
        return Message("As around it: {ground}", ground=ground)
    return Message("As the template has it: {ground}", ground=ground)


def _seen(look: Look, fields: Iterable[Field], stored: Item) -> Context:
    """By what its owner knows an entry: its picture, and its first text or else the name of the picture's file."""
    listed = list(fields)
    ids = [stored.fields.get(field.slug, "") for field in listed if field.kind.refers_to == "picture"]
    pictures = [(key, look.document.pictures[key]) for key in ids if key in look.document.pictures]
    key, picture = pictures[0] if pictures else ("", None)
    words = _first_text(listed, stored.fields) or (picture.name if picture else "")
    return {"says": words, "picture_id": key, "picture": picture}


def _item(look: Look, kind: SectionKind, stored: Item, item: str, query: Mapping[str, str]) -> Context:
    """What an entry has beside its fields: of a date, when it is."""
    if DATES not in kind.roles:
        return {}
    phrase = query.get("phrase") if query.get("item") == item else None
    return {"when": when_desk(look, stored.fields, phrase), "when_fields": WHEN_FIELDS}


def _behind(look: Look, key: str, section: Section, kind: SectionKind) -> Context:
    """What stands behind its words: what is chosen, what is shown of it, and the controls of each kind."""

    def controls(*slugs: str) -> list[Context]:
        fields = [_field(look, key, section, "", kind.field(slug)) for slug in slugs]
        return [one | {"value": one["value"] or usual.get(one["field"].slug, "")} for one in fields]

    chosen = behind.of_section(look, section)
    effective = chosen.shown(look)
    usual = behind.DEFAULTS | {"behind": effective}
    return {
        "chosen": controls("behind")[0],
        "kind": chosen.behind or effective,
        "shown": effective,
        "gradient": chosen.gradient(look),
        "over": least_ground_over(look, chosen) if effective == behind.THROUGH else 0,
        "picture": controls("backdrop")[0],
        "of_picture": controls("backdrop_fit", "backdrop_anchor", "filter", "moves"),
        "of_gradient": controls("gradient_from", "gradient_via", "gradient_to", "gradient_way"),
        "of_pattern": controls("pattern", "pattern_colour", "pattern_strength"),
    }


def _field(look: Look, key: str, section: Section, item: str, field: Field) -> Context:
    """A field of the section, or of one of its items, as its control needs it."""
    value = (section.items[item].fields if item else section.fields).get(field.slug, "")
    is_picture = field.kind.refers_to == "picture"
    return {
        "field": field,
        "value": value,
        "choices": field.kind.choices(look),
        "picture": look.document.pictures.get(value) if is_picture else None,
        "elsewhere": not is_inner(value),
        "apart": _apart(look, key, section, f"{item}.{field.slug}" if item else field.slug),
        "template": f"studio/control/field/{field.kind.control}.html",
    }


def _apart(look: Look, key: str, section: Section, element: str) -> Context | None:
    """What of a text is set apart from its level, and what the level gives; None for what is no text."""
    if field_of(look.catalogue, section, element) is None:
        return None
    slug = level_of(look, section, element)
    text, stored = look.texts[slug], section.one_offs.get(element, {})
    code = stored.get("colour", "")
    return {
        "element": element,
        "stored": stored,
        "code": "" if code.startswith("@") else code,
        "count": len(stored),
        "level": LEVELS[slug].name,
        "level_slug": slug,
        "family": look.families[text.face].name,
        "size": f"{size_of(look, key, slug).high:.3g}",
        "weight": text.weight,
        "style": STYLES[text.style].lower(),
    }
