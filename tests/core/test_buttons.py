"""The shape of buttons: every form reads in every state on every ground, and one button may be of another kind."""

from __future__ import annotations

import pytest

from tests.editing import edited
from yemba.core.change.command import read_command
from yemba.core.colour.contrast import TEXT
from yemba.core.errors import Fault
from yemba.core.site.buttons import FORMS, KINDS, POINTED, form_of, reads_at, states
from yemba.core.site.catalogue import Catalogue
from yemba.core.site.document import Document
from yemba.core.site.ids import new_id
from yemba.core.site.one_offs import one_offs
from yemba.core.site.resolve import Look


@pytest.mark.parametrize("form", FORMS)
def test_buttons_read_in_every_template_on_every_ground(form: str, document: Document, catalogue: Catalogue) -> None:
    for template in catalogue.templates:
        look = Look(document.model_copy(update={"template": template}), catalogue)
        for kind in KINDS:
            for pointed in POINTED:
                for state, painted in states(form_of(form, kind), pointed).items():
                    least = 1 if state == "out" else TEXT
                    readings = {slug: reads_at(painted, ground) for slug, ground in look.grounds.items()}
                    assert min(readings.values()) >= least, (template, kind, pointed, state, readings)


def test_one_button_is_of_another_kind_and_no_other_text_is(document: Document, catalogue: Catalogue) -> None:
    opening = document.pages[document.order[0]].order[0]
    quiet = {"section": opening, "element": "button", "what": "button", "value": "quiet"}
    set_apart = edited(document, "set-one-off", **quiet)
    told = [(one.what, one.value, one.otherwise) for one in one_offs(Look(set_apart, catalogue)) if one.element]
    assert ("Kind of the button", "Quiet, words alone", "first") in told
    with pytest.raises(Fault, match="no text"):
        read_command("set-one-off", quiet | {"element": "heading"}).plan(Look(document, catalogue), new_id)
