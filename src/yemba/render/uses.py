"""Which style rules, and which of the owner's values, a fragment of a page makes use of.

Found by matching every selector of the stylesheet, not by a table kept by hand. States (under the
pointer, focused) and pseudo-elements count as the element they belong to; both widths count.
"""

from __future__ import annotations

import re
from collections.abc import Iterable, Iterator
from functools import lru_cache
from hashlib import sha256
from typing import TYPE_CHECKING, Any, NamedTuple

import tinycss2
import tinyhtml5
from cssselect2 import ElementWrapper, Matcher, compile_selector_list

from yemba import catalogue as shipped
from yemba.core.cache import Cache
from yemba.render.level import written_out
from yemba.render.style import base_css, choices_css, everywhere_css, kinds_css, unfolded_css

if TYPE_CHECKING:
    from yemba.core.site.resolve import Look

_VALUE = re.compile(r"var\(\s*--([\w-]+)")
_OF_WORDS = "[data-longest"  # such rules hold for words, not for the shape of a fragment; its markup tells of them
_STATE = re.compile(
    r":not\(:popover-open\)|::[\w-]+(?:\([^)]*\))?|:(?:hover|active|focus-visible|focus|popover-open|visited)\b"
)
_BARE = re.compile(r"(^|[\s,>+~(])(?=[,)]|$)")  # where nothing is left of a selector but its state
_NESTING = {"media", "container", "supports", "layer"}
_INHERITED = re.compile(
    r"font|line-height|letter-|word-|text-(?!decoration)|overflow-wrap|hanging|hyphens|list-style|-webkit-text|paint-order"
)
"""Properties that elements take over from what holds them (CSS 2.2, property index)."""
_FIRST = '<section class="section"></section>'


class Use(NamedTuple):
    """The values a fragment takes, by name of the custom property, and a digest of the rules that give them."""

    values: tuple[str, ...]
    rules: str


class _Rule(NamedTuple):
    """Declarations under one selector. `state` is what was taken off it, `always` says that it holds at every width,
    `layer` and `place` order it (CSS Cascade 5, section 6.1)."""

    state: str
    always: bool
    layer: int
    place: int
    declarations: tuple[tuple[str, str], ...]


class _Given(NamedTuple):
    """A value that a rule gives an element; `rank` is layer, specificity and place."""

    rank: tuple[int, tuple[int, int, int], int]
    always: bool
    value: str


_USES: Cache[tuple[Any, ...], Use] = Cache(
    "what shapes of fragments use of the stylesheet", most=8_000_000, weigh=lambda use: 40 * len(use.values) + 200
)


def use(shape: tuple[Any, ...], markup: Any, template: str, arrangement: str, where: str) -> Use:
    """What a fragment uses in a template, under a header arrangement.

    `shape` is what it is known by, `markup` gives it. `where` is "body" for a part, "first" for the first section of
    its page, "main" for any other.
    """
    key = (shape, template, arrangement, where)
    return _USES.get_or_make(key, lambda: _use(markup(), template, arrangement, where))


def _use(fragment: str, template: str, arrangement: str, where: str) -> Use:
    names: set[str] = set()
    used, defined = set(), {}
    for name, value in _declarations(_page(fragment, template, arrangement, where), _matcher(template)):
        if name.startswith("--"):
            defined[name[2:]] = value
        else:
            used.add(f"{name}:{value}")
            names |= set(_VALUE.findall(value))
    names |= _beneath(names, defined)
    used |= {f"--{name}:{defined[name]}" for name in names & defined.keys()}
    return Use(tuple(sorted(names - defined.keys())), sha256("\n".join(sorted(used)).encode()).hexdigest())


def text_value(fragment: str, look: Look, where: str, place: str, field: str, item: str = "") -> str:
    """The value, by name of its custom property, that the text of an element is coloured with; "" for none.

    The element is told by the part or section it belongs to, its field and item, `place` itself by the field "";
    `where` is as for `use`.
    """
    slug = look.template.slug
    page, matcher = _page(fragment, slug, look.value("header.arrangement"), where), _matcher(slug)
    element = next((one for one in page.iter_subtree() if _is(one, place, field, item)), None)
    while element is not None:
        if value := _given(element, matcher, "color"):
            return _followed(element, matcher, value)
        element = element.parent
    return ""


def _is(element: ElementWrapper, place: str, field: str, item: str) -> bool:
    if not field:
        return bool(element.etree_element.get("data-place") == place)
    if element.etree_element.get("data-field") != field or _around(element, "data-place") != place:
        return False
    return item in ("", _around(element, "data-item"))


def _around(element: ElementWrapper, attribute: str) -> str:
    """The value of an attribute on the element or the nearest around it that has one; "" where none has."""
    held = (one.etree_element.get(attribute) for one in (element, *reversed(element.ancestors)))
    return next(filter(None, held), "")


def _given(element: ElementWrapper, matcher: Matcher, name: str) -> str:
    """What the rules that hold at every width, and in no state, give an element itself; "" for nothing."""
    ranked = [
        ((rule.layer, specificity, rule.place), value)
        for specificity, _, _, rule in matcher.match(element)
        for known, value in rule.declarations
        if known == name and rule.always and not rule.state
    ]
    value = max(ranked)[1] if ranked else ""
    return "" if value == "inherit" else value


def _followed(element: ElementWrapper, matcher: Matcher, value: str) -> str:
    """The value behind those that the template itself defines by others."""
    name = next(iter(_VALUE.findall(value)), "")
    for around in (element, *reversed(element.ancestors)):
        if name and (defined := _given(around, matcher, f"--{name}")):
            return _followed(around, matcher, defined)
    return name


def _beneath(names: set[str], defined: dict[str, str]) -> set[str]:
    """What the template defines by the owner's values counts as these."""
    known, waiting = set(names), list(names)
    while waiting:
        more = set(_VALUE.findall(defined.get(waiting.pop(), ""))) - known
        known |= more
        waiting += more
    return known


def _page(fragment: str, template: str, arrangement: str, where: str) -> ElementWrapper:
    """A page with the fragment alone, marked by data-in where it does not belong to the fragment."""
    body, main = (fragment, "") if where == "body" else ("", fragment)
    above = _FIRST if where == "main" else ""
    ground = shipped.catalogue().template(template).page
    text = (
        f'<html data-in><body data-in data-ground="{ground}" data-header="{arrangement}">'
        f'{body}<main data-in id="content">{above}{main}</main></body></html>'
    )
    return ElementWrapper.from_html_root(tinyhtml5.parse(text, namespace_html_elements=False))


def _declarations(page: ElementWrapper, matcher: Matcher) -> Iterator[tuple[str, str]]:
    """The declarations that reach the fragment: those that win on one of its elements, and what these inherit."""
    for element in page.iter_subtree():
        around = element.etree_element.get("data-in") is not None
        declared: dict[tuple[str, str], list[_Given]] = {}
        for specificity, _, _, rule in matcher.match(element):
            for name, value in rule.declarations:
                if not around or name.startswith("--") or _INHERITED.match(name):
                    one = _Given((rule.layer, specificity, rule.place), rule.always, value)
                    declared.setdefault((rule.state, name), []).append(one)
        for (_, name), values in declared.items():
            yield from ((name, one.value) for one in _winning(values))


def _winning(values: list[_Given]) -> list[_Given]:
    """The one that wins at every width, and those that win over it at some."""
    always = max((one.rank for one in values if one.always), default=(0, (0, 0, 0), -1))
    return [one for one in values if one.rank >= always]


@lru_cache(maxsize=32)
def _matcher(template: str) -> Matcher:
    """Every rule of the stylesheet, those of later layers later."""
    own = written_out(shipped.catalogue().template(template).css)
    texts = (
        (base_css(), True),
        (kinds_css(), True),
        (own, True),
        (everywhere_css() + choices_css(), True),
        (unfolded_css(), False),
    )
    matcher, place = Matcher(), 0
    for layer, (text, always) in enumerate(texts):
        for rule in _rules(tinycss2.parse_stylesheet(text, True, True), always):
            place += 1
            for state, selector in rule.selectors:
                matcher.add_selector(selector, _Rule(state, rule.always, layer, place, rule.declarations))
    return matcher


class _Parsed(NamedTuple):
    """A rule as it is written: its selectors, each with the state taken off it."""

    selectors: list[tuple[str, Any]]
    always: bool
    declarations: tuple[tuple[str, str], ...]


def _rules(nodes: Iterable[Any], always: bool) -> Iterator[_Parsed]:
    for node in nodes:
        if node.type == "at-rule" and tinycss2.serialize(node.prelude).strip() == "print":
            continue  # paper shows none of the owner's colours
        if node.type == "at-rule" and node.lower_at_keyword in _NESTING and node.content is not None:
            yield from _rules(tinycss2.parse_rule_list(node.content, True, True), always=False)
        elif node.type == "qualified-rule":
            declared = tinycss2.parse_declaration_list(node.content, True, True)
            declarations = tuple(
                (one.name, tinycss2.serialize(one.value).strip()) for one in declared if one.type == "declaration"
            )
            yield _Parsed(list(_selectors(node.prelude)), always, declarations)


def _selectors(prelude: list[Any]) -> Iterator[tuple[str, Any]]:
    """Each selector of a list without its state, and that state."""
    for whole in _split(prelude):
        if _OF_WORDS in whole:
            continue
        plain = _BARE.sub(r"\1*", _STATE.sub("", whole).strip())  # "::before" alone is of any element
        for selector in compile_selector_list(plain):
            yield "".join(_STATE.findall(whole)), selector


def _split(prelude: list[Any]) -> Iterator[str]:
    """The selectors of a list, at its commas; those in brackets are tokens of their own."""
    part: list[Any] = []
    for token in [*prelude, None]:
        if token is None or (token.type == "literal" and token.value == ","):
            yield tinycss2.serialize(part).strip()
            part = []
        else:
            part.append(token)
