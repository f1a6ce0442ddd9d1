"""What a font file says of itself, and how wide its text is.

Text is shaped by HarfBuzz, as browsers do, so that kerning and ligatures count.
"""

from __future__ import annotations

import itertools
from collections.abc import Collection, Sequence
from functools import cached_property
from io import BytesIO
from threading import RLock
from typing import Any, NamedTuple

import uharfbuzz as harfbuzz
from fontTools.pens.basePen import AbstractPen, decomposeQuadraticSegment
from fontTools.pens.boundsPen import BoundsPen
from fontTools.pens.recordingPen import RecordingPen
from fontTools.pens.svgPathPen import SVGPathPen
from fontTools.pens.transformPen import TransformPen
from fontTools.ttLib import TTFont
from fontTools.ttLib.sfnt import SFNTWriter

from yemba.core.errors import Fault
from yemba.core.message import Message

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
_FINE = 1 << 20
FULL = 100  # %; the width of a face that is neither condensed nor expanded (CSS font-stretch)
# Percent of each usWidthClass: OpenType specification, table OS/2.
_WIDTH_CLASSES = {1: 50, 2: 62, 3: 75, 4: 87, 5: 100, 6: 112, 7: 125, 8: 150, 9: 200}
_FEATURES = ("onum", "lnum", "liga", "dlig", "smcp")
"""Those that the Type chapter has a control for: OpenType feature tags."""


class Facts(NamedTuple):
    """Measures in font units; `weights` and `widths` (in %) are the range of the axis or one value twice. `thick` and
    `thin` are the strokes of the letter o at its side and at its top. `old_style` says that its numbers, where nothing
    is asked, hang below the line; `quote` is the advance of the opening quote. `capitals` says that its small
    letters are drawn as capitals."""

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
    widths: tuple[int, int]
    features: tuple[str, ...]
    old_style: bool
    quote: int
    capitals: bool


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
    for name, operands in contour:
        if name in ("moveTo", "lineTo"):
            points.append(operands[0])
        elif name == "qCurveTo":
            for off, on in decomposeQuadraticSegment(operands):
                points += _curve([points[-1], off, on])
        elif name == "curveTo":
            points += _curve([points[-1], *operands])
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
    crossings = []
    for contour in contours:
        for a, b in itertools.pairwise(contour):
            if (a[axis] <= at) != (b[axis] <= at):
                share = (at - a[axis]) / (b[axis] - a[axis])
                crossings.append(a[1 - axis] + share * (b[1 - axis] - a[1 - axis]))
    return sorted(crossings)


def _middle(side: Sequence[float]) -> float:
    return (min(side) + max(side)) / 2


def _thickness(crossings: Sequence[float]) -> int:
    """Of the first stroke that is crossed; 0 where none is."""
    return round(crossings[1] - crossings[0]) if len(crossings) > 1 else 0


class Face:
    """One font file, read once. Several threads may ask it at a time."""

    def __init__(self, data: bytes) -> None:
        """Raises Fault ``font-unreadable`` for bytes that are no font."""
        self._reading = RLock()
        self._shaped: dict[tuple[int, int], harfbuzz.Font] = {}
        try:
            self._font = TTFont(BytesIO(data), lazy=True)
            self.letters = frozenset(self._font.getBestCmap())
            self.units_per_em = int(self._font["head"].unitsPerEm)
            self._font["hmtx"], self._font["OS/2"], self._font["hhea"]  # a font without these is none
        except Exception as error:  # a broken file makes fontTools raise nearly anything
            raise Fault(
                "font-unreadable", Message("This file is not a font Yemba can read: {error}.", error=str(error))
            ) from error

    @cached_property
    def facts(self) -> Facts:
        with self._reading:
            return self._facts()

    def _facts(self) -> Facts:
        font, os2, hhea = self._font, self._font["OS/2"], self._font["hhea"]
        weight, width = self.axes.get("wght"), self.axes.get("wdth")
        stretch = _WIDTH_CLASSES.get(os2.usWidthClass, FULL)
        return Facts(
            family=font["name"].getBestFamilyName() or "",
            units_per_em=self.units_per_em,
            ascent=hhea.ascent,
            descent=hhea.descent,
            line_gap=hhea.lineGap,
            cap_height=self._measure(harfbuzz.OTMetricsTag.CAP_HEIGHT, "H"),
            x_height=self._measure(harfbuzz.OTMetricsTag.X_HEIGHT, "x"),
            average_width=round(self.average(REGULAR) * self.units_per_em),
            **self._strokes(),
            weights=(int(weight[0]), int(weight[2])) if weight else (os2.usWeightClass,) * 2,
            widths=(int(width[0]), int(width[2])) if width else (stretch, stretch),
            features=tuple(tag for tag in _FEATURES if tag in self._feature_tags()),
            old_style=self._box("9")[1] < -0.08 * self.units_per_em,
            quote=round(self.width("“", self.units_per_em)),
            capitals=self.covers("xX") and self._box("x")[3] >= 0.95 * self._box("X")[3],
        )

    @cached_property
    def axes(self) -> dict[str, tuple[float, float, float]]:
        """Axes of variation by tag: least, default, most."""
        with self._reading:
            axes = self._font["fvar"].axes if "fvar" in self._font else ()
            return {axis.axisTag: (axis.minValue, axis.defaultValue, axis.maxValue) for axis in axes}

    def _measure(self, tag: harfbuzz.OTMetricsTag, letter: str) -> int:
        """A height at the regular weight, as the font tells it (OS/2 with MVAR), else of a letter's outline."""
        metric = self._drawn.get_metric_position(tag)
        return int(metric or round(self._box(letter)[3]))

    def _feature_tags(self) -> set[str]:
        table = self._font["GSUB"].table if "GSUB" in self._font else None
        records = table.FeatureList.FeatureRecord if table and table.FeatureList else ()
        return {record.FeatureTag for record in records}

    def _box(self, letter: str) -> tuple[float, float, float, float]:
        """The bounds of a letter's outline: left, bottom, right, top."""
        pen = BoundsPen(None)
        self._drawn.draw_glyph_with_pen(self._glyph(letter), pen)
        return pen.bounds or (0, 0, 0, 0)

    def _glyph(self, letter: str) -> int:
        """The number of a letter's glyph; that of the missing one where the font lacks it."""
        return harfbuzz.Font(self._plain).get_nominal_glyph(ord(letter)) or 0

    def _strokes(self) -> dict[str, int]:
        """How thick the o is drawn, by where rays through its middle cross its outline."""
        pen = RecordingPen()
        self._drawn.draw_glyph_with_pen(self._glyph("o"), pen)
        contours = [_flat(contour) for contour in _contours(pen.value)]
        points = [point for contour in contours for point in contour]
        if not points:
            return {"thick": 0, "thin": 0}
        x, y = (_middle(side) for side in zip(*points, strict=True))
        return {"thick": _thickness(_crossings(contours, 1, y)), "thin": _thickness(_crossings(contours, 0, x))}

    def average(self, weight: int) -> float:
        """The average advance per em in running text at a weight."""
        font = self._set_at(self._plain, weight, FULL)
        font.scale = (_FINE, _FINE)  # in units so small that rounding does not tell
        total = sum(font.get_glyph_h_advance(self._glyph(letter)) * share for letter, share in _SHARES.items())
        return float(total / 10_000 / _FINE)

    def outline(self, text: str, weight: int = REGULAR) -> str:
        """The line as SVG path data in font units, y upwards, from the origin."""
        pen = SVGPathPen(None)
        self.draw(text, pen, weight)
        return str(pen.getCommands())

    def draw(self, text: str, pen: AbstractPen, weight: int = REGULAR) -> None:
        """Draw the line with a pen, as `outline` says."""
        font, at = self._set_at(self.whole, weight, FULL), 0.0
        shaped = self._shape(text, weight)
        for glyph, place in zip(shaped.glyph_infos, shaped.glyph_positions, strict=True):
            moved = (1, 0, 0, 1, at + place.x_offset, place.y_offset)
            font.draw_glyph_with_pen(glyph.codepoint, TransformPen(pen, moved))
            at += place.x_advance

    def covers(self, text: str) -> bool:
        """Whether every character of `text` is in the font."""
        return all(ord(character) in self.letters for character in text)

    def width(self, text: str, size: float, weight: int = REGULAR, spacing: float = 0.0, stretch: int = FULL) -> float:
        """Width of a line in px at `size` px with `spacing` em after each letter; `stretch` in %. Kerning counts.

        Spaced text has no ligatures (CSS Text 3, section 8.2).
        """
        shaped = self._shape(text, weight, stretch, ligatures=not spacing)
        units = sum(place.x_advance for place in shaped.glyph_positions)
        letters = len({glyph.cluster for glyph in shaped.glyph_infos})
        return float(size * (units / self.units_per_em + spacing * letters))

    def _shape(self, text: str, weight: int, stretch: int = FULL, *, ligatures: bool = True) -> harfbuzz.Buffer:
        at = (weight, stretch)
        if at not in self._shaped:
            self._shaped[at] = self._set_at(self._plain, weight, stretch)
        buffer = harfbuzz.Buffer()
        buffer.add_str(text)
        buffer.guess_segment_properties()
        harfbuzz.shape(self._shaped[at], buffer, {} if ligatures else {"liga": False, "clig": False})
        return buffer

    @staticmethod
    def _set_at(face: harfbuzz.Face, weight: int, stretch: int) -> harfbuzz.Font:
        font = harfbuzz.Font(face)
        font.set_variations({"wght": weight, "wdth": stretch})
        return font

    @cached_property
    def _drawn(self) -> harfbuzz.Font:
        """With outlines, at the regular weight."""
        return self._set_at(self.whole, REGULAR, FULL)

    @cached_property
    def whole(self) -> harfbuzz.Face:
        """The font for HarfBuzz, with its outlines."""
        with self._reading:
            return opened(self._font)

    @cached_property
    def _plain(self) -> harfbuzz.Face:
        """For shaping: outlines stay packed, since only advances count."""
        with self._reading:
            return opened(self._font, but=_OUTLINES)


_OUTLINES = ("glyf", "loca", "gvar", "CFF ", "CFF2")


def opened(font: TTFont, but: Collection[str] = ()) -> harfbuzz.Face:
    """A font for HarfBuzz, without the tables named in `but`."""
    return harfbuzz.Face(unpacked(font, but))


def unpacked(font: TTFont, but: Collection[str] = ()) -> bytes:
    """A font as OpenType has it, no longer packed as WOFF2."""
    reader, out = font.reader, BytesIO()
    tags = [tag for tag in reader.keys() if tag not in but]  # noqa: SIM118 - a reader is no dict
    writer = SFNTWriter(out, len(tags), reader.sfntVersion)
    for tag in tags:
        writer[tag] = reader[tag]
    writer.close()
    return out.getvalue()
