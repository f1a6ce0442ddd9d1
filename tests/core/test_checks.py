"""What still needs a look is found, and nothing else; a cure mends what it was offered for."""

from __future__ import annotations

from collections.abc import Callable
from hashlib import sha256
from io import BytesIO
from typing import Any

import pytest
from PIL import Image, ImageDraw

from tests.editing import edited
from yemba.core.change.command import read_command
from yemba.core.change.difference import difference
from yemba.core.change.operation import apply
from yemba.core.check import tap_targets
from yemba.core.check.alt_text import pictures_without_alt
from yemba.core.check.descriptions import LONGEST, proposed
from yemba.core.check.finding import Finding, Height, Inspected, Measured, Target, checks
from yemba.core.check.starter_words import starter_sections
from yemba.core.place import OfField, OfRole, OfSection, OfSetting
from yemba.core.site.backdrop import of_section, reads_from
from yemba.core.site.catalogue import Catalogue
from yemba.core.site.document import Document, Page
from yemba.core.site.ids import new_id
from yemba.core.site.one_offs import of_section as one_offs_of_section
from yemba.core.site.resolve import Look


def look_at(document: Document, catalogue: Catalogue, **more: Any) -> Inspected:
    given = {"load": lambda _: b"", "weigh": lambda _, width: width * 100} | more
    return Inspected(Look(document, catalogue), **given)


def found(slug: str, inspected: Inspected) -> list[Finding]:
    return list(checks()[slug].find(inspected))


def changed(document: Document, change: Callable[[dict[str, Any]], None]) -> Document:
    plain = document.plain()
    change(plain)
    return Document.model_validate(plain)


def opening(plain: dict[str, Any]) -> dict[str, Any]:
    home = plain["pages"][plain["order"][0]]
    return home["sections"][home["order"][0]]["fields"]


def cured(document: Document, catalogue: Catalogue, finding: Finding) -> Document:
    assert finding.cure is not None
    return edited(document, finding.cure.command, **finding.cure.arguments)


def test_starter_words_are_found_until_they_are_replaced(document: Document, catalogue: Catalogue) -> None:
    home = document.order[0]
    first = document.pages[home].order[0]
    assert first in starter_sections(Look(document, catalogue))
    told = found("starter_words", look_at(document, catalogue))
    assert (told[0].page, told[0].place) == (home, OfField(first, "lead"))
    written = changed(document, lambda plain: opening(plain).update(lead="<p>Mended by hand.</p>"))
    assert first not in starter_sections(Look(written, catalogue))


def test_a_mail_address_that_is_none_is_found_and_is_no_link(document: Document, catalogue: Catalogue) -> None:
    def write(plain: dict[str, Any], mail: str) -> None:
        opening = plain["pages"][plain["order"][0]]["sections"]
        opening["reach"] = {"kind": "hours-and-place", "fields": {"heading": "Here", "mail": mail}}
        plain["pages"][plain["order"][0]]["order"].append("reach")

    for mail, wrong in {"ines at saltmarsh": True, "ines@saltmarsh.example": False}.items():
        told = found("dead_links", look_at(changed(document, lambda plain, mail=mail: write(plain, mail)), catalogue))
        assert [OfField("reach", "mail")] * wrong == [one.place for one in told]
        assert all(mail in one.sentence for one in told)


ABOUT = {"file": "f", "format": "jpeg", "width": 3000, "height": 2000}


def pictured(plain: dict[str, Any], **about: Any) -> None:
    plain["pictures"] = {"p1": {**ABOUT, "name": "press.jpg", **about}}
    opening(plain)["picture"] = "p1"


def test_only_pictures_in_use_want_alt_text(document: Document, catalogue: Catalogue) -> None:
    def three(plain: dict[str, Any]) -> None:
        pictured(plain)
        plain["pictures"] |= {
            "p2": ABOUT | {"name": "told.jpg", "alt": "A press"},
            "p3": ABOUT | {"name": "unused.jpg"},
        }
        home = plain["pages"][plain["order"][0]]
        second = home["sections"][home["order"][1]]
        second["items"][second["order"][0]]["fields"]["picture"] = "p2"

    document = changed(document, three)
    assert pictures_without_alt(document) == ["press.jpg"]
    (told,) = found("alt_text", look_at(document, catalogue))
    home = document.pages[document.order[0]]
    assert told.place == OfField(home.order[0], "picture", what="alt")
    assert "press.jpg on Home" in told.sentence


def test_a_link_to_a_page_that_is_gone_is_found_and_taken_out(document: Document, catalogue: Catalogue) -> None:
    words = '<p>See <a href="page:xgone">prices</a> or <a href="https://a.example">there</a>.</p>'
    document = changed(document, lambda plain: opening(plain).update(lead=words, link="page:xgone", button="Prices"))
    told = found("dead_links", look_at(document, catalogue))
    assert len(told) == 2
    for finding in told:
        document = cured(document, catalogue, finding)
    assert found("dead_links", look_at(document, catalogue)) == []
    lead = document.pages[document.order[0]].sections[document.pages[document.order[0]].order[0]].fields["lead"]
    assert lead == '<p>See prices or <a href="https://a.example">there</a>.</p>'


def test_links_of_the_menu_and_of_the_header_lead_somewhere(document: Document, catalogue: Catalogue) -> None:
    def linked(plain: dict[str, Any]) -> None:
        plain["navigation"] = {"links": {"xold": {"name": "Old", "link": "page:xgone"}}}
        plain["parts"] = {"header.action": "Book", "header.action_link": "page:xgone"}

    broken = changed(document, linked)
    menu, action = found("dead_links", look_at(broken, catalogue))
    assert menu.sentence == "“Old” in the menu leads to a page that is gone, so the menu leaves it out."
    assert action.place == OfSetting("header.action_link")
    mended = cured(broken, catalogue, menu)
    assert [one.place for one in found("dead_links", look_at(mended, catalogue))] == [action.place]
    nowhere = changed(document, lambda plain: plain.update(parts={"header.action": "Book"}))
    (one,) = found("dead_links", look_at(nowhere, catalogue))
    assert "leads nowhere yet" in one.sentence
    section = document.pages[document.order[0]].order[0]
    there = f"page:{document.order[0]}#{section}"
    led = changed(document, lambda plain: plain.update(parts={"header.action": "Book", "header.action_link": there}))
    assert found("dead_links", look_at(led, catalogue)) == []


def test_a_section_that_a_link_leads_to_is_put_back(document: Document, catalogue: Catalogue) -> None:
    home = document.order[0]
    section = document.pages[home].order[1]
    link = {"entry_name": "There", "link": f"page:{home}#{section}"}
    binned = document
    for command, arguments in (("add-menu-link", link), ("bin-section", {"section": section})):
        steps = read_command(command, arguments).plan(Look(binned, catalogue), new_id)
        binned = apply(binned, steps)
    (one,) = found("dead_links", look_at(binned, catalogue))
    assert "a section that is in the bin" in one.sentence
    assert found("dead_links", look_at(cured(binned, catalogue, one), catalogue)) == []


def test_a_small_picture_in_the_header_that_words_stand_on_is_found(document: Document, catalogue: Catalogue) -> None:
    about = {"file": "f", "format": "png", "width": 100, "height": 100}

    def stands(**values: Any) -> list[Finding]:
        def put(plain: dict[str, Any]) -> None:
            plain["pictures"] = {"seal": about}
            plain["parts"] = {"header.extra": "seal"} | {f"header.extra_{key}": value for key, value in values.items()}

        return found("extra_picture", look_at(changed(document, put), catalogue))

    (under,) = stands(anchor="start", size=60)
    assert "stands under the name at 320, 390, 768" in under.sentence
    assert stands(anchor="middle", size=16, y=200) == [], "it stands beside and below them"


def test_somebody_finds_the_other_pages(document: Document, catalogue: Catalogue) -> None:
    lost = changed(
        document, lambda plain: plain.update(parts={"header.arrangement": "none", "footer.navigation": False})
    )
    (one,) = found("way_about", look_at(lost, catalogue))
    assert found("way_about", look_at(cured(lost, catalogue, one), catalogue)) == []
    headed = changed(document, lambda plain: plain.update(parts={"footer.navigation": False}))
    assert found("way_about", look_at(headed, catalogue)) == []


def test_without_a_mark_the_menu_must_lead_home(document: Document, catalogue: Catalogue) -> None:
    plain = document.plain()
    home = document.order[0]
    nameless = plain | {"sheet": {"logo.form": "none"}, "navigation": {"hidden": [home]}}
    for parts, count in (({}, 1), ({"header.arrangement": "none", "footer.navigation": True}, 0)):
        lost = Document.model_validate(nameless | {"parts": parts})
        assert len(found("way_about", look_at(lost, catalogue))) == count
    lost = Document.model_validate(nameless)
    (one,) = found("way_about", look_at(lost, catalogue))
    assert found("way_about", look_at(cured(lost, catalogue, one), catalogue)) == []
    wide_only = Document.model_validate(plain | {"parts": {"header.title": "wide"}, "navigation": {"hidden": [home]}})
    assert len(found("way_about", look_at(wide_only, catalogue))) == 1, "on a phone nothing leads home"


def test_a_page_in_the_bin_is_put_back_where_a_link_wants_it(document: Document, catalogue: Catalogue) -> None:
    prices = document.order[1]
    binned = edited(document, "bin-page", page=prices)
    (told,) = found("dead_links", look_at(binned, catalogue))
    assert "in the bin" in told.sentence
    assert prices in cured(binned, catalogue, told).pages


def test_a_missing_description_is_offered_from_the_pages_own_words(document: Document, catalogue: Catalogue) -> None:
    words = (
        "<p>Cloth and leather repairs. A bench is free for learners every second Saturday. " + "More. " * 60 + "</p>"
    )
    document = changed(document, lambda plain: opening(plain).update(lead=words))
    told = next(f for f in found("descriptions", look_at(document, catalogue)) if f.page == document.order[0])
    mended = cured(document, catalogue, told)
    description = mended.pages[document.order[0]].description
    assert description.startswith("Cloth and leather repairs. A bench")
    assert len(description) <= LONGEST
    assert not [f for f in found("descriptions", look_at(mended, catalogue)) if f.page == document.order[0]]
    assert proposed(Page(name="Bare", slug="bare")) == ""


def test_two_pages_of_one_title_are_found(document: Document, catalogue: Catalogue) -> None:
    def alike(plain: dict[str, Any]) -> None:
        for page in plain["pages"].values():
            page["title"] = "Bindery"

    def in_german_too(plain: dict[str, Any]) -> None:
        alike(plain)
        plain["pages"][plain["order"][-1]]["language"] = "de"

    def same_title(change: Callable[[dict[str, Any]], None]) -> list[Finding]:
        inspected = look_at(changed(document, change), catalogue)
        return [one for one in found("descriptions", inspected) if "same title" in one.sentence]

    assert len(same_title(alike)) == len(document.order) - 1
    assert len(same_title(in_german_too)) == len(document.order) - 2  # in another language it may be the same


@pytest.mark.parametrize(("width", "count"), [(300, 1), (929, 1), (930, 0), (3000, 0)])
def test_a_picture_smaller_than_its_place_is_found(
    document: Document, catalogue: Catalogue, width: int, count: int
) -> None:
    document = changed(document, lambda plain: pictured(plain, width=width))
    assert len(found("picture_fit", look_at(document, catalogue, weigh=lambda *_: 0))) == count


def test_pictures_too_heavy_for_a_phone_are_weighed_as_a_phone_loads_them(
    document: Document, catalogue: Catalogue
) -> None:
    document = changed(document, pictured)
    asked: list[int] = []
    light = look_at(document, catalogue, weigh=lambda _, width: asked.append(width) or 300_000)
    assert found("picture_fit", light) == []
    assert asked == [780], "390 px at two dots a px, over the whole width"
    (told,) = found("picture_fit", look_at(document, catalogue, weigh=lambda *_: 300_001))
    assert "300 kB" in told.sentence
    drawing = changed(document, lambda plain: pictured(plain, format="svg"))
    assert len(found("picture_fit", look_at(drawing, catalogue, weigh=lambda *_: 100_001))) == 1


def target(x: float, y: float, width: float, height: float) -> Target:
    return Target("header", "Repairs", x, y, width, height)


@pytest.mark.parametrize(
    ("boxes", "small"),
    [
        ([(0, 0, 60, 24), (0, 24, 60, 24)], 0),
        ([(0, 0, 60, 18), (0, 18, 60, 18)], 2),
        ([(0, 0, 60, 18), (0, 30, 60, 18)], 0),
        ([(0, 0, 18, 18)], 0),
        ([(0, 0, 18, 18), (20, 0, 60, 44)], 1),
        ([(0, 0, 18, 18), (40, 0, 60, 44)], 0),
    ],
)
def test_tap_targets_are_judged_by_size_and_spacing(boxes: list[tuple[float, ...]], small: int) -> None:
    """WCAG 2.2 SC 2.5.8: 24 px, or a circle of 24 px that meets no other target."""
    assert len(tap_targets.too_small([target(*box) for box in boxes])) == small


def test_what_the_phone_window_measured_is_told_by_place(document: Document, catalogue: Catalogue) -> None:
    home = document.order[0]
    offers = document.pages[home].order[1]
    near = [Target(offers, "Dates", 0, 0, 60, 12), Target(offers, "Prices", 0, 12, 60, 12)]
    measured = {home: Measured(320, 402, offers, near), "xgone": Measured(320, 900, "header", near)}
    inspected = look_at(document, catalogue, measured=measured)
    (tap,) = found("tap_targets", inspected)
    assert (tap.page, tap.place) == (home, OfSection(offers))
    assert "“Dates” in Offers on Home is 60 x 12 px" in tap.sentence
    wide = [f for f in found("narrow_words", inspected) if "too wide" in f.sentence]
    assert [finding.place for finding in wide] == [OfSection(offers)]


def test_a_word_that_makes_its_heading_smaller_than_the_text_is_found(document: Document, catalogue: Catalogue) -> None:
    word = "Handbuchbinderwerkstattgemeinschaft"
    for words, count in ((f"The {word}", 1), ("The Handbuchbinder-werkstatt", 0), ("Words - and more words", 0)):
        long = changed(document, lambda plain, words=words: opening(plain).update(heading=words))
        sentences = [finding.sentence for finding in found("narrow_words", look_at(long, catalogue))]
        assert len(sentences) == count, words
        assert all(f"“{word}”" in sentence for sentence in sentences)


def test_a_picture_logo_without_a_picture_has_no_icon(document: Document, catalogue: Catalogue) -> None:
    wanting = changed(document, lambda plain: plain.update(sheet={"logo.form": "picture"}))
    (told,) = found("site_icon", look_at(wanting, catalogue))
    assert found("site_icon", look_at(cured(wanting, catalogue, told), catalogue)) == []
    unnamed = changed(document, lambda plain: plain.update(name="· · ·"))
    assert len(found("site_icon", look_at(unnamed, catalogue))) == 1


def with_logo(document: Document, data: bytes, width: int, height: int, **values: Any) -> Document:
    picture = {"file": sha256(data).hexdigest(), "format": "png", "width": width, "height": height, "name": "mark.png"}

    def put_on(plain: dict[str, Any]) -> None:
        plain["pictures"] = {"p1": picture}
        plain["sheet"] = {"logo.form": "picture", "logo.picture": "p1"}
        plain["parts"] = {**plain.get("parts", {}), **values}

    return changed(document, put_on)


def drawn_mark(width: int, height: int, colour: str, thick: int) -> bytes:
    """A frame of that line on nothing."""
    out, picture = BytesIO(), Image.new("RGBA", (width, height))
    ImageDraw.Draw(picture).rectangle((0, 0, width - 1, height - 1), outline=colour, width=thick)
    picture.save(out, "PNG")
    return out.getvalue()


@pytest.mark.parametrize(
    ("width", "height", "colour", "thick", "said"),
    [
        (300, 300, "#26346e", 60, ""),
        (900, 100, "#26346e", 40, "it is drawn 16 × 2 px"),
        (100, 900, "#26346e", 40, "it is drawn 2 × 16 px"),
        (600, 600, "#26346e", 2, "next to nothing of it stands out"),
    ],
)
def test_an_icon_that_cannot_be_told_in_a_tab_gives_way_to_the_letter(
    document: Document, catalogue: Catalogue, width: int, height: int, colour: str, thick: int, said: str
) -> None:
    data = drawn_mark(width, height, colour, thick)
    marked = with_logo(document, data, width, height)
    told = found("site_icon", look_at(marked, catalogue, load=lambda _: data))
    assert [said in finding.sentence for finding in told] == ([True] if said else [])
    for finding in told:
        assert found("site_icon", look_at(cured(marked, catalogue, finding), catalogue, load=lambda _: data)) == []


def test_a_logo_of_few_pixels_is_told_with_how_many_it_wants(document: Document, catalogue: Catalogue) -> None:
    data = drawn_mark(60, 60, "#26346e", 12)
    told = found("logo", look_at(with_logo(document, data, 60, 60), catalogue, load=lambda _: data))
    assert [finding.sentence for finding in told] == [
        "mark.png is 60 px high and drawn 60 px high: on a dense screen, which wants 120, it looks soft. "
        "Choose a larger file, or SVG."
    ]
    lower = with_logo(document, data, 60, 60, **{"logo.height": 30})
    assert found("logo", look_at(lower, catalogue, load=lambda _: data)) == []


def test_a_faint_logo_asks_for_a_version_and_a_faint_version_for_another_ground(
    document: Document, catalogue: Catalogue
) -> None:
    data = drawn_mark(300, 300, "#f0ead8", 60)
    faint = with_logo(document, data, 300, 300)
    (told,) = found("logo", look_at(faint, catalogue, load=lambda _: data))
    assert told.cure is not None
    assert (told.cure.action, told.cure.arguments) == ("mend-logo", {"act": "dark"})
    look = Look(faint, catalogue)
    own = {"picture": "p2", "use": "logo-dark", "file": "0" * 64, "format": "png", "file_name": "own.png"}
    steps = read_command("add-picture", own | {"width": 300, "height": 300}).plan(look, new_id)
    (again,) = found("logo", look_at(apply(faint, steps), catalogue, load=lambda _: data))
    assert again.cure is not None and again.cure.command == "set-value"
    assert found("logo", look_at(cured(apply(faint, steps), catalogue, again), catalogue, load=lambda _: data)) == []


def test_a_logo_whose_file_is_gone_is_said_and_nothing_else(document: Document, catalogue: Catalogue) -> None:
    def gone(_: str) -> bytes:
        raise FileNotFoundError

    marked = with_logo(document, b"", 300, 300)
    (told,) = found("logo", look_at(marked, catalogue, load=gone))
    assert "no longer there" in told.sentence
    assert found("site_icon", look_at(marked, catalogue, load=gone)) == []


def test_form_picture_and_versions_of_a_logo_are_one_change(document: Document, catalogue: Catalogue) -> None:
    both = with_logo(document, b"", 300, 300, **{"logo.light": "p2"})
    both = changed(both, lambda plain: plain["pictures"].update(p2={**plain["pictures"]["p1"], "version_of": "p1"}))
    (one,) = difference(document, both, catalogue)
    assert (one.key, one.before) == ("value.logo.form", "Wordmark")
    assert one.after == "Picture, mark.png, mark.png"
    assert apply(document, one.steps).text() == both.text()
    assert apply(both, one.back).parts == document.parts


@pytest.mark.parametrize(
    ("role", "value", "said"),
    [
        ("quiet", "#b8b2a4", "On Light, quiet text on background has"),
        ("button_text", "#9a4b3a", "On Light, button text on button has"),
        ("visited", "#d8c8b8", "On Light, visited links on background has"),
    ],
)
def test_a_role_set_by_hand_that_falls_short_is_named_and_mended(
    document: Document, catalogue: Catalogue, role: str, value: str, said: str
) -> None:
    assert found("contrast", look_at(document, catalogue)) == []
    arguments = {"ground": "light", "role": role, "value": value}
    by_hand = edited(document, "set-role", **arguments)
    told = found("contrast", look_at(by_hand, catalogue))
    assert told[0].sentence.startswith(said)
    assert told[0].place == OfRole("light", role)
    assert found("contrast", look_at(cured(by_hand, catalogue, told[0]), catalogue)) == []


def test_a_text_set_apart_in_the_footer_is_judged_on_its_ground_in_its_size(
    document: Document, catalogue: Catalogue
) -> None:
    below = edited(document, "add-section", part="footer", kind="links")
    (links,) = below.shared["footer"].order
    apart = {"section": links, "element": "heading", "what": "colour"}
    dark = edited(below, "set-one-off", **apart, value="#22302e")
    (one,) = one_offs_of_section(Look(dark, catalogue), dark.section(links))
    assert str(one.otherwise) == "Dark’s own"
    sized = edited(below, "set-one-off", **apart | {"what": "size"}, value="40")
    (one,) = one_offs_of_section(Look(sized, catalogue), sized.section(links))
    assert str(one.otherwise) == "{0.low:.3g} to {0.high:.3g} px".format(Look(sized, catalogue).texts["h5"].size)
    (told,) = found("contrast", look_at(dark, catalogue))
    assert " on Dark; 4.5 : 1 is needed." in str(told.sentence)
    assert found("contrast", look_at(cured(dark, catalogue, told), catalogue)) == []
    assert found("contrast", look_at(edited(below, "set-one-off", **apart, value="#ffffff"), catalogue)) == []


def test_a_link_without_underline_needs_to_differ_from_text(document: Document, catalogue: Catalogue) -> None:
    bare = changed(document, lambda plain: plain.update(sheet={"link.underline": "never"}))
    look = Look(bare, catalogue)
    told = found("contrast", look_at(bare, catalogue))
    assert len(told) == sum(look.grounds[slug].link_underlined for slug in ("light", "tinted", "dark"))
    for finding in told:
        assert "only colour tells a link" in finding.sentence
        assert found("contrast", look_at(cured(bare, catalogue, finding), catalogue)) == []


def test_letters_that_a_face_lacks_are_named_and_a_face_that_has_them_offered(
    document: Document, catalogue: Catalogue
) -> None:
    assert found("letters", look_at(document, catalogue)) == []
    words = "<p>Zażółć gęślą jaźń. Tiếng Việt. Καλημέρα. سلام 書</p>"

    def write(plain: dict[str, Any]) -> None:
        opening(plain)["lead"] = words
        plain["sheet"] = {"type.body": "newsreader", "type.heading": "bricolage-grotesque"}

    (told,) = found("letters", look_at(changed(document, write), catalogue))
    assert told.place == OfSetting("type.body")
    named = set(told.sentence.split("“")[1].split("”")[0])
    assert named == set("Καλημέρα") - {"\u0301"} | set("سلام書"), "Polish and Vietnamese it has, and no more is named"
    assert told.cure is None, "no face has Greek, Arabic and Chinese"

    def greek(plain: dict[str, Any]) -> None:
        opening(plain)["heading"] = "Καλημέρα"
        plain["sheet"] = {"type.heading": "bricolage-grotesque"}

    greeting = changed(document, greek)
    (told,) = found("letters", look_at(greeting, catalogue))
    assert told.place == OfSetting("type.heading")
    assert found("letters", look_at(cured(greeting, catalogue, told), catalogue)) == []


def striped() -> bytes:
    """A picture of black and white bars."""
    out = BytesIO()
    bars = Image.new("RGB", (400, 300), "white")
    for x in range(0, 400, 80):
        bars.paste("black", (x, 0, x + 40, 300))
    bars.save(out, "PNG")
    return out.getvalue()


@pytest.mark.parametrize("arrangement", ["row", "side"])
def test_text_over_a_picture_is_judged_and_the_least_tint_mends_it(
    document: Document, catalogue: Catalogue, arrangement: str
) -> None:
    def behind(plain: dict[str, Any]) -> None:
        plain["pictures"] = {"p1": {"file": "f", "format": "png", "width": 400, "height": 300, "name": "bars.png"}}
        opening(plain).update(backdrop="p1", tint="20")
        plain["parts"] = {"header.backdrop": "p1", "header.tint": 10, "header.arrangement": arrangement}

    given, bars = changed(document, behind), striped()
    told = found("contrast", look_at(given, catalogue, load=lambda _: bars))
    assert [type(finding.place) for finding in told] == [OfField, OfSetting]
    for finding in told:
        assert "over bars.png text reads from a tint of" in finding.sentence
        given = cured(given, catalogue, finding)
    assert found("contrast", look_at(given, catalogue, load=lambda _: bars)) == []
    look = Look(given, catalogue)
    section = given.pages[given.order[0]].sections[given.pages[given.order[0]].order[0]]
    mended = of_section(look, section)
    assert mended is not None
    assert reads_from(look, mended, lambda _: bars) == mended.tint, "the least, and no more"


def test_a_link_to_a_page_that_is_not_published_is_found_and_cured(document: Document, catalogue: Catalogue) -> None:
    other = document.order[1]
    linked = changed(document, lambda plain: opening(plain).update(link=f"page:{other}"))
    before = found("dead_links", look_at(linked, catalogue))
    hidden = changed(linked, lambda plain: plain["pages"][other].update(unpublished=True))
    (told,) = [one for one in found("dead_links", look_at(hidden, catalogue)) if one not in before]
    assert "which is not published" in told.sentence
    assert found("dead_links", look_at(cured(hidden, catalogue, told), catalogue)) == before


@pytest.mark.parametrize(
    ("whole", "empty", "count", "said"),
    [(4480, 400, 0, ""), (4481, 0, 1, "7 screens"), (900, 401, 1, "401 px"), (6000, 700, 2, "9 screens")],
)
def test_very_high_sections_and_empty_room_are_found(
    document: Document, catalogue: Catalogue, whole: float, empty: float, count: int, said: str
) -> None:
    home = document.order[0]
    first = document.pages[home].order[0]
    heights = [Height(first, whole, empty), Height("xgone", 9000, 9000)]
    sentences = [
        one.sentence
        for one in found(
            "heights", look_at(document, catalogue, measured={home: Measured(320, 320, "header", [], heights)})
        )
    ]
    assert len(sentences) == count
    assert said in " ".join(sentences)


def test_a_given_height_that_leaves_room_empty_is_taken_back_by_its_cure(
    document: Document, catalogue: Catalogue
) -> None:
    home = document.order[0]
    first = document.pages[home].order[0]
    high = changed(document, lambda plain: opening(plain).update(height="whole"))
    measured = {home: Measured(320, 320, "header", [], [Height(first, 900, 600)])}
    (finding,) = found("heights", look_at(high, catalogue, measured=measured))
    assert finding.place == OfField(first, "height")
    assert finding.cure
    assert finding.cure.arguments == {"section": first, "field": "height", "words": ""}
