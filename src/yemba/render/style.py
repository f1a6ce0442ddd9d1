"""The stylesheet: rules, which the template decides, and values, which the owner decides."""

from __future__ import annotations

from functools import cache
from pathlib import Path
from typing import NamedTuple

from yemba import catalogue as shipped
from yemba.core.colour.grounds import ROLE_NAMES, Ground
from yemba.core.layout.arrangement import OVER
from yemba.core.layout.frame import END, FIXED, MIDDLE, START
from yemba.core.layout.header_fit import FOLDED_FROM, GAP, SIZE, SMALLER, TAGLINE, TIGHT_GAP, Fit
from yemba.core.part.part import parts
from yemba.core.picture.filters import DUOTONE
from yemba.core.site import background, footer
from yemba.core.site import behind as behind_words
from yemba.core.site.backdrop import of_header, of_section
from yemba.core.site.behind_style import declarations, style_mark
from yemba.core.site.extra import extra
from yemba.core.site.frame import frame
from yemba.core.site.header import gap, header_bar_heights, header_fit, header_heights, shrinks
from yemba.core.site.header_ground import gradient, pattern
from yemba.core.site.journal import has_posts
from yemba.core.site.kinds import EXCERPTS
from yemba.core.site.resolve import Look
from yemba.core.site.settings import SETTINGS
from yemba.core.type.scale import Fluid
from yemba.render.fonts import all_faces, published, stack
from yemba.render.fonts import faces as faces_of
from yemba.render.level import level_properties, longest_rules, shadows, written_out
from yemba.render.one_off import one_off_rules
from yemba.render.pictures import position_rule

SKELETON = Path(__file__).parent / "skeleton"
PARTS_FOLDER = Path(__file__).parent / "parts"

_NOTICES = frozenset({"words"})
"""The kinds of section that pages which are none of the owner's are set as."""
_OVER_PICTURES = {**dict.fromkeys(("quiet", "link", "link-hover", "visited"), "var(--text)"), "link-line": "underline"}
"""Over a picture these are set in the text's colour, for which the tint is worked out. They outrank a ground's own."""


class Style(NamedTuple):
    rules: str
    values: str


def style(look: Look, draft: bool = False) -> Style:
    return Style(rules(look, draft), values(look, draft))


def rules(look: Look, draft: bool = False) -> str:
    """What the template gives. A draft has the faces of every family, so that a change of pairing shows
    while the pointer is still on it, and the styles of every kind of section; a live page only those it uses."""
    faces = all_faces(look) if draft else faces_of(look, published(look))
    kinds = _kinds(look, draft)
    return (
        "@layer base, kinds, template, values;\n"
        f"{faces}\n@layer base {{\n{base_css()}}}\n@layer kinds {{\n{kinds_css(kinds)}}}\n"
        f"@layer template {{\n{written_out(look.template.css)}}}\n"
    )


def values(look: Look, draft: bool = False) -> str:
    """Custom properties of the brand sheet and the parts, and the width at which the menu unfolds. A draft has every
    arrangement of the header, so that a change of it shows at once; a live page only its own."""
    fit = header_fit(look)
    root, grounds = custom_properties(look, fit)
    blocks = [_block(":root", root)]
    blocks += [_block(f'[data-ground="{slug}"]', roles) for slug, roles in grounds.items()]
    blocks += [
        _block(".has-backdrop, .over-picture, .behind-gradient, .behind-pattern, .behind-through", _OVER_PICTURES)
    ]
    blocks += sorted(_drawn_behind(look))
    blocks += [f".tint-{tint} {{ --tint: {tint / 100:g}; }}" for tint in sorted(_tints(look))]
    blocks += sorted(set(one_off_rules(look)))
    blocks += sorted({rule for p in look.pictures.values() if (rule := position_rule(p))})
    arrangement = "" if draft else look.arrangement.slug
    unfolds = "\n".join([unfolded_css(arrangement), *_gives_way(look, fit)])
    blocks += _covered(look, fit.fold)
    blocks += _framed(look, fit)
    blocks += [
        everywhere_css(arrangement, footer=draft or footer.is_own(look)),
        choices_css(_kinds(look, draft)),
        *_action(fit),
        f"@media (min-width: {fit.fold}px) {{\n{unfolds}}}",
    ]
    return "@layer values {\n" + "\n".join(blocks) + "\n}\n"


def _kinds(look: Look, draft: bool) -> frozenset[str]:
    """The kinds of section whose styles a page carries; none for all."""
    if draft:
        return frozenset()
    lists = {look.catalogue.kind_of_role(EXCERPTS).slug} if has_posts(look.document) else set()
    return _NOTICES | lists | {kind for kind, _ in look.document.kinds_on_grounds()}


def _tints(look: Look) -> set[int]:
    """Every tint over a picture that text stands on, in %."""
    behind = [of_header(look), *(of_section(look, section) for section in look.document.on_pictures())]
    site = {look.value("background.tint")} if background.chosen(look).backdrop(look) else set()
    return {one.tint for one in behind if one} | site


def _drawn_behind(look: Look) -> set[str]:
    """A rule for whatever is drawn behind the words of a section."""
    chosen = (behind_words.of_section(look, section) for section in look.document.drawn_behind())
    every = [*chosen, footer.behind(look)]
    marks = {style_mark(look, one): declarations(look, one) for one in every}
    return {f'[data-behind="{mark}"]{{{declared}}}' for mark, declared in marks.items() if mark}


def custom_properties(look: Look, fit: Fit) -> tuple[dict[str, str], dict[str, dict[str, str]]]:
    """The owner's values by name of the custom property: those of the whole page, and those of each ground. `fit` says
    how the header fits."""
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
        "nav-gap": f"{gap(look):g}px",
        "side-column": f"{fit.column}px",
        "unfolds": f"{fit.stages[0].width}px",
        "logo-share": f"{look.value('logo.height') / 100:g}",
        "header-position": "relative" if look.value("header.position") == "relative" else "sticky",
        "sheet-width": f"{frame(look, fit).sheet:g}px",
        **_background(look),
        **_behind_header(look),
        **_duotone(look),
        **_extra(look),
        **{f"footer-{role}": colour.hex for role, colour in footer.link_colours(look).items()},
    }
    return root, {slug: _roles(look, slug, ground) for slug, ground in look.grounds.items()}


def _gives_way(look: Look, fit: Fit) -> list[str]:
    """Rules by which a header gives way before its menu folds: each holds in windows narrower than the stage before."""
    size = look.sizes["navigation"]
    smaller = Fluid(SMALLER * size.low, SMALLER * size.high).css()
    ways = {
        GAP: f".site-header {{ --nav-gap: {min(gap(look), TIGHT_GAP):g}px; }}",
        TAGLINE: ".bar .tagline, .bar .tagline.on-phone { display: none; }",
        SIZE: f".site-header {{ --size-navigation: {smaller}; }}",
    }
    pairs = zip(fit.stages, fit.stages[1:], strict=False)
    return [f"@media (width < {before.width}px) {{ {ways[stage.gives]} }}" for before, stage in pairs]


def _framed(look: Look, fit: Fit) -> list[str]:
    """The page as a sheet of its own width, and the windows in which the sidebar stands beside its content."""
    rules, framed = [], frame(look, fit)
    if framed.form == FIXED:
        margins = {START: "0 auto", MIDDLE: "auto", END: "auto 0"}[framed.place]
        rules.append(f":root{{--sheet:min(100vw,{framed.sheet:g}px);}}")
        rules.append(
            f"html{{background:var(--canvas);}}body{{inline-size:min(100%,{framed.sheet:g}px);margin-inline:{margins};}}"
        )
    if framed.beside_from is not None:
        rules.append(f"@media (min-width: {framed.beside_from}px) {{\n{skeleton('beside.css')}}}")
    return rules


def _background(look: Look) -> dict[str, str]:
    """What is drawn behind the page."""
    here = background.chosen(look)
    fill = here.fill(look)
    values = {"canvas": fill.hex}
    if stops := here.gradient(look):
        return values | {"site-behind": stops.css(fill)}
    if tiled := here.patterned(look):
        return values | {"site-behind": f"{tiled.css()} 0 0 / {tiled.size}px, {fill.hex}"}
    return values


def _action(fit: Fit) -> list[str]:
    """From which window on the call to action stands beside the button of a folded menu."""
    if not fit.action_from:
        return []
    rule = ".bar > .action:not(.wide-only) { display: inline-block; }"
    return [f"@media ({fit.action_from}px <= width < {fit.fold}px) {{ {rule} }}"]


def _covered(look: Look, unfolds: int) -> list[str]:
    """How much of a window the header takes: what is led to stands below one that stays on top, and what begins under
    one that stands over it begins below its words."""
    rules = []
    stays = look.value("header.position") != "relative" and look.arrangement.stands != OVER
    if stays:
        rules.append("html {{ scroll-padding-block-start: calc({}px + var(--trail, 0px)); }}")
    if look.arrangement.stands == OVER:
        rules.append(":root {{ --header-covers: calc({}px + var(--trail, 0px)); }}")
    if shrinks(look):
        rules.append(":root {{ --header-bar: {}px; }}")
    if not rules:
        return []
    covers = header_bar_heights(look) if shrinks(look) else header_heights(look)
    windows = [*zip((0, *FOLDED_FROM[1:]), covers.folded, strict=True), (unfolds, covers.unfolded)]
    folded = [(window, height) for window, height in windows[:-1] if window < unfolds]
    changes = [first for first, before in zip(folded, [(0, None), *folded], strict=False) if first[1] != before[1]]
    text = " ".join(rules)
    return [
        f"@media (min-width: {window}px) {{ {text.format(*[height] * len(rules))} }}"
        for window, height in [*changes, windows[-1]]
    ]


def _settings(look: Look) -> dict[str, str]:
    """The design values that are custom properties as they are."""
    styled = [(setting, look.value(setting.key)) for setting in SETTINGS.values() if setting.css]
    return {setting.css: setting.kind.css(value) for setting, value in styled if value is not None}


def _behind_header(look: Look) -> dict[str, str]:
    """A gradient or a pattern behind the header."""
    if stops := gradient(look):
        return {"header-behind": stops.css(look.grounds[look.value("header.ground")].fill)}
    if tiled := pattern(look):
        return {"header-behind": tiled.css(), "header-tile": f"{tiled.size}px"}
    return {}


def _duotone(look: Look) -> dict[str, str]:
    """The two colours that a filter makes of pictures, where one has it."""
    on_pictures = (section.fields.get("filter") for section in look.document.on_pictures())
    of_parts = (look.value(f"{part}.filter") for part in ("header", "background"))
    if DUOTONE not in (*of_parts, *on_pictures):
        return {}
    dark, light = look.duotone
    return {"duotone-dark": dark.hex, "duotone-light": light.hex}


def _extra(look: Look) -> dict[str, str]:
    """Where the small picture of the header stands, and how much room it takes on a phone and on a wide window."""
    small = extra(look)
    if small is None:
        return {}
    across, down = small.shares
    values = {"extra-across": f"{across:g}", "extra-down": f"{down:g}"}
    values |= {"extra-x": f"{small.offset.x:g}px", "extra-y": f"{small.offset.y:g}px"}
    values |= {"extra-turn": f"{look.value('header.extra_turn'):g}deg"}
    values |= {"extra-strength": f"{look.value('header.extra_strength') / 100:g}"}
    for end, extent in (("phone", small.phone), ("wide", small.wide)):
        for name, size in zip(("width", "box-wide", "box-high"), (extent.width, extent.wide, extent.high), strict=True):
            values[f"extra-{end}-{name}"] = f"{size:.2f}px"
    return values


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
def everywhere_css(arrangement: str = "", *, footer: bool = True) -> str:
    """What an owner sets of parts, which outranks the template, that of the `footer` where it is asked for, and the
    styles of an arrangement, or of all of them, that are in force at every width."""
    own = skeleton("owner.css") + (skeleton("footer.css") if footer else "")
    return own + written_out(shipped.everywhere_css(shipped.catalogue(), arrangement))


@cache
def unfolded_css(arrangement: str = "") -> str:
    """The styles in force where the menu is unfolded, those of an arrangement last, or of all of them."""
    return skeleton("unfolded.css") + written_out(shipped.arrangement_css(shipped.catalogue(), arrangement))


@cache
def kinds_css(only: frozenset[str] = frozenset()) -> str:
    """The styles of section kinds, of all of them unless `only` some are named."""
    return written_out(shipped.kind_css(only=only))


@cache
def choices_css(only: frozenset[str] = frozenset()) -> str:
    """What an owner chooses of section kinds, which outranks the template; of all of them unless `only` some are
    named."""
    return written_out(shipped.kind_css(only=only, name="owner.css"))
