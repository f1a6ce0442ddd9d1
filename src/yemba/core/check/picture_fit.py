"""Pictures that are too small for their place, and pages whose pictures are too heavy for a phone."""

from __future__ import annotations

from collections.abc import Iterator

from yemba.core.check.finding import Cure, Finding, Inspected
from yemba.core.message import Message
from yemba.core.picture.sizes import drawn_width
from yemba.core.place import OfSection, Place
from yemba.core.site.pictures import Use, picture_size, uses
from yemba.core.site.resolve import Look

NAME = Message("Pictures")
MOST_BYTES = 300_000
"""Of all pictures of one page on a phone."""
WIDE, PHONE, DENSITY = 1280, 390, 2
_HEAVY_DRAWING = 100_000  # bytes of one SVG


def find(inspected: Inspected) -> Iterator[Finding]:
    yield from _too_small(inspected)
    yield from _too_heavy(inspected)


def _too_small(inspected: Inspected) -> Iterator[Finding]:
    look = inspected.look
    for key, places in uses(look.document).items():
        picture = look.pictures[key]
        if picture.format == "svg":
            continue
        for use in places:
            wanted, own = drawn_wide(look, use), picture_size(picture)[0]
            if use.standing is None or own >= wanted:
                continue
            sentence = Message(
                "{name} is {own} px wide; {where} draws it {wanted} px wide. Replace it by a larger one.",
                name=picture.name,
                own=own,
                where=look.where(use.standing),
                wanted=wanted,
            )
            whole = picture.shape and picture.width >= wanted
            cure = Cure(Message("Show it whole, uncropped"), "show-whole", {"picture": key}) if whole else None
            yield Finding(sentence, use.place, use.page, cure)


def _too_heavy(inspected: Inspected) -> Iterator[Finding]:
    document = inspected.look.document
    for page_id, on_page in _by_page(inspected).items():
        weights = {key: _weight(inspected, key, places) for key, places in on_page.items()}
        total, heaviest = sum(weights.values()), max(weights, key=lambda key: weights[key])
        drawing = document.pictures[heaviest].format == "svg" and weights[heaviest] > _HEAVY_DRAWING
        if total <= MOST_BYTES and not drawing:
            continue
        sentence = Message(
            "The pictures of {name} come to {total:.0f} kB on a phone; {most_bytes} kB are a good limit. The "
            "heaviest is {name_2} with {weights:.0f} kB.",
            name=document.pages[page_id].name,
            total=total / 1000,
            most_bytes=MOST_BYTES // 1000,
            name_2=document.pictures[heaviest].name,
            weights=weights[heaviest] / 1000,
        )
        yield Finding(sentence, _section_of(on_page[heaviest][0]), page_id)


def _by_page(inspected: Inspected) -> dict[str, dict[str, list[Use]]]:
    """The pictures of each page that has any, with their places."""
    by_file: dict[str, dict[str, list[Use]]] = {}
    for key, places in uses(inspected.look.document).items():
        for use in places:
            if use.page:
                by_file.setdefault(use.page, {}).setdefault(key, []).append(use)
    return {page: by_file[page] for page in inspected.look.document.order if page in by_file}


def _weight(inspected: Inspected, key: str, places: list[Use]) -> int:
    """Bytes that a phone loads of a picture: of the widest it is drawn; 0 where its file is gone."""
    widths = (round(_drawn(inspected.look, use, PHONE) * DENSITY) for use in places)
    try:
        return max(inspected.weigh(inspected.look.pictures[key], width) for width in widths)
    except FileNotFoundError:
        return 0


def _section_of(use: Use) -> Place:
    return OfSection(use.standing.key) if use.standing else use.place


def drawn_wide(look: Look, use: Use) -> int:
    """How wide a place draws its picture on a wide screen, in px."""
    return round(_drawn(look, use, WIDE))


def _drawn(look: Look, use: Use, window: int) -> float:
    """How wide a section draws its pictures in a window, in px; never wider than its page frame allows."""
    if use.field == "backdrop" or use.standing is None:
        return window
    section = use.standing.section
    sizes = look.picture_sizes(section.kind, look.layout(section).value)
    return drawn_width(sizes.third, window)
