"""The frame of a page: nothing overlaps, nothing leaves the window, the content keeps its least width."""

from __future__ import annotations

import pytest
from hypothesis import given
from hypothesis import strategies as st

from yemba.catalogue import catalogue as shipped
from yemba.core.change.command import read_command
from yemba.core.change.difference import difference
from yemba.core.change.operation import apply
from yemba.core.colour.contrast import TEXT, ratio
from yemba.core.colour.gradient import laid_over
from yemba.core.errors import Fault
from yemba.core.layout.anchored import ANCHORS, Extent, Spot, extent, placed, shares
from yemba.core.layout.frame import END, FIXED, FULL, LEAST_MAIN, MIDDLE, NONE, START, Frame
from yemba.core.layout.header_fit import NEVER
from yemba.core.site import background, frame
from yemba.core.site.behind import of_section
from yemba.core.site.behind_style import least_ground_over
from yemba.core.site.document import Document, Item, Page, Picture, Section
from yemba.core.site.header import header_fit
from yemba.core.site.resolve import Look
from yemba.core.value.side import Side

FRAMES = st.builds(
    Frame,
    form=st.sampled_from([FULL, FIXED]),
    place=st.sampled_from([START, MIDDLE, END]),
    width=st.integers(720, 1680),
    margin=st.integers(0, 60),
    side=st.sampled_from([NONE, START, END]),
    sidebar=st.integers(160, 480),
    gap=st.integers(0, 120),
    column=st.sampled_from([0, 240, 320]),
    column_from=st.sampled_from([600, 960, 1400]),
)
WINDOWS = st.integers(240, 2600)


@given(FRAMES, WINDOWS)
def test_nothing_overlaps_or_leaves_the_window(framed: Frame, window: int) -> None:
    boxes = framed.boxes(window)
    assert boxes.page.left >= 0
    assert boxes.page.right <= window + 1e-6
    assert boxes.page.left <= boxes.main.left
    assert boxes.main.right <= boxes.page.right + 1e-6
    assert (boxes.header is not None) == (framed.column > 0 and window >= framed.column_from)
    if boxes.header:
        assert boxes.header == (boxes.page.left, framed.column)
        assert boxes.header.right <= boxes.main.left + 1e-6
        assert boxes.sidebar is None or boxes.header.right <= boxes.sidebar.left + 1e-6
    if boxes.sidebar is None:
        return
    first, second = sorted([boxes.main, boxes.sidebar])
    assert second.left - first.right == pytest.approx(framed.gap)
    assert boxes.main.width >= LEAST_MAIN
    assert boxes.sidebar.width == framed.sidebar
    assert (boxes.sidebar < boxes.main) == (framed.side == START)


@given(FRAMES, WINDOWS)
def test_a_sidebar_stands_beside_the_content_from_one_window_on(framed: Frame, window: int) -> None:
    beside = framed.boxes(window).sidebar is not None
    assert beside == (framed.beside_from is not None and window >= framed.beside_from)
    if framed.side == NONE:
        assert not beside


def test_a_header_at_the_side_takes_its_column_before_the_sidebar_has_room() -> None:
    early = Frame(FULL, MIDDLE, 1180, 36, END, sidebar=280, gap=40, column=240, column_from=960)
    assert early.beside_from == 1040
    assert early.boxes(1039).sidebar is None
    assert early.boxes(1040).main == (240, LEAST_MAIN)
    late = early._replace(column_from=1100)
    assert late.beside_from == 800, "where the column comes there is room for it too"
    assert late.boxes(1100).main == (240, 540)
    sheet = early._replace(form=FIXED, width=900)
    assert (sheet.sheet, sheet.beside_from) == (972, None)


@given(FRAMES, WINDOWS)
def test_a_sheet_is_never_wider_than_it_is_set(framed: Frame, window: int) -> None:
    page = framed.boxes(window).page
    assert page.width == (min(window, framed.sheet) if framed.form == FIXED else window)


def _look(**parts: object) -> Look:
    entry = Item(fields={"picture": "reel"})
    strip = Section(kind="gallery", items={"one": entry}, order=["one"])
    through = Section(kind="words", fields={"behind": "through", "body": "<p>Words</p>"})
    home = Page(name="Home", slug="", sections={"t": through}, order=["t"])
    document = Document(
        name="Bindery",
        template="slipway",
        pages={"home": home, "prices": Page(name="Prices", slug="prices")},
        order=["home", "prices"],
        shared={"sidebar": {"sections": {"s": strip}, "order": ["s"]}},
        pictures={"reel": Picture(file="f", format="png", width=300, height=200, name="reel")},
        parts=parts,
    )
    return Look(document, shipped())


def test_a_page_can_do_without_the_sidebar() -> None:
    look = _look(**{"sidebar.side": END})
    assert frame.sidebar_on(look, "prices") == END
    steps = read_command("show-sidebar", {"page": "prices"}).plan(look, lambda: "new")
    without = Look(apply(look.document, steps), look.catalogue)
    assert [frame.sidebar_on(without, page) for page in ("home", "prices", "gone")] == [END, NONE, NONE]
    (change,) = difference(look.document, without.document, look.catalogue)
    assert (change.subject, change.before, change.after) == ("Sidebar on Prices", "as on the others", "none")
    again = read_command("show-sidebar", {"page": "prices", "shown": "1"}).plan(without, lambda: "new")
    assert apply(without.document, again).text() == look.document.text()


def test_sides_are_said_by_the_way_that_lines_run() -> None:
    kind = Side({"none": "Nowhere", START: "", END: ""})
    arabic = Look(_look().document.model_copy(update={"site": {"site.language": "ar"}}), shipped())
    assert [kind.say(START, look) for look in (_look(), arabic)] == ["On the left", "On the right"]
    assert dict(kind.choices(arabic)) == {"none": "Nowhere", START: "On the right", END: "On the left"}
    with pytest.raises(Fault):
        kind.read("left", "Sidebar", "sidebar.side")


def test_a_header_in_a_narrow_sheet_folds_its_menu_in_every_window() -> None:
    wide = _look()
    assert header_fit(wide).fold < NEVER
    pages = {f"p{n}": Page(name=f"A page with a long name {n}", slug=f"p{n}") for n in range(9)}
    long = wide.document.model_copy(
        update={"pages": wide.document.pages | pages, "order": [*wide.document.order, *pages]}
    )
    fixed = long.model_copy(update={"parts": {"frame.form": FIXED, "frame.width": 720}})
    assert header_fit(Look(long, wide.catalogue)).fold < NEVER
    assert header_fit(Look(fixed, wide.catalogue)).fold == NEVER


BEHIND = [
    {"background.behind": "pattern", "background.pattern": "checks", "background.pattern_colour": "#7a1f1f"},
    {"background.behind": "pattern", "background.pattern_strength": 100, "background.ground": "dark"},
    {"background.behind": "gradient", "background.gradient_from": "#000000", "background.gradient_to": "#ffffff"},
    {"background.behind": "picture", "background.backdrop": "reel", "background.tint": 10},
    {"background.behind": "picture", "background.backdrop": "reel", "background.tint": 95},
    {"background.ground": "dark"},
    {"background.behind": "pattern", "frame.form": FIXED},
]


@pytest.mark.parametrize("parts", BEHIND)
def test_text_reads_through_whatever_is_behind_the_page(parts: dict[str, object]) -> None:
    look = _look(**parts)
    chosen = of_section(look, look.document.pages["home"].sections["t"])
    over = least_ground_over(look, chosen)
    assert over is not None
    fill = chosen.fill(look)
    for behind in background.colours_behind(look):
        shown = laid_over(behind, fill, over / 100)
        assert all(ratio(ink, shown) >= asked for ink, asked in chosen.inks(look))
    less = [laid_over(behind, fill, (over - 2) / 100) for behind in background.colours_behind(look)] if over > 1 else []
    assert not less or any(ratio(ink, shown) < TEXT for ink, _ in chosen.inks(look) for shown in less)


NO = Spot(0, 0)
sizes, ratios = st.floats(16, 240), st.floats(0.2, 6)
turns, offsets = st.floats(-180, 180), st.floats(-400, 400)


def test_nine_anchors_stand_in_three_rows() -> None:
    assert [shares(anchor) for anchor in ANCHORS] == [(x, y) for y in (0, 0.5, 1) for x in (0, 0.5, 1)]
    square = Extent(20, 20, 20, 20)
    assert placed("top-start", NO, square, 400, 100) == (0, 0)
    assert placed("middle", NO, square, 400, 100) == (190, 40)
    assert placed("foot-end", NO, square, 400, 100) == (380, 80)
    assert placed("foot-end", Spot(-30, -10), square, 400, 100) == (350, 70)


@given(st.sampled_from(list(ANCHORS)), sizes, ratios, turns, offsets, offsets, st.floats(240, 2560), st.floats(48, 480))
def test_it_never_leaves_the_box(
    anchor: str, size: float, ratio: float, turn: float, x: float, y: float, width: float, height: float
) -> None:
    taken = extent(size, ratio, turn, height)
    spot = placed(anchor, Spot(x, y), taken, width, height)
    assert -1e-6 <= spot.x <= width - taken.wide + 1e-6
    assert -1e-6 <= spot.y <= height - taken.high + 1e-6


@given(sizes, ratios, turns)
def test_turning_keeps_its_proportion(size: float, ratio: float, turn: float) -> None:
    taken = extent(size, ratio, turn, 10_000)
    assert abs(taken.width / taken.height - ratio) < 1e-6
    assert taken.wide <= 200 + 1e-6
    quarter = extent(20, ratio, 90, 10_000)
    assert abs(quarter.wide - quarter.height) < 1e-6 and abs(quarter.high - quarter.width) < 1e-6
