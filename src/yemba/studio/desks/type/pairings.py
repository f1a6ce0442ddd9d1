"""Pairings: those to go back to, ready ones, and the faces ranked for the one that stays."""

from __future__ import annotations

from collections.abc import Mapping, Sequence

from yemba.core.message import Message, labels
from yemba.core.site.catalogue import Family
from yemba.core.site.one_offs import one_offs
from yemba.core.site.resolve import Look
from yemba.core.type.levels import LEVELS
from yemba.core.type.pairing import judge, ranked, reason
from yemba.sites import brand_sheets
from yemba.sites.models import Site
from yemba.studio.desks.setting import Context, setting

_OFFERED = 8
_FIRST = 4  # pairings that stand unfolded
_KINDS = labels(
    {
        "": "All",
        "serif-sans": "Serif over sans",
        "sans-serif": "Sans over serif",
        "alike": "Of one kind",
        "hand": "With a hand",
    }
)


def view(site: Site, look: Look, query: Mapping[str, str]) -> Context:
    heading, body = look.family("type.heading"), look.family("type.body")
    every = _ready(look, (heading.slug, body.slug))
    kind = query.get("kind", "") if query.get("kind") in _KINDS else ""
    pairings = [entry for entry in every if kind in ("", entry["kind"])]
    apart = [one for one in one_offs(look) if one.element and one.property == "face"]
    return {
        "back": _back(site, look),
        "kinds": [_kind(slug, kind, every) for slug in _KINDS],
        "pairings": pairings[:_FIRST],
        "more_pairings": pairings[_FIRST:],
        "families": list(look.families.values()),
        "under": _ranked(look, heading=heading.slug),
        "over": _ranked(look, body=body.slug),
        "heading": setting(look, "type.heading") | {"family": heading},
        "body": setting(look, "type.body") | {"family": body},
        "faced": [_face(look, slug) for slug, level in LEVELS.items() if level.faced],
        "faces_apart": len(apart),
    }


def _face(look: Look, slug: str) -> Context:
    return setting(look, f"{slug}.face") | {
        "name": LEVELS[slug].name,
        "follows": look.family(f"type.{LEVELS[slug].follows}").name,
    }


def _kind(slug: str, chosen: str, pairings: Sequence[Context]) -> Context:
    """A filter of the pairings."""
    count = sum(slug in ("", entry["kind"]) for entry in pairings)
    return {"slug": slug, "name": _KINDS[slug], "count": count, "chosen": slug == chosen}


def _kind_of(heading: Family, body: Family) -> str:
    if "hand" in (heading.kind, body.kind):
        return "hand"
    return "alike" if heading.kind == body.kind else f"{heading.kind}-{body.kind}"


def _ready(look: Look, now: tuple[str, str]) -> list[Context]:
    """The ready ones: the chosen one first, then the best by what is measured."""
    families = look.families
    entries = [
        {
            "pairing": p,
            "chosen": (p.heading, p.body) == now,
            "kind": _kind_of(families[p.heading], families[p.body]),
            "score": judge(families[p.heading], families[p.body]).score,
        }
        for p in look.catalogue.pairings.values()
    ]
    return sorted(entries, key=lambda entry: (not entry["chosen"], -entry["score"]))


def _back(site: Site, look: Look) -> list[Context]:
    """The pairs that are always there to go back to: the template's own, and those of the brand sheets."""
    own = look.template.design | look.template.sheets[0].values
    known = [(Message("{name}’s own", name=look.template.name), own)]
    applied = look.document.ready_sheet
    if applied:
        sheet = look.catalogue.ready_sheet(applied)
        known.append((Message("Brand sheet {name}", name=sheet.name), own | sheet.values))
    known += [
        (Message("Brand sheet {name}", name=sheet.name), sheet.values) for sheet in brand_sheets.sheets_of(site.owner)
    ]
    pairs: dict[tuple[str, str], Context] = {}
    for name, values in known:
        pair = values.get("type.heading", ""), values.get("type.body", "")
        if set(pair) <= look.families.keys() and pair not in pairs:
            pairs[pair] = _pair(look, name, pair)
    return list(pairs.values())


def _pair(look: Look, name: str, pair: tuple[str, str]) -> Context:
    heading, body = (look.families[slug] for slug in pair)
    now = (look.family("type.heading").slug, look.family("type.body").slug)
    return {
        "name": name,
        "heading": pair[0],
        "body": pair[1],
        "said": heading.name
        if heading is body
        else Message("{name} and {name_2}", name=heading.name, name_2=body.name),
        "chosen": pair == now,
    }


def _ranked(look: Look, heading: str = "", body: str = "") -> list[Context]:
    """The faces that go best with the one that stays, each as the pair that choosing it makes."""
    families = look.families
    now = look.family("type.body" if heading else "type.heading").slug
    order = ranked(families, heading, body)
    offered = order[:_OFFERED] + [one for one in order[_OFFERED:] if one.slug == now]
    return [
        {
            "name": families[one.slug].name,
            "heading": heading or one.slug,
            "body": body or one.slug,
            "reason": one.reason or reason(judge(families[heading or one.slug], families[body or one.slug])),
            "slug": one.slug,
            "chosen": one.slug == now,
            "scripts": ", ".join(families[one.slug].scripts),
        }
        for one in offered
    ]
