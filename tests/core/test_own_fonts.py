"""Fonts of the owner's own: what is taken in, what is refused and why, what a document keeps of them."""

from __future__ import annotations

import json
from collections.abc import Callable
from io import BytesIO
from typing import Any

import pytest
from fontTools.ttLib import TTFont, newTable

from tests.editing import edited
from yemba.catalogue import FONTS
from yemba.core.brand.sheet import fonts_of, read_file, values_of_look, write
from yemba.core.change.difference import difference
from yemba.core.change.subset import document_with as going
from yemba.core.check.finding import Inspected
from yemba.core.check.font_licences import find
from yemba.core.errors import Fault
from yemba.core.limits import FONT_BYTES
from yemba.core.site.catalogue import Catalogue
from yemba.core.site.document import Document
from yemba.core.site.own_fonts import font_id, own_family
from yemba.core.site.resolve import Look
from yemba.core.type.facts import Face
from yemba.core.type.intake import CleanFont, clean_font, clean_font_apart
from yemba.core.type.subset import cut

LETTERS = "Salt AV fox 9“"
PLAIN = cut(Face((FONTS / "caveat" / "latin-normal.woff2").read_bytes()), {ord(letter) for letter in LETTERS})


def font(change: Callable[[TTFont], None] = lambda _: None, flavor: str | None = None, family: str = "Kelp") -> bytes:
    """A small font under another name."""
    made, out = TTFont(BytesIO(PLAIN)), BytesIO()
    for record in made["name"].names:
        if record.nameID in (1, 4, 16):
            record.string = family
    change(made)
    made.flavor = flavor
    made.save(out)
    return out.getvalue()


@pytest.mark.parametrize("flavor", [None, "woff", "woff2"])
def test_a_font_is_read_in_whatever_it_is_packed(flavor: str | None) -> None:
    clean = clean_font(font(flavor=flavor), "kelp.bin")
    assert (clean.family, clean.style, clean.weights, clean.licence) == ("Kelp", "normal", (400, 700), "installable")
    assert clean.data[:4] == b"wOF2"
    assert Face(clean.data).covers("Salt AV")
    assert clean.facts.x_height == Face(PLAIN).facts.x_height
    assert Face(clean.data).width("AVATAR", 20) == Face(PLAIN).width("AVATAR", 20)


def test_what_text_does_not_need_is_left_out() -> None:
    def load(made: TTFont) -> None:
        for tag, data in (("SVG ", b"\0" * 10), ("fpgm", b"\0" * 4), ("XTRA", b"<script>")):
            made[tag] = newTable(tag) if tag == "XTRA" else newTable("XTRA")
            made[tag].data = data

    tables = set(TTFont(BytesIO(clean_font(font(load), "kelp.ttf").data)).keys())
    assert not tables & {"SVG ", "fpgm", "prep", "cvt ", "XTRA"}
    assert {"glyf", "cmap", "GPOS", "fvar", "gvar"} <= tables


@pytest.mark.parametrize(
    ("bits", "licence"),
    [(0, "installable"), (2, "restricted"), (4, "preview"), (8, "editable"), (12, "editable"), (0x0104, "preview")],
)
def test_what_the_maker_allows_is_read_from_the_file(bits: int, licence: str) -> None:
    """OpenType specification, OS/2 fsType."""
    clean = clean_font(font(lambda made: setattr(made["OS/2"], "fsType", bits)), "kelp.ttf")
    assert (clean.licence, clean.whole) == (licence, bool(bits & 0x0100))


@pytest.mark.parametrize(
    ("data", "code", "says"),
    [
        (b"", "not-a-font", "is no font"),
        (b"PK\x03\x04" + bytes(40), "not-a-font", "an archive. Unpack it"),
        (b"ttcf" + bytes(40), "not-a-font", "a collection of several fonts"),
        (b"%!PS-AdobeFont-1.0", "not-a-font", "PostScript"),
        (b"<svg xmlns='http://www.w3.org/2000/svg'><font/></svg>", "not-a-font", "an SVG"),
        (b"MZ\x90\x00" + bytes(400), "not-a-font", "is no font"),
        (b"OTTO" + bytes(200), "font-unreadable", "is broken"),
        (b"wOF2" + bytes(12) + (3_000_000_000).to_bytes(4, "big") + bytes(200), "font-too-large", "3000 MB"),
        (bytes(FONT_BYTES + 1), "font-too-large", "10 MB is the most"),
    ],
)
def test_what_is_no_font_is_refused_with_its_name_and_the_cure(data: bytes, code: str, says: str) -> None:
    with pytest.raises(Fault) as caught:
        clean_font(data, "evening.ttf")
    assert caught.value.code == code
    assert "“evening.ttf”" in caught.value.sentence
    assert says in caught.value.sentence


def test_a_font_without_letters_is_refused() -> None:
    def empty(made: TTFont) -> None:
        for table in made["cmap"].tables:
            table.cmap = {0x2022: "A"}

    with pytest.raises(Fault) as caught:
        clean_font(font(empty), "marks.ttf")
    assert caught.value.code == "font-empty"


def test_a_name_that_a_style_sheet_cannot_hold_is_cleaned() -> None:
    assert clean_font(font(family='Kelp";}*{x'), "k.ttf").family == "Kelp x"
    assert clean_font(font(family=""), "my-face.ttf").family != ""
    for name in ("Kelp Light", "Kelp Extra Bold", "Kelp SemiBold Italic", "Kelp Medium"):
        assert clean_font(font(family=name), "k.ttf").family == "Kelp", name
    assert clean_font(font(family="Black"), "k.ttf").family == "Black"


def test_a_font_read_apart_is_the_same_and_one_that_hangs_is_stopped(monkeypatch: pytest.MonkeyPatch) -> None:
    made = font()
    assert clean_font_apart(made, "kelp.ttf") == clean_font(made, "kelp.ttf")
    with pytest.raises(Fault) as caught:
        clean_font_apart(b"PK\x03\x04" + bytes(40), "kelp.zip")
    assert "an archive" in caught.value.sentence
    monkeypatch.setattr("yemba.core.type.intake.SECONDS", 0.001)
    with pytest.raises(Fault) as caught:
        clean_font_apart(made, "slow.ttf")
    assert "keeps its reader too long" in caught.value.sentence


def test_a_cut_font_has_the_letters_asked_for_and_sets_them_as_the_whole_one() -> None:
    letters = {ord(letter) for letter in "Sal AV f"}
    whole = Face(PLAIN)
    made = Face(cut(whole, letters))
    assert made.letters == letters
    assert made.width("AV Salf", 20, 600) == pytest.approx(whole.width("AV Salf", 20, 600))
    assert cut(whole, letters) == cut(whole, letters), "the same bytes every time"
    narrowed = Face(cut(whole, letters, axes=(("wght", 450, 650),)))
    assert narrowed.facts.weights == (450, 650)
    assert narrowed.width("AV Salf", 200, 600) == pytest.approx(whole.width("AV Salf", 200, 600), rel=0.002)
    assert Face(cut(whole, letters, axes=())).facts.weights == (400, 400), "an axis that nothing moves on goes"


def kept(clean: CleanFont, file: str, **more: Any) -> dict[str, Any]:
    """What the command that keeps a font is given."""
    return {"family": own_family(clean, file).model_copy(update=more).model_dump(mode="json")}


@pytest.fixture
def with_kelp(document: Document, catalogue: Catalogue) -> tuple[Document, Catalogue, str]:
    files = {"f1": clean_font(font(), "kelp.ttf")}
    stocked = catalogue._replace(stored=lambda digest: files[digest].data)
    return edited(document, "keep-font", stocked, **kept(files["f1"], "f1")), stocked, font_id("Kelp")


def test_weights_come_together_in_one_family(with_kelp: tuple[Document, Catalogue, str]) -> None:
    document, catalogue, kelp = with_kelp
    bold = clean_font(font(), "kelp-bold.ttf")._replace(weights=(900, 900))
    document = edited(document, "keep-font", **kept(bold, "f2"))
    again = edited(document, "keep-font", **kept(bold, "f3"))
    assert [file.file for file in document.fonts[kelp].files] == ["f1", "f2"]
    assert [file.file for file in again.fonts[kelp].files] == ["f1", "f3"], "the same weight again takes its place"
    family = Look(document, catalogue).families[kelp]
    assert family.weights == (400, 900)
    assert family.file("a", 900).name == "f2"
    assert family.file("a", 500).name == "f1"


def test_a_font_of_ones_own_is_chosen_and_taken_away_like_any(with_kelp: tuple[Document, Catalogue, str]) -> None:
    document, catalogue, kelp = with_kelp
    home = document.pages[document.order[0]]
    chosen = edited(document, "set-value", key="type.heading", value=kelp)
    chosen = edited(chosen, "set-one-off", section=home.order[0], element="heading", what="face", value=kelp)
    assert Look(chosen, catalogue).family("type.heading").name == "Kelp"
    gone = edited(chosen, "remove-font", font=kelp)
    assert gone == Document.model_validate(gone.plain())
    assert Look(gone, catalogue).family("type.heading").name != "Kelp"
    assert kelp not in gone.text()


def test_a_font_goes_out_with_the_change_that_needs_it(with_kelp: tuple[Document, Catalogue, str]) -> None:
    document, catalogue, kelp = with_kelp
    live = document.model_copy(update={"fonts": {}})
    draft = edited(document, "set-value", key="type.heading", value=kelp)
    draft = edited(draft, "set-value", key="type.base", value="20")
    keys = {change.subject: change.key for change in difference(live, draft, catalogue)}
    assert keys.keys() == {"Heading typeface", "Base size"}
    assert kelp in going(live, draft, [keys["Heading typeface"]], catalogue).fonts
    assert going(live, draft, [keys["Base size"]], catalogue).fonts == {}
    assert going(live, draft, keys.values(), catalogue) == draft


def test_leave_is_asked_for_before_a_restricted_font_goes_out(with_kelp: tuple[Document, Catalogue, str]) -> None:
    document, catalogue, kelp = with_kelp
    restricted = edited(document, "remove-font", font=kelp)
    told = kept(clean_font(font(), "kelp.ttf"), "f1", licence="restricted")
    restricted = edited(restricted, "keep-font", **told)
    assert list(find(Inspected(Look(restricted, catalogue), _none, {}))) == [], "it is not used"
    used = edited(restricted, "set-value", key="type.body", value=kelp)
    [finding] = find(Inspected(Look(used, catalogue), _none, {}))
    assert "forbids embedding" in finding.sentence
    assert finding.cure
    allowed = edited(used, finding.cure.command, **finding.cure.arguments)
    assert list(find(Inspected(Look(allowed, catalogue), _none, {}))) == []


def _none(digest: str) -> bytes:
    raise AssertionError(digest)


def test_a_brand_sheet_takes_its_fonts_along(with_kelp: tuple[Document, Catalogue, str]) -> None:
    document, catalogue, kelp = with_kelp
    look = Look(edited(document, "set-value", key="type.body", value=kelp), catalogue)
    values = values_of_look(look)
    fonts = fonts_of(values, look)
    assert fonts.keys() == {kelp}
    bare = document.model_copy(update={"fonts": {}})
    applied = edited(bare, "apply-own-sheet", title="Tide", values=values, fonts=fonts)
    assert Look(applied, catalogue).family("type.body").name == "Kelp"

    files = {key: [catalogue.stored(file["file"]) for file in font["files"]] for key, font in fonts.items()}
    read = read_file(write("Tide", values, None, files), catalogue)
    assert read.fonts[kelp][0].family == "Kelp"
    assert read.values["type.body"] == kelp
    hostile = json.loads(write("Tide", values, None, files)) | {"fonts": {kelp: ["bm8gZm9udA=="]}}
    with pytest.raises(Fault) as caught:
        read_file(json.dumps(hostile).encode(), catalogue)
    assert caught.value.code == "not-a-font"
