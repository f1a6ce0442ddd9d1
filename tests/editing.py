"""Edits of documents, as the studio plans and applies them."""

from __future__ import annotations

from typing import Any

from yemba.catalogue import catalogue as shipped
from yemba.core.change.command import read_command
from yemba.core.change.operation import Operation, apply
from yemba.core.site.catalogue import Catalogue
from yemba.core.site.document import Document
from yemba.core.site.ids import new_id
from yemba.core.site.resolve import Look


def planned(document: Document, name: str, by: Catalogue | None = None, /, **arguments: Any) -> list[Operation]:
    return read_command(name, arguments).plan(Look(document, by or shipped()), new_id)


def edited(document: Document, name: str, by: Catalogue | None = None, /, **arguments: Any) -> Document:
    return apply(document, planned(document, name, by, **arguments))
