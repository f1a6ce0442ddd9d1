"""Words as outlines, each letter from the file that has it: for icons, link cards and drawings of type."""

from __future__ import annotations

import unicodedata
from collections.abc import Iterable
from itertools import groupby
from typing import NamedTuple

from fontTools.pens.boundsPen import BoundsPen

from yemba.core.site.catalogue import Family
from yemba.core.type.facts import REGULAR, Face

_RIGHT_TO_LEFT = ("R", "AL")  # Unicode Bidirectional Algorithm (UAX 9), table 4


class Run(NamedTuple):
    """Neighbouring letters that one font file draws."""

    face: Face
    words: str


class Lettering:
    """A family at one weight and style; the `others`, in their order, stand in for letters it lacks."""

    def __init__(
        self, family: Family, others: Iterable[Family] = (), weight: int = REGULAR, style: str = "normal"
    ) -> None:
        self.family, self.weight, self.style = family, weight, style
        self._families = [family, *(other for other in others if other is not family)]

    def can_draw(self, letter: str) -> bool:
        return letter.isspace() or self._face(letter) is not None

    def lacks(self, words: str) -> str:
        """The characters that no family here has, each once, in the order in which they stand."""
        return "".join(dict.fromkeys(letter for letter in words if not self.can_draw(letter)))

    def width(self, words: str, size: float) -> float:
        """Of one line, in px at `size` px; what nobody can draw is left out."""
        return sum(run.face.width(run.words, size, self.weight) for run in self.runs(words))

    def bounds(self, letter: str) -> tuple[float, float, float, float]:
        """Left, bottom, right and top of one letter's outline, in em; all 0 where there is none."""
        for face, words in self.runs(letter):
            pen = BoundsPen(None)
            face.draw(words, pen, self.weight)
            if pen.bounds:
                left, bottom, right, top = (edge / face.units_per_em for edge in pen.bounds)
                return left, bottom, right, top
        return 0.0, 0.0, 0.0, 0.0

    def line(self, words: str, x: float, baseline: float, size: float, ink: str) -> str:
        """One line as SVG paths of the colour `ink`, from `x` px to the right; what nobody can draw is left out."""
        paths = []
        for face, text in self.runs(words):
            scale = size / face.units_per_em
            at = f"translate({x:.1f} {baseline:.1f}) scale({scale:.5f} {-scale:.5f})"
            paths.append(f'<path fill="{ink}" transform="{at}" d="{face.outline(text, self.weight)}"/>')
            x += face.width(text, size, self.weight)
        return "".join(paths)

    def runs(self, words: str) -> list[Run]:
        """The runs from left to right: in words that begin from the right, the last run comes first."""
        faces = list(self._faces(words))
        grouped = groupby(zip(faces, words, strict=True), key=lambda pair: pair[0])
        runs = [Run(face, "".join(letter for _, letter in pairs)) for face, pairs in grouped if face]
        return runs[::-1] if from_the_right(words) else runs

    def _faces(self, words: str) -> Iterable[Face | None]:
        """The face of each character; a blank goes with the letter before it."""
        before: Face | None = self._face("x")
        for letter in words:
            before = before if letter.isspace() and before else self._face(letter)
            yield before

    def _face(self, letter: str) -> Face | None:
        for family in self._families:
            face = family.open(family.file(letter, self.weight, self.style).name)
            if face.covers(letter):
                return face
        return None


def from_the_right(words: str) -> bool:
    """Whether the first letter that has a direction goes to the left (UAX 9, rules P2 and P3)."""
    strong = (kind for kind in map(unicodedata.bidirectional, words) if kind in ("L", *_RIGHT_TO_LEFT))
    return next(strong, "L") in _RIGHT_TO_LEFT
