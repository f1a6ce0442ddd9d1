"""What cannot be read: roles on the grounds in use, and the logo on the header (WCAG 2.2 SC 1.4.3, 1.4.11)."""

from __future__ import annotations

from collections.abc import Iterator

from yemba.core.check.finding import Cure, Finding, Inspected
from yemba.core.colour.contrast import EDGE, LARGE, TEXT, nearest, ratio
from yemba.core.colour.grounds import ROLE_NAMES, Asked, Ground, failures
from yemba.core.picture.marks import contrast_of_marks
from yemba.core.site.backdrop import LARGE_FROM, Backdrop, of_header, of_section, reads_from
from yemba.core.site.document import ordered_sections
from yemba.core.site.one_offs import level_of, shown_values
from yemba.core.site.one_offs import of_section as of_section_one_offs
from yemba.core.site.resolve import Look

NAME = "Contrast"


def find(inspected: Inspected) -> Iterator[Finding]:
    look = inspected.look
    used = grounds_in_use(look)
    for slug, ground in look.grounds.items():
        if slug in used:
            yield from _unreadable(look, slug, ground)
            if look.value("link.underline") == "never" and ground.link_underlined:
                got = ratio(ground.link, ground.text)
                yield Finding(
                    f"On {look.ground_names[slug]}, only colour tells a link from the text, by {got:.2f} : 1; "
                    f"{EDGE:g} : 1 or an underline is needed.",
                    "palette",
                    control="link.underline",
                    cure=Cure("Underline where needed", "set-value", {"key": "link.underline", "value": "needed"}),
                )
    yield from _one_offs(look)
    yield from _logo(inspected)
    yield from _over_pictures(inspected)


def grounds_in_use(look: Look) -> set[str]:
    """The grounds that anything stands on."""
    sections = (section for page in look.document.pages.values() for section in page.sections.values())
    return {
        look.value("header.ground"),
        look.value("footer.ground"),
        "light",
        *(look.ground(s).value for s in sections),
    }


def _one_offs(look: Look) -> Iterator[Finding]:
    """Texts with a colour of their own that does not read on their ground."""
    for page_id, page in look.document.ordered_pages():
        for key, section in ordered_sections(page):
            slug = look.ground(section).value
            for one in of_section_one_offs(look, page_id, key, section):
                shown = shown_values(look, section, one.element)
                if one.path[-1] != "colour" or shown.colour is None:
                    continue
                size = shown.size or look.texts[level_of(look, section, one.element)].size
                asked, fill = (LARGE if size.low >= LARGE_FROM else TEXT), look.grounds[slug].fill
                if (got := ratio(shown.colour, fill)) >= asked:
                    continue
                on = look.ground_names[slug]
                said = f"{one.what} in {one.where} has {got:.2f} : 1 on {on}; {asked:g} : 1 is needed."
                passing = nearest(shown.colour, fill, asked).hex
                given = {"section": key, "element": one.element, "what": "colour", "value": passing}
                yield Finding(said, "pages", page_id, key, one.control, Cure(f"Use {passing}", "set-one-off", given))


def _unreadable(look: Look, slug: str, ground: Ground) -> Iterator[Finding]:
    """What on a ground falls short of what it must reach, each with the nearest colour that reaches it."""
    for asked, got in failures(ground):
        what, against = ROLE_NAMES[asked.role], ROLE_NAMES[asked.against]
        said = f"On {look.ground_names[slug]}, {what} on {against} has {got:.2f} : 1; {asked.ratio:g} : 1 is needed."
        yield Finding(said, "palette", control=f"role-{slug}-{asked.role}", cure=_nearest(slug, ground, asked))


def _nearest(slug: str, ground: Ground, asked: Asked) -> Cure | None:
    try:
        passing = nearest(getattr(ground, asked.role), getattr(ground, asked.against), asked.ratio)
    except ValueError:
        return None
    return Cure(f"Use {passing.hex}", "set-role", {"ground": slug, "role": asked.role, "value": passing.hex})


def _over_pictures(inspected: Inspected) -> Iterator[Finding]:
    """Text over a picture that its tint does not make readable; cured by the least tint that does."""
    look = inspected.look
    for page_id, page in look.document.ordered_pages():
        for key, section in ordered_sections(page):
            behind = of_section(look, section)
            if behind and (said := _over(inspected, behind)):
                kind = look.catalogue.kind(section.kind).name
                arguments = {"section": key, "field": "tint", "words": str(said[1])}
                cure = Cure(f"Tint {said[1]} %", "set-words", arguments)
                yield Finding(f"{kind} on {page.name}: {said[0]}", "pages", page_id, key, "words-tint", cure)
    behind = of_header(look)
    if behind and (said := _over(inspected, behind)):
        cure = Cure(f"Tint {said[1]} %", "set-value", {"key": "header.tint", "value": said[1]})
        yield Finding(f"The header: {said[0]}", "header", control="header.tint", cure=cure)


def _over(inspected: Inspected, behind: Backdrop) -> tuple[str, int] | None:
    """What is wrong, and the tint that mends it; None where all reads."""
    least = reads_from(inspected.look, behind, inspected.load)
    if least is None or behind.tint >= least:  # a role that fails on its ground is told of there
        return None
    return f"over {behind.picture.name} text reads from a tint of {least} %; now {behind.tint} %.", least


def _logo(inspected: Inspected) -> Iterator[Finding]:
    """A logo whose marks do not stand out from the ground of the header; cured by the ground where they do."""
    look = inspected.look
    logo = look.document.pictures.get(look.value("logo.picture"))
    if logo is None or look.value("logo.form") != "picture":
        return
    data, here = inspected.load(logo.file), look.value("header.ground")
    got = contrast_of_marks(data, logo.format, look.grounds[here].fill)
    if got >= EDGE:
        return
    on = {slug: contrast_of_marks(data, logo.format, ground.fill) for slug, ground in look.grounds.items()}
    best = max(on, key=lambda slug: on[slug])
    said = (
        f"The logo’s marks have {got:.1f} : 1 against the header’s ground, {look.ground_names[here]}; "
        f"{EDGE:g} : 1 is needed."
    )
    button = f"Header on {look.ground_names[best]}, {on[best]:.1f} : 1"
    cure = Cure(button, "set-value", {"key": "header.ground", "value": best})
    yield Finding(said, "logo", control="header.ground", cure=cure if on[best] >= EDGE else None)
