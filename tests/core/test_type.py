"""Font files tell the truth, and pairs are judged by it."""

from __future__ import annotations

import re

import pytest

from tests.sampling import some
from yemba.catalogue import FONTS
from yemba.catalogue.reading import read_all
from yemba.core.errors import Fault
from yemba.core.site.catalogue import Catalogue
from yemba.core.type.facts import Face
from yemba.core.type.fallback import LOCALS, fallback
from yemba.core.type.pairing import judge, measures, ranked
from yemba.core.type.subsets import subset_of


def test_every_shipped_family_tells_its_facts(catalogue: Catalogue) -> None:
    assert len(catalogue.families) >= 24
    assert {slug: family.facts for slug, family in catalogue.families.items()} == read_all(), "read anew"
    for family in catalogue.families.values():
        facts = family.facts
        assert facts.x_height < facts.cap_height < facts.units_per_em
        assert facts.descent < 0 < facts.ascent
        assert facts.weights[0] <= 400 <= facts.weights[1]
        assert family.face.covers("Saltmarsh Bindery, £65 – “pressed flowers” äöüß")
        assert not family.face.covers("書")


def test_width_grows_with_words_weight_and_spacing(catalogue: Catalogue) -> None:
    face = catalogue.families["work-sans"].face
    plain = face.width("Repairs", 18)
    assert face.width("Repairs and more", 18) > plain
    assert face.width("Repairs", 18, weight=800) > plain
    assert face.width("Repairs", 18, spacing=0.1) == pytest.approx(plain + 0.1 * 18 * 7)


@pytest.mark.parametrize("data", [b"", b"no font", b"wOF2" + bytes(60), b"\x00\x01\x00\x00" + bytes(20)])
def test_what_is_no_font_is_refused(data: bytes) -> None:
    with pytest.raises(Fault) as caught:
        Face(data)
    assert caught.value.code == "font-unreadable"


def test_a_fallback_takes_the_room_of_the_font(catalogue: Catalogue) -> None:
    for family in catalogue.families.values():
        for local in LOCALS[family.kind]:
            room = fallback(family.facts, family.average(400), local.width)
            assert (70 if family.kind == "hand" else 80) < room.size_adjust < 125
            height = (room.ascent_override + room.descent_override) * room.size_adjust / 100
            own = (family.facts.ascent - family.facts.descent) / family.facts.units_per_em * 100
            assert height == pytest.approx(own, abs=0.1)


def test_pairings_name_families_that_are_shipped(catalogue: Catalogue) -> None:
    assert len(catalogue.pairings) >= 30
    for pairing in catalogue.pairings.values():
        assert {pairing.heading, pairing.body} <= set(catalogue.families)
        assert pairing.reason.endswith(".")
        heading, body = catalogue.families[pairing.heading], catalogue.families[pairing.body]
        assert judge(heading, body).score >= 4, "none that would be advised against"


def test_scripts_are_many_and_the_files_do_hold_them(catalogue: Catalogue) -> None:
    samples = {"Cyrillic": "Привет", "Greek": "Καλημέρα", "Hebrew": "שלום", "Arabic": "سلام", "Vietnamese": "Nguyễn"}
    for script, text in samples.items():
        having = [family for family in catalogue.families.values() if script in family.scripts]
        assert len(having) >= 2, script
        for family in having:
            for subset in {subset_of(c) for c in text}:
                file = next(f for f in family.files if (f.style, f.subset) == ("normal", subset))
                held = Face((FONTS / family.slug / file.name).read_bytes())
                assert held.covers("".join(c for c in text if subset_of(c) == subset)), (family.slug, subset)


def test_a_character_belongs_to_the_subset_its_makers_put_it_in() -> None:
    subsets = "latin latin-ext vietnamese cyrillic greek hebrew arabic".split()
    assert [subset_of(c) for c in "ałệЖωאس書"] == [*subsets, ""]


# Pairs that typographers call good, and pairs they warn of; common practice, no source.
GOOD = [("playfair-display", "source-sans-3"), ("oswald", "lora"), ("eb-garamond", "source-sans-3"), ("lora", "karla")]
GOOD += [
    ("vollkorn", "source-sans-3"),
    ("archivo", "literata"),
    ("fraunces", "work-sans"),
    ("oswald", "source-serif-4"),
]
BAD = [("source-sans-3", "karla"), ("noto-sans", "source-sans-3"), ("work-sans", "instrument-sans"), ("lora", "caveat")]
BAD += [("rubik", "heebo"), ("karla", "playfair-display"), ("caveat", "oswald"), ("vazirmatn", "heebo")]


def test_well_known_good_pairs_rank_above_bad_ones(catalogue: Catalogue) -> None:
    def score(pair: tuple[str, str]) -> float:
        return judge(*(catalogue.families[slug] for slug in pair)).score

    assert min(map(score, GOOD)) > max(map(score, BAD))
    for heading, body in GOOD:
        order = [one.slug for one in ranked(catalogue.families, heading=heading)]
        assert order.index(body) < len(order) / 2


def test_what_a_reason_says_is_so(catalogue: Catalogue) -> None:
    """Every number of every reason, from the files read anew."""
    facts = read_all()
    names = {family.name: facts[slug] for slug, family in catalogue.families.items()}
    seen = set()
    for heading in catalogue.families.values():
        for body in some(list(catalogue.families.values()), 5):
            one, other = measures(names[heading.name]), measures(names[body.name])
            for said in judge(heading, body).reasons:
                if found := re.search(r"(\d+) % narrower", said):
                    assert int(found[1]) == pytest.approx(100 * (1 - one.width / other.width), abs=0.51)
                elif found := re.search(r"(\d+) % heavier|drawn (\d+) %", said):
                    assert int(found[1] or found[2]) == pytest.approx(100 * (one.stroke / other.stroke - 1), abs=0.51)
                elif found := re.search(r"(\d+) % taller", said):
                    taller = max(one.x_height, other.x_height) / min(one.x_height, other.x_height)
                    assert int(found[1]) == pytest.approx(100 * (taller - 1), abs=0.51)
                elif found := re.search(r"([\d.]+) to 1, over .* ([\d.]+) to 1", said):
                    assert float(found[1]) == pytest.approx(one.contrast, abs=0.051)
                    assert float(found[2]) == pytest.approx(other.contrast, abs=0.051)
                elif "equally tall" in said:
                    assert abs(one.x_height / other.x_height - 1) <= 0.031
                elif found := re.search(r"lacks (.*), which", said):
                    assert all(s in body.scripts and s not in heading.scripts for s in found[1].split(" and "))
                else:
                    continue
                seen.add(found[0][-6:] if found else "tall")
    assert len(seen) >= 5, "reasons of every sort were met"
