"""What is drawn behind the words of a section, as the stylesheet has it."""

from __future__ import annotations

from hashlib import sha256

from yemba.core.colour.gradient import least_on
from yemba.core.site.background import colours_behind
from yemba.core.site.behind import THROUGH, Chosen
from yemba.core.site.resolve import Look


def least_ground_over(look: Look, chosen: Chosen) -> int | None:
    """How much of its ground a section that is see-through has over what is behind the page, in %: the least at which
    its text reads. None where it does not read on the ground itself."""
    return least_on(colours_behind(look), chosen.fill(look), chosen.inks(look))


def declarations(look: Look, chosen: Chosen) -> str:
    """What is drawn behind the words as declarations of a stylesheet; "" where that is the ground or a picture."""
    if gradient := chosen.gradient(look):
        return f"background:{gradient.css(chosen.fill(look))};"
    if chosen.shown(look) == THROUGH:
        over, (red, green, blue) = least_ground_over(look, chosen), chosen.fill(look)
        return f"background:rgb({red} {green} {blue} / {100 if over is None else over}%);"
    if tiled := chosen.patterned(look):
        return f"background:{tiled.css()} 0 0 / {tiled.size}px,var(--fill);"
    return ""


def style_mark(look: Look, chosen: Chosen) -> str:
    """What a section with it is known by in the stylesheet; "" for none."""
    declared = declarations(look, chosen)
    return sha256(declared.encode()).hexdigest()[:6] if declared else ""
