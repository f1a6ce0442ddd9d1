"""Taking in a drawing: what it may hold, how deep and how much, and how large it is.

What is neither known nor harmful, as a drawing program's notes to itself, is left out. What could run, load from
elsewhere, or keep a browser busy is refused by its name.
"""

from __future__ import annotations

import re
from collections.abc import Iterable
from typing import Any
from xml.etree.ElementTree import Element, ParseError, register_namespace, tostring

import tinycss2
from defusedxml.common import DefusedXmlException
from defusedxml.ElementTree import fromstring

from yemba.core.errors import Fault
from yemba.core.message import Message

SVG_BYTES = 4_000_000
DEEPEST, MOST = 64, 20_000
"""Groups in groups, and elements, those that `use` draws again counted each time."""
LONGEST = 20
"""How many times as long as wide a drawing may be, or as wide as high."""
_SVG = "{http://www.w3.org/2000/svg}"
_XLINK = "{http://www.w3.org/1999/xlink}"
register_namespace("", _SVG.strip("{}"))  # written out without a prefix, as drawing programs do
register_namespace("xlink", _XLINK.strip("{}"))
_SHAPES = "path rect circle ellipse line polyline polygon text tspan textPath image use"
_HOLDERS = "svg g defs symbol a switch style title desc linearGradient radialGradient stop clipPath mask pattern marker"
_FILTERS = (
    "filter feGaussianBlur feOffset feBlend feColorMatrix feComponentTransfer feFuncR feFuncG feFuncB feFuncA "
    "feComposite feFlood feMerge feMergeNode feDropShadow"
)
ELEMENTS = frozenset(f"{_SHAPES} {_HOLDERS} {_FILTERS}".split())
_RUNNING = "script foreignObject iframe embed object audio video handler animate animateMotion animateTransform set"
_SLOW = (
    "feTurbulence feConvolveMatrix feMorphology feImage feTile feDiffuseLighting feSpecularLighting feDisplacementMap"
)
HARMFUL = frozenset(f"{_RUNNING} {_SLOW}".split())
_GEOMETRY = (
    "id class style transform d x y x1 y1 x2 y2 cx cy r rx ry fx fy fr width height points viewBox preserveAspectRatio "
    "dx dy rotate textLength lengthAdjust startOffset offset href version space lang role "
    "gradientUnits gradientTransform spreadMethod clipPathUnits maskUnits maskContentUnits patternUnits "
    "patternContentUnits patternTransform markerWidth markerHeight markerUnits refX refY orient filterUnits "
    "primitiveUnits stdDeviation in in2 result operator k1 k2 k3 k4 values type tableValues slope intercept amplitude "
    "exponent mode"
)
_PAINT = (
    "fill fill-rule fill-opacity stroke stroke-width stroke-linecap stroke-linejoin stroke-miterlimit stroke-opacity "
    "stroke-dasharray stroke-dashoffset color opacity stop-color stop-opacity flood-color flood-opacity clip-path "
    "clip-rule mask filter marker marker-start marker-mid marker-end display visibility overflow paint-order "
    "vector-effect color-interpolation color-interpolation-filters shape-rendering text-rendering image-rendering "
    "mix-blend-mode isolation enable-background font-family font-size font-style font-variant font-weight font-stretch "
    "text-anchor text-decoration letter-spacing word-spacing dominant-baseline alignment-baseline baseline-shift "
    "writing-mode direction"
)
ATTRIBUTES = frozenset(f"{_GEOMETRY} {_PAINT}".split())
_HARMLESS = ("#", "data:image/png", "data:image/jpeg", "data:image/webp")
_LOADS = ("url", "src", "image", "image-set")
_DOCTYPE_WITHIN = 4000  # bytes from the start in which it is looked for


def clean_svg(data: bytes, name: str) -> tuple[bytes, int, int]:
    """The drawing as it is kept, with its width and height in px.

    Raises Fault ``file-too-large``, ``picture-unreadable`` or ``svg-unsafe``.
    """
    if len(data) > SVG_BYTES:
        reason = Message(
            "“{name}” has {size:.1f} MB. A drawing may have {most} MB; save it simpler.",
            name=name,
            size=len(data) / 1e6,
            most=SVG_BYTES // 1_000_000,
        )
        raise Fault("file-too-large", reason, "file")
    root = _parsed(_without_doctype(data, name), name)
    _check_depth(root, name)
    _leave_out(root)
    for element in root.iter():
        _refuse_unsafe(element, name)
    _check_number(root, name)
    width, height = _size(root, name)
    root.set("width", f"{width:g}")
    root.set("height", f"{height:g}")
    return tostring(root), max(1, round(width)), max(1, round(height))


def _unsafe(name: str, what: str) -> Fault:
    sentence = Message(
        "“{name}” holds {what}, which a picture may not. Save it again as plain SVG, without scripts and links.",
        name=name,
        what=what,
    )
    return Fault("svg-unsafe", sentence, "file")


def _unreadable(sentence: str) -> Fault:
    return Fault("picture-unreadable", sentence, "file")


def _without_doctype(data: bytes, name: str) -> bytes:
    """Drawing programs write one line of it; one that declares entities is refused."""
    begins = data[:_DOCTYPE_WITHIN].find(b"<!DOCTYPE")
    if begins < 0:
        return data
    ends = data.find(b">", begins)
    if ends < 0 or b"[" in data[begins:ends]:
        raise _unsafe(name, Message("a DOCTYPE with entities"))
    return data[:begins] + data[ends + 1 :]


def _parsed(data: bytes, name: str) -> Element:
    try:
        root: Element = fromstring(data, forbid_dtd=True)
    except (ParseError, DefusedXmlException, ValueError, LookupError) as error:
        sentence = Message("“{name}” looks like SVG but cannot be read. Save it again as plain SVG.", name=name)
        raise _unreadable(sentence) from error
    if root.tag != f"{_SVG}svg":
        raise _unreadable(Message("“{name}” is not an SVG picture. Use SVG, PNG, JPEG or WebP.", name=name))
    return root


def _check_depth(root: Element, name: str) -> None:
    level, depth = [root], 0
    while level:
        depth += 1
        level = [child for element in level for child in element]
        if depth > DEEPEST:
            sentence = Message(
                "“{name}” has more than {most} groups inside one another. Save it with them taken apart.",
                name=name,
                most=DEEPEST,
            )
            raise _unreadable(sentence)


def _leave_out(root: Element) -> None:
    """Elements and attributes that are neither known nor harmful."""
    for element in root.iter():
        for child in [child for child in element if _tag(child) not in ELEMENTS | HARMFUL]:
            element.remove(child)
        for attribute in [one for one in element.attrib if not _kept(one)]:
            del element.attrib[attribute]


def _kept(attribute: str) -> bool:
    space, _, plain = attribute.rpartition("}")
    if space and space not in (_XLINK[:-1], "{http://www.w3.org/XML/1998/namespace"):
        return False
    return plain in ATTRIBUTES or plain.startswith("aria-") or plain.lower().startswith("on")


def _tag(element: Element) -> str:
    """The name of an element of SVG; "" for any other."""
    tag = str(element.tag)
    if tag.startswith(_SVG):
        return tag.removeprefix(_SVG)
    return tag if tag in HARMFUL else ""


def _refuse_unsafe(element: Element, name: str) -> None:
    tag = _tag(element)
    if tag in HARMFUL:
        raise _unsafe(name, tag)
    for attribute, value in element.attrib.items():
        plain = attribute.rpartition("}")[2].lower()
        harmless = plain != "href" or value.strip().startswith(_HARMLESS)
        if plain.startswith("on") or not harmless or _loads(value, plain):
            raise _unsafe(name, f"{plain}=“{value[:40]}”")
    if tag == "style" and _loads(element.text or "", "style"):
        raise _unsafe(name, Message("a style that loads from elsewhere"))


def _loads(value: str, attribute: str) -> bool:
    """Whether a style or a value asks for anything outside the drawing."""
    if attribute == "href" or ("(" not in value and "@" not in value and "\\" not in value):
        return False
    return any(_outside(token) for token in _tokens(tinycss2.parse_component_value_list(value)))


def _outside(token: Any) -> bool:
    if token.type == "url":
        return not str(token.value).strip().startswith("#")
    if token.type == "function" and token.lower_name in _LOADS:
        return any(one.type == "string" and not one.value.strip().startswith("#") for one in token.arguments)
    return bool(token.type == "at-keyword" and token.lower_value in ("import", "font-face", "namespace"))


def _tokens(tokens: Iterable[Any]) -> Iterable[Any]:
    """Every token with those inside it."""
    waiting = list(tokens)
    while waiting:
        token = waiting.pop()
        yield token
        waiting.extend(getattr(token, "content", None) or getattr(token, "arguments", None) or ())


def _check_number(root: Element, name: str) -> None:
    """Counts what `use` draws again as often as it is drawn."""
    by_id = {element.get("id"): element for element in root.iter() if element.get("id")}
    counted: dict[int, int] = {}
    begun: set[int] = set()

    def number(element: Element) -> int:
        key = id(element)
        if key in begun:
            raise _unsafe(name, Message("a use that draws itself"))
        if key not in counted:
            begun.add(key)
            href = element.get("href") or element.get(f"{_XLINK}href") or ""
            again = by_id.get(href[1:]) if _tag(element) == "use" and href.startswith("#") else None
            parts = [*element, *([] if again is None else [again])]
            counted[key] = min(MOST + 1, 1 + sum(map(number, parts)))
            begun.discard(key)
        return counted[key]

    try:
        total = number(root)
    except RecursionError:
        total = MOST + 1
    if total > MOST:
        sentence = Message("“{name}” has more than {most} shapes. Save it simpler, or as PNG.", name=name, most=MOST)
        raise _unreadable(sentence)


_NUMBER = re.compile(r"[+-]?(?:[0-9]{1,12}(?:\.[0-9]{0,12})?|\.[0-9]{1,12})(?:[eE][+-]?[0-9]{1,2})?")


def _size(root: Element, name: str) -> tuple[float, float]:
    """Width and height in px, from viewBox, else from width and height."""
    box = root.get("viewBox", "")[:200].replace(",", " ").split()
    lengths = box[2:] if len(box) == 4 else [root.get(side, "")[:40].removesuffix("px") for side in ("width", "height")]
    sides = [float(one) if _NUMBER.fullmatch(one) else 0.0 for one in lengths]
    width, height = sides if len(sides) == 2 else (0.0, 0.0)
    if not (0 < width < 20_000 and 0 < height < 20_000):
        raise _unreadable(Message("“{name}” does not say how large it is. Save it with a viewBox.", name=name))
    if max(width / height, height / width) > LONGEST:
        sentence = Message(
            "“{name}” is {width:g} x {height:g}: at most {most} times as long as wide can be drawn.",
            name=name,
            width=width,
            height=height,
            most=LONGEST,
        )
        raise _unreadable(sentence)
    if len(box) != 4:
        root.set("viewBox", f"0 0 {width:g} {height:g}")
    return width, height
