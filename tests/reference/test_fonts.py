"""What font files say, how wide their text is, and what is taken in, against outside readers of the same files."""

from __future__ import annotations

import json
import random
from base64 import b64encode
from collections.abc import Callable
from html import escape
from pathlib import Path

import pytest
from fontTools.ttLib import TTFont
from playwright.sync_api import Browser

from tests.reference.node import node
from tests.sampling import some
from yemba.catalogue import FONTS
from yemba.core.site.catalogue import Catalogue
from yemba.core.type.facts import Face
from yemba.core.type.fallback import ARIAL, TIMES, fallback
from yemba.core.type.intake import clean_font
from yemba.core.type.subset import cut
from yemba.core.type.subsets import RANGES


@pytest.mark.tools
def test_facts_and_fallbacks_are_those_of_capsize_for_every_family_it_knows(
    node_modules: Path, catalogue: Catalogue
) -> None:
    """Source: @capsizecss/metrics and @capsizecss/core as installed."""
    names = {
        slug: "".join(p if not n else p.title() for n, p in enumerate(slug.split("-"))) for slug in catalogue.families
    }
    script = f"""
        import {{ createFontStack }} from "@capsizecss/core";
        import arial from "@capsizecss/metrics/arial";
        import times from "@capsizecss/metrics/timesNewRoman";
        const made = {{}};
        for (const [slug, name] of Object.entries({json.dumps(names)})) {{
          const found = await import(`@capsizecss/metrics/${{name}}`).catch(() => null);
          if (!found) continue;
          const metrics = found.default;
          const face = (local) => createFontStack([metrics, local], {{ fontFaceFormat: "styleObject" }}).fontFaces[0]["@font-face"];
          made[slug] = {{ metrics, arial: face(arial), times: face(times) }};
        }}
        console.log(JSON.stringify(made));"""
    known = node(node_modules, script)
    assert isinstance(known, dict)
    assert len(known) >= 25
    for slug, told in known.items():
        facts, theirs = catalogue.families[slug].facts, told["metrics"]
        ours = {
            "unitsPerEm": facts.units_per_em,
            "ascent": facts.ascent,
            "descent": facts.descent,
            "lineGap": facts.line_gap,
            "capHeight": facts.cap_height,
            "xHeight": facts.x_height,
            "xWidthAvg": facts.average_width,
        }
        differing = {key for key, value in ours.items() if theirs[key] != value}
        assert not differing, (slug, {key: (ours[key], theirs[key]) for key in differing})
        for local, name in ((ARIAL, "arial"), (TIMES, "times")):
            room = fallback(facts, facts.average_width / facts.units_per_em, local.width)
            for key, value in zip(
                ("sizeAdjust", "ascentOverride", "descentOverride", "lineGapOverride"), room, strict=True
            ):
                assert float(told[name].get(key, "100%")[:-1]) == pytest.approx(value, abs=0.0002), (slug, key)


def test_facts_are_those_of_fonttools_own_dump(tmp_path: Path) -> None:
    """Source: fontTools' ttx, its XML read as text."""
    for slug in ("newsreader", "archivo", "caveat", "frank-ruhl-libre"):
        file = FONTS / slug / "latin-normal.woff2"
        dump = tmp_path / f"{slug}.ttx"
        TTFont(file).saveXML(str(dump), tables=["head", "hhea", "OS/2", "fvar"])
        told, facts = dump.read_text(), Face(file.read_bytes()).facts

        def said(element: str, told: str = told) -> int:
            return int(told.split(f'<{element} value="')[1].split('"', maxsplit=1)[0])

        assert (facts.units_per_em, facts.ascent, facts.descent) == (
            said("unitsPerEm"),
            said("ascent"),
            said("descent"),
        )
        assert (facts.cap_height, facts.x_height) == (said("sCapHeight"), said("sxHeight"))
        weight = told.split("<AxisTag>wght</AxisTag>")[1]
        ends = [float(weight.split(f"<{end}>")[1].split("<")[0]) for end in ("MinValue", "MaxValue")]
        assert list(facts.weights) == ends


WORDS = (
    "AVATAR Toffee, Type & Wave",
    "“Łódź” – Žižkov fi ffl",
    "Pressed flowers 1 234,50 €",
    "Te Yo Wa P. T. r, y.",
    "Saltmarsh Bindery",
)


Line = tuple[str, str, float, int, float, int]  # family, words, px, weight, em, %


@pytest.fixture
def chromium_width(browser: Browser) -> Callable[[dict[str, list[tuple[bytes, str]]], list[Line]], list[float]]:
    """Asks Chromium how wide lines of text are in families, each of files with the range of letters they are for."""

    def measure(files: dict[str, list[tuple[bytes, str]]], lines: list[Line]) -> list[float]:
        rules = "".join(
            f'@font-face{{font-family:"{family}";src:url(data:font/woff2;base64,{b64encode(data).decode()});'
            f"font-weight:1 1000;font-stretch:50% 200%;unicode-range:{ranges}}}"
            for family, held in files.items()
            for data, ranges in held
        )
        spans = "".join(
            f"<p><span style=\"font:{weight} {size}px '{family}';letter-spacing:{spacing}em;font-stretch:{stretch}%\">"
            f"{escape(words)}</span></p>"
            for family, words, size, weight, spacing, stretch in lines
        )
        page = browser.new_page()
        page.set_content(f"<meta charset=utf-8><style>{rules} p{{white-space:pre}}</style>{spans}")
        page.evaluate("Promise.all([...document.fonts].map(f => f.load()))")
        wide: list[float] = page.evaluate(
            "[...document.querySelectorAll('span')].map(s => s.getBoundingClientRect().width)"
        )
        page.close()
        return wide

    return measure


@pytest.mark.browser
def test_text_is_as_wide_as_chromium_sets_it(catalogue: Catalogue, chromium_width) -> None:
    """Source: Chromium. 200 lines over all families, with kerning, ligatures, weights and letter spacing."""
    chance = random.Random(7)
    slugs = sorted(catalogue.families)
    lines = []
    for n in range(200):
        family = catalogue.families[slugs[n % len(slugs)]]
        weight = chance.randrange(*(family.weights if family.weights[0] < family.weights[1] else (400, 401)))
        stretch = chance.choice([75, 100]) if family.widths[0] < 100 else 100
        lines.append(
            (
                family.slug,
                chance.choice(WORDS),
                chance.choice([15, 18.5, 47]),
                weight,
                chance.choice([0, 0, 0.05, -0.02]),
                stretch,
            )
        )
    files = {
        slug: [
            (catalogue.families[slug].read(f.name), RANGES[f.subset])
            for f in catalogue.families[slug].files
            if f.style == "normal"
        ]
        for slug in slugs
    }
    theirs = chromium_width(files, lines)
    off = []
    for (slug, words, size, weight, spacing, stretch), wide in zip(lines, theirs, strict=True):
        ours = catalogue.families[slug].width(words, size, weight, spacing, stretch)
        if abs(ours - wide) > max(1, 0.01 * wide):
            off.append((slug, words, size, weight, spacing, round(ours, 2), round(wide, 2)))
    assert off == []


# Families that do not ship, from registry packages: package, file, what it is.
_OTHERS = [
    ("@fontsource/bebas-neue", "files/bebas-neue-latin-400-normal.woff2", "Bebas Neue", (400, 400)),
    ("@fontsource/crimson-pro", "files/crimson-pro-latin-600-italic.woff2", "Crimson Pro", (600, 600)),
    ("@fontsource/dm-sans", "files/dm-sans-latin-500-normal.woff", "DM Sans", (500, 500)),
    ("@fontsource/libre-baskerville", "files/libre-baskerville-latin-700-normal.woff", "Libre Baskerville", (700, 700)),
    ("@fontsource/great-vibes", "files/great-vibes-latin-400-normal.woff2", "Great Vibes", (400, 400)),
    ("@fontsource/space-grotesk", "files/space-grotesk-latin-300-normal.woff2", "Space Grotesk", (300, 300)),
    ("@fontsource/tajawal", "files/tajawal-arabic-400-normal.woff2", "Tajawal", (400, 400)),
    ("@fontsource/amatic-sc", "files/amatic-sc-latin-700-normal.woff2", "Amatic SC", (700, 700)),
    ("@fontsource-variable/recursive", "files/recursive-latin-wght-normal.woff2", "Recursive", (300, 1000)),
    ("source-code-pro", "OTF/SourceCodePro-Regular.otf", "Source Code Pro", (400, 400)),
    ("source-code-pro", "TTF/SourceCodePro-BoldIt.ttf", "Source Code Pro", (700, 700)),
    ("source-code-pro", "VF/SourceCodeVF-Upright.otf", "SourceCodeVF", (200, 900)),
    ("katex", "dist/fonts/KaTeX_Main-Regular.ttf", "KaTeX_Main", (400, 400)),
]


@pytest.mark.tools
@pytest.mark.browser
def test_families_that_do_not_ship_are_read_cut_and_shown(node_modules: Path, chromium_width) -> None:
    """Source: the files as their makers pack them; Chromium sets the cut file as wide as Yemba measures the whole."""
    files, lines, ours = {}, [], []
    for package, name, family, weights in some(_OTHERS, 2):
        clean = clean_font((node_modules / package / name).read_bytes(), name)
        assert clean.family.startswith(family), (name, clean.family)
        assert clean.weights == weights, name
        assert clean.style == ("italic" if name.endswith(("italic.woff2", "It.ttf")) else "normal")
        face = Face(clean.data)
        words = "سلام" if "arabic" in name else "Bound Books, AV"
        assert face.covers(words), name
        made = cut(face, {ord(letter) for letter in words})
        assert len(made) < len(clean.data)
        slug = Path(name).stem
        files[slug] = [(made, "U+0-10FFFF")]
        weight = max(weights[0], min(weights[1], 500))
        lines.append((slug, words, 40, weight, 0, 100))
        ours.append(face.width(words, 40, weight))
    shown = chromium_width(files, lines)
    for (slug, *_), wide, theirs in zip(lines, ours, shown, strict=True):
        assert theirs == pytest.approx(wide, rel=0.01, abs=1), slug
    assert clean_font((node_modules / _OTHERS[0][0] / _OTHERS[0][1]).read_bytes(), "bebas.woff2").facts.capitals
