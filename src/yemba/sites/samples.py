"""Invented sites in which templates are looked at: one for each trade."""

from __future__ import annotations

from functools import lru_cache
from itertools import count

from yemba.core.site.document import Document
from yemba.core.trade.begin import Beginning
from yemba.core.trade.plan import proposed
from yemba.core.trade.trade import AIMS
from yemba.sites.catalogue import catalogue

_TOWN = "Lower Marsh"


@lru_cache(maxsize=128)
def sample(template: str, sheet: str, trade: str) -> Document:
    """A whole site of a trade in a template and one of its ready brand sheets; the same again for the same.

    Raises Fault ``no-such-template``, ``no-such-sheet`` or ``no-such-trade``.
    """
    path = f"{template}/{sheet}"
    catalogue().ready_sheet(path)
    known, numbers = catalogue().trade(trade), count(1)
    beginning = Beginning(known.sample, _TOWN, known, catalogue(), lambda: f"x{next(numbers)}")
    values = {"site.trade": trade, "site.town": _TOWN}
    return beginning.document(template, proposed(known, tuple(AIMS)), values).model_copy(update={"ready_sheet": path})
