"""What the header stands on, what is behind its words, and how it ends."""

from __future__ import annotations

from collections.abc import Mapping

from yemba.core.colour.gradient import laid_over, points
from yemba.core.layout.anchored import placed
from yemba.core.layout.arrangement import OVER
from yemba.core.layout.header_drawing import drawing
from yemba.core.picture.patterns import PATTERNS
from yemba.core.site.backdrop import of_header
from yemba.core.site.behind import Gradient, Patterned
from yemba.core.site.extra import covered, extra
from yemba.core.site.header import header, header_fit
from yemba.core.site.header_ground import behind, gradient, pattern
from yemba.core.site.resolve import Look
from yemba.studio.desks.setting import Context, setting
from yemba.studio.desks.tint import tint_desk

_MEASURES = ("width", "padding", "line", "line_style", "line_colour", "corner", "shadow")
_OF_EXTRA = ("anchor", "size", "turn", "mirror", "strength", "link")
_WINDOW = 1280  # px
_BANDS = 48  # of the drawing of a gradient


def view(look: Look, query: Mapping[str, str]) -> Context:
    kind = behind(look)
    return {
        "over": look.arrangement.stands == OVER,
        "ground": setting(look, "header.ground"),
        "behind": setting(look, "header.behind") | {"value": look.value("header.behind") or kind},
        "chosen": look.value("header.behind") or kind,
        "shown": kind,
        "backdrop": setting(look, "header.backdrop"),
        "tint": tint_desk(look, of_header(look)),
        "tint_set": setting(look, "header.tint"),
        "of_picture": [setting(look, f"header.{name}") for name in ("filter", "entrance")],
        "of_gradient": [setting(look, f"header.gradient_{name}") for name in ("from", "via", "to", "way")],
        "of_pattern": [setting(look, f"header.pattern{name}") for name in ("", "_colour", "_strength", "_size")],
        "gradient": _bands(look, gradient(look)),
        "patterns": _tiles(look, pattern(look)),
        "words": [setting(look, f"header.{name}") for name in ("stand", "box")],
        "extra": setting(look, "header.extra"),
        "small": _small(look),
        "of_extra": [setting(look, f"header.extra_{name}") for name in _OF_EXTRA],
        "measures": [setting(look, f"header.{name}") for name in _MEASURES],
    }


def _small(look: Look) -> Context | None:
    """The small picture on a drawing of the header, wide, and what it meets."""
    small = extra(look)
    if small is None:
        return None
    fit = header_fit(look)
    window = max(fit.stages[0].width, _WINDOW)
    header_drawing = drawing(header(look), window, True, fit)
    spot = placed(small.anchor, small.offset, small.wide, header_drawing.width, header_drawing.height)
    across, down = small.shares
    return {
        "drawing": header_drawing,
        "spot": spot,
        "taken": small.wide,
        "across": across,
        "down": down,
        "x": look.value("header.extra_x"),
        "y": look.value("header.extra_y"),
        "picture_id": look.value("header.extra"),
        "file": small.picture.file,
        "meets": [(width, what) for width, what in covered(look)],
    }


def _bands(look: Look, gradient: Gradient | None) -> Context | None:
    """The gradient as it is seen under the ground that lies over it, in bands, with the text on it."""
    if gradient is None:
        return None
    ground = look.grounds[look.value("header.ground")]
    seen = [laid_over(colour, ground.fill, (gradient.over or 0) / 100).hex for colour in points(gradient.stops, _BANDS)]
    return {"bands": list(enumerate(seen)), "text": ground.text.hex, "over": gradient.over, "count": _BANDS}


def _tiles(look: Look, pattern: Patterned | None) -> Context | None:
    """The pattern with its mark as strong as text allows, and the colour that was wanted."""
    if pattern is None:
        return None
    ground = look.grounds[look.value("header.ground")]
    return {
        "tile": PATTERNS[pattern.pattern].tile,
        "size": pattern.size,
        "mark": pattern.mark.hex,
        "fill": ground.fill.hex,
        "text": ground.text.hex,
    }
