"""The Frame chapter: how wide the page is, what stands beside its content, and what is behind it."""

from __future__ import annotations

from collections.abc import Mapping, Sequence

from yemba.core.layout.frame import FIXED, LEAST_MAIN, NONE, Boxes, Frame
from yemba.core.message import Message, labels
from yemba.core.part.part import parts
from yemba.core.site import background
from yemba.core.site.behind import GRADIENT, PATTERN, PICTURE
from yemba.core.site.frame import SIDEBAR, frame, width_of_pictures
from yemba.core.site.resolve import Look
from yemba.sites.models import Site
from yemba.studio.desks.sections import of_part
from yemba.studio.desks.setting import Context, setting
from yemba.studio.waiting import Waiting

_WIDE, _PHONE = 1280, 390  # px of the windows that are drawn
_SEEN = {
    GRADIENT: ("gradient_from", "gradient_via", "gradient_to", "gradient_way"),
    PATTERN: ("pattern", "pattern_colour", "pattern_strength", "pattern_size"),
    PICTURE: ("backdrop", "fit", "anchor", "moves", "filter", "tint"),
}
_NONE = labels({"pattern_colour": "that of buttons", "ground": "that of the page"})


def desk(site: Site, look: Look, query: Mapping[str, str], waits: Sequence[Waiting]) -> Context:
    shared = look.document.holder(("shared", SIDEBAR))
    set_frame = frame(look)
    return {
        **of_part(look, parts()[SIDEBAR], query),
        "page": [setting(look, f"frame.{name}") for name in ("form", *(("place",) if set_frame.form == FIXED else ()))],
        "width": setting(look, "frame.width"),
        "sidebar": [setting(look, f"sidebar.{name}") for name in ("side", "ground", "folds")],
        "measures": [setting(look, f"sidebar.{name}") for name in ("width", "gap")],
        "has_sidebar": look.value("sidebar.side") != NONE,
        "is_empty": not shared.order,
        "frame": set_frame,
        "least_main": LEAST_MAIN,
        "drawings": [_drawing(set_frame, window, look.value("sidebar.folds")) for window in (_WIDE, _PHONE)],
        "of_pictures": _of_pictures(look) if look.value("sidebar.side") != NONE else None,
        "pages": [(key, page.name, not page.no_sidebar) for key, page in look.document.ordered_pages()],
        "without": sum(page.no_sidebar for page in look.document.pages.values()),
        **_background(look),
    }


def _drawing(framed: Frame, window: int, folds: str) -> Context:
    """The page in a window as boxes, and what it says."""
    boxes = framed.boxes(window)
    return {
        "window": window,
        "page": boxes.page,
        "header": boxes.header,
        "main": boxes.main,
        "sidebar": boxes.sidebar,
        "folded": framed.side != NONE and boxes.sidebar is None,
        "folds": folds,
        "sentence": _sentence(framed, boxes, window, folds),
    }


def _sentence(framed: Frame, boxes: Boxes, window: int, folds: str) -> str:
    content = Message("{window} px: content {width:g}", window=window, width=boxes.main.width)
    if boxes.sidebar:
        return Message(
            "{content}, gap {gap:g}, sidebar {width:g} px", content=content, gap=framed.gap, width=boxes.sidebar.width
        )
    return (
        Message("{content} px", content=content)
        if framed.side == NONE
        else Message("{content} px, the sidebar {folds} it", content=content, folds=folds)
    )


def _of_pictures(look: Look) -> int | None:
    """The width a sidebar would have for its pictures, as far as it can be set and is not."""
    wanted = width_of_pictures(look)
    if wanted is None:
        return None
    known = setting(look, "sidebar.width")
    width = int(min(known["high"], max(known["low"], round(wanted / known["step"]) * known["step"])))
    return width if width != known["value"] else None


def _background(look: Look) -> Context:
    """What is behind the page, and the sections that it shows through."""
    chosen = look.value("background.behind")
    settings = [setting(look, f"background.{name}") for name in _SEEN.get(chosen, ())]
    if look.value("background.fit") == "tile" and chosen == PICTURE:
        settings.insert(3, setting(look, "background.tile"))
    through = [one for one in look.document.drawn_behind() if one.fields.get("behind") == "through"]
    return {
        "background": [setting(look, "background.behind"), setting(look, "background.ground")],
        "of_background": settings,
        "nones": {f"background.{name}": words for name, words in _NONE.items()},
        "shown": background.chosen(look).shown(look),
        "chosen": chosen,
        "through": len(through),
        "is_fixed": look.value("frame.form") == FIXED,
    }
