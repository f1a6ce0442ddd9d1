"""What a font file says of itself."""

from __future__ import annotations

import itertools
from functools import cached_property
from io import BytesIO
from typing import Any, NamedTuple

from fontTools.pens.basePen import decomposeQuadraticSegment
from fontTools.pens.recordingPen import RecordingPen
from fontTools.pens.svgPathPen import SVGPathPen
from fontTools.pens.transformPen import TransformPen
from fontTools.ttLib import TTFont

from yemba.core.errors import Fault

# How often each character stands in 10,000 of running text in Latin letters:
# @capsizecss/unpack 4.0.1 (MIT), its table of weightings.
_SHARES = {
    "0": 53, "1": 23, "2": 26, "3": 10, "4": 8, "5": 15, "6": 7, "7": 5, "8": 7, "9": 6, ",": 83,
    " ": 1540, "t": 672, "h": 351, "e": 922, "o": 571, "f": 170, "P": 23, "p": 163, "l": 304, "'": 14,
    "s": 469, "R": 15, "u": 207, "b": 114, "i": 588, "c": 232, "C": 31, "n": 578, "a": 668, "d": 298,
    "y": 123, "w": 110, "B": 20, "r": 526, "z": 11, "G": 11, "j": 9, "T": 41, ".": 79, "L": 12,
    "k": 46, "m": 181, "]": 7, "J": 9, "F": 15, "v": 76, "g": 155, "A": 40, "N": 14, "-": 18, "H": 13,
    "D": 13, "M": 25, "I": 22, "E": 11, '"': 12, "S": 41, "(": 10, ")": 10, "x": 25, "W": 12, "Q": 1,
    "Y": 3, "q": 8, "V": 5, "á": 1, "K": 7, "U": 16, "=": 7, "[": 21, "O": 9, "é": 1, "$": 2, ":": 8,
    "|": 38, "/": 1, "%": 1, "Z": 2, ";": 1, "X": 1,
}  # fmt: skip
REGULAR = 400


class Facts(NamedTuple):
    """Measures in font units; `weights` is the range of the weight axis or one weight twice. `thick` and `thin` are
    the strokes of the letter o at its side and at its top."""

    family: str
    units_per_em: int
    ascent: int
    descent: int
    line_gap: int
    cap_height: int
    x_height: int
    average_width: int
    thick: int
    thin: int
    weights: tuple[int, int]


Point = tuple[float, float]


def _contours(recorded: list[tuple[str, Any]]) -> list[list[tuple[str, Any]]]:
    contours: list[list[tuple[str, Any]]] = []
    for step in recorded:
        if step[0] == "moveTo":
            contours.append([])
        if contours:
            contours[-1].append(step)
    return contours


def _flat(contour: list[tuple[str, Any]]) -> list[Point]:
    """A contour as a line of points; curves in steps (quadratic and cubic Bezier)."""
    points: list[Point] = []
    for name, given in contour:
        if name in ("moveTo", "lineTo"):
            points.append(given[0])
        elif name == "qCurveTo":
            for off, on in decomposeQuadraticSegment(given):
                points += _curve([points[-1], off, on])
        elif name == "curveTo":
            points += _curve([points[-1], *given])
    return [*points, points[0]] if points else []


def _curve(ends: list[Point], steps: int = 16) -> list[Point]:
    made = []
    for n in range(1, steps + 1):
        level = ends
        while len(level) > 1:  # de Casteljau
            level = [
                (a[0] + (b[0] - a[0]) * n / steps, a[1] + (b[1] - a[1]) * n / steps)
                for a, b in itertools.pairwise(level)
            ]
        made.append(level[0])
    return made


def _crossings(contours: list[list[Point]], axis: int, at: float) -> list[float]:
    """Where the line on which coordinate `axis` is `at` meets the contours, in order of the other coordinate."""
    found = []
    for contour in contours:
        for a, b in itertools.pairwise(contour):
            if (a[axis] <= at) != (b[axis] <= at):
                share = (at - a[axis]) / (b[axis] - a[axis])
                found.append(a[1 - axis] + share * (b[1 - axis] - a[1 - axis]))
    return sorted(found)


class Face:
    """One font file, read once."""

    def __init__(self, data: bytes) -> None:
        """Raises Fault ``font-unreadable`` for bytes that are no font."""
        try:
            self._font = TTFont(BytesIO(data), lazy=True)
            self._glyphs: dict[int, str] = self._font.getBestCmap()
            self._weights: dict[int, Any] = {}
            self._advances: dict[tuple[str, int], float] = {}
            self._font["hmtx"], self._font["OS/2"], self._font["hhea"]  # a font without these is none
        except Exception as error:  # a broken file makes fontTools raise nearly anything
            raise Fault("font-unreadable", f"This file is not a font Yemba can read: {error}.") from error

    @cached_property
    def facts(self) -> Facts:
        font, os2, hhea = self._font, self._font["OS/2"], self._font["hhea"]
        axes = {axis.axisTag: axis for axis in font["fvar"].axes} if "fvar" in font else {}
        weight = axes.get("wght")
        return Facts(
            family=font["name"].getBestFamilyName() or "",
            units_per_em=font["head"].unitsPerEm,
            ascent=hhea.ascent,
            descent=hhea.descent,
            line_gap=hhea.lineGap,
            cap_height=os2.sCapHeight,
            x_height=os2.sxHeight,
            average_width=self._average(),
            **self._strokes(),
            weights=(int(weight.minValue), int(weight.maxValue)) if weight else (os2.usWeightClass,) * 2,
        )

    def _strokes(self) -> dict[str, int]:
        """How thick the o is drawn, by where rays through its middle cross its outline."""
        pen = RecordingPen()
        self.glyphs()[self.glyph_name("o")].draw(pen)
        points = [_flat(contour) for contour in _contours(pen.value)]
        every = [point for contour in points for point in contour]
        if not every:
            return {"thick": 0, "thin": 0}
        middle = [(min(p[n] for p in every) + max(p[n] for p in every)) / 2 for n in (0, 1)]
        across, down = _crossings(points, 1, middle[1]), _crossings(points, 0, middle[0])
        return {name: round(at[1] - at[0]) if len(at) > 1 else 0 for name, at in (("thick", across), ("thin", down))}

    def _average(self) -> int:
        return round(sum(self.advance(letter) * share for letter, share in _SHARES.items()) / 10_000)

    def advance(self, character: str, weight: int = REGULAR) -> float:
        """Advance in font units at a weight; the missing glyph's for a character the font lacks."""
        known = (character, weight)
        if known not in self._advances:
            self._advances[known] = float(self.glyphs(weight)[self.glyph_name(character)].width)
        return self._advances[known]

    def glyphs(self, weight: int = REGULAR) -> Any:
        """fontTools' glyph set at a weight, by glyph name."""
        if weight not in self._weights:
            self._weights[weight] = self._font.getGlyphSet(location={"wght": weight})
        return self._weights[weight]

    def outline(self, text: str, weight: int = REGULAR) -> str:
        """The line as SVG path data in font units, y upwards, from the origin; no kerning."""
        glyphs, at, drawn = self.glyphs(weight), 0.0, SVGPathPen(self.glyphs(weight))
        for character in text:
            glyph = glyphs[self.glyph_name(character)]
            glyph.draw(TransformPen(drawn, (1, 0, 0, 1, at, 0)))
            at += glyph.width
        return str(drawn.getCommands())

    def glyph_name(self, character: str) -> str:
        return self._glyphs.get(ord(character), ".notdef")

    def covers(self, text: str) -> bool:
        """Whether every character of `text` is in the font."""
        return all(ord(character) in self._glyphs for character in text)

    def width(self, text: str, size: float, weight: int = REGULAR, spacing: float = 0.0) -> float:
        """Width of a line in px at `size` px with `spacing` em after each letter; no kerning."""
        units = sum(self.advance(character, weight) for character in text)
        return size * (units / self.facts.units_per_em + spacing * len(text))
