"""Signs that may stand before a link, each one path in a box of 24 by 24: of what is found there, not of a service."""

from __future__ import annotations

from yemba.core.message import Message
from yemba.core.picture.ornaments import Ornament

SIGNS = {
    "pictures": Ornament(
        Message("Pictures"), "M2 4h20v16H2zM4 6v9l4-4 4 4 3-3 5 5V6zM8 8a1.5 1.5 0 1 1-3 0a1.5 1.5 0 1 1 3 0z"
    ),
    "film": Ornament(Message("Films"), "M2 4h20v16H2zM10 8v8l6-4z"),
    "sound": Ornament(Message("Music"), "M8 4l13-2v14a3.5 3 0 1 1-2-2.7V7l-9 1.5V19a3.5 3 0 1 1-2-2.7z"),
    "talk": Ornament(Message("Words"), "M2 3h20v14H12l-6 5v-5H2zM6 7v2h12V7zM6 11v2h8v-2z"),
    "mail": Ornament(Message("Mail"), "M2 4h20v16H2zM4 7v11h16V7l-8 6.5zM5.5 6 12 11l6.5-5z"),
    "telephone": Ornament(Message("Telephone"), "M5 2l5 5-2.5 3c1.5 3 3.5 5 6.5 6.5L17 14l5 5-3 3C10 21 3 14 2 5z"),
    "place": Ornament(
        Message("Place"),
        "M12 1c5 0 8 3.5 8 8 0 5-4 8-8 14-4-6-8-9-8-14 0-4.5 3-8 8-8zM12 6a3 3 0 1 0 0 6a3 3 0 1 0 0-6z",
    ),
    "shop": Ornament(Message("Shop"), "M3 8h4a5 5 0 0 1 10 0h4l1 14H2zM9 8h6a3 3 0 0 0-6 0z"),
    "book": Ornament(
        Message("Book"),
        "M2 4c4-1.5 7-1 10 1 3-2 6-2.5 10-1v15c-4-1-7-.5-10 1.5-3-2-6-2.5-10-1.5z"
        "M11 7v10.5c-2-1-4-1.3-7-1V5.5c3-.6 5-.1 7 1.5z",
    ),
    "days": Ornament(Message("Calendar"), "M6 1h2v3h8V1h2v3h4v18H2V4h4zM4 10v10h16V10z"),
    "feed": Ornament(
        Message("News"),
        "M3 3c10 0 18 8 18 18h-3.5C17.5 13 11 6.5 3 6.5z"
        "M3 10c6 0 11 5 11 11h-3.5c0-4-3.5-7.5-7.5-7.5zM6 15.5a2.75 2.75 0 1 1 0 5.5a2.75 2.75 0 1 1 0-5.5z",
    ),
    "heart": Ornament(Message("Heart"), "M12 22C4 15 1 12 1 8a5.5 5.5 0 0 1 11-2 5.5 5.5 0 0 1 11 2c0 4-3 7-11 14z"),
}
