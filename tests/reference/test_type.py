"""Sizes, font facts and fallbacks against utopia-core and @capsizecss."""

from __future__ import annotations

import json
import random
import re
from pathlib import Path

import pytest

from tests.reference.node import node
from yemba.core.site.catalogue import Catalogue
from yemba.core.type.fallback import TIMES, fallback
from yemba.core.type.scale import Fluid, step

BASE, RATIO = Fluid(17, 19), Fluid(1.2, 1.25)


@pytest.mark.parametrize(
    ("number", "css"),
    [
        (0, "clamp(1.0625rem, 1.0114rem + 0.2273vw, 1.1875rem)"),
        (3, "clamp(1.836rem, 1.6383rem + 0.8788vw, 2.3193rem)"),
        (5, "clamp(2.6438rem, 2.2429rem + 1.782vw, 3.624rem)"),
        (-1, "clamp(0.8854rem, 0.859rem + 0.1174vw, 0.95rem)"),
    ],
)
def test_fluid_sizes_are_those_of_utopia(number: int, css: str) -> None:
    """Source: utopia-core 1.6.0, calculateTypeScale({minWidth: 360, maxWidth: 1240, minFontSize: 17,
    maxFontSize: 19, minTypeScale: 1.2, maxTypeScale: 1.25, positiveSteps: 5, negativeSteps: 1})."""
    assert step(number, BASE, RATIO).css() == css


@pytest.mark.tools
def test_fluid_sizes_are_those_of_utopia_for_many_settings(node_modules: Path) -> None:
    """Source: utopia-core as installed."""
    chance = random.Random(3)
    settings = [
        (low, low + chance.randrange(0, 50) / 10, narrow, narrow + chance.randrange(0, 30) / 100)
        for low, narrow in ((chance.randrange(140, 220) / 10, chance.randrange(105, 130) / 100) for _ in range(50))
    ]
    script = f"""
        import {{ calculateTypeScale }} from "utopia-core";
        const made = {json.dumps(settings)}.map(([minFontSize, maxFontSize, minTypeScale, maxTypeScale]) =>
          calculateTypeScale({{ minWidth: 360, maxWidth: 1240, minFontSize, maxFontSize, minTypeScale, maxTypeScale,
            positiveSteps: 5, negativeSteps: 1 }}).map(({{ step, clamp }}) => [step, clamp]));
        console.log(JSON.stringify(made));"""
    made = node(node_modules, script)
    assert isinstance(made, list)
    for (low, high, narrow, wide), steps in zip(settings, made, strict=True):
        for number, css in steps:
            ours = step(number, Fluid(low, high), Fluid(narrow, wide)).css()
            for theirs, mine in zip(numbers(css), numbers(ours), strict=True):
                assert mine == pytest.approx(theirs, abs=0.0002)


def numbers(css: str) -> list[float]:
    return [float(number) for number in re.findall(r"-?\d+(?:\.\d+)?", css)]


# @capsizecss/metrics 4.3.0: unitsPerEm, ascent, descent, lineGap, capHeight, xHeight, xWidthAvg.
# Taken with: node -e 'import("@capsizecss/metrics/newsreader").then(m => console.log(m.default))'
METRICS = {
    "newsreader": (2000, 1470, -530, 0, 1340, 852, 857),
    "alegreya": (1000, 1016, -345, 0, 637, 452, 410),
    "archivo": (1000, 878, -210, 0, 686, 526, 440),
    "fraunces": (2000, 1956, -510, 0, 1400, 964, 938),
    "instrument-sans": (1000, 970, -250, 0, 720, 510, 458),
    "literata": (1000, 1177, -308, 0, 701, 507, 480),
    "work-sans": (1000, 930, -243, 0, 660, 500, 499),
    "bricolage-grotesque": (1000, 930, -270, 0, 660, 517, 470),
}


@pytest.mark.parametrize("slug", METRICS)
def test_font_facts_are_those_of_capsize(slug: str, catalogue: Catalogue) -> None:
    """Source: @capsizecss/metrics 4.3.0."""
    facts = catalogue.families[slug].facts
    measured = (facts.units_per_em, facts.ascent, facts.descent, facts.line_gap, facts.cap_height, facts.x_height)
    assert (*measured, facts.average_width) == METRICS[slug]


def test_the_fallback_of_newsreader_is_that_of_capsize(catalogue: Catalogue) -> None:
    """Source: @capsizecss/core 4.1.3, createFontStack([newsreader, timesNewRoman])."""
    facts = catalogue.families["newsreader"].facts
    room = fallback(facts, facts.average_width / facts.units_per_em, TIMES.width)
    assert room == pytest.approx((105.4769, 69.6835, 25.124, 0), abs=0.0001)
