"""A name for a colour: the nearest of a list of plain colour words, in the reader's language."""

from __future__ import annotations

from collections.abc import Collection
from functools import cache
from itertools import chain, count
from math import hypot

from yemba.core.colour.oklch import to_oklab
from yemba.core.colour.srgb import Colour, from_hex
from yemba.core.message import Joined, labels

# Words that people use of paint, cloth, stone and plants, each with a colour of our choosing.
_WORDS = labels({
    "#000000": "Black", "#1c1b1a": "Soot", "#16212e": "Ink", "#36393d": "Charcoal", "#55585c": "Graphite",
    "#55636e": "Slate", "#71828f": "Steel", "#8f9499": "Pewter", "#b1b3b0": "Ash", "#d3d7d8": "Fog",
    "#efeeea": "Chalk", "#ffffff": "White", "#f7f3e8": "Paper", "#ece2d0": "Linen", "#d9c9a8": "Oat",
    "#cdb58c": "Sand", "#dcc26a": "Straw", "#d69a2d": "Honey", "#b98a1c": "Mustard", "#f0a81c": "Amber",
    "#f2b53a": "Saffron", "#f3e04a": "Lemon", "#f7e9a0": "Butter", "#faf3d3": "Cream", "#c69c3a": "Gold",
    "#a6803a": "Brass", "#7c5f2e": "Bronze", "#5a4430": "Umber", "#4c3325": "Walnut", "#6a4630": "Cocoa",
    "#84482f": "Chestnut", "#a8673c": "Cinnamon", "#b26d42": "Copper", "#b9735a": "Clay", "#c65f3f": "Terracotta",
    "#a5402d": "Brick", "#8c3b2a": "Oxide", "#9c4a22": "Rust", "#dd7420": "Pumpkin", "#f28a1e": "Orange",
    "#f3b384": "Apricot", "#f8cdb0": "Peach", "#ef9480": "Salmon", "#f0705a": "Coral", "#df4630": "Tomato",
    "#d9322a": "Poppy", "#d51f26": "Red", "#ff1a1a": "Signal", "#a81c30": "Cherry", "#6e1f32": "Wine",
    "#551a2b": "Bordeaux", "#62305a": "Plum", "#3c2140": "Aubergine", "#9c7fa4": "Heather", "#c4a8d8": "Lilac",
    "#dcd2ee": "Lavender", "#6f3fb0": "Violet", "#7c2a8c": "Purple", "#5a4fcf": "Iris", "#c46bc0": "Orchid",
    "#d62a92": "Fuchsia", "#ff22dd": "Magenta", "#c02758": "Raspberry", "#dd6f8c": "Rose", "#f2cdd0": "Blush",
    "#f5a3bd": "Pink", "#32337f": "Indigo", "#1b2147": "Midnight", "#1c2d5a": "Navy", "#1f47a8": "Cobalt",
    "#2456d6": "Blue", "#6d92e0": "Cornflower", "#9ac8ee": "Sky", "#dceef5": "Ice", "#3f5f8a": "Denim",
    "#2f5f8a": "Harbour", "#155a6b": "Petrol", "#14797a": "Teal", "#2d8f95": "Sea", "#3bb0b8": "Lagoon",
    "#30c8c0": "Turquoise", "#9ae6e0": "Aqua", "#c0ecd4": "Mint", "#2a9d74": "Jade", "#128a4c": "Emerald",
    "#2b9a3a": "Green", "#5aa63a": "Grass", "#a9d22e": "Lime", "#6d7a35": "Moss", "#70702a": "Olive",
    "#a3b18f": "Sage", "#4f7a42": "Fern", "#1d4a35": "Bottle", "#21402f": "Pine", "#20521f": "Forest",
    "#1f3330": "Seaweed", "#3c4a2c": "Kelp", "#3ae06a": "Spring", "#ffe3e8": "Petal", "#eaf7dc": "Pistachio",
    "#e2effb": "Frost", "#fff6e0": "Milk",
})  # fmt: skip


@cache
def _known() -> tuple[tuple[str, Colour], ...]:
    return tuple((name, from_hex(code)) for code, name in _WORDS.items())


def _unlike(first: Colour, second: Colour) -> float:
    """As people name colours: a pale pink is a pink before it is a white. Hue and chroma count twice."""
    (light, a, b), (other_light, other_a, other_b) = to_oklab(first), to_oklab(second)
    return float(hypot(light - other_light, 2 * (a - other_a), 2 * (b - other_b)))


def name_for(colour: Colour, existing: Collection[str] = ()) -> str:
    """A word for `colour` that is none of `existing`: the nearest word left, numbered where all near ones are gone.

    It is a message, to be kept in the language of whoever asked for it.
    """
    near = [name for name, _ in sorted(_known(), key=lambda known: _unlike(known[1], colour))]
    used = {str(name).casefold() for name in existing}
    numbered = (Joined(" ", [near[0], str(number)]) for number in count(2))
    return next(name for name in chain(near[:4], numbered) if str(name).casefold() not in used)
