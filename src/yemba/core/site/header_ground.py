"""What stands behind the words of the header."""

from __future__ import annotations

from yemba.core.layout.arrangement import OVER
from yemba.core.site.behind import GROUND, Chosen, Gradient, Patterned
from yemba.core.site.document import Picture
from yemba.core.site.resolve import Look


def chosen(look: Look) -> Chosen:
    """What is set; one that stands over a section has what is behind that one."""
    over = look.arrangement.stands == OVER
    return Chosen(
        behind=GROUND if over else look.value("header.behind") or "",
        ground=look.value("header.ground"),
        picture=look.value("header.backdrop"),
        stops=tuple(look.value(f"header.gradient_{end}") for end in ("from", "via", "to")),
        way=look.value("header.gradient_way"),
        pattern=look.value("header.pattern"),
        colour=look.value("header.pattern_colour"),
        strength=look.value("header.pattern_strength"),
        size=look.value("header.pattern_size"),
    )


def behind(look: Look) -> str:
    """What is shown."""
    return chosen(look).shown(look)


def backdrop(look: Look) -> Picture | None:
    """The picture, where it is what is shown."""
    return chosen(look).backdrop(look)


def gradient(look: Look) -> Gradient | None:
    """None where it is not what is shown."""
    return chosen(look).gradient(look)


def pattern(look: Look) -> Patterned | None:
    """None where it is not what is shown."""
    return chosen(look).patterned(look)
