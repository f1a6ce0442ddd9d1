"""A picture cropped and turned by hand: what a window shows of it is what Pillow cuts."""

from __future__ import annotations

import re
from io import BytesIO

import pytest
from PIL import Image
from playwright.sync_api import Page, Route

from tests.browser.hands import eventually, expect, frames, kept, steady
from tests.sampling import some
from yemba.core.site.document import Picture
from yemba.core.site.pictures import framing, picture_size
from yemba.sites import services as sites
from yemba.sites import store
from yemba.sites.models import Site

pytestmark = [pytest.mark.browser, pytest.mark.django_db(transaction=True)]
PICTURE = "marbled"
_UPRIGHT = re.compile(rf"/picture/{PICTURE}/\?upright")
MOST = 3
"""Steps of 255 by which the mean of a block may differ, since what is shown is packed."""
BLOCKS = """async (img) => {
  img.loading = 'eager';
  await img.decode();
  const [wide, high] = [img.naturalWidth, img.naturalHeight];
  const context = new OffscreenCanvas(wide, high).getContext('2d');
  context.drawImage(img, 0, 0);
  const mean = (across, down) => {
    const { data } = context.getImageData(across * wide / 8, down * high / 8, wide / 8, high / 8);
    const sum = [0, 0, 0];
    for (let at = 0; at < data.length; at += 1) if (at % 4 < 3) sum[at % 4] += data[at];
    return sum.map((one) => one / (data.length / 4));
  };
  return [...Array(64).keys()].map((at) => mean(at % 8, Math.floor(at / 8)));
}"""


@pytest.mark.opens("pictures/")
def test_a_picture_is_cropped_by_pointer_and_by_keys_then_turned(bench: Page, demo: Site) -> None:
    on_their_way: list[Route] = []

    def keep_back(route: Route) -> None:
        on_their_way.append(route)

    bench.route(_UPRIGHT, keep_back)
    bench.get_by_role("link", name="marbled.jpg", exact=True).click()
    expect(bench.locator("#page-shown")).to_have_value("notebooks")
    room = steady(bench.locator(".crop-whole"))
    assert room["width"] / room["height"] == pytest.approx(4 / 3, rel=0.01), "its room is there before the picture"
    assert on_their_way
    for route in on_their_way:
        route.continue_()
    bench.unroute(_UPRIGHT)
    expect(bench.locator(".crop-whole img")).to_have_js_property("complete", True)
    assert bench.locator(".crop-whole").bounding_box() == room
    bench.locator(".crop-sides").first.evaluate("e => e.scrollIntoView({ block: 'center' })")
    corner = steady(bench.locator("[data-corner='right bottom']"))
    assert corner
    bench.mouse.move(corner["x"] + 12, corner["y"] + 12)
    bench.mouse.down()
    bench.mouse.move(corner["x"] - 100, corner["y"] - 80, steps=5)
    bench.mouse.up()
    kept(bench, "marbled.jpg cropped")
    dragged = _picture(demo)
    *_, right, bottom = map(float, dragged.crop.split())
    assert 50 < right < 90
    assert 50 < bottom < 90
    bench.locator(".crop-box").focus()
    bench.keyboard.press("Shift+ArrowRight")
    expect(bench.locator("#crop-left-marbled")).to_have_value("5")
    expect(bench.get_by_text(f"{picture_size(dragged)[0]} × {picture_size(dragged)[1]} px are shown")).to_be_visible()
    bench.locator(f"#turn-right-{PICTURE} button").click()
    kept(bench, "turned by 90")
    expect(bench.get_by_text(f"{picture_size(dragged)[1]} × {picture_size(dragged)[0]} px are shown")).to_be_visible()
    picture = _picture(demo)
    drawn = bench.locator(".crop-box").evaluate("e => [e.style.left, e.style.top]")
    assert drawn == [f"{side:g}%" for side in framing(picture).box[:2]], (
        "the box on the desk is that of the turned picture"
    )
    left, _, moved, _ = map(float, framing(picture).rotate(-90).box)
    assert (left, moved) == pytest.approx((5, right + 5))
    whole = Image.open(BytesIO(store.load(picture.file)))
    cut = framing(picture).image(whole).convert("RGB").resize((8, 8), Image.Resampling.BOX)
    width, height = picture_size(picture)
    shown = frames(bench)[0].locator(f"img[width='{width}'][height='{height}']").first
    for drawn, meant in zip(shown.evaluate(BLOCKS), cut.get_flattened_data(), strict=True):
        assert max(abs(one - two) for one, two in zip(drawn, meant, strict=True)) <= MOST


WATCH = """() => {
  globalThis.blank = 0;
  const watch = () => {
    const images = [...document.querySelectorAll('[data-place=opening] img')];
    if (!images.length || images.some((one) => !one.complete || !one.naturalWidth)) globalThis.blank += 1;
    requestAnimationFrame(watch);
  };
  watch();
}"""


@pytest.mark.parametrize("drawn", some([False, True], 2))
def test_a_picture_in_the_sites_colours_follows_a_code_that_is_typed_and_never_blinks(
    bench: Page, demo: Site, drawn: bool
) -> None:
    if drawn:
        sites.edit(demo, "take-drawing", {"drawing": "waves", "section": "opening"})
    else:
        picture = sites.document(demo).section("opening").section.fields["picture"]
        leading = next(iter(sites.look(demo).value("palette")))["id"]
        sites.edit(demo, "tone-picture", {"picture": picture, "filter": "duotone", "tint": f"@{leading}"})
    bench.reload()
    image = "document.querySelector('[data-place=opening] img')"
    eventually(bench, f"{image}.complete && {image}.naturalWidth > 0")
    for frame in frames(bench):
        frame.evaluate(WATCH)
    code = bench.get_by_label(re.compile("^Code of"))
    code.press("Control+A")
    bench.keyboard.type("#2f6d44")
    eventually(bench, f"{image}.currentSrc.includes('?as=')")
    code.press("Tab")
    kept(bench, "#2f6d44")
    eventually(bench, f"!{image}.currentSrc.includes('?as=')")
    assert [frame.evaluate("blank") for frame in frames(bench)] == [0, 0]


def _picture(site: Site) -> Picture:
    return sites.document(Site.objects.get(pk=site.pk)).pictures[PICTURE]
