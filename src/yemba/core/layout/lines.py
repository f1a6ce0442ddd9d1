"""Where lines break."""

from __future__ import annotations

from collections.abc import Callable


def broken(words: str, width: Callable[[str], float], room: float) -> list[str]:
    """Words in lines of at most `room` px, as `width` measures them; a word wider than that has a line alone."""
    lines: list[str] = []
    for word in words.split():
        longer = f"{lines[-1]} {word}" if lines else ""
        if longer and width(longer) <= room:
            lines[-1] = longer
        else:
            lines.append(word)
    return lines
