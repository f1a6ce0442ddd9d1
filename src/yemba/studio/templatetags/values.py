"""Small sums that markup needs."""

from collections.abc import Iterable
from functools import cache

from django import template
from django.utils.html import format_html, format_html_join
from django.utils.safestring import SafeString, mark_safe

from yemba.catalogue import kind_folders
from yemba.core.message import Joined, Message, label, labels
from yemba.core.picture.placing import ANCHORS
from yemba.core.site.document import Picture
from yemba.core.site.pictures import rendition

register = template.Library()


@register.simple_tag
def joined(*parts: str) -> str:
    """The parts with hyphens between them, for ids."""
    return "-".join(str(part) for part in parts)


@register.filter
def key(values: dict[str, object], name: str) -> object:
    """A value by a key that markup cannot write, one with a dot in it."""
    return values.get(name, "")


@register.filter
def listed(texts: Iterable[str]) -> Message:
    """Texts with commas between them, as the reader's language writes those."""
    return Joined(", ", texts)


register.filter("label", label)


@register.filter
def within(text: str) -> str:
    """A text as it is said within a sentence: in small letters, but for nouns of languages that write them large."""
    return text.lower()


@register.filter
def version(picture: Picture) -> str:
    """What the address of a small picture ends with, so that a browser asks anew once another is shown."""
    return picture.file[:8] + rendition(picture).mark


@register.simple_tag
def focal_anchors() -> list[tuple[str, str]]:
    """The nine places of a picture that a focal point is put to at once, in % across and down, each with its name."""
    shares = {"left": 0, "top": 0, "center": 50, "right": 100, "bottom": 100}
    return [(" ".join(str(shares[side]) for side in anchor.split()), name) for anchor, name in ANCHORS.items()]


@register.simple_tag
def options(pairs: Iterable[tuple[str, str]], chosen: str = "", without: str = "") -> SafeString:
    """The options of a select by value and name, but for the value `without`; there may be hundreds."""
    marked = (
        (value, mark_safe(" selected") if value == chosen else "", name) for value, name in pairs if value != without
    )
    return format_html_join("", '<option value="{}"{}>{}</option>', marked)


@register.filter
def share(percent: float, factor: float) -> str:
    """Per cent of a drawing's width, in its units."""
    return f"{percent * float(factor):.1f}"


@register.simple_tag
def drawing(kind: str) -> SafeString:
    """A section kind as a small drawing; lines of text for one that brings none."""
    return mark_safe(_drawing(kind))


@cache
def _drawing(kind: str) -> str:
    file = kind_folders() / kind / "drawing.svg"
    return (file if file.exists() else kind_folders() / "words" / "drawing.svg").read_text()


@register.filter
def toggled(chosen: str, one: str) -> str:
    """A selection, as one line, with one put in or taken out."""
    return " ".join(set(chosen.split()) ^ {one})


@register.filter
def chooses(chosen: str, one: str) -> bool:
    """Whether a selection, as one line, holds one."""
    return one in chosen.split()


MEANINGS = labels(
    {
        "ground": "A ground is a background with colours for text, links and buttons that can be read on it.",
        "one-off": "A one-off is set on one text or button alone; the brand and the template do not reach it.",
        "edition": "An edition is the site as one publishing put it live.",
        "chroma": "Chroma is how strong a colour is: 0 is grey, about 0.3 the strongest that screens show.",
    }
)
"""Words of our own and of the trade that stand on desks, each in one plain sentence."""


@register.simple_tag
def meaning(word: str) -> str:
    """What a word means, for who meets it here first."""
    return format_html('<p class="quiet meaning">{}</p>', MEANINGS[word])
