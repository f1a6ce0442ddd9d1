"""How the pieces of the header stand, and what gives way as the window grows narrower."""

from __future__ import annotations

from collections.abc import Mapping

from yemba.core.layout.arrangement import FOLDED, NONE, OVER, Arrangement
from yemba.core.layout.header_drawing import Drawing, drawing
from yemba.core.layout.header_fit import FOLDED_FROM, FULL, GAP, SIZE, TAGLINE, Fit, Header
from yemba.core.message import Message, labels
from yemba.core.site.behind import of_section
from yemba.core.site.header import header, header_bar_heights, header_fit, shrinks
from yemba.core.site.resolve import Look
from yemba.core.type.scale import PHONE_WIDTH
from yemba.studio.desks.level import level_desk
from yemba.studio.desks.setting import Context, setting

_USUAL = "row"
"""An arrangement that holds all there is to draw."""
_SCALE = 1600  # px; the widest window that the scale shows
_THUMB = 900  # px; the window that arrangements are drawn in to choose from
_ACTION = {"words": "action", "link": "action_link", "style": "action_style", "phone": "action_phone"}
_GIVES = labels(
    {
        FULL: "all of it stands",
        GAP: "the entries move together",
        TAGLINE: "the tagline leaves",
        SIZE: "the menu is set smaller",
    }
)


def view(look: Look, query: Mapping[str, str]) -> Context:
    fit, head = header_fit(look), header(look, look.catalogue.arrangement(_USUAL))
    return {
        "arrangement": setting(look, "header.arrangement"),
        "drawn": [_choice(look, head, arrangement) for arrangement in _offered(look)],
        "heights": [setting(look, key) for key in ("header.height_wide", "header.height_phone")],
        "position": setting(look, "header.position"),
        "shrinks": _bar(look) if shrinks(look) else None,
        "title": setting(look, "header.title"),
        "nameless": look.value("logo.form") == "none",
        "tagline": setting(look, "header.tagline"),
        "tagline_phone": setting(look, "header.tagline_phone"),
        "action": {name: setting(look, f"header.{key}") for name, key in _ACTION.items()},
        "trail": setting(look, "header.trail"),
        "switch": setting(look, "header.switch"),
        "level": level_desk(look, "title"),
        "fit": fit,
        "has_header": look.arrangement.menu != NONE,
        "over": look.arrangement.stands == OVER,
        "bare": _bare(look) if look.arrangement.stands == OVER else None,
        "stays_folded": look.arrangement.menu == FOLDED,
        "fold_at": min(100.0, 100 * fit.fold / _SCALE),
        "never": fit.fold > _SCALE,
        "stages": _stages(look, fit),
        "widest": _SCALE,
    }


def _bar(look: Look) -> Context:
    """How high the bar is that it shrinks to, and whether that is no less than the header."""
    bar = header_bar_heights(look)
    wide, phone = look.value("header.height_wide"), look.value("header.height_phone")
    on_phone = bar.folded[_phone_range()]
    return {"wide": bar.unfolded, "phone": on_phone, "no_less": bar.unfolded >= wide and on_phone >= phone}


def _phone_range() -> int:
    return max(at for at, start in enumerate(FOLDED_FROM) if start <= PHONE_WIDTH)


def _bare(look: Look) -> Context | None:
    """The first page’s opening section, where no picture is behind it."""
    page = look.document.order[0]
    first = look.document.pages[page].order[:1]
    if not first or of_section(look, look.document.pages[page].sections[first[0]]).backdrop(look):
        return None
    return {"page": look.document.pages[page].name, "section": first[0]}


def _offered(look: Look) -> list[Arrangement]:
    return [look.catalogue.arrangements[slug] for slug, _ in setting(look, "header.arrangement")["choices"]]


def _choice(look: Look, head: Header, arrangement: Arrangement) -> Context:
    return {
        "slug": arrangement.slug,
        "name": arrangement.name,
        "chosen": arrangement.slug == look.arrangement.slug,
        "drawing": drawing(head._replace(arrangement=arrangement), _THUMB, unfolded=True),
    }


def _stages(look: Look, fit: Fit) -> list[Context]:
    """Every stage at its narrowest window, the widest first, then the folded menu and a phone."""
    if look.arrangement.menu == NONE:
        return []
    stages = [(stage.width, _GIVES[stage.gives], True) for stage in fit.stages if stage.width <= _SCALE]
    folded = "" if look.arrangement.menu == FOLDED else Message("the menu is folded")
    narrower = [(min(fit.fold - 1, 768), folded or Message("narrower")), (PHONE_WIDTH, Message("a phone"))]
    stages += [(width, gives, False) for width, gives in narrower if width < fit.fold]
    return [_stage(look, fit, width, gives, unfolded) for width, gives, unfolded in stages]


def _stage(look: Look, fit: Fit, width: int, gives: str, unfolded: bool) -> Context:
    drawn: Drawing = drawing(header(look), width, unfolded, fit)
    return {"width": width, "gives": gives, "drawing": drawn}
