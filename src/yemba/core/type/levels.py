"""The levels of text: what each follows where nothing is set, and what may be set of it."""

from __future__ import annotations

from typing import NamedTuple

from yemba.core.message import Message, labels
from yemba.core.type.scale import Fluid


class Level(NamedTuple):
    """`follows` is the face it takes where none is set, "heading" or "body". `step` is its place on the scale, None
    where the template sets its size against the text's. `faced` may have a face of its own; a `title` may carry
    effects. `leading` is its line height where none is set, 0 where that follows size and measure. `subject` is
    what its settings are about."""

    slug: str
    name: str
    follows: str
    step: int | None
    faced: bool = False
    title: bool = False
    leading: float = 0
    subject: str = "type"

    @property
    def fits(self) -> bool:
        """Whether its size gives way where a word would not fit: titles and buttons, not what is read in lines."""
        return self.title or self.slug == "button"


# Steps of the scale: common practice, no source.
LEVELS = {
    level.slug: level
    for level in (
        Level("h1", Message("Heading 1"), "heading", 5, title=True),
        Level("h2", Message("Heading 2"), "heading", 4, title=True),
        Level("h3", Message("Heading 3"), "heading", 3, title=True),
        Level("h4", Message("Heading 4"), "heading", 2, title=True),
        Level("h5", Message("Heading 5"), "heading", 1, title=True),
        Level("h6", Message("Heading 6"), "heading", 0, title=True),
        Level("lead", Message("Lead"), "body", 1),
        Level("body", Message("Text"), "body", 0),
        Level("small", Message("Small"), "body", -1),
        Level("quote", Message("Quotes"), "body", 1, faced=True),
        Level("title", Message("Site title"), "heading", None, faced=True, title=True),
        Level("navigation", Message("Navigation"), "body", None, faced=True),
        Level("button", Message("Buttons"), "body", 0, faced=True, leading=1.2),
        Level("footer", Message("Footer"), "body", -1, faced=True, subject="footer"),
    )
}
STEPPED = {slug: level.step for slug, level in LEVELS.items() if level.step is not None}

STYLES = labels({"normal": "Upright", "italic": "Italic"})
"""By the value of CSS font-style."""
CASES = labels({"none": "As written", "uppercase": "Capitals", "small-caps": "Small capitals"})
LINES = labels({"none": "None", "underline": "Underlined", "line-through": "Struck through"})
"""By the value of CSS text-decoration-line."""
SHADOWS = labels({"none": "None", "soft": "Soft", "hard": "Hard"})
SHADOW_BLUR, SHADOW_SHIFT = 0.14, 0.045  # em; common practice, no source

PROPERTIES = labels(
    {
        "face": "face",
        "wide": Message("size on a wide window"),
        "phone": Message("size on a phone"),
        "weight": "weight",
        "style": "style",
        "width": "width",
        "spacing": Message("letter spacing"),
        "leading": Message("line height"),
        "case": "case",
        "line": "line",
        "shadow": "shadow",
        "outline": "outline",
    }
)
EFFECTS = ("line", "shadow", "outline")


def properties(level: Level) -> list[str]:
    """What may be set of a level."""
    return [name for name in PROPERTIES if (name != "face" or level.faced) and (name not in EFFECTS or level.title)]


class Text(NamedTuple):
    """How a level is set. `size` in px, `weight` and `stretch` (%) within what the face has, `spacing` in em,
    `outline` in em, the others as CSS says them."""

    face: str
    size: Fluid
    weight: int
    style: str
    stretch: int
    spacing: float
    leading: float
    case: str
    line: str
    shadow: str
    outline: float

    def written(self, words: str) -> str:
        """The words as they show."""
        return words.upper() if self.case == "uppercase" else words
