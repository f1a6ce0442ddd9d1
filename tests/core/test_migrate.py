"""Documents of every earlier version are read, and come out as of today."""

from __future__ import annotations

import json

import pytest

from yemba.catalogue import catalogue
from yemba.core.errors import Fault
from yemba.core.site.document import read
from yemba.core.site.migrate import STEPS, VERSION
from yemba.core.site.resolve import Look

SAMPLES = {
    1: '{"currency":"GBP","language":"de","name":"Salzwiese","order":["p"],"pages":{"p":{"name":"Start","slug":""}},'
    '"parts":{"header.height_wide":90},"template":"slipway"}',
    2: '{"bin":{"b":{"section":{"kind":"gallery","layout":"columns"}}},"name":"Salt","order":["p"],"pages":{"p":'
    '{"name":"Home","order":["g","w"],"sections":{"g":{"kind":"gallery","layout":"columns"},'
    '"w":{"kind":"words","layout":"columns"}},"slug":""}},"template":"slipway","version":2}',
}


def test_there_is_a_sample_of_every_earlier_version() -> None:
    assert set(SAMPLES) == set(STEPS) == set(range(1, VERSION))


@pytest.mark.parametrize("version", SAMPLES)
def test_a_sample_reads_and_is_written_as_of_today(version: int) -> None:
    document = read(SAMPLES[version])
    assert json.loads(document.text())["version"] == VERSION
    assert read(document.text()) == document


def test_language_and_currency_of_the_first_version_are_values() -> None:
    look = Look(read(SAMPLES[1]), catalogue())
    assert (look.value("site.language"), look.value("site.currency")) == ("de", "GBP")
    assert look.resolve("site.language").set_by_owner
    assert look.value("header.height_wide") == 90


def test_columns_of_pictures_of_the_second_version_are_rows() -> None:
    document = read(SAMPLES[2])
    layouts = {key: section.layout for key, section in document.pages["p"].sections.items()}
    assert layouts == {"g": "rows", "w": "columns"}
    binned = document.bin["b"].section
    assert binned is not None
    assert binned.layout == "rows"


@pytest.mark.parametrize(
    "text", ['{"name":"x","template":"slipway","version":99}', '{"name":"x","template":"slipway","version":"2"}']
)
def test_a_version_to_come_is_refused(text: str) -> None:
    with pytest.raises(Fault, match="version"):
        read(text)
