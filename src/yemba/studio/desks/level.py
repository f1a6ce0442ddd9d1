"""The controls of one level of text, wherever they stand: the Type, the Header and the Footer desk."""

from __future__ import annotations

from yemba.core.check.legible import Remark, remarks
from yemba.core.site.resolve import Look
from yemba.core.type.levels import LEVELS, PROPERTIES, Text, properties
from yemba.studio.controls import offered
from yemba.studio.desks.setting import Context, setting

_LIMITED = {"weight": "weights", "width": "widths"}
"""Properties that a face limits, with its own name for the limits."""


def level_desk(look: Look, slug: str) -> Context:
    """Every control with what it shows now, whether set or worked out, and what it does to reading."""
    level, text, every = LEVELS[slug], look.texts[slug], remarks(look, slug)
    names = [name for name in properties(level) if offered(look, f"{slug}.{name}")]
    controls = [_control(look, slug, name, [one for one in every if one.name == name]) for name in names]
    return {
        "slug": slug,
        "name": level.name,
        "controls": controls,
        "by_hand": [control["name"] for control in controls if control["mine"]],
        "family": look.families[text.face],
    }


def _control(look: Look, slug: str, name: str, remarks_on: list[Remark]) -> Context:
    text = look.texts[slug]
    family = look.families[text.face]
    control = setting(look, f"{slug}.{name}") | {
        "name": PROPERTIES[name].capitalize(),
        "level": slug,
        "remarks": remarks_on,
        "follows": look.family(f"type.{LEVELS[slug].follows}").name,
    }
    if name == "face":
        return control
    if name in _LIMITED:
        control["low"], control["high"] = getattr(family, _LIMITED[name])
    if name == "case" and "smcp" not in family.facts.features and text.case != "small-caps":
        control["choices"] = [choice for choice in control["choices"] if choice[0] != "small-caps"]
    return control | {"value": _value(text, name)}


def _value(text: Text, name: str) -> str:
    """The value as it shows; a number to the precision that it can be set in."""
    value = {"wide": text.size.high, "phone": text.size.low, "width": text.stretch}.get(name)
    value = getattr(text, name) if value is None else value
    if isinstance(value, str):
        return value
    return f"{round(value, 3 if name == 'spacing' else 2):g}"
