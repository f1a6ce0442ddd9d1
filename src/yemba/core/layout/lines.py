"""Where lines break."""

from __future__ import annotations

from collections.abc import Callable


def broken(words: str, width: Callable[[str], float], room: float, most: int) -> list[str]:
    """The first `most` lines of at most `room` px each, as `width` measures them; a wider word has a line alone."""
    lines: list[str] = []
    for word in words.split():
        longer = f"{lines[-1]} {word}" if lines else ""
        if longer and width(longer) <= room:
            lines[-1] = longer
        elif len(lines) == most:
            break
        else:
            lines.append(word)
    return lines
