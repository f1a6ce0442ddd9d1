"""``level: h2;`` in a stylesheet: one line that stands for all that may be set of a level of text."""

from __future__ import annotations

import re

from yemba.core.site.resolve import Look
from yemba.core.type.facts import FULL
from yemba.core.type.levels import LEVELS, SHADOW_BLUR, SHADOW_SHIFT, Level, Text
from yemba.render.fonts import stack

_LINE = re.compile(r"\blevel:\s*([\w-]+);")
_SHADOWS = {
    "soft": f"0 0 {SHADOW_BLUR}em var(--fill), 0 0 {2 * SHADOW_BLUR}em var(--fill)",
    "hard": f"{SHADOW_SHIFT}em {SHADOW_SHIFT}em 0 var(--line)",
}


def written_out(css: str) -> str:
    """A stylesheet with every such line as the declarations it stands for."""
    return _LINE.sub(lambda match: " ".join(_declarations(LEVELS[match[1]])), css)


def _declarations(level: Level) -> list[str]:
    slug, follows = level.slug, f"var(--font-{level.follows})"
    declarations = {
        "font-family": f"var(--face-{slug}, {follows})" if level.faced else follows,
        "font-size": f"var(--size-{slug})",
        "font-weight": f"var(--weight-{slug})",
        "font-style": f"var(--style-{slug}, normal)",
        "font-stretch": f"var(--width-{slug}, normal)",
        "line-height": f"var(--leading-{slug})",
        "letter-spacing": f"var(--spacing-{slug}, normal)",
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
        "shadow": _SHADOWS.get(text.shadow, ""),
        "outline": f"{text.outline:g}em" if text.outline else "",
    }
