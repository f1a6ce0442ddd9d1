"""Palettes by the thousand, the awkward kinds among them: everything reads, every state is seen."""

from __future__ import annotations

import random
from collections.abc import Callable

import pytest

from tests.sampling import fewer, some
from yemba.core.colour.contrast import EDGE, TEXT, ratio
from yemba.core.colour.grounds import failures, work_out
from yemba.core.colour.oklch import Oklch, difference, to_colour
from yemba.core.colour.srgb import BLACK, WHITE, Colour

SEEDS, EACH = 10, 1000
KINDS: tuple[Callable[[random.Random], Colour], ...] = (
    lambda chance: Colour(*(chance.randrange(256) for _ in range(3))),
    lambda chance: Colour(*(chance.randrange(40) for _ in range(3))),  # all dark
    lambda chance: Colour(*(chance.randrange(215, 256) for _ in range(3))),  # all light
    lambda chance: Colour(*[chance.randrange(256)] * 3),  # greys
    lambda chance: to_colour(Oklch(chance.random(), chance.random() * 0.3, 30)),  # one hue
    lambda chance: chance.choice((BLACK, WHITE)),  # equal ones too
    lambda chance: to_colour(Oklch(0.9 + chance.random() * 0.07, 0.05, chance.randrange(360))),  # pastels
    lambda chance: to_colour(Oklch(0.5 + chance.random() * 0.3, 0.33, chance.randrange(360))),  # loud
)


@pytest.mark.parametrize("seed", some(range(SEEDS), 3))
def test_on_every_ground_all_reads_and_states_differ(seed: int) -> None:
    chance = random.Random(seed)
    for n in range(fewer(EACH)):
        kind = KINDS[n % len(KINDS)]
        palette = tuple(kind(chance) for _ in range(chance.randint(3, 8)))
        for slug, ground in work_out(palette).items():
            told = f"{slug} of {[colour.hex for colour in palette]}"
            assert failures(ground) == [], told
            states = (ground.button, ground.button_hover, ground.button_pressed, ground.button_disabled)
            near = min(difference(a, b) for i, a in enumerate(states) for b in states[:i])
            assert near >= 0.03, told
            readable = [end for end in (BLACK, WHITE) if ratio(end, ground.fill) >= TEXT]
            room = max(difference(end, ground.link) for end in readable)
            assert difference(ground.link, ground.link_hover) >= min(0.03, room), told  # else the underline tells
            assert ratio(ground.button_disabled_text, ground.button_disabled) >= EDGE, told
            assert ground.link_underlined == (ratio(ground.link, ground.text) < EDGE), told
