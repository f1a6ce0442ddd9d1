"""A logo in other colours, so that it stands out from light or from dark grounds."""

from __future__ import annotations

import re
from collections.abc import Callable, Sequence
from xml.etree.ElementTree import Element, fromstring, tostring

import numpy as np
import tinycss2.color4
from numpy.typing import NDArray

from yemba.core.colour.contrast import EDGE, luminance, ratio, reads_in_white
from yemba.core.colour.from_picture import oklab
from yemba.core.colour.srgb import Colour
from yemba.core.picture.cutout import Pixels

_ENOUGH = EDGE + 0.15  # a little more than is asked, for channels are rounded
_ONE_COLOUR = 0.95  # of the marks near one colour: a logo of one colour
_ALIKE = 0.08  # OKLab distance within which marks are of one colour
_BLACKISH = 0.2  # OKLab lightness below which all looks black
_BRIGHTER = 4  # times as much light at most before white is mixed in: more would make a near black gaudy
_SOLID = 128
_PAINTS = frozenset({"fill", "stroke", "stop-color", "flood-color", "color"})
_PAINT_IN_STYLE = re.compile(r"((?:fill|stroke|stop-color|flood-color|color)\s{0,8}:\s{0,8})([^;{}\"]{1,80})")
_SVG = "{http://www.w3.org/2000/svg}"
Array = NDArray[np.float64]
Recolour = Callable[[Array], Array]
"""From colours to colours: rows of gamma-coded sRGB, 0 to 255."""


def for_grounds(grounds: Sequence[Colour], ink: Colour, *, of_one_colour: bool) -> Recolour:
    """How the colours of a logo change so that each stands out from every one of `grounds`, all light or all dark.

    A logo of one colour takes `ink`. Of several, a colour that has the ratio stays; the others go towards white on
    dark grounds, towards black on light ones, just as far as they must (WCAG 2.2, SC 1.4.11, and its luminance).
    """
    if of_one_colour and all(ratio(ink, ground) >= EDGE for ground in grounds):
        return lambda colours: np.broadcast_to(np.array(ink, dtype=np.float64), colours.shape).copy()
    levels = [luminance(ground) for ground in grounds]
    if reads_in_white(max(grounds, key=luminance)):
        least = _ENOUGH * (max(levels) + 0.05) - 0.05
        return lambda colours: _towards_white(colours, least)
    most = (min(levels) + 0.05) / _ENOUGH - 0.05
    return lambda colours: _towards_black(colours, most)


def of_one_colour(pixels: Pixels) -> bool:
    """Whether nearly all of a logo's marks are of one colour."""
    marks = pixels[pixels[:, :, 3] >= _SOLID][:, :3]
    if not len(marks):
        return False
    labs = oklab(marks / 255)
    labs[:, 0] = np.maximum(labs[:, 0], _BLACKISH)
    near = np.sqrt(((labs - np.median(labs, axis=0)) ** 2).sum(axis=1)) <= _ALIKE
    return bool(near.mean() >= _ONE_COLOUR)


def recoloured(pixels: Pixels, change: Recolour) -> Pixels:
    """A picture (height x width x RGBA) with every colour changed; what is see-through stays so."""
    out = pixels.copy()
    out[:, :, :3] = np.round(change(pixels[:, :, :3].reshape(-1, 3).astype(np.float64))).reshape(*pixels.shape[:2], 3)
    return out


def recoloured_svg(svg: bytes, change: Recolour) -> bytes:
    """A drawing with every paint changed, also the black of shapes that name none."""
    root = fromstring(svg)  # noqa: S314 - it was cleaned when it was taken in
    if root.get("fill") is None:
        root.set("fill", "#000000")
    for element in root.iter():
        _repaint(element, change)
    return tostring(root)


def _repaint(element: Element, change: Recolour) -> None:
    for name in _PAINTS & element.attrib.keys():
        element.set(name, _changed(element.attrib[name], change))
    if style := element.get("style"):
        element.set("style", _restyled(style, change))
    if element.tag == f"{_SVG}style" and element.text:
        element.text = _restyled(element.text, change)


def _restyled(style: str, change: Recolour) -> str:
    return _PAINT_IN_STYLE.sub(lambda match: match[1] + _changed(match[2], change), style)


def _changed(paint: str, change: Recolour) -> str:
    """A paint in its new colour; "none", a gradient and what inherits stay."""
    colour = tinycss2.color4.parse_color(paint)
    if colour is None or isinstance(colour, str):
        return paint
    *channels, alpha = colour.to("srgb")
    red, green, blue = (round(channel) for channel in change(np.array([channels]) * 255)[0])
    opaque = Colour(red, green, blue).hex
    return opaque if alpha >= 1 else f"{opaque}{round(alpha * 255):02x}"


def _towards_white(colours: Array, least: float) -> Array:
    """Brightened, then mixed with white, in linear light, so that each has a relative luminance of `least` or more."""
    light = _linear(colours)
    level = (light @ _LUMINANCE)[:, None]
    enough = np.where(level > 0, least / np.maximum(level, 1e-9), 1)
    most = 1 / np.maximum(light.max(axis=1, keepdims=True), 1e-9)
    bright = light * np.minimum(np.minimum(enough, most), _BRIGHTER)
    bright_level = (bright @ _LUMINANCE)[:, None]
    share = np.clip((least - bright_level) / np.maximum(1 - bright_level, 1e-9), 0, 1)
    return np.where(level >= least, colours, _coded(bright + (1 - bright) * share))


def _towards_black(colours: Array, most: float) -> Array:
    """Darkened in linear light, so that each has a relative luminance of `most` or less."""
    light = _linear(colours)
    level = (light @ _LUMINANCE)[:, None]
    return np.where(level <= most, colours, _coded(light * np.clip(most / np.maximum(level, 1e-9), 0, 1)))


_LUMINANCE = np.array([0.2126, 0.7152, 0.0722])


def _linear(colours: Array) -> Array:
    share = colours / 255
    return np.where(share <= 0.04045, share / 12.92, ((share + 0.055) / 1.055) ** 2.4)


def _coded(light: Array) -> Array:
    coded = np.where(light <= 0.0031308, light * 12.92, 1.055 * np.power(np.maximum(light, 0), 1 / 2.4) - 0.055)
    return np.clip(coded, 0, 1) * 255
