"""Files changed by chance: each is taken or refused in a sentence, within its time.

More of them: YEMBA_FILES=10000 bin/test tests/hostile/test_files.py -s
"""

from __future__ import annotations

import os
import random
import time
from collections import Counter
from collections.abc import Callable
from io import BytesIO
from pathlib import Path

import pytest
from fontTools.ttLib import TTFont
from PIL import Image

from yemba.core.brand.sheet import read_file as read_sheet
from yemba.core.brand.sheet import write as write_sheet
from yemba.core.colour.files import read_palette
from yemba.core.errors import Fault
from yemba.core.picture.intake import clean_picture
from yemba.core.type.intake import clean_font_apart
from yemba.sites.catalogue import catalogue

FILES = int(os.environ.get("YEMBA_FILES", "120"))
LONGEST = 12.0  # s for one file: its own limits are below that
FONTS = Path(__file__).parents[2] / "src/yemba/catalogue/fonts"
SVG = """<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 80 60" width="80"><defs><linearGradient id="a">
<stop offset="0" stop-color="#b03a2e"/><stop offset="1" stop-color="teal"/></linearGradient></defs>
<style>.b{fill:url(#a);stroke:#222}</style><g transform="translate(4 4) rotate(3)"><path class="b" d="M0 0h40v30z"/>
<circle cx="50" cy="30" r="9" fill="none" stroke-width="2"/><use href="#a" x="3"/><text x="4" y="50">Sole</text></g></svg>"""
PALETTE = '#b03a2e, #22313F\n--ink: rgb(10 20 30 / 1);\n{"sand": "oklch(0.9 0.03 80)"}\nGIMP Palette\n1 2 3 dusk\n'
DIGITS = [b"0", b"-1", b"1e9", b"99999999", b"\xff", b"\x00", b"<", b"{", b'"', b"url(#a)", b"&#0;", b"NaN"]


def picture(kind: str) -> bytes:
    out = BytesIO()
    Image.linear_gradient("L").resize((60, 40)).convert("RGB").save(out, kind)
    return out.getvalue()


def sheet() -> bytes:
    colours = [("Red", "#b03a2e"), ("Slate", "#22313f"), ("Sand", "#efe6d8")]
    palette = [{"id": f"c{number}", "hex": code, "name": name} for number, (name, code) in enumerate(colours, 1)]
    values = {"palette": palette, "type.base": 17}
    return write_sheet("Dusk", values, None, {})


def font() -> bytes:
    """Unpacked, so that a change meets its tables and not the packing alone."""
    face, out = TTFont(min(FONTS.rglob("*.woff2"))), BytesIO()
    face.flavor = None
    face.save(out)
    return out.getvalue()


def changed(data: bytes, chance: random.Random) -> bytes:
    """A file with one, two or eight of its places cut, doubled, swapped or written over."""
    new = bytearray(data)
    for _ in range(chance.choice([1, 1, 2, 8])):
        at = chance.randrange(len(new) + 1)
        length = chance.choice([1, 1, 2, 4, 30])
        act = chance.randrange(5)
        if act == 0:
            del new[at : at + length]
        elif act == 1:
            new[at:at] = new[at : at + length] * chance.choice([1, 2, 50])
        elif act == 2:
            new[at : at + length] = chance.randbytes(length)
        elif act == 3:
            new[at : at + length] = chance.choice(DIGITS)
        else:
            del new[at + chance.randrange(400) :]
    return bytes(new)


KINDS: dict[str, tuple[Callable[[], bytes], Callable[[bytes], object], float]] = {
    "SVG": (SVG.encode, lambda data: clean_picture(data, "a.svg"), 0.4),
    "PNG": (lambda: picture("PNG"), lambda data: clean_picture(data, "a.png"), 0.2),
    "JPEG": (lambda: picture("JPEG"), lambda data: clean_picture(data, "a.jpg"), 0.2),
    "WebP": (lambda: picture("WEBP"), lambda data: clean_picture(data, "a.webp"), 0.2),
    "font": (font, lambda data: clean_font_apart(data, "a.ttf"), 0.2),
    "palette": (PALETTE.encode, lambda data: read_palette(data.decode(errors="replace")), 0.2),
    "sheet": (sheet, lambda data: read_sheet(data, catalogue()), 0.2),
}


@pytest.mark.parametrize("kind", KINDS)
def test_a_changed_file_is_taken_or_refused_in_a_sentence(kind: str) -> None:
    make, take, share = KINDS[kind]
    whole, chance = make(), random.Random(kind)
    take(whole)
    outcome: Counter[str] = Counter()
    slowest = 0.0
    for _ in range(max(20, int(FILES * share))):
        begun = time.monotonic()
        try:
            take(changed(whole, chance))
            outcome["taken"] += 1
        except Fault as fault:
            assert fault.sentence.endswith((".", "?", "”")), fault.sentence
            outcome[fault.code] += 1
        slowest = max(slowest, time.monotonic() - begun)
    assert slowest < LONGEST
    assert set(outcome) - {"taken", "busy"}, "some are refused"
    print(kind, dict(outcome), f"slowest {slowest:.2f} s")
