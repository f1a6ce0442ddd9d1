"""Where the look of an element comes from, as it is told of sections that several pages show."""

from __future__ import annotations

from typing import Any

import pytest

from tests.editing import edited
from yemba.catalogue import catalogue
from yemba.core.site.resolve import Look
from yemba.sites import services as sites
from yemba.studio.where import colour_roles


@pytest.mark.django_db
def test_a_section_made_standing_shows_the_colours_it_had(site: Any) -> None:
    document = sites.document(site)
    page, section = next(
        (page, key)
        for page in document.order[1:]
        for key, one in document.pages[page].sections.items()
        if "heading" in one.fields
    )
    had = colour_roles(Look(document, catalogue()), section, "heading")
    standing = edited(document, "make-standing", section=section)
    (key,) = standing.pages[page].standing
    assert had[1][0] == "heading"
    assert colour_roles(Look(standing, catalogue()), key, "heading") == had
