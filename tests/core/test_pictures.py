"""Files an owner brings are taken in, or refused with the reason."""

from __future__ import annotations

from concurrent.futures import ThreadPoolExecutor
from io import BytesIO

import pytest
from PIL import Image

from yemba.core.colour.srgb import from_hex
from yemba.core.errors import Fault
from yemba.core.limits import PICTURE_BYTES
from yemba.core.picture.icons import fades, from_logo, icon_set, initial, safe_share
from yemba.core.picture.intake import clean_picture
from yemba.core.picture.sizes import resized, widths
from yemba.core.site.catalogue import Catalogue
from yemba.core.site.lettering import Lettering

SVG = '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 40 20">{}</svg>'


def picture(form: str, size: tuple[int, int] = (60, 40), mode: str = "RGB", **options: object) -> bytes:
    out = BytesIO()
    Image.new(mode, size, (140, 59, 42, 128)[: len(mode)]).save(out, form, **options)
    return out.getvalue()


@pytest.mark.parametrize(("form", "mode"), [("PNG", "RGBA"), ("PNG", "RGB"), ("JPEG", "RGB"), ("WEBP", "RGBA")])
def test_pictures_are_taken_in(form: str, mode: str) -> None:
    clean = clean_picture(picture(form, mode=mode), "mark")
    assert (clean.format, clean.width, clean.height) == (form.lower(), 60, 40)
    assert Image.open(BytesIO(clean.data)).mode == mode


def test_a_photograph_is_turned_and_says_nothing_of_where_it_was_taken() -> None:
    exif = Image.Exif()
    exif[0x0112] = 6  # orientation: a quarter turn
    exif[0x8825] = {1: "N", 2: (52.0, 13.0, 0.0)}  # GPS
    clean = clean_picture(picture("JPEG", exif=exif), "photo.jpg")
    assert (clean.width, clean.height) == (40, 60)
    assert not Image.open(BytesIO(clean.data)).getexif()


def test_a_large_photograph_is_kept_as_large_as_pages_need() -> None:
    assert clean_picture(picture("JPEG", (5000, 2000)), "wide.jpg").width == 2560


def test_a_plain_svg_is_taken_in_with_its_size() -> None:
    clean = clean_picture(SVG.format('<path d="M0 0h9v9z"/>').encode(), "mark.svg")
    assert (clean.format, clean.width, clean.height) == ("svg", 40, 20)


@pytest.mark.parametrize(
    ("inside", "named"),
    [
        ("<script>alert(1)</script>", "script"),
        ('<path onclick="x()"/>', "onclick"),
        ('<image href="https://elsewhere.example/a.png"/>', "elsewhere.example"),
        ('<use href="//elsewhere.example/a.svg#b"/>', "elsewhere.example"),
        ('<a href="javascript:x()"><path d="M0 0"/></a>', "javascript"),
        ("<foreignObject><p>x</p></foreignObject>", "foreignObject"),
        ("<style>@import 'https://elsewhere.example/a.css'</style>", "elsewhere"),
        ('<path style="fill:url(https://elsewhere.example/a)"/>', "elsewhere.example"),
        ('<path fill="url(https://elsewhere.example/a)"/>', "elsewhere.example"),
    ],
)
def test_an_svg_that_could_do_harm_is_refused_by_name(inside: str, named: str) -> None:
    with pytest.raises(Fault) as caught:
        clean_picture(SVG.format(inside).encode(), "mark.svg")
    assert caught.value.code == "svg-unsafe"
    assert "“mark.svg”" in caught.value.sentence
    assert named in caught.value.sentence


@pytest.mark.parametrize(
    ("data", "code"),
    [
        (b"", "picture-unreadable"),
        (b"MZ\x90\x00 this program", "picture-unreadable"),
        (picture("PNG")[:60], "picture-unreadable"),
        (picture("JPEG")[:80], "picture-unreadable"),
        (picture("WEBP")[:30], "picture-unreadable"),
        (picture("GIF"), "picture-unreadable"),
        (b"<html></html>", "picture-unreadable"),
        (b"<svg", "picture-unreadable"),
        (b'<svg xmlns="http://www.w3.org/2000/svg"/>', "picture-unreadable"),
        (b'<!DOCTYPE svg [<!ENTITY a "b">]><svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 1 1">&a;</svg>', "svg-unsafe"),
        (bytes(PICTURE_BYTES + 1), "file-too-large"),
    ],
)  # fmt: skip
def test_what_is_no_picture_is_refused(data: bytes, code: str) -> None:
    with pytest.raises(Fault) as caught:
        clean_picture(data, "thing.png")
    assert caught.value.code == code
    assert "“thing.png”" in caught.value.sentence
    assert caught.value.field == "file"


def svg(inner: str, box: str = "0 0 40 20") -> bytes:
    return f'<svg xmlns="http://www.w3.org/2000/svg" xmlns:x="http://www.w3.org/1999/xlink" viewBox="{box}">{inner}</svg>'.encode()


_AGAIN = "".join(f'<g id="a{n + 1}">' + f'<use href="#a{n}"/>' * 10 + "</g>" for n in range(9))
_NOISE = (
    '<filter id="f"><feTurbulence baseFrequency="9" numOctaves="999"/></filter><path filter="url(#f)" d="M0 0h9v9z"/>'
)
HOSTILE = {
    "deep": (svg("<g>" * 300 + "</g>" * 300), "groups inside one another"),
    "deeper": (svg("<g>" * 400_000 + "</g>" * 400_000), "groups inside one another"),
    "noise": (svg(_NOISE), "feTurbulence"),
    "long": (svg('<path d="M0 0h1v19999z"/>', "0 0 1 19999"), "is 1 x 19999"),
    "again": (svg(f'<defs><path id="a0" d="M0 0h1"/>{_AGAIN}</defs><use href="#a9"/>'), "more than 20000 shapes"),
    "in itself": (svg('<g id="a"><use href="#a"/></g>'), "draws itself"),
    "escaped url": (svg("<style>path{fill:u\\72l(https://elsewhere.example/a)}</style>"), "loads from elsewhere"),
    "escaped import": (svg("<style>@impor\\74 'https://elsewhere.example/a'</style>"), "loads from elsewhere"),
    "no end": (svg("", "0 0 1e999 5"), "does not say how large it is"),
    "no number": (svg("", "0 0 ² 5"), "does not say how large it is"),
}


@pytest.mark.parametrize("what", HOSTILE)
def test_a_drawing_that_would_hold_everybody_up_is_refused_by_what_it_is(what: str) -> None:
    """By its reason, so before it is drawn: one that was tried and ended by force is told otherwise."""
    drawing, reason = HOSTILE[what]
    with pytest.raises(Fault) as caught:
        clean_picture(drawing, "made.svg")
    assert "made.svg" in caught.value.sentence
    assert reason in caught.value.sentence


def test_what_drawing_programs_write_beside_the_drawing_is_left_out() -> None:
    """As common ones do (common practice, no source)."""
    drawing = (
        b'<?xml version="1.0" encoding="utf-8"?><!-- A drawing program -->'
        b'<!DOCTYPE svg PUBLIC "-//W3C//DTD SVG 1.1//EN" "http://www.w3.org/Graphics/SVG/1.1/DTD/svg11.dtd">'
        b'<svg xmlns="http://www.w3.org/2000/svg" xmlns:i="http://program.example/notes" viewBox="0 0 40 20" i:pane="3">'
        b'<metadata><i:notes>mine</i:notes></metadata><i:view zoom="2"/><style>.a{fill:#8c3b2a}</style>'
        b'<g i:label="Layer" data-name="Layer" class="a"><path d="M0 0h40v20z" onclicked=""/></g></svg>'
    ).replace(b' onclicked=""', b"")
    clean = clean_picture(drawing, "logo.svg")
    assert (clean.width, clean.height) == (40, 20)
    for left in (b"DOCTYPE", b"program.example", b"metadata", b"data-name"):
        assert left not in clean.data
    assert b".a{fill:#8c3b2a}" in clean.data
    assert b'class="a"' in clean.data


def test_gradients_shadows_and_what_is_used_again_stay() -> None:
    inner = (
        '<defs><linearGradient id="l"><stop offset="0" stop-color="#8c3b2a"/></linearGradient><path id="p" d="M0 0h9v9z"/>'
        '<filter id="s"><feGaussianBlur stdDeviation="2"/></filter></defs>'
        '<use x:href="#p" fill="url(#l)"/><use href="#p" filter="url(#s)" style="fill: url(#l)"/>'
    )
    clean = clean_picture(svg(inner), "logo.svg")
    for kept in (b"linearGradient", b"stop-color", b"feGaussianBlur", b'href="#p"', b"url(#l)", b"filter="):
        assert kept in clean.data


@pytest.mark.parametrize("own", [1, 100, 320, 500, 1000, 1920, 2560])
def test_widths_grow_never_enlarge_and_waste_little(own: int) -> None:
    found = widths(own)
    assert found == sorted(set(found))
    assert found[-1] <= own
    assert found[-1] == min(own, 1920)
    for narrow, wide in zip(found, found[1:], strict=False):
        assert narrow >= 320
        assert (wide / narrow) ** 2 < 1.75


def test_icons_come_in_every_size_and_format(catalogue: Catalogue) -> None:
    tile = initial(
        "saltmarsh", Lettering(catalogue.families["archivo"], (), 700), from_hex("#8c3b2a"), from_hex("#f5f0e4")
    )
    made = icon_set(tile, tile)
    assert made.pop("icons/icon.svg") == tile
    drawings = {name for name in made if name.endswith(".png")}
    sizes = {name: int(name.rpartition("-")[2].removesuffix(".png")) for name in drawings}
    assert sorted(sizes.values()) == [180, 192, 192, 512, 512], "two of them for masks"
    for name, size in sizes.items():
        assert Image.open(BytesIO(made[name])).size == (size, size)
    ico = Image.open(BytesIO(made["favicon.ico"]))
    assert ico.info["sizes"] == {(16, 16), (32, 32), (48, 48)}
    assert Image.open(BytesIO(made["icons/icon-192.png"])).convert("RGB").getpixel((2, 2)) == (140, 59, 42)


@pytest.mark.parametrize(
    ("ink", "pale"), [("#f5f0e4", False), ("#8c3b2a", True), ("#9c4b3a", True), ("#000000", False)]
)
def test_an_icon_fades_where_its_letter_is_told_from_its_ground_nowhere(
    catalogue: Catalogue, ink: str, pale: bool
) -> None:
    oxide = from_hex("#8c3b2a")
    tile = initial("Saltmarsh", Lettering(catalogue.families["archivo"], (), 700), oxide, from_hex(ink))
    assert fades(tile, oxide) == pale


@pytest.mark.parametrize(("wide", "fading"), [(1, True), (11, True), (12, False), (40, False)])
def test_an_icon_fades_where_all_that_is_seen_is_a_speck(wide: int, fading: bool) -> None:
    """A stripe of a logo, as a browser's tab shows it; one pixel in twelve is enough."""
    white = from_hex("#ffffff")
    logo = SVG.format(f'<path d="M0 0h{wide}v12H0z"/>').encode()
    assert fades(from_logo(logo, "svg", 40, 20, white), white) == fading


def test_a_logo_stays_inside_what_no_mask_cuts() -> None:
    logo = picture("PNG", (100, 100))
    tile = from_logo(logo, "png", 100, 100, from_hex("#ffffff"), safe_share())
    drawn = Image.open(BytesIO(icon_set(tile, tile)["icons/maskable-512.png"])).convert("RGB")
    dark = [x for x in range(512) if drawn.getpixel((x, 256)) != (255, 255, 255)]
    half_diagonal = (dark[-1] - dark[0]) / 2 * 2**0.5
    assert 512 * 0.8 / 2 - 2 <= half_diagonal <= 512 * 0.8 / 2 + 1


def test_sizes_made_at_once_come_out_as_those_made_one_after_the_other() -> None:
    out = BytesIO()
    Image.effect_noise((600, 400), 60).convert("RGB").save(out, "JPEG")
    data = out.getvalue()
    wanted = [(600, "webp"), (600, "avif"), (600, "jpeg")] * 4
    alone = [resized(data, *which) for which in wanted]
    with ThreadPoolExecutor(max_workers=4) as makers:
        together = list(makers.map(lambda which: resized(data, *which), wanted))
    assert together == alone
