"""A name for a colour: the nearest of a list of plain colour words."""

from __future__ import annotations

from collections.abc import Collection
from functools import cache
from itertools import count
from math import hypot

from yemba.core.colour.oklch import to_oklab
from yemba.core.colour.srgb import Colour, from_hex

# Words that people use of paint, cloth, stone and plants, each with a colour of our choosing.
_WORDS = """
Black 000000, Soot 1c1b1a, Ink 16212e, Charcoal 36393d, Graphite 55585c, Slate 55636e, Steel 71828f, Pewter 8f9499,
Ash b1b3b0, Fog d3d7d8, Chalk efeeea, White ffffff, Paper f7f3e8, Linen ece2d0, Oat d9c9a8, Sand cdb58c, Straw dcc26a,
Honey d69a2d, Mustard b98a1c, Amber f0a81c, Saffron f2b53a, Lemon f3e04a, Butter f7e9a0, Cream faf3d3, Gold c69c3a,
Brass a6803a, Bronze 7c5f2e, Umber 5a4430, Walnut 4c3325, Cocoa 6a4630, Chestnut 84482f, Cinnamon a8673c, Copper b26d42,
Clay b9735a, Terracotta c65f3f, Brick a5402d, Oxide 8c3b2a, Rust 9c4a22, Pumpkin dd7420, Orange f28a1e, Apricot f3b384,
Peach f8cdb0, Salmon ef9480, Coral f0705a, Tomato df4630, Poppy d9322a, Red d51f26, Signal ff1a1a, Cherry a81c30,
Wine 6e1f32, Bordeaux 551a2b, Plum 62305a, Aubergine 3c2140, Heather 9c7fa4, Lilac c4a8d8, Lavender dcd2ee,
Violet 6f3fb0, Purple 7c2a8c, Iris 5a4fcf, Orchid c46bc0, Fuchsia d62a92, Magenta ff22dd, Raspberry c02758, Rose dd6f8c,
Blush f2cdd0, Pink f5a3bd, Indigo 32337f, Midnight 1b2147, Navy 1c2d5a, Cobalt 1f47a8, Blue 2456d6, Cornflower 6d92e0,
Sky 9ac8ee, Ice dceef5, Denim 3f5f8a, Harbour 2f5f8a, Petrol 155a6b, Teal 14797a, Sea 2d8f95, Lagoon 3bb0b8,
Turquoise 30c8c0, Aqua 9ae6e0, Mint c0ecd4, Jade 2a9d74, Emerald 128a4c, Green 2b9a3a, Grass 5aa63a, Lime a9d22e,
Moss 6d7a35, Olive 70702a, Sage a3b18f, Fern 4f7a42, Bottle 1d4a35, Pine 21402f, Forest 20521f, Seaweed 1f3330,
Kelp 3c4a2c, Spring 3ae06a,
Petal ffe3e8, Pistachio eaf7dc, Frost e2effb, Milk fff6e0
"""


@cache
def _known() -> tuple[tuple[str, Colour], ...]:
    pairs = (entry.split() for entry in _WORDS.replace("\n", " ").split(","))
    return tuple((name, from_hex(f"#{code}")) for name, code in pairs)


def _unlike(first: Colour, second: Colour) -> float:
    """As people name colours: a pale pink is a pink before it is a white. Hue and chroma count twice."""
    (light, a, b), (other_light, other_a, other_b) = to_oklab(first), to_oklab(second)
    return float(hypot(light - other_light, 2 * (a - other_a), 2 * (b - other_b)))


def name_for(colour: Colour, existing: Collection[str] = ()) -> str:
    """A word for `colour` that is none of `existing`: the nearest word left, numbered where all near ones are gone."""
    near = sorted(_known(), key=lambda known: _unlike(known[1], colour))
    used = {name.casefold() for name in existing}
    free = next((name for name, _ in near[:4] if name.casefold() not in used), "")
    if free:
        return free
    return next(f"{near[0][0]} {n}" for n in count(2) if f"{near[0][0]} {n}".casefold() not in used)
