"""The Template chapter: templates, their ready brand sheets, the plan of a change, what is set aside, one-offs."""

from __future__ import annotations

from collections.abc import Mapping, Sequence

from yemba.core.site.one_offs import one_offs
from yemba.core.site.resolve import Look
from yemba.core.site.settings import SETTINGS
from yemba.core.template.change import plan, set_aside
from yemba.sites import brand_sheets, starts
from yemba.sites.models import Site
from yemba.studio.desks import specimen
from yemba.studio.desks.setting import Context
from yemba.studio.waiting import Waiting


def _drawn(look: Look, template: str) -> list[specimen.Beside]:
    """The look in the present and in the wanted template, and the first page in both."""
    then = Look(look.document.model_copy(update={"template": template}), look.catalogue)
    return specimen.beside(look, then)


def _first_looks(site: Site, look: Look) -> list[Context]:
    """Those worked out when the site was begun, but for the one that it stands in."""
    start = starts.of_site(site)
    every = [first for three in starts.looks(start) for first in three] if start else []
    now = look.value("palette")
    return [
        {"number": number, "look": first, "template": look.catalogue.template(first.template).name}
        for number, first in enumerate(every)
        if first.template != look.template.slug or first.sheet["palette"] != now
    ]


def desk(site: Site, look: Look, query: Mapping[str, str], waits: Sequence[Waiting]) -> Context:
    """`plan=TEMPLATE` shows the plan of changing to it; nothing is changed by looking."""
    applied = look.document.ready_sheet
    planned = query.get("plan", "")
    wanted = look.catalogue.templates.get(planned) if planned != look.template.slug else None
    return {
        "templates": [
            {
                "slug": template.slug,
                "name": template.name,
                "idea": template.idea,
                "chosen": template.slug == look.template.slug,
                "sheets": [
                    {
                        "path": f"{template.slug}/{sheet.slug}",
                        "name": sheet.name,
                        "colours": sheet.values["palette"],
                        "chosen": applied == f"{template.slug}/{sheet.slug}",
                    }
                    for sheet in template.sheets
                ],
            }
            for template in sorted(look.catalogue.templates.values(), key=lambda one: one.slug != look.template.slug)
        ],
        "first_looks": _first_looks(site, look),
        "now": look.template,
        "wanted": wanted,
        "plan": plan(look, wanted.slug) if wanted else None,
        "drawn": _drawn(look, wanted.slug) if wanted else (),
        "covered": [SETTINGS[key].name for key in look.document.set_aside],
        "aside": set_aside(look),
        "one_offs": one_offs(look),
        "own_sheet": look.document.own_sheet,
        "saved": brand_sheets.sheets_of(site.owner),
    }
