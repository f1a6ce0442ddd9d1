"""Which style rules, and which of the owner's values, a fragment of a page makes use of.

Found by matching every selector of the stylesheet, not by a table kept by hand. States (under the
pointer, focused) and pseudo-elements count as the element they belong to; both widths count.
"""

from __future__ import annotations

import re
from collections.abc import Iterable, Iterator, Sequence
from functools import lru_cache
from hashlib import sha256
from typing import Any, NamedTuple

import soupsieve
import tinycss2
from bs4 import BeautifulSoup

from yemba import catalogue as shipped
from yemba.render.level import written_out
from yemba.render.style import kinds_css, skeleton

_VALUE = re.compile(r"var\(\s*--([\w-]+)")
_STATE = re.compile(r"::[\w-]+(?:\([^)]*\))?|:(?:hover|active|focus-visible|focus|popover-open|visited)\b")
_NESTING = {"media", "container", "supports", "layer"}
_INHERITED = re.compile(
    r"font|line-height|letter-|word-|text-(?!decoration)|overflow-wrap|hanging|hyphens|list-style|-webkit-text|paint-order"
)
"""Properties that elements take over from what holds them (CSS 2.2, property index)."""


class Use(NamedTuple):
    """The values a fragment takes, by name of the custom property, and a digest of the rules that give them."""

    values: tuple[str, ...]
    rules: str


class _Rule(NamedTuple):
    """One selector with its declarations. `state` is what was taken off it, `always` says that it holds at
    every width, `rank` is layer and specificity (CSS Cascade 5, section 6.1). It can only match on a page
    that has all the classes it `needs`."""

    selector: soupsieve.SoupSieve
    needs: frozenset[str]
    state: str
    always: bool
    rank: tuple[int, int, int, int]
    declarations: tuple[tuple[str, str], ...]


def use(fragment: str, template: str, arrangement: str, first: bool) -> Use:
    """What a fragment uses in a template, under a header arrangement, as the first section of its page or not."""
    above = "" if first else '<section class="section"></section>'
    page = BeautifulSoup(
        f'<html><body data-ground="light" data-header="{arrangement}"><main id="content">{above}</main></body></html>',
        "html.parser",
    )
    made = BeautifulSoup(fragment, "html.parser")
    outer = list(page.find_all())  # html, body, main
    part = made.find(class_=["site-header", "site-footer"]) is not None
    outer[1 if part else 2].extend(list(made.contents))
    names: set[str] = set()
    used, defined = set(), {}
    for name, value in _taken(page, outer, _rules(template)):
        if name.startswith("--"):
            defined[name[2:]] = value
        else:
            used.add(f"{name}:{value}")
            names |= set(_VALUE.findall(value))
    waiting = list(names)
    while waiting:  # what the template defines by the owner's values counts as these
        value = defined.get(waiting.pop(), "")
        more = set(_VALUE.findall(value)) - names
        names |= more
        waiting += more
    used |= {f"--{name}:{defined[name]}" for name in names & defined.keys()}
    return Use(tuple(sorted(names - defined.keys())), sha256("\n".join(sorted(used)).encode()).hexdigest())


def _taken(page: BeautifulSoup, outer: Sequence[Any], rules: Sequence[_Rule]) -> Iterator[tuple[str, str]]:
    """The declarations that reach the fragment: those that win on one of its elements, and what these inherit."""
    around = {id(element) for element in outer}
    given: dict[tuple[int, str, str], list[tuple[_Rule, str]]] = {}
    classes = {name for element in page.find_all(class_=True) for name in element["class"]}
    for rule in rules:
        if not rule.needs <= classes:
            continue
        for element in rule.selector.select(page):
            for name, value in rule.declarations:
                if id(element) not in around or name.startswith("--") or _INHERITED.match(name):
                    given.setdefault((id(element), rule.state, name), []).append((rule, value))
    for (_, _, name), found in given.items():
        winner = max((n for n, (rule, _) in enumerate(found) if rule.always), key=lambda n: found[n][0].rank, default=0)
        least = found[winner][0].rank if found[winner][0].always else (0, 0, 0, 0)
        for n, (rule, value) in enumerate(found):
            if rule.rank > least or n == winner or (rule.rank == least and n > winner):
                yield name, value


@lru_cache(maxsize=32)
def _rules(template: str) -> tuple[_Rule, ...]:
    """Every rule of the stylesheet, those of later layers later."""
    layers = ("base.css", "", "", "unfolded.css")
    texts = [skeleton(name) if name else "" for name in layers]
    texts[1], texts[2] = kinds_css(), written_out(shipped.catalogue().template(template).css)
    return tuple(
        rule
        for layer, text in enumerate(texts)
        for rule in _read(tinycss2.parse_stylesheet(text, True, True), layer, always=layers[layer] != "unfolded.css")
    )


def _read(nodes: Iterable[Any], layer: int, *, always: bool) -> Iterator[_Rule]:
    for node in nodes:
        if node.type == "at-rule" and node.lower_at_keyword in _NESTING and node.content is not None:
            yield from _read(tinycss2.parse_rule_list(node.content, True, True), layer, always=False)
        elif node.type == "qualified-rule":
            given = tinycss2.parse_declaration_list(node.content, True, True)
            read = tuple((d.name, tinycss2.serialize(d.value).strip()) for d in given if d.type == "declaration")
            for whole in _split(tinycss2.serialize(node.prelude)):
                plain = _STATE.sub("", whole).strip()
                plain = re.sub(r"(^|[\s,>+~(])(?=[,)]|$)", r"\1*", plain)  # "::before" alone is of any element
                state = "".join(_STATE.findall(whole))
                needs = frozenset(_CLASS.findall(_GROUP.sub("", plain)))
                yield _Rule(soupsieve.compile(plain), needs, state, always, (layer, *_specificity(plain)), read)


def _split(selectors: str) -> list[str]:
    """A selector list at its commas, those in brackets left."""
    parts, depth = [""], 0
    for letter in selectors:
        depth += (letter == "(") - (letter == ")")
        if letter == "," and not depth:
            parts.append("")
        else:
            parts[-1] += letter
    return [part.strip() for part in parts]


_CLASS = re.compile(r"\.([\w-]+)")
_GROUP = re.compile(r":(is|not|has)\(((?:[^()]|\([^()]*\))*)\)")


def _specificity(selector: str) -> tuple[int, int, int]:
    """Ids, classes and the like, elements (Selectors 4, section 17)."""
    total = [0, 0, 0]
    for _, inner in _GROUP.findall(selector):
        strongest = max(_specificity(part) for part in _split(inner))
        total = [a + b for a, b in zip(total, strongest, strict=True)]
    rest = _GROUP.sub("", selector)
    total[0] += len(re.findall(r"#[\w-]+", rest))
    total[1] += len(re.findall(r"\.[\w-]+|\[[^\]]+\]|(?<!:):[\w-]+", rest))
    total[2] += len(re.findall(r"(?:^|[\s>+~])[a-z][\w-]*", rest))
    return total[0], total[1], total[2]
