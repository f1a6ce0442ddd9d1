"""Two looks drawn beside one another, feature by feature, with what differs marked."""

from __future__ import annotations

import base64
from collections.abc import Callable, Sequence
from typing import NamedTuple

from django.utils.safestring import SafeString, mark_safe

from yemba.core.message import Message
from yemba.core.site.buttons import Painted, states
from yemba.core.site.document import Picture
from yemba.core.site.resolve import Look
from yemba.core.site.settings import SETTINGS
from yemba.core.type.levels import LEVELS
from yemba.hosting import services as hosting

WIDTH, HEIGHT = 288, 84
_EDGE = 14
_ROOM = WIDTH - 2 * _EDGE
_WORDS = 22  # letters of a line that are drawn at most


class Beside(NamedTuple):
    """One feature of two looks, as the content of an SVG of WIDTH x HEIGHT each. `same` where no value behind it
    differs."""

    name: str
    first: SafeString
    second: SafeString
    same: bool


class Feature(NamedTuple):
    """Something of a look that is drawn; `keys` are the beginnings of the keys of the settings behind it."""

    name: str
    keys: tuple[str, ...]
    drawn: Callable[[Look], str]

    def settings(self) -> list[str]:
        return [key for key in SETTINGS if key.startswith(self.keys)]


def beside(first: Look, second: Look) -> list[Beside]:
    """Every feature of both."""
    return [_both(feature, first, second) for feature in FEATURES]


def _both(feature: Feature, first: Look, second: Look) -> Beside:
    same = all(first.value(key) == second.value(key) for key in feature.settings())
    one, other = (mark_safe(feature.drawn(look)) for look in (first, second))  # paths and colours, worked out
    return Beside(feature.name, one, other, same and one == other)


def _palette(look: Look) -> str:
    return _bars([colour.hex for colour in look.colours], 0, HEIGHT)


def _scale(look: Look) -> str:
    """The sizes of headings and text as they stand to one another."""
    levels = ("h1", "h2", "h3", "h4", "body", "small")
    letters = {level: look.lettering(level) for level in levels}
    wide = sum(letters[level].width("Aa", look.sizes[level].high) for level in levels)
    share, x, paths = min(1.0, (_ROOM - 50) / wide), float(_EDGE), [_on_light(look)]
    for level in levels:
        size = look.sizes[level].high * share
        paths.append(letters[level].line("Aa", x, 56, size, look.grounds["light"].heading.hex))
        x += letters[level].width("Aa", size) + 10
    return "".join(paths)


def _bars(colours: Sequence[str], top: float, height: float) -> str:
    wide = WIDTH / len(colours)
    return "".join(
        f'<path fill="{colour}" d="M{n * wide:.2f} {top:g}h{wide:.2f}v{height:g}h-{wide:.2f}z"/>'
        for n, colour in enumerate(colours)
    )


def _grounds(look: Look) -> str:
    """Each ground with the line of a heading and a button on it."""
    grounds = list(look.grounds.values())
    wide = WIDTH / len(grounds)
    paths = [_bars([ground.fill.hex for ground in grounds], 0, HEIGHT)]
    for n, ground in enumerate(grounds):
        left, room = n * wide + wide * 0.2, wide * 0.6
        paths.append(f'<path fill="{ground.heading.hex}" d="M{left:.1f} 24h{room:.1f}v7h-{room:.1f}z"/>')
        paths.append(f'<path fill="{ground.button.hex}" d="M{left:.1f} 46h{room * 0.6:.1f}v12h-{room * 0.6:.1f}z"/>')
    return "".join(paths)


def _heading(look: Look) -> str:
    return _on_light(look) + _set(look, "h1", _heading_words(look), look.grounds["light"].heading.hex, 34)


def _text(look: Look) -> str:
    ground = look.grounds["light"]
    size = look.sizes["body"].high
    words = _shortened(look.document.tagline) or _heading_words(look)
    return _on_light(look) + _set(look, "body", words, ground.text.hex, size)


def _name(look: Look) -> str:
    """The logo, or the name where that is the logo, on the header's ground."""
    ground = look.grounds[look.value("header.ground")]
    picture = look.document.pictures.get(look.value("logo.picture"))
    if picture and look.value("logo.form") == "picture":
        return _filled(ground.fill.hex) + _logo(picture)
    return _filled(ground.fill.hex) + _set(look, "title", look.document.name, ground.heading.hex, 26)


def _logo(picture: Picture) -> str:
    form = "svg+xml" if picture.format == "svg" else "webp"
    data = base64.b64encode(hosting.thumb(picture)).decode()
    return (
        f'<image x="{_EDGE}" y="12" width="{_ROOM}" height="{HEIGHT - 24}" preserveAspectRatio="xMinYMid meet" '
        f'href="data:image/{form};base64,{data}"/>'
    )


def _button(look: Look) -> str:
    """A button at rest and under the pointer, beside a frame for a picture in the corners of the site."""
    corner, painted = look.value("shape.corner"), states(look.value("buttons.form"), look.value("buttons.pointed"))
    return (
        f"{_on_light(look)}{_one_button(look, painted['rest'], 6)}{_one_button(look, painted['pointed'], 46)}"
        f'<rect x="{WIDTH - 110}" y="14" width="96" height="56" rx="{min(corner, 28):g}" '
        f'fill="{look.grounds["light"].line.hex}"/>'
    )


def _one_button(look: Look, painted: Painted, top: float) -> str:
    ground, lettering, size = look.grounds["light"], look.lettering("button"), 15
    corner, edge, box = (look.value(f"buttons.{name}") for name in ("corner", "edge", "size"))
    words = look.texts["button"].written("Send")
    wide = lettering.width(words, size) + 40 * (box or 1)
    radius = min(16, look.value("shape.corner") if corner is None else corner)
    fill, line = (getattr(ground, role).hex if role else "none" for role in (painted.fill, painted.edge))
    left, middle = _EDGE + 20 * (box or 1), top + 16
    ink = getattr(ground, painted.words).hex
    end = left + lettering.width(words, size)
    shapes = [
        f'<rect x="{_EDGE}" y="{top}" width="{wide:.1f}" height="32" rx="{radius:g}" fill="{fill}" stroke="{line}" '
        f'stroke-width="{2 if edge is None else edge:g}"/>',
        lettering.line(words, left, middle + 5, size, ink),
    ]
    if painted.line:
        shapes.append(f'<path d="M{left:.1f} {middle + 8}H{end:.1f}" stroke="{ink}"/>')
    if look.value("buttons.sign") != "none":
        shapes.append(f'<path d="M{end + 4:.1f} {middle - 4}l4 4l-4 4" fill="none" stroke="{ink}" stroke-width="1.5"/>')
    return "".join(shapes)


def _set(look: Look, level: str, words: str, ink: str, size: float) -> str:
    """A line of words in the middle of the height, smaller where it would not fit."""
    text, lettering = look.texts[level], look.lettering(level)
    written = text.written(words)
    fitting = min(size, size * _ROOM / max(1.0, lettering.width(written, size)))
    return lettering.line(written, _EDGE, HEIGHT / 2 + fitting * 0.35, fitting, ink)


def _heading_words(look: Look) -> str:
    """The first heading there is, else the name."""
    for _, page in look.document.ordered_pages():
        for _, section in page.ordered():
            heading = str(section.fields.get("heading", ""))
            if heading:
                return _shortened(heading)
    return _shortened(look.document.name)


def _shortened(words: str) -> str:
    """As many whole words as can be read at this size."""
    return words if len(words) <= _WORDS else words[: _WORDS + 1].rsplit(" ", 1)[0][:_WORDS]


def _on_light(look: Look) -> str:
    return _filled(look.grounds["light"].fill.hex)


def _filled(colour: str) -> str:
    return f'<path fill="{colour}" d="M0 0h{WIDTH}v{HEIGHT}H0z"/>'


_HEADINGS = tuple(f"{slug}." for slug, level in LEVELS.items() if level.follows == "heading" and slug != "title")
_SETTING = ("type.measure", "type.numbers", "type.ligatures", "type.hanging", "link.")
_TEXTS = tuple(f"{slug}." for slug, level in LEVELS.items() if level.follows == "body" and slug != "button")

FEATURES = (
    Feature(Message("Palette"), ("palette",), _palette),
    Feature(Message("Grounds"), ("grounds.", "roles."), _grounds),
    Feature(Message("Headings"), ("type.heading", *_HEADINGS), _heading),
    Feature(Message("Text"), ("type.body", *_SETTING, *_TEXTS), _text),
    Feature(Message("Sizes"), ("type.base", "type.ratio"), _scale),
    Feature(Message("Name"), ("title.", "logo."), _name),
    Feature(Message("Button and corners"), ("button.", "buttons.", "shape."), _button),
)
