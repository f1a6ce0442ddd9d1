"""Pictures that are too small for their place, and pages whose pictures are too heavy for a phone."""

from __future__ import annotations

from collections.abc import Iterator

from yemba.core.check.finding import Cure, Finding, Inspected
from yemba.core.picture.crop import crop, ratio_of
from yemba.core.picture.sizes import drawn_width
from yemba.core.site.document import Picture, ordered_sections
from yemba.core.site.pictures import Use, uses

NAME = "Pictures"
MOST_BYTES = 300_000
"""Of all pictures of one page on a phone."""
WIDE, PHONE, DENSITY = 1280, 390, 2
_HEAVY_DRAWING = 100_000  # bytes of one SVG


def find(inspected: Inspected) -> Iterator[Finding]:
    yield from _too_small(inspected)
    yield from _too_heavy(inspected)


def _too_small(inspected: Inspected) -> Iterator[Finding]:
    document = inspected.look.document
    for key, places in uses(document).items():
        picture = document.pictures[key]
        if picture.format == "svg":
            continue
        for use in places:
            if not use.page:
                continue
            wanted = round(_drawn(inspected, use, WIDE))
            own = _own_width(picture)
            if own >= wanted:
                continue
            kind = inspected.look.catalogue.kind(document.pages[use.page].sections[use.section].kind)
            said = (
                f"{picture.name} is {own} px wide; {kind.name} on {document.pages[use.page].name} draws it "
                f"{wanted} px wide. Replace it by a larger one."
            )
            control = f"words-{use.item}-{use.field}" if use.item else f"words-{use.field}"
            cure = None
            if picture.shape and picture.width >= wanted:
                cure = Cure("Show it whole, uncropped", "show-whole", {"picture": key})
            yield Finding(said, "pages", use.page, use.section, control, cure)


def _too_heavy(inspected: Inspected) -> Iterator[Finding]:
    document = inspected.look.document
    on_page: dict[str, list[tuple[str, Use]]] = {}
    for key, places in uses(document).items():
        for use in places:
            on_page.setdefault(use.page, []).append((key, use))
    for page_id, page in document.ordered_pages():
        weights: dict[str, int] = {}
        for key, use in on_page.get(page_id, []):
            width = round(_drawn(inspected, use, PHONE) * DENSITY)
            weights[key] = max(weights.get(key, 0), inspected.weigh(document.pictures[key], width))
        total = sum(weights.values())
        heaviest = max(weights, key=lambda key: weights[key], default="")
        drawing = heaviest and document.pictures[heaviest].format == "svg" and weights[heaviest] > _HEAVY_DRAWING
        if total <= MOST_BYTES and not drawing:
            continue
        section = next(use.section for key, use in on_page[page_id] if key == heaviest)
        said = (
            f"The pictures of {page.name} come to {total / 1000:.0f} kB on a phone; {MOST_BYTES // 1000} kB are a good "
            f"limit. The heaviest is {document.pictures[heaviest].name} with {weights[heaviest] / 1000:.0f} kB."
        )
        yield Finding(said, "pages", page_id, section)


def _drawn(inspected: Inspected, use: Use, window: int) -> float:
    """How wide a section draws its pictures in a window, in px; never wider than its page frame allows."""
    if use.field == "backdrop":
        return window
    look = inspected.look
    found = dict(ordered_sections(look.document.pages[use.page]))[use.section]
    sizes = look.catalogue.kind(found.kind).sizes(look.layout(found).value)
    return drawn_width(sizes, window)


def _own_width(picture: Picture) -> int:
    ratio = ratio_of(picture.shape)
    if ratio is None:
        return picture.width
    box = crop(picture.width, picture.height, ratio)
    return box.right - box.left
