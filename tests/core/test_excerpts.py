"""What pages say of themselves where another leads to them, and that it stays what they say."""

from __future__ import annotations

import pytest

from yemba.core.site.catalogue import Catalogue
from yemba.core.site.document import Document, Page, Picture, Section
from yemba.core.site.excerpts import MOST, excerpt
from yemba.core.site.resolve import Look


def _look(catalogue: Catalogue, **about: object) -> Look:
    words = Section(
        kind="words", fields={"heading": "On paste", "body": "<p>Wheat, <em>sieved</em> twice.</p><p>More.</p>"}
    )
    shown = Section(kind="words-with-picture", fields={"picture": "reel", "body": "<p>Later</p>"})
    page = Page(name="Paste", slug="paste", sections={"a": words, "b": shown}, order=["a", "b"], **about)  # type: ignore[arg-type]
    pages = {"home": Page(name="Home", slug=""), "paste": page}
    reel = Picture(file="f", format="png", width=9, height=6, name="reel")
    document = Document(name="B", template="slipway", pages=pages, order=[*pages], pictures={"reel": reel})
    return Look(document, catalogue)


def test_a_page_gives_its_name_first_words_and_leading_picture(catalogue: Catalogue) -> None:
    told = excerpt(_look(catalogue), "paste")
    assert told
    assert (told.name, told.words) == ("Paste", "Wheat, sieved twice. More.")
    assert told.picture
    assert told.picture.name == "reel"


def test_a_description_comes_before_words_and_long_ones_end_at_a_word(catalogue: Catalogue) -> None:
    told = excerpt(_look(catalogue, description="How paste is made " + "and kept " * 40), "paste")
    assert told
    assert told.words.startswith("How paste is made and kept")
    assert told.words.endswith(("and …", "kept …"))
    assert len(told.words) <= MOST


@pytest.mark.parametrize("page", ["gone", "paste"])
def test_nothing_is_told_of_a_page_that_visitors_do_not_see(catalogue: Catalogue, page: str) -> None:
    assert excerpt(_look(catalogue, unpublished=True), page) is None
