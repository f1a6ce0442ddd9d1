"""The stylesheet: rules, which the template decides, and values, which the owner decides."""

from __future__ import annotations

from functools import cache
from hashlib import sha256
from pathlib import Path
from typing import NamedTuple

from yemba import catalogue as shipped
from yemba.core.change.commands.pages import menu
from yemba.core.colour.grounds import ROLE_NAMES, Ground
from yemba.core.layout.header_fit import SIDE_COLUMN, Fit, fit
from yemba.core.site.backdrop import of_header, of_section
from yemba.core.site.catalogue import Family
from yemba.core.site.resolve import Look
from yemba.core.type.fallback import fallback
from yemba.core.type.scale import line_height
from yemba.core.type.subsets import RANGES, subsets_of
from yemba.render.pictures import position_rule

SKELETON = Path(__file__).parent / "skeleton"

LOGO_SHARE = 0.62  # of the header's height; common practice, no source


class Style(NamedTuple):
    rules: str
    values: str


def style(look: Look, draft: bool = False) -> Style:
    """Rules and values. A draft has the faces of every family, so that a change of pairing shows
    while the pointer is still on it; a live page only those it uses."""
    used = look.catalogue.families.values() if draft else used_families(look)
    subsets = frozenset(RANGES) if draft else needed_subsets(look)
    faces = "\n".join(faces_of(family, subsets) for family in used)
    rules = (
        "@layer base, kinds, template, values;\n"
        f"{faces}\n@layer base {{\n{_read('base.css')}}}\n@layer kinds {{\n{shipped.kind_css()}}}\n"
        f"@layer template {{\n{look.template.css}}}\n"
    )
    return Style(rules, values(look))


def values(look: Look) -> str:
    """Custom properties of the brand sheet and the parts, and the width at which the menu unfolds."""
    root, grounds = custom_properties(look)
    blocks = [_block(":root", root)]
    blocks += [_block(f'[data-ground="{slug}"]', roles) for slug, roles in grounds.items()]
    blocks += [f".tint-{tint} {{ --tint: {tint / 100:g}; }}" for tint in sorted(_tints(look))]
    blocks += sorted({rule for p in look.document.pictures.values() if (rule := position_rule(p))})
    unfolded = f"@media (min-width: {header_fit(look).fold}px) {{\n{_read('unfolded.css')}}}"
    return "@layer values {\n" + "\n".join([*blocks, unfolded]) + "\n}\n"


def _tints(look: Look) -> set[int]:
    """Every tint over a picture that text stands on, in %."""
    sections = (section for page in look.document.pages.values() for section in page.sections.values())
    behind = [of_header(look), *(of_section(look, s) for s in sections if s.fields.get("backdrop"))]
    return {one.tint for one in behind if one}


def custom_properties(look: Look) -> tuple[dict[str, str], dict[str, dict[str, str]]]:
    """The owner's values by name of the custom property: those of the whole page, and those of each ground."""
    sizes = look.sizes
    measures = look.template.measures
    heading, body = look.family("type.heading"), look.family("type.body")
    weight = min(heading.weights[1], max(heading.weights[0], look.value("type.heading_weight")))
    root = {
        "font-heading": f'"{heading.name}", "{heading.name} fallback", {_generic(heading)}',
        "font-body": f'"{body.name}", "{body.name} fallback", {_generic(body)}',
        "heading-weight": f"{weight:g}",
        "numbers": look.value("type.numbers"),
        "leading": f"{line_height(sizes['body'].high, 66):g}",
        **{f"size-{level}": size.css() for level, size in sizes.items()},
        "corner": f"{look.value('shape.corner')}px",
        "frame-width": f"{look.value('frame.width')}px",
        "gutter": f"{measures.gutter:g}px",
        "header-wide": f"{look.value('header.height_wide')}px",
        "header-phone": f"{look.value('header.height_phone')}px",
        "title-size": f"{measures.title_size:g}em",
        "title-weight": f"{measures.title_weight}",
        "nav-size": f"{measures.nav_size:g}em",
        "nav-weight": f"{measures.nav_weight}",
        "nav-spacing": f"{measures.nav_spacing:g}em",
        "nav-gap": f"{measures.nav_gap:g}px",
        "side-column": f"{SIDE_COLUMN}px",
        "logo-share": f"{LOGO_SHARE}",
    }
    return root, {slug: _roles(look, slug, ground) for slug, ground in look.grounds.items()}


def _roles(look: Look, slug: str, ground: Ground) -> dict[str, str]:
    """A ground's roles; one set by hand as see-through stays so, that a picture behind it shows."""
    roles = {role.replace("_", "-"): getattr(ground, role).hex for role in ROLE_NAMES}
    for role in ROLE_NAMES:
        value = look.by_hand.get(f"{slug}.{role}", "")
        if len(value) == len("#rrggbbaa"):
            roles[role.replace("_", "-")] = value
    rule = look.value("link.underline")
    shown = rule == "always" or (rule == "needed" and ground.link_underlined)
    return roles | {"link-line": "underline" if shown else "none"}


def header_fit(look: Look) -> Fit:
    """How the header's parts fit, as they are now."""
    navigation = look.document.navigation
    entries = [
        navigation.names.get(page, look.document.pages[page].name)
        for page in menu(look.document)
        if page not in navigation.hidden
    ]
    logo = look.document.pictures.get(look.value("logo.picture"))
    shown = logo is not None and look.value("logo.form") == "picture"
    width = look.value("header.height_wide") * LOGO_SHARE * logo.width / logo.height if logo and shown else None
    families = (look.family("type.heading"), look.family("type.body"))
    return fit(
        look.value("header.arrangement"),
        look.document.name,
        entries,
        families,
        look.sizes["body"].high,
        look.template.measures,
        width,
    )


def used_families(look: Look) -> list[Family]:
    """Heading and body family, once where they are the same."""
    used = {family.slug: family for family in (look.family("type.heading"), look.family("type.body"))}
    return list(used.values())


def font_file(family: Family, style_name: str, subset: str) -> str:
    """The name a font file is published under; its hash makes it safe to keep for ever."""
    digest = sha256(font_bytes(family, style_name, subset)).hexdigest()[:10]
    return f"{family.slug}-{subset}-{style_name}.{digest}.woff2"


def font_bytes(family: Family, style_name: str, subset: str) -> bytes:
    return (shipped.FONTS / family.slug / family.files[style_name, subset]).read_bytes()


def needed_subsets(look: Look) -> frozenset[str]:
    """The subsets that hold what stands on the site; Latin always, for what Yemba itself says there."""
    written = look.document.model_dump_json(exclude={"bin", "set_aside"})
    return frozenset({"latin", *subsets_of(written)})


def faces_of(family: Family, subsets: frozenset[str]) -> str:
    """@font-face rules of a family for these subsets, and of a local font dressed up to take its room."""
    known = (family.slug, subsets)
    if known not in _FACES:  # shipped files do not change while Yemba runs
        _FACES[known] = _make_faces(family, subsets)
    return _FACES[known]


_FACES: dict[tuple[str, frozenset[str]], str] = {}


def _make_faces(family: Family, subsets: frozenset[str]) -> str:
    low, high = family.weights
    faces = [
        _block(
            "@font-face",
            {
                "font-family": f'"{family.name}"',
                "font-style": style_name,
                "font-weight": f"{low} {high}",
                "font-display": "swap",
                "src": f'url("{font_file(family, style_name, subset)}") format("woff2")',
                "unicode-range": RANGES[subset],
            },
            prefix="",
        )
        for style_name, subset in family.files
        if subset in subsets
    ]
    room = fallback(family.facts, family.local)
    faces.append(
        _block(
            "@font-face",
            {
                "font-family": f'"{family.name} fallback"',
                "src": f'local("{room.local}")',
                "size-adjust": f"{room.size_adjust:.4f}%",
                "ascent-override": f"{room.ascent_override:.4f}%",
                "descent-override": f"{room.descent_override:.4f}%",
                "line-gap-override": f"{room.line_gap_override:.4f}%",
            },
            prefix="",
        )
    )
    return "\n".join(faces)


_GENERIC = {"serif": "serif", "sans": "sans-serif", "hand": "cursive"}


def _generic(family: Family) -> str:
    return f'"{family.local}", {_GENERIC[family.kind]}'


def _block(selector: str, properties: dict[str, str], prefix: str = "--") -> str:
    lines = "".join(f"{prefix}{name}:{value};" for name, value in properties.items())
    return f"{selector}{{{lines}}}"


@cache
def _read(name: str) -> str:
    return (SKELETON / name).read_text()
