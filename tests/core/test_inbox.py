"""Messages are read, held back with a reason, and written as CSV that no spreadsheet runs."""

from __future__ import annotations

import csv
import io

import pytest

from yemba.core.errors import Fault
from yemba.core.inbox.message import TRAP, as_csv, read_sent, suspicion
from yemba.core.site.document import Section

FORM = Section.model_validate(
    {"kind": "contact-form", "items": {"f1": {"fields": {"label": "How old is it?"}}}, "order": ["f1"]}
)
GOOD = {"name": "Tomasz Lund", "mail": "tomasz@lund.example", "words": "May I bring it on Friday?", "f1": "1950"}


def test_a_message_is_read_with_its_answers() -> None:
    sent = read_sent(GOOD, FORM)
    assert sent.answers == {"How old is it?": "1950"}
    assert suspicion(sent, GOOD, (), 0) == ""


@pytest.mark.parametrize(
    ("over", "field"),
    [
        ({"name": " "}, "name"),
        ({"mail": "tomasz"}, "mail"),
        ({"mail": "a@b.example, c@d.example"}, "mail"),
        ({"mail": "a@b.example\nBcc: x@y.example"}, "mail"),
        ({"words": ""}, "words"),
        ({"words": "w" * 6001}, "words"),
        ({"name": "n" * 121}, "name"),
    ],
)
def test_what_cannot_be_sent_is_said_beside_its_field(over: dict[str, str], field: str) -> None:
    with pytest.raises(Fault) as caught:
        read_sent(GOOD | over, FORM)
    assert caught.value.field == field


@pytest.mark.parametrize(
    ("over", "earlier", "lately", "reason"),
    [
        ({TRAP: "x"}, (), 0, "do not see"),
        ({"words": '<a href="https://x.example">x</a>'}, (), 0, "markup"),
        ({"words": "https://a.example https://b.example www.c.example"}, (), 0, "links"),
        ({}, ("May I bring it on Friday?",), 0, "before"),
        ({}, (), 3, "within an hour"),
        ({"words": "It is at https://a.example and https://b.example"}, (), 2, ""),
    ],
)
def test_what_is_held_back_has_a_reason(
    over: dict[str, str], earlier: tuple[str, ...], lately: int, reason: str
) -> None:
    posted = GOOD | over
    said = suspicion(read_sent(posted, FORM), posted, earlier, lately)
    assert reason in said
    assert bool(said) == bool(reason)


def test_csv_reads_back_and_begins_no_formula() -> None:
    rows = [{"Name": "Lund, Tomasz", "Message": 'He said "yes"\nand left'}, {"Name": "=1+1", "Age": "-3"}]
    read = list(csv.DictReader(io.StringIO(as_csv(rows), newline="")))
    assert read[0]["Message"] == 'He said "yes"\nand left'
    assert (read[1]["Name"], read[1]["Age"]) == ("'=1+1", "'-3")
