"""The fonts: those of the owner's own, letters that are lacking, what a page fetches."""

from __future__ import annotations

from collections.abc import Mapping

from yemba.core.change.commands.fonts import KINDS
from yemba.core.check.letters import lacking, lacks_of_language
from yemba.core.site.catalogue import Family
from yemba.core.site.resolve import Look
from yemba.core.type.intake import LICENCES, UNLICENSED
from yemba.hosting.services import weigh_fonts
from yemba.render.fonts import used_families
from yemba.sites.models import Site
from yemba.studio.desks.setting import Context
from yemba.studio.inspecting import inspected

_SHOWN, _OFFERED = 60, 4


def _about(family: Family | None) -> Context:
    """What is read from the file of a font; nothing where that is gone."""
    if family is None:
        return {"gone": True}
    scripts = ", ".join(family.scripts)
    return {"letters": len(family.face.letters), "scripts": scripts, "capitals": family.facts.capitals}


def view(site: Site, look: Look, query: Mapping[str, str]) -> Context:
    used = {family.slug for family in used_families(look)}
    return {
        "own": [
            {
                "id": key,
                "font": font,
                "licence": LICENCES[font.licence],
                "asks": font.licence in UNLICENSED,
                "used": key in used,
                **_about(look.families.get(key)),
            }
            for key, font in look.document.fonts.items()
        ],
        "kinds": list(KINDS.items()),
        "lacking": [
            {
                "family": one.family,
                "setting": one.setting,
                "letters": one.letters[:_SHOWN],
                "more": max(0, len(one.letters) - _SHOWN),
                "texts": one.texts[:_OFFERED],
                "having": [look.families[slug] for slug in one.having[:_OFFERED]],
            }
            for one in lacking(inspected(look))
        ],
        "languages": [
            (family.name, lacks)
            for slug in sorted(used)
            if (family := look.families[slug]) and (lacks := lacks_of_language(look, family))
        ],
        "language": look.language.name,
        "cost": weigh_fonts(look),
        "licences": [family for slug in sorted(used) if not (family := look.families[slug]).own],
    }
