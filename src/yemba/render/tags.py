"""What a section's layout may ask for."""

from __future__ import annotations

from typing import Any

from django import template
from django.utils.html import format_html, format_html_join, strip_tags
from django.utils.safestring import SafeString

from yemba import catalogue as shipped
from yemba.core.calendar import spoken
from yemba.core.language import from_right, reads_from_right
from yemba.core.picture.signs import SIGNS
from yemba.core.site.feeds import FETCHED, FIELD
from yemba.core.value.reaching import REACHES

register = template.Library()
_QUOTES = ("“", "„", "«", "»", "‘", "‚", '"')


@register.simple_tag(takes_context=True)
def mark(context: template.Context, field: str = "", item: Any = None) -> SafeString:
    """One-offs of an element, whether its opening quote hangs, and in a draft its name."""
    element = field if item is None else f"{item['id']}.{field}"
    one_off = context["one_offs"].get(element, {})
    attributes = [(f"data-{name}", one_off[name]) for name in ("align", "one") if one_off.get(name)]
    image = (context["s"] if item is None else item).get(field)
    around = from_right(context["language"])
    if isinstance(image, str) and reads_from_right(strip_tags(image), around) != around:
        attributes.append(("dir", "ltr" if around else "rtl"))
    if isinstance(image, str) and image.startswith(_QUOTES) and one_off.get("align", "start") == "start":
        attributes.append(("data-hangs", ""))
    if longest := context["longest"].get(element):
        attributes.append(("data-longest", longest))
    if item is not None and item["id"].startswith(FETCHED):
        attributes += [("data-field", FIELD)] if context["draft"] and not field else []  # its words are kept elsewhere
    elif context["draft"]:
        attributes += [("data-field", field)] if field else []
        attributes += [("data-item", item["id"])] if item is not None else []
        types = context["item_types"] if item is not None else context["types"]
        if types.get(field) in ("line", "words"):
            attributes.append(("data-edit", types[field]))
    return format_html_join("", ' {}="{}"', attributes)


@register.simple_tag(takes_context=True)
def button(context: template.Context, field: str = "", item: Any = None) -> SafeString:
    """The classes of a button, whose words are those of a field, and its mark; without a field, of the first kind."""
    element = field if item is None else f"{item['id']}.{field}"
    kind = context["one_offs"].get(element, {}).get("button") or "first"
    marked = mark(context, field, item) if field else ""
    return format_html(' class="{}"{}', context["button"](kind), marked)


@register.simple_tag
def sign(name: str) -> SafeString:
    """A sign before a link, "" for none; the words beside it say what it means."""
    known = SIGNS.get(name)
    drawing = '<svg class="sign" viewBox="0 0 24 24" aria-hidden="true"><path d="{}"/></svg>'
    return format_html(drawing, known.path) if known else SafeString("")


@register.simple_tag(takes_context=True)
def reach(context: template.Context, field: str) -> SafeString:
    """A line of the section as the link by which somebody is reached; as words where it is no such address."""
    words = context["s"][field]
    link = REACHES[context["reaches"][field]](words)
    if not link:
        return format_html("<span{}>{}</span>", mark(context, field), words)
    return format_html('<a href="{}"{}>{}</a>', link, mark(context, field), words)


@register.simple_tag(takes_context=True)
def picture(context: template.Context, image: dict[str, Any], sizes: str, eager: bool = False) -> SafeString:
    """A picture in every width and format that the place needs; `sizes` as in HTML."""
    img = format_html(
        '<img src="{}" width="{}" height="{}" alt="{}"{}{}>',
        image["src"],
        image["width"],
        image["height"],
        image["alt"],
        format_html(' class="{}"', image["at"]) if image["at"] else "",
        SafeString(' fetchpriority="high"' if eager else ' loading="lazy"'),
    )
    sources = ((form, srcset, sizes) for form, srcset in image["sources"])
    offered = format_html_join("", '<source type="{}" srcset="{}" sizes="{}">', sources)
    return format_html("<picture>{}{}</picture>", offered, img)


@register.simple_tag
def backdrop(
    image: dict[str, Any], eager: bool = False, tile: tuple[float, float] | None = None, name: str = ""
) -> SafeString:
    """A picture that text stands on: it adorns, and has no alt text. As a `tile` of that width and height in px it
    repeats both ways; `name` tells it from others on the page."""
    if tile:
        return _tiled(image["src"], *tile, f"tile-{name}")
    inner = picture(template.Context(), image | {"alt": ""}, "100vw", eager)
    return format_html('<div class="backdrop">{}</div>', inner)


def _tiled(source: str, width: float, height: float, name: str) -> SafeString:
    image = format_html('<image href="{}" width="{}" height="{}"/>', source, width, height)
    cell = format_html(
        '<pattern id="{}" width="{}" height="{}" patternUnits="userSpaceOnUse">{}</pattern>', name, width, height, image
    )
    return format_html(
        '<div class="backdrop"><div class="tiles"><svg width="100%" height="100%" aria-hidden="true"><defs>{}</defs>'
        '<rect width="100%" height="100%" fill="url(#{})"/></svg></div></div>',
        cell,
        name,
    )


@register.simple_tag(takes_context=True)
def say(context: template.Context, english: str, **values: object) -> str:
    """What Yemba itself says on a page, in the language of the site."""
    return shipped.catalogue().language(context["language"]).phrase(english, **values)


@register.simple_tag(takes_context=True)
def when(context: template.Context, item: dict[str, Any]) -> SafeString:
    """The day in words, with its hours."""
    day = item.get("day")
    if not day:
        return format_html("{}", say(context, "Date to come"))
    spoken_day = _day(context, day)
    if item.get("last_day", day) > day and (not item.get("ends") or item["ends"] > item["begins"]):
        spoken_day = format_html("{} – {}", spoken_day, _day(context, item["last_day"]))
    hours = spoken.hours(item.get("begins"), item.get("ends"))
    return format_html("{}<br>{}", spoken_day, hours) if hours else spoken_day


def _day(context: template.Context, day: str) -> SafeString:
    pieces = ((piece,) for piece in spoken.day_pieces(day, context["language"]))
    return format_html('<time datetime="{}">{}</time>', day, format_html_join(" ", "<span>{}</span>", pieces))


@register.simple_tag(takes_context=True)
def posted(context: template.Context, day: str) -> SafeString:
    """The day of a post in words."""
    return format_html('<time datetime="{}">{}</time>', day, spoken.date_of(day[:10], context["language"]))


@register.simple_tag(takes_context=True)
def month(context: template.Context, day: str) -> str:
    """The month of a day, or one such as "2026-10", with its year."""
    return spoken.month(f"{day[:7]}-01", context["language"])


@register.simple_tag(takes_context=True)
def leaf(context: template.Context, item: dict[str, Any]) -> SafeString:
    """The day as a leaf of a calendar: weekday, number, month."""
    day = item.get("day")
    if not day:
        return format_html('<span class="leaf">{}</span>', say(context, "soon"))
    parts = spoken.parts(day, context["language"])
    hours = spoken.hours(item.get("begins"), item.get("ends"))
    return format_html(
        '<time class="leaf" datetime="{}"><span>{}</span><span class="number">{}</span><span>{}</span>{}</time>',
        day,
        parts.weekday,
        parts.number,
        parts.month,
        format_html("<span>{}</span>", hours) if hours else "",
    )
