"""``level: h2;`` in a stylesheet: one line that stands for all that may be set of a level of text."""

from __future__ import annotations

import re

from yemba.core.site.resolve import Look
from yemba.core.type.breaking import unbroken
from yemba.core.type.facts import FULL
from yemba.core.type.levels import LEVELS, SHADOW_BLUR, SHADOW_SHIFT, Level, Text
from yemba.render.fonts import stack

_LINE = re.compile(r"\blevel:\s*([\w-]+);")
_COMMENT = re.compile(r"/\*[^*]*\*+(?:[^/*][^*]*\*+)*/\n?")
_SHORT = 6  # letters; shorter words fit everywhere
WORD_WIDTHS = (*(n / 2 for n in range(8, 24)), *range(12, 24), *range(24, 41, 2))
"""Widths of words in em, to which they are rounded up."""
_SHADOWS = {
    "soft": f"0 0 {SHADOW_BLUR}em var(--fill), 0 0 {2 * SHADOW_BLUR}em var(--fill)",
    "hard": f"{SHADOW_SHIFT}em {SHADOW_SHIFT}em 0 var(--line)",
}


def _fitted(slug: str) -> str:
    """The size, or the one at which the longest word fits where it stands: a size gives way before a word breaks."""
    return f"min(var(--size-{slug}), calc(var(--room) / var(--longest, 0.1)))"


def longest_rules() -> str:
    """By the mark of an element, how many em its longest word is wide."""
    return "".join(f'[data-longest="{em:g}"]{{--longest:{em:g}}}' for em in WORD_WIDTHS)


def longest_word(look: Look, level: str, words: str, beside: float = 0) -> str:
    """The mark of an element by its longest word at a level, "" where no window is too narrow for it; something may
    stand `beside` the words, in em."""
    text, family = look.texts[level], look.face(level)
    parts = unbroken(words)
    wide = max((family.text_width(text, part, 1.0) for part in parts if len(part) >= _SHORT), default=0.0)
    wide += beside if wide else 0.0
    return next((f"{em:g}" for em in WORD_WIDTHS if em >= wide), "40") if wide >= WORD_WIDTHS[0] else ""


def written_out(css: str) -> str:
    """A stylesheet with every such line as the declarations it stands for, without its comments."""
    return _LINE.sub(lambda match: " ".join(_declarations(LEVELS[match[1]])), _COMMENT.sub("", css))


def _declarations(level: Level) -> list[str]:
    slug, follows = level.slug, f"var(--font-{level.follows})"
    declarations = {
        "font-family": f"var(--face-{slug}, {follows})" if level.faced else follows,
        "font-size": _fitted(slug) if level.fits else f"var(--size-{slug})",
        "font-weight": f"var(--weight-{slug})",
        "font-style": f"var(--style-{slug}, normal)",
        "font-stretch": f"var(--width-{slug}, normal)",
        "line-height": f"max(var(--leading-{slug}), var(--least-leading, 0))",
        "letter-spacing": f"calc(var(--spacing-{slug}, 0em) * var(--spread, 1))",
        "text-transform": f"var(--case-{slug}, none)",
        "font-variant-caps": f"var(--caps-{slug}, normal)",
    }
    if level.title:
        declarations |= {
            "text-decoration-line": f"var(--line-{slug}, none)",
            "text-shadow": f"var(--shadow-{slug}, none)",
            "-webkit-text-stroke": f"var(--outline-{slug}, 0) var(--fill)",
            "paint-order": "stroke fill",
        }
    return [f"{name}: {value};" for name, value in declarations.items()]


def level_properties(look: Look) -> dict[str, str]:
    """The custom properties of all levels; what is as the stylesheet has it anyway is left out."""
    properties: dict[str, str] = {}
    for slug, text in look.texts.items():
        properties |= {f"{name}-{slug}": value for name, value in _set(look, LEVELS[slug], text).items() if value}
    return properties


def shadows(look: Look) -> dict[str, str]:
    """The shadows of all levels: set on each ground, since they are of its colours."""
    return {f"shadow-{slug}": _SHADOWS[text.shadow] for slug, text in look.texts.items() if text.shadow in _SHADOWS}


def _set(look: Look, level: Level, text: Text) -> dict[str, str]:
    follows = look.family(f"type.{level.follows}")
    return {
        "face": stack(look.families[text.face]) if text.face != follows.slug else "",
        "size": text.size.css(),
        "weight": f"{text.weight}",
        "leading": f"{text.leading:g}",
        "style": text.style if text.style != "normal" else "",
        "width": f"{text.stretch}%" if text.stretch != FULL else "",
        "spacing": f"{text.spacing:g}em" if text.spacing else "",
        "case": text.case if text.case == "uppercase" else "",
        "caps": "all-small-caps" if text.case == "small-caps" else "",
        "line": text.line if text.line != "none" else "",
        "outline": f"{text.outline:g}em" if text.outline else "",
    }
