"""The bin, after something that is in it came back by another way: as it is live."""

from __future__ import annotations

from yemba.core.site.document import Document
from yemba.core.site.pictures import uses


def left_by_what_stands(document: Document) -> Document:
    """Without what is in the bin and stands on the site again; a picture that is shown again comes back."""
    binned = {key: entry.picture for key, entry in document.bin.items() if entry.picture}
    whole = document.model_copy(update={"pictures": document.pictures | binned})
    used = {key for key, places in uses(whole).items() if places}
    pictures = document.pictures | {key: picture for key, picture in binned.items() if key in used}
    sections = {key for _, holder in document.holders() for key in holder.sections}
    stands = document.pages.keys() | sections | pictures.keys()
    left = {key: entry for key, entry in document.bin.items() if key not in stands}
    return document.model_copy(update={"pictures": pictures, "bin": left})
