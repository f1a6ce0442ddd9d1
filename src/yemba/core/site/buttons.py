"""The shape of buttons: filled, outlined or words alone; what happens under the pointer; how each state looks."""

from __future__ import annotations

from typing import NamedTuple

from yemba.core.colour.contrast import ratio
from yemba.core.colour.grounds import Ground
from yemba.core.colour.srgb import Colour
from yemba.core.message import labels

FILLED, OUTLINED, WORDS = "filled", "outlined", "words"
FORMS = labels({FILLED: "Filled", OUTLINED: "Outlined", WORDS: "Words alone"})
SHADE, SWAP, LIFT, LINE = "shade", "swap", "lift", "line"
POINTED = labels(
    {
        SHADE: "Another shade",
        SWAP: "Filled and outlined change places",
        LIFT: "Lifted off the page",
        LINE: "A line under its words",
    }
)
"""What a button gets under the pointer."""
PRESSED = labels({"shade": "Another shade", "sink": "Another shade, and sunk in"})
SIGNS = labels({"none": "Nothing", "arrow": "An arrow", "angle": "An angle"})
"""What stands after the words."""
KINDS = labels({"first": "First", "second": "Second, outlined", "quiet": "Quiet, words alone"})
SHORT_KINDS = labels({"first": "First", "second": "Second", "quiet": "Quiet"})
STATES = labels({"rest": "At rest", "pointed": "Pointed at", "pressed": "Pressed", "out": "Out of use"})


class Painted(NamedTuple):
    """How a button looks in a state, by roles of its ground; "" for nothing. `line` is under its words."""

    fill: str
    words: str
    edge: str
    line: bool = False


def form_of(form: str, kind: str) -> str:
    """The form of a button of a kind, where those of the first kind have `form`."""
    return {"second": WORDS if form == WORDS else OUTLINED, "quiet": WORDS}.get(kind, form)


def states(form: str, pointed: str) -> dict[str, Painted]:
    """A button of a form in each of its states. A page's stylesheet says the same."""
    if form == WORDS:
        rest, under = Painted("", "link", "", True), Painted("", "link_hover", "", True)
        return {"rest": rest, "pointed": under, "pressed": under, "out": Painted("", "quiet", "")}
    filled = Painted("button", "button_text", "button_edge")
    outlined = Painted("", "text", "button_edge")
    rest, other = (filled, outlined) if form == FILLED else (outlined, filled)
    by_way = {
        SHADE: Painted("button_hover", "button_text", "button_edge"),
        SWAP: other,
        LIFT: rest,
        LINE: rest._replace(line=True),
    }
    return {
        "rest": rest,
        "pointed": by_way[pointed],
        "pressed": Painted("button_pressed", "button_text", "button_edge"),
        "out": Painted("button_disabled", "button_disabled_text", "line"),
    }


def reads_at(painted: Painted, ground: Ground) -> float:
    """The contrast of a button's words with what is behind them (WCAG 2.2, 1.4.3)."""
    behind: Colour = getattr(ground, painted.fill or "fill")
    return ratio(getattr(ground, painted.words), behind)
