"""What a design value is."""

from __future__ import annotations

from typing import Any, NamedTuple

from yemba.core.value.kind import Kind

SITE, SHEET, PARTS = "site", "sheet", "parts"
"""Where the owner's values are stored in a document: what is true of the site, the brand sheet, the parts."""


class Setting(NamedTuple):
    """A value an owner may set for the whole site.

    `subject` is what it is about ("palette", "type", a part's slug …), `home` one of SITE, SHEET and PARTS. A `default`
    of None means that it is worked out from others where nobody sets it. `css` is the custom property that the
    stylesheet has it as, "" for none. One that shows nothing without another differs `along` with that, by its key.
    """

    key: str
    name: str
    subject: str
    home: str
    kind: Kind
    default: Any
    css: str = ""
    along: str = ""

    def read(self, typed: Any) -> Any:
        """What is stored for what was typed. Raises Fault beside the key."""
        return self.kind.read(typed, self.name, self.key)
