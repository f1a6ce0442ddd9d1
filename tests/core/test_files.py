"""Files that visitors may take away."""

from __future__ import annotations

from typing import Any

import pytest

from tests.core.test_checks import look_at
from tests.editing import edited
from yemba.core.change.difference import difference
from yemba.core.change.subset import document_with
from yemba.core.check import dead_links
from yemba.core.errors import Fault
from yemba.core.limits import FILE_BYTES
from yemba.core.site.catalogue import Catalogue
from yemba.core.site.document import Document
from yemba.core.site.files import KINDS, in_words, led_to, path, read_file, slug_for

PDF = b"%PDF-1.7\n"


def with_file(document: Document, catalogue: Catalogue, key: str = "xf1", **more: Any) -> Document:
    about = {"file": "a" * 64, "format": "pdf", "size": 1200, "file_name": "Price list 2026.pdf"}
    return edited(document, "add-file", own_file=key, **(about | more))


@pytest.mark.parametrize(
    ("data", "name", "kind"),
    [
        (PDF, "Prices.PDF", "pdf"),
        ("Grüße\n".encode(), "a.b.txt", "txt"),
        (b"\xef\xbb\xbfa;b\n", "table.csv", "csv"),
        (b"PK\x03\x04", "form.docx", "docx"),
        (b"ID3\x04", "song.mp3", "mp3"),
    ],
)
def test_a_file_is_known_by_its_name_and_its_first_bytes(data: bytes, name: str, kind: str) -> None:
    assert read_file(data, name) == kind


@pytest.mark.parametrize(
    ("data", "name", "code", "told"),
    [
        (b"<script>alert(1)</script>", "page.html", "file-unreadable", "page.html"),
        (b"<svg/>", "drawing.svg", "file-unreadable", ".pdf"),
        (b"MZ\x90", "prices.pdf", "file-unreadable", "no PDF file"),
        (b"caf\xe9", "old.txt", "file-unreadable", "Save it anew"),
        (b"a\0b", "old.csv", "file-unreadable", "no CSV file"),
        (b"", "empty.txt", "file-unreadable", "empty.txt"),
        (PDF, "no-ending", "file-unreadable", "no-ending"),
        (PDF + bytes(FILE_BYTES), "big.pdf", "file-too-large", "20 MB"),
    ],
)
def test_what_is_none_is_refused_by_name_with_the_cure(data: bytes, name: str, code: str, told: str) -> None:
    with pytest.raises(Fault) as refused:
        read_file(data, name)
    assert refused.value.code == code
    assert told in refused.value.sentence


def test_no_kind_is_one_that_a_browser_runs() -> None:
    assert not {"html", "htm", "svg", "xml", "js", "xhtml", "mht"} & KINDS.keys()
    assert not {kind.media for kind in KINDS.values()} & {"text/html", "image/svg+xml", "text/javascript", "text/xml"}


def test_addresses_are_plain_and_each_has_its_own() -> None:
    assert slug_for("Price list (Äpfel) 2026.pdf", ()) == "price-list-pfel-2026"
    assert slug_for("价格.pdf", ()) == "file"
    assert slug_for("a.pdf", {"a", "a-2"}) == "a-3"


def test_an_address_and_links_stay_when_a_file_is_replaced(document: Document, catalogue: Catalogue) -> None:
    first = with_file(document, catalogue)
    again = with_file(first, catalogue, "xf2")
    assert [path(file) for file in again.files.values()] == ["files/price-list-2026.pdf", "files/price-list-2026-2.pdf"]
    replaced = with_file(first, catalogue, size=2_500_000, file_name="Another.pdf")
    assert path(replaced.files["xf1"]) == "files/price-list-2026.pdf"
    assert in_words(replaced.files["xf1"]) == "PDF, 2.5 MB"
    assert in_words(first.files["xf1"]) == "PDF, 1 kB"
    (change,) = difference(first, replaced, catalogue)
    assert (change.before, change.after) == ("Price list 2026.pdf, PDF, 1 kB", "Another.pdf, PDF, 2.5 MB")


def test_only_what_is_led_to_goes_out_and_comes_with_what_leads_to_it(document: Document, catalogue: Catalogue) -> None:
    bare = with_file(document, catalogue)
    assert led_to(bare) == set()
    linked = edited(bare, "add-menu-link", entry_name="Prices", link="file:xf1")
    assert led_to(linked) == {"xf1"}
    (change,) = difference(document, linked, catalogue)
    assert document_with(document, linked, [change.key], catalogue).files.keys() == {"xf1"}
    set_up = edited(bare, "set-value", key="header.action_link", value="file:xf1")
    assert led_to(set_up) == {"xf1"}


def test_a_link_to_a_file_that_is_gone_is_refused_and_found(document: Document, catalogue: Catalogue) -> None:
    with pytest.raises(Fault) as refused:
        edited(document, "add-menu-link", entry_name="Prices", link="file:xf9")
    assert refused.value.code == "no-such-file"
    linked = edited(with_file(document, catalogue), "add-menu-link", entry_name="Prices", link="file:xf1")
    gone = edited(linked, "remove-file", own_file="xf1")
    assert led_to(gone) == set(), "what is gone is not published"
    (found,) = dead_links.find(look_at(gone, catalogue))
    assert "“Prices” in the menu leads to a file that is gone" in found.sentence
    assert found.cure
    assert list(dead_links.find(look_at(edited(gone, found.cure.command, **found.cure.arguments), catalogue))) == []
