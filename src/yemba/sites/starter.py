"""A site to begin with where nothing is known of its owner: for benches, pictures of templates and tests."""

from __future__ import annotations

from yemba.core.site.catalogue import Catalogue
from yemba.core.site.document import Document
from yemba.core.site.ids import Ids
from yemba.core.trade.begin import Beginning
from yemba.core.trade.plan import proposed

_TRADE = "something-else"


def document(name: str, template: str, catalogue: Catalogue, ids: Ids) -> Document:
    """The pages of no trade in particular, without pictures; the opening says the site's name."""
    trade, values = catalogue.trade(_TRADE), {"site.trade": _TRADE}
    return Beginning(name, "", trade, catalogue, ids).document(template, proposed(trade, ()), values, pictures=False)
