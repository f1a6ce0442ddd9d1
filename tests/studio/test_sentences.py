"""The scripts say only sentences that the server has, and it has none for nothing."""

from __future__ import annotations

import re

from tests.conftest import ASSETS
from yemba.studio.sentences import SENTENCES

SCRIPTS = ASSETS / "workbench"


def test_scripts_and_server_have_the_same_sentences() -> None:
    text = "\n".join(file.read_text() for file in SCRIPTS.glob("*.js"))
    quoted = set(re.findall(r'"(\w+)"', text))
    assert set(SENTENCES) <= quoted
    assert set(re.findall(r'sentence\("(\w+)"', text)) <= set(SENTENCES)
