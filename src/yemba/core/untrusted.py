"""Reading what anybody may send: whole numbers and JSON, held to what can be kept and shown again."""

from __future__ import annotations

import json
import re
from typing import Any

_WHOLE = re.compile(r"[0-9]{1,9}")  # what a column of the database takes, and no other script's digits
_DEEPEST = 40


def whole(text: str) -> int | None:
    """A whole number from 0 to 999,999,999 in plain digits; None for anything else."""
    return int(text) if _WHOLE.fullmatch(text) else None


def read_json(text: str) -> Any:
    """JSON (RFC 8259). Raises ValueError, with the reason in words, also for what is JSON to some alone: numbers that
    are none or have over 40 digits, half letters, and more than 40 things inside one another."""
    try:
        value = json.loads(text, parse_constant=_no_number, parse_int=_short, parse_float=_finite)
        json.dumps(value, ensure_ascii=False).encode()
    except RecursionError as error:
        raise ValueError("it has too many things inside one another") from error
    except UnicodeEncodeError as error:
        raise ValueError("it holds half a letter (a lone surrogate)") from error
    if _depth(value) > _DEEPEST:
        raise ValueError("it has too many things inside one another")
    return value


def _no_number(name: str) -> Any:
    raise ValueError(f"it holds {name}, which is no number")


def _short(digits: str) -> int:
    if len(digits) > 40:
        raise ValueError(f"it holds a number of {len(digits)} digits")
    return int(digits)


def _finite(digits: str) -> float:
    number = float(digits[:400])
    if number in (float("inf"), float("-inf")):
        raise ValueError(f"it holds {digits[:12]}, which no number reaches")
    return number


def _depth(value: Any) -> int:
    level, depth = [value], 0
    while level:
        depth += 1
        level = [
            one
            for each in level
            for one in (each.values() if isinstance(each, dict) else each if isinstance(each, list) else ())
        ]
    return depth
