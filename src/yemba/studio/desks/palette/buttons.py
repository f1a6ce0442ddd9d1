"""One place for the shape of all buttons: its settings, and a sheet of their states on every ground."""

from __future__ import annotations

from collections.abc import Mapping

from yemba.core.colour.contrast import TEXT
from yemba.core.colour.grounds import Ground
from yemba.core.site.buttons import KINDS, SHORT_KINDS, STATES, Painted, form_of, reads_at, states
from yemba.core.site.resolve import Look
from yemba.sites.models import Site
from yemba.studio.desks.level import level_desk
from yemba.studio.desks.setting import Context, setting

_SETTINGS = ("form", "edge", "corner", "size", "sign", "pointed", "pressed")
_ACROSS, _DOWN = 72, 29  # units of the drawing from one button to the next
_ROUNDEST = 40  # px


def view(site: Site, look: Look, chosen: dict[str, str], query: Mapping[str, str]) -> Context:
    sheet = [_on(look, slug) for slug in look.grounds]
    return {
        "settings": [setting(look, f"buttons.{name}") for name in _SETTINGS],
        "sheet": sheet,
        "states": [(_ACROSS * (place + 0.5), name) for place, name in enumerate(STATES.values())],
        "hard_to_read": [row for ground in sheet for row in ground["rows"] if row["unread"]],
        "level": level_desk(look, "button"),
    }


def _on(look: Look, slug: str) -> Context:
    """Buttons of each kind on a ground, in each state."""
    ground = look.grounds[slug]
    return {
        "name": look.ground_names[slug],
        "fill": ground.fill.hex,
        "text": ground.text.hex,
        "rows": [_row(look, slug, kind) | {"y": _DOWN * place} for place, kind in enumerate(KINDS)],
    }


def _row(look: Look, slug: str, kind: str) -> Context:
    ground = look.grounds[slug]
    form = form_of(look.value("buttons.form"), kind)
    painted = states(form, look.value("buttons.pointed"))
    used = {name: one for name, one in painted.items() if name != "out"}
    return {
        "kind": SHORT_KINDS[kind],
        "ground": look.ground_names[slug],
        "cells": [
            _drawn(look, ground, one, state) | {"x": _ACROSS * (place + 0.5)}
            for place, (state, one) in enumerate(painted.items())
        ],
        "unread": [STATES[name].lower() for name, one in used.items() if reads_at(one, ground) < TEXT],
    }


def _drawn(look: Look, ground: Ground, painted: Painted, state: str) -> Context:
    """Colours and lengths, in px, as a drawing has them."""
    corner, edge = look.value("buttons.corner"), look.value("buttons.edge")
    raised = look.value("buttons.pointed") == "lift" and state == "pointed" and painted.edge
    sunk = look.value("buttons.pressed") == "sink" and state == "pressed" and painted.edge
    return {
        "fill": getattr(ground, painted.fill).hex if painted.fill else "none",
        "words": getattr(ground, painted.words).hex,
        "edge": getattr(ground, painted.edge).hex if painted.edge else "none",
        "line": painted.line,
        "corner": min(_ROUNDEST, look.value("shape.corner") if corner is None else corner) / 2,
        "thick": (2 if edge is None else edge) / 2,
        "down": -2 if raised else 1 if sunk else 0,
        "raised": raised,
        "sign": look.value("buttons.sign"),
    }
