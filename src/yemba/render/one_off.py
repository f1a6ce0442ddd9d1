"""One-offs of a text as styles: a rule for each way of setting, and the mark that an element carries for it."""

from __future__ import annotations

from collections.abc import Iterator, Mapping
from hashlib import sha256

from yemba.core.site.one_offs import apart
from yemba.core.site.resolve import Look
from yemba.render.fonts import stack


def one_off_mark(look: Look, stored: Mapping[str, str]) -> str:
    """The value of data-one that an element with these one-offs carries; "" where nothing of it is set apart."""
    declarations = _declarations(look, stored)
    return sha256(declarations.encode()).hexdigest()[:6] if declarations else ""


def one_off_rules(look: Look) -> Iterator[str]:
    """A rule for every mark there is on the site."""
    for stored in look.document.one_offs():
        if mark := one_off_mark(look, stored):
            yield f'[data-one="{mark}"]{{{_declarations(look, stored)}}}'


def _declarations(look: Look, stored: Mapping[str, str]) -> str:
    values = apart(look, stored)
    declared = {
        "font-family": stack(values.face) if values.face else "",
        "font-size": values.size.css() if values.size else "",
        "font-weight": values.weight,
        "font-style": values.style,
        "color": values.colour.hex if values.colour else "",
    }
    return "".join(f"{name}:{value};" for name, value in declared.items() if value)
