"""How much tint lies over a picture that text stands on."""

from __future__ import annotations

from yemba.core.site.backdrop import Backdrop, reads_from
from yemba.core.site.resolve import Look
from yemba.studio.desks.setting import Context


def tint_desk(look: Look, behind: Backdrop | None) -> Context | None:
    """The tint, and from how much on text reads there; None where no picture is."""
    if behind is None:
        return None
    least = reads_from(look, behind, look.load)
    return {"now": behind.tint, "least": least, "reads": least is None or behind.tint >= least}
