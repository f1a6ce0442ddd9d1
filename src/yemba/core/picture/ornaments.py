"""Ornaments that may stand beside a name, each one path in a box of 24 by 24."""

from __future__ import annotations

from typing import NamedTuple

from yemba.core.message import Message


class Ornament(NamedTuple):
    """`path` is the data of an SVG path, filled by the even-odd rule."""

    name: str
    path: str


ORNAMENTS = {
    "disc": Ornament(Message("Disc"), "M12 3a9 9 0 1 1 0 18a9 9 0 1 1 0-18z"),
    "ring": Ornament(Message("Ring"), "M12 2a10 10 0 1 1 0 20a10 10 0 1 1 0-20zM12 6a6 6 0 1 0 0 12a6 6 0 1 0 0-12z"),
    "diamond": Ornament(Message("Diamond"), "M12 1 22 12 12 23 2 12z"),
    "star": Ornament(Message("Star"), "M12 1c1 7 4 10 11 11c-7 1-10 4-11 11c-1-7-4-10-11-11c7-1 10-4 11-11z"),
    "sun": Ornament(
        Message("Sun"),
        "M12 7a5 5 0 1 1 0 10a5 5 0 1 1 0-10zM11 1h2v4h-2zM11 19h2v4h-2zM1 11h4v2H1zM19 11h4v2h-4z"
        "M4.9 3.5 7.7 6.3 6.3 7.7 3.5 4.9zM17.7 16.3l2.8 2.8-1.4 1.4-2.8-2.8zM20.5 4.9 17.7 7.7 16.3 6.3 19.1 3.5z"
        "M7.7 17.7 4.9 20.5 3.5 19.1 6.3 16.3z",
    ),
    "leaf": Ornament(Message("Leaf"), "M3 21C1 9 9 2 22 2c0 13-7 20-17 18.4l8-9.4z"),
    "drop": Ornament(Message("Drop"), "M12 1c5 7 7.5 10.5 7.5 14.5a7.5 7.5 0 0 1-15 0C4.5 11.5 7 8 12 1z"),
    "waves": Ornament(
        Message("Waves"),
        "M1 8c3.7-4 7.3-4 11 0s7.3 4 11 0v3.5c-3.7 4-7.3 4-11 0s-7.3-4-11 0z"
        "M1 15c3.7-4 7.3-4 11 0s7.3 4 11 0v3.5c-3.7 4-7.3 4-11 0s-7.3-4-11 0z",
    ),
    "hill": Ornament(Message("Hill"), "M1 21 9 7l4 7 3-4 7 11z"),
    "arch": Ornament(Message("Arch"), "M2 22V12a10 10 0 0 1 20 0v10h-5V12a5 5 0 0 0-10 0v10z"),
}
