"""Colour difference, colour vision and palette files against their sources."""

from __future__ import annotations

import json
import random
from pathlib import Path

import numpy as np
import pytest
from coloraide import Color

from tests.reference.node import node
from yemba.core.colour.files import read_palette
from yemba.core.colour.formats.format import formats
from yemba.core.colour.from_picture import oklab
from yemba.core.colour.oklch import to_oklab
from yemba.core.colour.srgb import Colour, from_hex
from yemba.core.colour.vision import apart, seen

# L, a, b of the one, of the other, and their CIEDE2000.
SHARMA = """
50.0000 2.6772 -79.7751 50.0000 0.0000 -82.7485 2.0425
50.0000 3.1571 -77.2803 50.0000 0.0000 -82.7485 2.8615
50.0000 2.8361 -74.0200 50.0000 0.0000 -82.7485 3.4412
50.0000 -1.3802 -84.2814 50.0000 0.0000 -82.7485 1.0000
50.0000 -1.1848 -84.8006 50.0000 0.0000 -82.7485 1.0000
50.0000 -0.9009 -85.5211 50.0000 0.0000 -82.7485 1.0000
50.0000 0.0000 0.0000 50.0000 -1.0000 2.0000 2.3669
50.0000 -1.0000 2.0000 50.0000 0.0000 0.0000 2.3669
50.0000 2.4900 -0.0010 50.0000 -2.4900 0.0009 7.1792
50.0000 2.4900 -0.0010 50.0000 -2.4900 0.0010 7.1792
50.0000 2.4900 -0.0010 50.0000 -2.4900 0.0011 7.2195
50.0000 2.4900 -0.0010 50.0000 -2.4900 0.0012 7.2195
50.0000 -0.0010 2.4900 50.0000 0.0009 -2.4900 4.8045
50.0000 -0.0010 2.4900 50.0000 0.0010 -2.4900 4.8045
50.0000 -0.0010 2.4900 50.0000 0.0011 -2.4900 4.7461
50.0000 2.5000 0.0000 50.0000 0.0000 -2.5000 4.3065
50.0000 2.5000 0.0000 73.0000 25.0000 -18.0000 27.1492
50.0000 2.5000 0.0000 61.0000 -5.0000 29.0000 22.8977
50.0000 2.5000 0.0000 56.0000 -27.0000 -3.0000 31.9030
50.0000 2.5000 0.0000 58.0000 24.0000 15.0000 19.4535
50.0000 2.5000 0.0000 50.0000 3.1736 0.5854 1.0000
50.0000 2.5000 0.0000 50.0000 3.2972 0.0000 1.0000
50.0000 2.5000 0.0000 50.0000 1.8634 0.5757 1.0000
50.0000 2.5000 0.0000 50.0000 3.2592 0.3350 1.0000
60.2574 -34.0099 36.2677 60.4626 -34.1751 39.4387 1.2644
63.0109 -31.0961 -5.8663 62.8187 -29.7946 -4.0864 1.2630
61.2901 3.7196 -5.3901 61.4292 2.2480 -4.9620 1.8731
35.0831 -44.1164 3.7933 35.0232 -40.0716 1.5901 1.8645
22.7233 20.0904 -46.6940 23.0331 14.9730 -42.5619 2.0373
36.4612 47.8580 18.3852 36.2715 50.5065 21.2231 1.4146
90.8027 -2.0831 1.4410 91.1528 -1.6435 0.0447 1.4441
90.9257 -0.5406 -0.9208 88.6381 -0.8985 -0.7239 1.5381
6.7747 -0.2908 -2.4247 5.8714 -0.0985 -2.2286 0.6377
2.0776 0.0795 -1.1350 0.9033 -0.0636 -0.5514 0.9082
"""


@pytest.mark.parametrize("row", SHARMA.strip().splitlines())
def test_colour_difference_of_the_published_pairs(row: str) -> None:
    """Source: Sharma, Wu and Dalal (2005), table 1; from memory. `apart` is coloraide's, which these hold to it."""
    numbers = [float(number) for number in row.split()]
    one, other = (Color("lab-d65", numbers[n : n + 3]) for n in (0, 3))
    assert one.delta_e(other, method="2000") == pytest.approx(numbers[6], abs=0.00006)


def some(count: int) -> list[Colour]:
    chance = random.Random(11)
    return [Colour(*(chance.randrange(256) for _ in range(3))) for _ in range(count)]


def test_apart_is_the_difference_in_lab() -> None:
    """Source: coloraide's Lab under D65, over random pairs."""
    given = some(100)
    for one, other in zip(given[::2], given[1::2], strict=True):
        theirs = Color(one.hex).convert("lab-d65").delta_e(Color(other.hex).convert("lab-d65"), method="2000")
        assert apart(one, other) == pytest.approx(theirs, abs=0.01)


@pytest.mark.parametrize("vision", ["protan", "deutan", "tritan"])
def test_vision_agrees_with_coloraide(vision: str) -> None:
    """Source: coloraide's filter of that name by Machado, Oliveira and Fernandes (2009), severity 1."""
    for colour in some(200):
        theirs = Color(colour.hex).filter(vision, 1, method="machado").convert("srgb").clip()
        eight = [round(255 * channel) for channel in theirs.coords(nans=False)]
        assert seen(colour, vision) == pytest.approx(eight, abs=1)


def test_no_colour_vision_keeps_the_luminance() -> None:
    """Source: WCAG 2.2, relative luminance, by coloraide."""
    for colour in some(200):
        assert Color(seen(colour, "mono").hex).luminance() == pytest.approx(Color(colour.hex).luminance(), abs=0.006)


def test_the_two_ways_to_oklab_are_one() -> None:
    """The arrays of `from_picture` against the single colours of `oklch`, which other checks hold to Ottosson."""
    given = some(100)
    for ours, colour in zip(oklab(np.array(given) / 255), given, strict=True):
        assert ours == pytest.approx(to_oklab(colour), abs=1e-6)


OURS = [("Oxide", from_hex("#8c3b2a")), ("Sea green", from_hex("#1d4a35")), ("Half.way {so}", from_hex("#010203"))]


@pytest.mark.tools
def test_another_tool_reads_our_tokens(node_modules: Path, tmp_path: Path) -> None:
    """Source: Style Dictionary as installed, its own reading of the design tokens format."""
    file = tmp_path / "saltmarsh.tokens.json"
    file.write_text(formats()["tokens"].write("Saltmarsh", OURS))
    script = f"""
        import StyleDictionary from "style-dictionary";
        const read = new StyleDictionary({{ source: [{json.dumps(str(file))}], usesDtcg: true,
          platforms: {{ css: {{ transformGroup: "css" }} }}, log: {{ verbosity: "silent" }} }});
        const {{ allTokens }} = await read.getPlatformTokens("css");
        console.log(JSON.stringify(allTokens.map((token) => [token.$type, token.$value])));"""
    assert node(node_modules, script) == [["color", colour.hex] for _, colour in OURS]


@pytest.mark.tools
def test_a_gimp_palette_from_elsewhere_is_read_and_written_without_loss(node_modules: Path) -> None:
    """Source: the GIMP palette that the registry's package nord 0.2.1 ships."""
    text = (node_modules / "nord" / "src" / "native" / "nord.gpl").read_text()
    found = read_palette(text)
    rows = [row.split("\t") for row in text.splitlines() if row[:1].isdigit()]
    assert [(name, [str(channel) for channel in colour]) for name, colour in found.colours] == [
        (row[3], row[:3]) for row in rows
    ]
    assert read_palette(formats()["gimp"].write("Again", found.colours)).colours == found.colours
