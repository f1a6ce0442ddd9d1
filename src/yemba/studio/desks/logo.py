"""The Logo chapter: wordmark or picture, what would be better about it, how it stands on each ground; the icon set in
its places; what is true of the whole site."""

from __future__ import annotations

from collections.abc import Mapping, Sequence

from yemba.core.check import logo as check
from yemba.core.check import site_icon
from yemba.core.colour.contrast import EDGE
from yemba.core.picture.marks import contrast_of_marks
from yemba.core.picture.ornaments import ORNAMENTS
from yemba.core.picture.sharing import NAME
from yemba.core.site.logo import NAMES, POINTED, key_on, logo, logo_pointed
from yemba.core.site.navigation import leads_home
from yemba.core.site.pictures import leading_picture
from yemba.core.site.resolve import Look
from yemba.core.site.setting import SITE
from yemba.core.site.settings import SETTINGS
from yemba.core.site.wordmark import ORNAMENT
from yemba.sites.models import Site
from yemba.studio.desks.level import level_desk
from yemba.studio.desks.setting import Context, setting
from yemba.studio.inspecting import inspected
from yemba.studio.waiting import Waiting

_FOR = {"light": "dark", "dark": "light"}


def desk(site: Site, look: Look, query: Mapping[str, str], waits: Sequence[Waiting]) -> Context:
    key = look.value("logo.picture")
    has_logo = logo(look) is not None
    picture = look.document.pictures.get(key)
    form = setting(look, "logo.form")
    first = look.document.pages[look.document.order[0]]
    return {
        **_wordmark(look),
        "form_choices": [one for one in form["choices"] if picture or one[0] != "picture"],
        "homeless": "" if leads_home(look.document) else first.name,
        "pointed": logo_pointed(look),
        "pointed_set": setting(look, POINTED),
        "form": form,
        "picture": picture,
        "picture_id": key,
        "shown": has_logo,
        "height": setting(look, "logo.height"),
        "findings": list(check.find(inspected(look))) if has_logo else [],
        "on_grounds": [on for ground in look.grounds if (on := _on_ground(look, ground))] if has_logo else [],
        "versions": [_version(look, key) for key in NAMES] if has_logo else [],
        "icon": setting(look, "icon.form"),
        "icon_findings": list(site_icon.find(inspected(look))),
        "card": _card(look),
        "site_settings": [setting(look, known.key) for known in SETTINGS.values() if known.home == SITE],
    }


def _wordmark(look: Look) -> Context:
    """The name set in type: what is chosen of it."""
    beside = look.value("logo.beside")
    return {
        "wordmark": [setting(look, "logo.lines"), setting(look, "logo.beside")],
        "one_word": len(look.document.name.split()) < 2,
        "ornament": setting(look, "logo.ornament"),
        "ornaments": list(ORNAMENTS.items()) if beside == ORNAMENT else [],
        "level": level_desk(look, "title"),
    }


def _card(look: Look) -> Context:
    """The picture that goes with links, and the words that stand under it there."""
    document = look.document
    first = document.pages[document.order[0]]
    alone = look.value("sharing.composition") == NAME or leading_picture(look, first)
    return {
        "composition": setting(look, "sharing.composition"),
        "ground": setting(look, "sharing.ground"),
        "title": first.title or document.name,
        "about": first.description or document.tagline,
        "lacks": "" if alone else first.name,
    }


def _on_ground(look: Look, slug: str) -> Context | None:
    """The logo as it stands on a ground, and whether its marks stand out there; None where its file is gone."""
    key = key_on(look, slug)
    picture, fill = look.pictures[key], look.grounds[slug].fill
    data = check.loaded(look.load, picture)
    if data is None:
        return None
    ratio = contrast_of_marks(data, picture.format, fill)
    return {
        "name": look.ground_names[slug],
        "fill": fill.hex,
        "picture": picture,
        "picture_id": key,
        "ratio": ratio,
        "boxed": check.boxed(picture, data, fill),
        "stands_out": ratio >= EDGE,
        "parts": [part for part, standing in check.stands_on(look).items() if standing == slug],
    }


def _version(look: Look, key: str) -> Context:
    """A version of the logo: made, brought, or none."""
    picture = look.pictures.get(look.value(key))
    own = picture if picture and picture.version_of == look.value("logo.picture") else None
    return {"key": key, "name": NAMES[key], "for": _FOR[NAMES[key]], "picture": own, "setting": setting(look, key)}
