"""What the catalogue promises of its kinds and templates together."""

from __future__ import annotations

from yemba.core.site.catalogue import Catalogue


def test_every_kind_has_three_layouts_in_every_template(catalogue: Catalogue) -> None:
    few = {
        (template.slug, kind.slug): shown
        for template in catalogue.templates.values()
        for kind in catalogue.kinds.values()
        if len(shown := [slug for slug in kind.layout_names() if template.shows(kind.slug, slug)]) < 3
    }
    assert few == {}
