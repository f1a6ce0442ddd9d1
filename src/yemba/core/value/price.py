"""A price, in the site's currency."""

from __future__ import annotations

import re
from dataclasses import dataclass
from decimal import Decimal
from typing import Any

from yemba.core.errors import Fault
from yemba.core.value.kind import Kind

_PRICE = re.compile(r"(from )?(\d{1,7}(?:\.\d{1,2})?)")


@dataclass(frozen=True)
class Price(Kind):
    """ "24.50" or "from 40.00"; "" for none."""

    def read(self, typed: Any, name: str, key: str) -> str:
        text = typed.strip()
        if not text:
            return ""
        match = _PRICE.fullmatch(text.lower().replace(",", "."))
        if match is None:
            cure = "Write 24, 24.50 or from 40; leave it empty for none."
            raise Fault("price-unreadable", f"“{text}” is not a price. {cure}", key)
        return f"{match.group(1) or ''}{Decimal(match.group(2)):.2f}"


FIELD_TYPES = {"price": Price}
