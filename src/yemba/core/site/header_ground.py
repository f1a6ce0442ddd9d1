"""What stands behind the words of the header."""

from __future__ import annotations

from yemba.core.layout.arrangement import OVER
from yemba.core.site.behind import GROUND, Chosen, Gradient, Patterned, of_part
from yemba.core.site.document import Picture
from yemba.core.site.resolve import Look


def chosen(look: Look) -> Chosen:
    """What is set; one that stands over a section has what is behind that one."""
    over = look.arrangement.stands == OVER
    kind = GROUND if over else look.value("header.behind") or ""
    return of_part(look, "header", kind, look.value("header.ground"))


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
