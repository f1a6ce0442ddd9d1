"""The controls of one level of text, wherever they stand: the Type, the Header and the Footer desk."""

from __future__ import annotations

from yemba.core.check.legible import told
from yemba.core.site.resolve import Look
from yemba.core.site.settings import SETTINGS, Between, OneOf
from yemba.core.type.levels import LEVELS, PROPERTIES, Text, properties
from yemba.studio.desks.setting import Context, setting


def level_desk(look: Look, slug: str) -> Context:
    """Every control with what it shows now, whether set or worked out, and what it does to reading."""
    level, text = LEVELS[slug], look.texts[slug]
    said = told(look, slug)
    names = [name for name in properties(level) if _offered(look, text, name)]
    controls = [_control(look, slug, name) for name in names]
    for name, control in zip(names, controls, strict=True):
        control["told"] = [one for one in said if one.name == name]
    return {
        "slug": slug,
        "name": level.name,
        "controls": controls,
        "by_hand": [control["name"] for control in controls if control["mine"]],
        "family": look.families[text.face],
    }


def _offered(look: Look, text: Text, name: str) -> bool:
    """Width only where the face can be narrower or wider."""
    narrowest, widest = look.families[text.face].widths
    return name != "width" or narrowest < widest


def _control(look: Look, slug: str, name: str) -> Context:
    found = setting(look, f"{slug}.{name}")
    text, rule = look.texts[slug], SETTINGS[f"{slug}.{name}"].rule
    found |= {"name": PROPERTIES[name].capitalize(), "form": "number", "level": slug}
    if name == "face":
        follows = look.family(f"type.{LEVELS[slug].follows}").name
        families = [(key, family.name) for key, family in look.families.items()]
        return found | {"form": "face", "choices": families, "follows": follows}
    if isinstance(rule, OneOf):
        choices = list(rule.choices.items())
        if name == "case" and "smcp" not in look.families[text.face].facts.features and text.case != "small-caps":
            choices = [choice for choice in choices if choice[0] != "small-caps"]
        return found | {"form": "pick", "choices": choices, "value": getattr(text, name)}
    if isinstance(rule, Between):
        family = look.families[text.face]
        limits = {"weight": family.weights, "width": family.widths}.get(name, (rule.low, rule.high))
        found |= {"low": limits[0], "high": limits[1]}
    return found | {"value": _shown(text, name)}


def _shown(text: Text, name: str) -> str:
    """A number as it shows, to the precision that it can be set in."""
    value = {"wide": text.size.high, "phone": text.size.low, "width": text.stretch}.get(name)
    value = getattr(text, name) if value is None else value
    return f"{round(value, 3 if name == 'spacing' else 2):g}"
