"""Where a line of text may break (UAX 14, the cases that matter here)."""

from __future__ import annotations

import re

_BREAK = re.compile(r"(?<=[-–—/\u00ad])|\s+")


def unbroken(text: str) -> list[str]:
    """The pieces of a text that no line breaks."""
    return _BREAK.split(text)
