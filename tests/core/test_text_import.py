"""A text from elsewhere becomes sections: parted at its headings, none of its words lost."""

from __future__ import annotations

import re

import pytest
from hypothesis import given
from hypothesis import strategies as st

from tests.editing import edited
from yemba.core import room
from yemba.core.errors import Fault
from yemba.core.site.catalogue import Catalogue
from yemba.core.site.document import Document
from yemba.core.site.text_import import sections_of
from yemba.core.site.words import plain

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
