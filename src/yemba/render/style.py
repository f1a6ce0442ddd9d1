"""The stylesheet: rules, which the template decides, and values, which the owner decides."""

from __future__ import annotations

from functools import cache
from pathlib import Path
from typing import NamedTuple

from yemba import catalogue as shipped
from yemba.core.change.commands.pages import menu
from yemba.core.colour.grounds import ROLE_NAMES, Ground
from yemba.core.layout.header_fit import FOLDED_FROM, Fit, Heights, Least, Setting, fit, heights
from yemba.core.part.part import parts
from yemba.core.site.backdrop import of_header, of_section
from yemba.core.site.logo import logo_on
from yemba.core.site.resolve import Look
from yemba.core.site.settings import SETTINGS
from yemba.render.fonts import all_faces, published, stack
from yemba.render.fonts import faces as faces_of
from yemba.render.level import level_properties, longest_rules, shadows, written_out
from yemba.render.one_off import one_off_rules
from yemba.render.pictures import position_rule

SKELETON = Path(__file__).parent / "skeleton"
PARTS_FOLDER = Path(__file__).parent / "parts"

_OVER_PICTURES = {**dict.fromkeys(("quiet", "link", "link-hover", "visited"), "var(--text)"), "link-line": "underline"}
"""Over a picture these are set in the text's colour, for which the tint is worked out. They outrank a ground's own."""


class Style(NamedTuple):
    rules: str
    values: str


def style(look: Look, draft: bool = False) -> Style:
    """Rules and values. A draft has the faces of every family, so that a change of pairing shows
    while the pointer is still on it; a live page only those it uses."""
    faces = all_faces(look) if draft else faces_of(look, published(look))
    rules = (
        "@layer base, kinds, template, values;\n"
        f"{faces}\n@layer base {{\n{base_css()}}}\n@layer kinds {{\n{kinds_css()}}}\n"
        f"@layer template {{\n{written_out(look.template.css)}}}\n"
    )
    return Style(rules, values(look, draft))


def values(look: Look, draft: bool = False) -> str:
    """Custom properties of the brand sheet and the parts, and the width at which the menu unfolds. A draft has every
    arrangement of the header, so that a change of it shows at once; a live page only its own."""
    root, grounds = custom_properties(look)
    blocks = [_block(":root", root)]
    blocks += [_block(f'[data-ground="{slug}"]', roles) for slug, roles in grounds.items()]
    blocks += [_block(".has-backdrop", _OVER_PICTURES)]
    blocks += [f".tint-{tint} {{ --tint: {tint / 100:g}; }}" for tint in sorted(_tints(look))]
    blocks += sorted(set(one_off_rules(look)))
    blocks += sorted({rule for p in look.pictures.values() if (rule := position_rule(p))})
    arrangement = "" if draft else look.arrangement.slug
    fold = header_fit(look).fold
    unfolded = f"@media (min-width: {fold}px) {{\n{unfolded_css(arrangement)}}}"
    blocks += _covered(look, fold)
    return "@layer values {\n" + "\n".join([*blocks, unfolded]) + "\n}\n"


def _tints(look: Look) -> set[int]:
    """Every tint over a picture that text stands on, in %."""
    behind = [of_header(look), *(of_section(look, section) for section in look.document.on_pictures())]
    return {one.tint for one in behind if one}


def custom_properties(look: Look) -> tuple[dict[str, str], dict[str, dict[str, str]]]:
    """The owner's values by name of the custom property: those of the whole page, and those of each ground."""
    measures = look.template.measures
    heading, body = look.family("type.heading"), look.family("type.body")
    column = look.measure * body.facts.average_width / body.facts.units_per_em
    root = {
        "font-heading": stack(heading),
        "font-body": stack(body),
        "heading-weight": f"{look.texts['h1'].weight}",
        **_settings(look),
        **_hanging(look),
        **level_properties(look),
        "measure": f"calc(var(--size-body) * {column:.3f})",
        "gutter": f"{measures.gutter:g}px",
        "nav-gap": f"{measures.nav_gap:g}px",
        "side-column": f"{header_fit(look).column}px",
        "unfolds": f"{header_fit(look).fold}px",
        "logo-share": f"{look.value('logo.height') / 100:g}",
    }
    return root, {slug: _roles(look, slug, ground) for slug, ground in look.grounds.items()}


def _covered(look: Look, unfolds: int) -> list[str]:
    """Rules by which what is led to stands below a header that stays on top."""
    if look.value("header.position") != "sticky":
        return []
    covers = header_heights(look)
    windows = [*zip((0, *FOLDED_FROM[1:]), covers.folded, strict=True), (unfolds, covers.unfolded)]
    rule = "@media (min-width: {}px) {{ html {{ scroll-padding-block-start: {}px; }} }}"
    return [rule.format(window, height) for window, height in windows]


def header_heights(look: Look) -> Heights:
    """How high the header stands at most, as it is now."""
    document, navigation = look.document, look.document.navigation
    title, entries, small = (Setting(look.face(level), look.texts[level]) for level in ("title", "navigation", "small"))
    least = Least(look.value("header.height_wide"), look.value("header.height_phone"))
    return heights(
        look.arrangement,
        sum(page not in navigation.hidden for page in menu(document)),
        title,
        small if document.tagline and look.value("header.tagline") else None,
        entries,
        least,
        document.name,
        look.value("logo.height") / 100 if logo_on(look, look.value("header.ground")) else None,
    )


def _settings(look: Look) -> dict[str, str]:
    """The design values that are custom properties as they are."""
    styled = (setting for setting in SETTINGS.values() if setting.css)
    return {setting.css: setting.kind.css(look.value(setting.key)) for setting in styled}


def _hanging(look: Look) -> dict[str, str]:
    """How far an opening quote stands out of its line: its own advance, which the font tells."""
    if not look.value("type.hanging"):
        return {"hanging": "none"}
    facts = look.family("type.heading").facts
    return {"hanging": "first last", "hang-heading": f"{facts.quote / facts.units_per_em:.3f}em"}


def _roles(look: Look, slug: str, ground: Ground) -> dict[str, str]:
    """A ground's roles; one set by hand as see-through stays so, that a picture behind it shows."""
    roles = {role.replace("_", "-"): getattr(ground, role).hex for role in ROLE_NAMES}
    for role in ROLE_NAMES:
        value = look.by_hand.get(f"{slug}.{role}", "")
        if len(value) == len("#rrggbbaa"):
            roles[role.replace("_", "-")] = value
    rule = look.value("link.underline")
    visible = rule == "always" or (rule == "needed" and ground.link_underlined)
    return roles | {"link-line": "underline" if visible else "none"} | shadows(look)


def header_fit(look: Look) -> Fit:
    """How the header's parts fit, as they are now."""
    document, navigation = look.document, look.document.navigation
    visible = [page for page in menu(document) if page not in navigation.hidden]
    entries = [navigation.names.get(page, document.pages[page].name) for page in visible]
    logo = logo_on(look, look.value("header.ground"))
    width = None
    if logo:
        width = look.value("header.height_wide") * look.value("logo.height") / 100 * logo.width / logo.height
    title, navigation_as = (Setting(look.face(level), look.texts[level]) for level in ("title", "navigation"))
    tagline = 0.0
    if document.tagline and look.value("header.tagline"):
        tagline = Setting(look.face("small"), look.texts["small"]).two_lines(document.tagline)
    measures = look.template.measures
    return fit(look.arrangement, document.name, entries, title, navigation_as, measures, width, tagline)


def _block(selector: str, properties: dict[str, str], prefix: str = "--") -> str:
    lines = "".join(f"{prefix}{name}:{value};" for name, value in properties.items())
    return f"{selector}{{{lines}}}"


@cache
def skeleton(name: str) -> str:
    """A stylesheet of the skeleton."""
    return written_out((SKELETON / name).read_text())


@cache
def base_css() -> str:
    """The styles of the page and of its parts."""
    of_parts = (PARTS_FOLDER / f"{slug}.css" for slug in parts())
    styles = (written_out(file.read_text()) for file in of_parts if file.exists())
    return "".join([skeleton("base.css"), longest_rules(), *styles, skeleton("end.css")])


@cache
def unfolded_css(arrangement: str = "") -> str:
    """The styles in force where the menu is unfolded, those of an arrangement last, or of all of them."""
    return skeleton("unfolded.css") + written_out(shipped.arrangement_css(shipped.catalogue(), arrangement))


@cache
def kinds_css() -> str:
    """The styles of all section kinds."""
    return written_out(shipped.kind_css())
