"""What is pasted or brought in comes out clean: valid, with its structure, parted at its headings, and none of its words lost."""

from __future__ import annotations

import re
from xml.etree import ElementTree

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from tests.editing import edited
from tests.sampling import fewer
from yemba.core import room
from yemba.core.errors import Fault
from yemba.core.site.catalogue import Catalogue
from yemba.core.site.document import Document
from yemba.core.site.text_import import sections_of
from yemba.core.site.words import clean_words, plain

INLINE = {"strong", "em", "a", "br"}
MAY_HOLD = {
    "words": {"p", "ul", "ol", "h3", "h4", "blockquote"},
    "p": INLINE,
    "h3": INLINE,
    "h4": INLINE,
    "ul": {"li"},
    "ol": {"li"},
    "li": INLINE | {"ul", "ol"},
    "blockquote": INLINE | {"p", "ul", "ol"},
    "strong": INLINE - {"strong"},
    "em": INLINE - {"em"},
    "a": INLINE - {"a"},
    "br": set(),
}
ENTRY = "mso-list:l0 level1 lfo1"
DOT = '<span style="mso-list:Ignore">·<span>&nbsp;&nbsp;</span></span>'
NUMBER = '<span style="mso-list:Ignore">1.<span>&nbsp;</span></span>'


@pytest.mark.parametrize(
    ("pasted", "kept"),
    [
        ("<p>x</p><p></p><p>y<br></p>", "<p>x</p><p>y</p>"),
        ('<b style="font-weight:normal"><p><span style="font-weight:700">Hi</span> you</p></b>', "<p><strong>Hi</strong> you</p>"),
        (f'<p style="{ENTRY}">{DOT}One</p><p style="{ENTRY}">{DOT}Two</p>', "<ul><li>One</li><li>Two</li></ul>"),
        (f'<p style="{ENTRY}">{NUMBER}One</p><p>after</p>', "<ol><li>One</li></ol><p>after</p>"),
        ("<ul>x<li>y</li></ul>", "<ul><li>x</li><li>y</li></ul>"),
        ("<ul><li>a</li><ul><li>b</li></ul></ul>", "<ul><li>a<ul><li>b</li></ul></li></ul>"),
        ("<h1>T</h1><h4>U</h4><h6>V</h6>", "<h3>T</h3><h4>U</h4><h4>V</h4>"),
        ("<h4>first</h4><h2>second</h2>", "<h3>first</h3><h3>second</h3>"),
        ("<table><tr><th>Tea</th><td>2 €</td></tr></table>", "<p>Tea – 2 €</p>"),
        ("<style>p{}</style><script>1</script><p hidden>no</p><p>yes</p>", "<p>yes</p>"),
        ('<a href="javascript:alert(1)">k</a> <a href="file:f1">l</a>', '<p>k <a href="file:f1">l</a></p>'),
        ("<blockquote><h2>a</h2><p>b</p></blockquote>", "<blockquote><p>a</p><p>b</p></blockquote>"),
        ("<p>10&nbsp;kg", "<p>10&nbsp;kg</p>"),
        ("<p>and&nbsp;<a href='page:p1'>tea</a>&nbsp; here", '<p>and <a href="page:p1">tea</a> here</p>'),
        ("<pre>one\n two</pre>", "<p>one<br> two</p>"),
    ],
)  # fmt: skip
def test_structure_is_kept_and_the_rest_dropped(pasted: str, kept: str) -> None:
    assert clean_words(pasted) == kept


WORD = st.text("abcé&<>«äß", min_size=1, max_size=6).map(lambda text: text.replace("<", "&lt;"))
STYLES = st.sampled_from(["", "font-weight:700", "font-style:italic", "color:red", ENTRY, "font-weight:normal"])
TAGS = "p div span b i em strong a h1 h2 h3 h5 ul ol li blockquote table tr td section font u pre dl dt center"
SHAPES = st.recursive(
    WORD,
    lambda inner: st.builds(
        lambda tag, style, parts, closed: f'<{tag} style="{style}" class="x">{"".join(parts)}' + f"</{tag}>" * closed,
        st.sampled_from(TAGS.split()),
        STYLES,
        st.lists(inner, max_size=4),
        st.booleans(),
    ),
    max_leaves=14,
)


@settings(max_examples=fewer(500), deadline=None)
@given(st.lists(SHAPES, min_size=1, max_size=4).map("".join))
def test_any_shape_comes_out_valid_with_its_words(pasted: str) -> None:
    kept = clean_words(f"<i></i>{pasted}")
    _check(ElementTree.fromstring(f"<words>{kept.replace('<br>', '<br/>').replace('&nbsp;', ' ')}</words>"))
    assert clean_words(kept) == kept
    letters = re.sub(r"\W", "", plain(f"<i></i>{pasted}"))
    assert sorted(re.sub(r"\W", "", plain(kept))) == sorted(letters)


def _check(element: ElementTree.Element) -> None:
    for child in element:
        assert child.tag in MAY_HOLD[element.tag], f"{child.tag} in {element.tag}"
        _check(child)
    if element.tag in ("words", "ul", "ol"):
        assert not (element.text or "").strip()
        assert not any((child.tail or "").strip() for child in element)
    if element.tag in ("p", "li", "h3", "h4"):
        assert "".join(element.itertext()).strip()


MARKDOWN = """Before the first heading.

# The bench

It is **free** on Saturdays.

## What to bring

1. An apron
2. A book, see [repairs](https://a.example/)

# Getting here

> Twelve steps down.
"""
HTML = (
    "<h2>The bench</h2><p>It is free.</p><h3>Bring</h3><ul><li>A book</li></ul><h2>Here</h2><div>Down the steps</div>"
)


def test_headings_of_the_first_rank_begin_sections() -> None:
    assert sections_of(MARKDOWN, 120) == [
        ("", "<p>Before the first heading.</p>"),
        (
            "The bench",
            "<p>It is <strong>free</strong> on Saturdays.</p><h3>What to bring</h3>"
            '<ol><li>An apron</li><li>A book, see <a href="https://a.example/">repairs</a></li></ol>',
        ),
        ("Getting here", "<blockquote>Twelve steps down.</blockquote>"),
    ]
    assert sections_of(HTML, 120) == [
        ("The bench", "<p>It is free.</p><h3>Bring</h3><ul><li>A book</li></ul>"),
        ("Here", "<p>Down the steps</p>"),
    ]
    assert sections_of("One line.\n\nAnother.", 120) == [("", "<p>One line.</p><p>Another.</p>")]


def test_a_title_alone_parts_nothing_so_the_headings_under_it_do() -> None:
    under = "## Sowing\n\nRake.\n\n### Depth\n\nA finger.\n\n## Harvest\n\nIn July."
    rye = ("A year with rye", "<p>Rye asks little.</p>")
    parts = [("Sowing", "<p>Rake.</p><h3>Depth</h3><p>A finger.</p>"), ("Harvest", "<p>In July.</p>")]
    assert sections_of(f"# A year with rye\n\nRye asks little.\n\n{under}", 120) == [rye, *parts]
    assert sections_of(f"Rye asks little.\n\n{under}", 120)[1:] == parts
    twice = sections_of(f"# A year with rye\n\n{under}\n\n# A year with oats\n\nLess.", 120)
    assert [section.heading for section in twice] == ["A year with rye", "A year with oats"]


def test_a_heading_that_is_too_long_stays_among_the_words() -> None:
    assert sections_of(f"# {'x' * 130}\n\nwords", 120) == [("", f"<h3>{'x' * 130}</h3><p>words</p>")]


@given(st.lists(st.tuples(st.integers(0, 4), st.text("abc déf", min_size=1, max_size=20)), min_size=1, max_size=12))
def test_no_word_is_lost(lines: list[tuple[int, str]]) -> None:
    text = "\n\n".join(f"{'#' * rank} {words}".strip() for rank, words in lines)
    if not re.sub(r"[#\s]", "", text):
        return
    found = sections_of(text, 120)
    assert re.findall(r"\w+", " ".join(f"{one.heading} {plain(one.words)}" for one in found)) == re.findall(
        r"\w+", text
    )


def test_sections_stand_where_they_are_wanted(document: Document, catalogue: Catalogue) -> None:
    home = document.order[0]
    first, *rest = document.pages[home].order
    brought = edited(document, "add-text", page=home, text=MARKDOWN, after=first)
    order = brought.pages[home].order
    assert (order[0], order[4:]) == (first, rest)
    assert [brought.pages[home].sections[key].fields.get("heading", "") for key in order[1:4]] == [
        "",
        "The bench",
        "Getting here",
    ]
    assert edited(document, "add-text", page=home, text="x", after="").pages[home].order[1:] == [first, *rest]


def test_what_does_not_fit_is_refused(
    document: Document, catalogue: Catalogue, monkeypatch: pytest.MonkeyPatch
) -> None:
    home = document.order[0]
    for text, match in (("  ", "Nothing to bring in"), ("x" * 200_001, "in parts")):
        with pytest.raises(Fault, match=match):
            edited(document, "add-text", page=home, text=text)
    monkeypatch.setattr(room.SECTIONS, "most", len(document.pages[home].order) + 2)
    with pytest.raises(Fault, match="at most"):
        edited(document, "add-text", page=home, text=MARKDOWN)
