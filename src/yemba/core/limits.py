"""How much there may be of a thing: said once here, read by rules, templates and scripts."""

from __future__ import annotations

from types import SimpleNamespace

MB = 1_000_000

PICTURE_BYTES = 12 * MB
FONT_BYTES = 10 * MB
FILE_BYTES = 20 * MB
PALETTE_BYTES = 1 * MB
PALETTE_COLOURS = 500
"""Read of one file; four times as many places in it are looked at."""
SHEET_BYTES = 20 * MB
TEXT_LETTERS = 200_000  # of a text that is brought in at once
NAME_LETTERS = 60
"""Of a site, a page, a brand sheet, an edition."""
TOWN_LETTERS, TRADE_LETTERS = 40, 80

TAG_LETTERS, TAGS = 30, 12
"""Letters of a tag, and how many tags a page may have."""
COLOUR_NAME_LETTERS = 30
"""Of a brand colour, and of a ground."""
MESSAGE_LETTERS = {"name": 120, "mail": 200, "words": 6000}
"""Of what visitors send through a contact form."""
ANSWER_LETTERS = 300
NARROWEST, WIDEST = 320, 2560
"""px; the widths that a window may be drawn to. At the narrowest, pages are measured (WCAG 2.2 SC 1.4.10)."""
WIDE, PHONE = 1280, 390
"""px; the widths that windows begin with."""
SMALLEST_TEXT, LARGEST_TEXT = 8, 160
"""px; what any level of text may be set to."""

LIMITS = SimpleNamespace(
    picture_mb=PICTURE_BYTES // MB,
    font_mb=FONT_BYTES // MB,
    file_mb=FILE_BYTES // MB,
    name_letters=NAME_LETTERS,
    colour_name_letters=COLOUR_NAME_LETTERS,
    message=SimpleNamespace(**MESSAGE_LETTERS),
    answer_letters=ANSWER_LETTERS,
)
"""As templates read them."""
WINDOWS = {
    "narrowest": NARROWEST,
    "widest": WIDEST,
    "wide": WIDE,
    "phone": PHONE,
    "smallestText": SMALLEST_TEXT,
    "largestText": LARGEST_TEXT,
}
"""As the workbench's scripts read them."""
