"""Markup from anywhere, read for what it means: its blocks, each valid by itself, with nothing but words in them.

What a word processor or another page says by styles is said by elements: bold and italic, lists whose dots are letters,
headings by their rank. Frames, hidden things and scripts are left out.
"""

from __future__ import annotations

import html
import re
from collections.abc import Iterable, Iterator, Sequence
from itertools import groupby
from typing import NamedTuple
from xml.etree.ElementTree import Element

import tinyhtml5

_LEFT_OUT = {"head", "script", "style", "title", "template", "noscript", "svg", "math", "iframe", "object", "video"}
_LEFT_OUT |= {"audio", "canvas", "select", "input", "textarea", "button", "meta", "link", "nav", "map", "datalist"}
_HEADINGS = {f"h{rank}": rank for rank in range(1, 7)}
_BLOCKS = {"address", "article", "aside", "blockquote", "body", "caption", "center", "dd", "details", "dialog", "div"}
_BLOCKS |= {"dl", "dt", "fieldset", "figcaption", "figure", "footer", "form", "header", "hr", "html", "legend", "li"}
_BLOCKS |= {"main", "ol", "p", "pre", "search", "section", "summary", "table", "tbody", "td", "tfoot", "th", "thead"}
_BLOCKS |= {"tr", "ul", *_HEADINGS}
_STRONG, _EM = {"b", "strong"}, {"i", "em", "cite", "dfn", "var"}
_ADDRESS = re.compile(r"(https?://|mailto:|tel:|page:|file:|new:)\S", re.IGNORECASE)
_HIDDEN = re.compile(r"display\s*:\s*none|visibility\s*:\s*hidden|mso-hide\s*:\s*all|mso-list\s*:\s*ignore")
_BOLD = re.compile(r"font-weight\s*:\s*(bold|bolder|[6-9]00)")
_NOT_BOLD = re.compile(r"font-weight\s*:\s*(normal|lighter|[1-5]00)")
_ITALIC = re.compile(r"font-style\s*:\s*(italic|oblique)")
_NOT_ITALIC = re.compile(r"font-style\s*:\s*normal")
_ENTRY = re.compile(r"mso-list\s*:\s*l\d+")  # a paragraph that a word processor draws as an entry of a list
_NUMBER = re.compile(r"\s*(\d+|[a-z]|[ivx]+)[.)]", re.IGNORECASE)
_SPACE = re.compile(r"[ \t\n\r\f]+")
_BESIDE = re.compile(r"[\u00a0 ]{2,}|^\u00a0|\u00a0$")  # blanks that editors leave
_DEEPEST = 60  # elements within one another; deeper ones are read as text
_CELLS = " – "


class Block(NamedTuple):
    """`tag` is "p", "ul", "ol", "blockquote" or "h1" to "h6"; `inner` is what stands in it, as markup."""

    tag: str
    inner: str

    @property
    def markup(self) -> str:
        return f"<{self.tag}>{self.inner}</{self.tag}>"


def blocks(markup: str) -> list[Block]:
    """The blocks of a text, in order."""
    root = tinyhtml5.parse(markup, namespace_html_elements=False)
    return _lists(_within(root, _PLAIN))


def ranked(parts: Sequence[Block], highest: int = 3, lowest: int = 4) -> list[Block]:
    """The blocks with their headings brought to the levels from `highest` to `lowest`: the first rank that is used to
    the first of them, no level left out."""
    ranks = sorted({_HEADINGS[block.tag] for block in parts if block.tag in _HEADINGS})
    level = {f"h{rank}": f"h{min(highest + place, lowest)}" for place, rank in enumerate(ranks)}
    result: list[Block] = []
    deepest = highest - 1
    for block in parts:
        if block.tag in level:
            deepest = min(int(level[block.tag][1]), deepest + 1)
            result.append(Block(f"h{deepest}", block.inner))
        else:
            result.append(block)
    return result


class _Run(NamedTuple):
    """Text of one kind within a line; "\n" is where the line breaks. `link` is an address, or ""."""

    text: str
    link: str
    bold: bool
    italic: bool


_PLAIN = _Run("", "", False, False)


class _Entry(NamedTuple):
    """An entry of a list that stands as a paragraph of its own."""

    inner: str
    numbered: bool


def _within(element: Element, around: _Run, depth: int = 0) -> Iterator[Block | _Entry]:
    """The blocks that stand in an element; text beside them is a paragraph. `around` says which kind text is of."""
    runs: list[_Run] = []
    for node in _nodes(element):
        if isinstance(node, str):
            runs.append(around._replace(text=_spaced(node)))
        elif _is_block(node) and depth < _DEEPEST:
            yield from _paragraph(runs)
            runs = []
            yield from _block(node, _kind(node, around), depth + 1)
        else:
            runs += _runs(node, around, depth + 1)
    yield from _paragraph(runs)


def _block(element: Element, around: _Run, depth: int) -> Iterator[Block | _Entry]:
    tag = element.tag
    if tag in _HEADINGS:
        yield from _paragraph(list(_runs_in(element, _PLAIN, depth)), tag)
    elif tag in ("ul", "ol"):
        entries = "".join(_entries(element, depth))
        yield from [Block(tag, entries)] if entries else []
    elif tag == "blockquote":
        quoted = [_in_quotation(block) for block in _lists(_within(element, around, depth))]
        alone = len(quoted) == 1 and quoted[0].tag == "p"
        inner = quoted[0].inner if alone else "".join(block.markup for block in quoted)
        yield from [Block("blockquote", inner)] if inner else []
    elif tag == "tr":
        cells = (_joined(_within(cell, around, depth)) for cell in element if cell.tag in ("td", "th"))
        row = _CELLS.join(filter(None, cells))
        yield from [Block("p", row)] if row else []
    elif tag == "pre":
        yield from _paragraph([around._replace(text="".join(element.itertext()).strip("\n"))])
    elif _ENTRY.search(_style(element)):
        numbered = bool(_NUMBER.match("".join(element.itertext())))
        inner = _joined(_within(element, around, depth))
        yield from [_Entry(inner, numbered)] if inner else []
    else:
        yield from _within(element, around, depth)


def _entries(element: Element, depth: int) -> Iterator[str]:
    """The entries of a list, each with the lists under it; a list that stands straight in a list is under the entry
    before it."""
    pending = ""
    for node in _nodes(element):
        if isinstance(node, str):
            inner = _markup([_PLAIN._replace(text=_spaced(node))])
        elif node.tag in ("ul", "ol") and depth < _DEEPEST:
            pending += "".join(block.markup for block in _lists(_block(node, _PLAIN, depth + 1)))
            continue
        elif depth < _DEEPEST:
            inner = _entry(_lists(_within(node, _kind(node, _PLAIN), depth + 1)))
        else:
            inner = _markup(list(_runs(node, _PLAIN, depth + 1)))
        if inner and pending:
            yield f"<li>{pending}</li>"
        pending = inner or pending
    if pending:
        yield f"<li>{pending}</li>"


def _entry(parts: Iterable[Block]) -> str:
    """What stands in an entry: its lines, and lists under it."""
    lines, under = [], ""
    for block in parts:
        if block.tag in ("ul", "ol"):
            under += block.markup
        else:
            lines.append(_lines(block))
    return "<br>".join(lines) + under


def _joined(parts: Iterable[Block | _Entry]) -> str:
    """Blocks as lines of one."""
    return "<br>".join(_lines(block) for block in _lists(parts))


def _lines(block: Block) -> str:
    """A block without its elements, each of which is a line."""
    bare = re.sub(r"</?(?:ul|ol|blockquote)>|<(?:p|li)>", "", block.inner)
    return re.sub(r"(?:<br>)+$", "", re.sub(r"</(?:p|li)>", "<br>", bare))


def _in_quotation(block: Block) -> Block:
    """What may stand in a quotation: paragraphs and lists."""
    return block if block.tag in ("p", "ul", "ol") else Block("p", _lines(block))


def _lists(parts: Iterable[Block | _Entry]) -> list[Block]:
    """Blocks, entries that stand after one another gathered to lists."""
    result: list[Block] = []
    gathering = False
    for block in parts:
        if isinstance(block, Block):
            result.append(block)
            gathering = False
            continue
        tag, inner = "ol" if block.numbered else "ul", f"<li>{block.inner}</li>"
        if gathering and result[-1].tag == tag:
            inner = result.pop().inner + inner
        result.append(Block(tag, inner))
        gathering = True
    return result


def _paragraph(runs: Sequence[_Run], tag: str = "p") -> Iterator[Block]:
    inner = _markup(runs)
    if inner:
        yield Block(tag, inner)


def _runs(element: Element, around: _Run, depth: int) -> Iterator[_Run]:
    """The text of an element within a line."""
    if element.tag == "br":
        yield _PLAIN._replace(text="\n")
    else:
        yield from _runs_in(element, _kind(element, around), depth)


def _runs_in(element: Element, around: _Run, depth: int) -> Iterator[_Run]:
    if depth >= 2 * _DEEPEST:
        yield around._replace(text=_spaced("".join(element.itertext())))
        return
    for node in _nodes(element):
        if isinstance(node, str):
            yield around._replace(text=_spaced(node))
        else:
            yield from _runs(node, around, depth + 1)


def _kind(element: Element, around: _Run) -> _Run:
    """Of which kind text is in an element: as around it, and what its name or its style adds or takes away."""
    style = _style(element)
    bold = _holds(style, _BOLD, _NOT_BOLD, around.bold or element.tag in _STRONG)
    italic = _holds(style, _ITALIC, _NOT_ITALIC, around.italic or element.tag in _EM)
    href = element.get("href", "").strip() if element.tag == "a" else ""
    link = href if _ADDRESS.match(href) else around.link
    return around._replace(link=link, bold=bold, italic=italic)


def _holds(style: str, says: re.Pattern[str], denies: re.Pattern[str], otherwise: bool) -> bool:
    """Whether a style says something; what holds without it where it says nothing."""
    if says.search(style):
        return True
    return otherwise and not denies.search(style)


def _markup(runs: Sequence[_Run]) -> str:
    """Runs as markup, without blanks at their ends: links around bold around italic, none in its own kind."""
    visible = [run if run.text.strip() else _PLAIN._replace(text=run.text) for run in runs if run.text]
    while visible and not visible[0].text.strip():
        del visible[0]
    while visible and not visible[-1].text.strip():
        del visible[-1]
    visible = [run._replace(text=_BESIDE.sub(" ", run.text)) for run in visible]
    if visible:
        visible[0] = visible[0]._replace(text=visible[0].text.lstrip())
        visible[-1] = visible[-1]._replace(text=visible[-1].text.rstrip())
    return "".join(_linked(link, [*beside]) for link, beside in groupby(visible, key=lambda run: run.link))


def _linked(link: str, runs: Iterable[_Run]) -> str:
    inner = "".join(_bold(bold, beside) for bold, beside in groupby(runs, key=lambda run: run.bold))
    return f'<a href="{html.escape(link)}">{inner}</a>' if link else inner


def _bold(bold: bool, runs: Iterable[_Run]) -> str:
    inner = "".join(_italic(italic, beside) for italic, beside in groupby(runs, key=lambda run: run.italic))
    return f"<strong>{inner}</strong>" if bold else inner


def _italic(italic: bool, runs: Iterable[_Run]) -> str:
    inner = html.escape("".join(run.text for run in runs), quote=False).replace("\n", "<br>")
    return f"<em>{inner}</em>" if italic else inner


def _style(element: Element) -> str:
    return str(element.get("style", "")).lower()


def _is_block(element: Element) -> bool:
    """Whether it is a block, or holds one."""
    return element.tag in _BLOCKS or any(child.tag in _BLOCKS for child in element.iter())


def _is_left_out(element: Element) -> bool:
    if not isinstance(element.tag, str) or element.tag in _LEFT_OUT or element.get("hidden") is not None:
        return True
    return bool(_HIDDEN.search(_style(element)))


def _nodes(element: Element) -> Iterator[str | Element]:
    """What stands in an element: texts and elements, in order, without what is left out."""
    if element.text:
        yield element.text
    for child in element:
        if not _is_left_out(child):
            yield child
        if child.tail:
            yield child.tail


def _spaced(text: str) -> str:
    return _SPACE.sub(" ", text)
