"""The Footer chapter: how it is arranged, its box, its sections and its lines."""

from __future__ import annotations

from collections.abc import Mapping, Sequence

from yemba.core.layout.footer_drawing import WIDTH, Contents, draw
from yemba.core.part.footer import ARRANGEMENTS, OWN, SIGN
from yemba.core.part.part import parts
from yemba.core.site.behind import THROUGH
from yemba.core.site.footer import FOOTER, behind, is_shown, link_colours
from yemba.core.site.navigation import menu
from yemba.core.site.resolve import Look
from yemba.sites.models import Site
from yemba.studio.desks.level import level_desk
from yemba.studio.desks.sections import of_part
from yemba.studio.desks.setting import Context, setting
from yemba.studio.waiting import Waiting

_ASKED = {"link": "footer.link_colour", "link-hover": "footer.link_pointed"}


def desk(site: Site, look: Look, query: Mapping[str, str], waits: Sequence[Waiting]) -> Context:
    return {
        **of_part(look, parts()[FOOTER], query),
        "is_shown": is_shown(look),
        "drawn": _drawings(look),
        "ground": look.grounds[look.value("footer.ground")],
        "is_through": behind(look).shown(look) == THROUGH,
        "moved": _moved(look),
        "level": level_desk(look, "footer"),
        "of": {name: setting(look, f"footer.{name}") for name in _NAMES},
    }


_NAMES = [setting.key.removeprefix("footer.") for setting in parts()[FOOTER].settings]


def _drawings(look: Look) -> list[Context]:
    """Each arrangement but the template's with what stands in this footer now, all as high as the highest."""
    count = len(menu(look.document)) if look.value("footer.navigation") else 0
    sections = len(look.document.holder(("shared", FOOTER)).order)
    has_words, has_name = bool(look.value("footer.words")), bool(look.value("footer.logo"))
    made = {slug: draw(slug, Contents(has_name or slug == SIGN, has_words, count, sections)) for slug in ARRANGEMENTS}
    height = max(drawing.height for drawing in made.values())
    chosen = look.value("footer.arrangement")
    return [
        {
            "slug": slug,
            "name": name,
            "chosen": slug == chosen,
            "boxes": made[slug].boxes if slug != OWN else None,
            "width": WIDTH,
            "height": height,
        }
        for slug, name in ARRANGEMENTS.items()
    ]


def _moved(look: Look) -> list[Context]:
    """Colours of links that were not shown as they were chosen, since they would not read on the ground."""
    moved = []
    for role, colour in link_colours(look).items():
        wanted = look.read_colour(look.value(_ASKED[role]))
        if wanted and wanted.colour != colour:
            moved.append({"wanted": wanted.colour.hex, "shown": colour.hex})
    return moved
