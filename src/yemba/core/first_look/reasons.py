"""Why a first look was chosen: one sentence, of facts alone."""

from __future__ import annotations

from yemba.core.colour.srgb import Colour
from yemba.core.first_look.given import Given
from yemba.core.first_look.palettes import Voice, leading
from yemba.core.site.catalogue import Pairing
from yemba.core.template.manifest import Template
from yemba.core.trade.trade import MOODS

_KINDS = {
    "opening": "a large opening",
    "offers": "what you offer",
    "words": "words",
    "words-with-picture": "a picture beside words",
    "price-list": "prices",
    "gallery": "pictures",
    "dates": "dates",
    "hours-and-place": "hours and place",
    "questions": "questions and answers",
    "contact-form": "writing to you",
}


def reason(given: Given, voice: Voice, template: Template, lead: Colour, ready: str, pairing: Pairing | None) -> str:
    """`lead` is the given colour that the look begins from, `ready` the name of the ready palette where none was given;
    `pairing` is None for the template's own typefaces."""
    told = [_of_colour(given, voice, lead, ready), _of_type(given, voice, pairing), _of_template(given, template)]
    first, *others = [piece for piece in told if piece]
    return "; ".join([first[0].upper() + first[1:], *others]) + "."


def _of_colour(given: Given, voice: Voice, lead: Colour, ready: str) -> str:
    if ready:
        return f"no colour was given, so the ready palette {ready}"
    source = _source(given, lead)
    return {
        Voice.CLOSE: f"{source}, {lead.hex}, leads as it is",
        Voice.QUIET: f"{source}, {lead.hex}, dimmed, among greys that lean to it",
        Voice.BOLD: f"{source}, {lead.hex}, in full, on paper and in ink of its hue",
    }[voice]


def _source(given: Given, lead: Colour) -> str:
    """What a colour is to who gave it."""
    if lead in given.codes:
        return "your colour"
    if lead in given.logo:
        return "the main colour of your logo" if lead == leading(given.logo) else "another colour of your logo"
    return "the strongest colour of your photo" if lead == leading(given.photo) else "another colour of your photo"


def _of_type(given: Given, voice: Voice, pairing: Pairing | None) -> str:
    if pairing is None:
        return ""
    if voice is Voice.CLOSE and given.shape:
        strokes = "thick" if given.shape.is_thick else "thin"
        corners = "round" if given.shape.is_round else "square"
        return f"{_faces(pairing)}, for {strokes} strokes and {corners} corners as your logo has them"
    return _faces(pairing)


def _faces(pairing: Pairing) -> str:
    """Its name is "heading and body", or that of the one face."""
    heading, _, body = pairing.name.partition(" and ")
    return f"headings in {heading}, text in {body}" if body else f"all in {heading}"


def _of_template(given: Given, template: Template) -> str:
    """What the template is good at that the plan has, else the mood that trade and template share."""
    shared = [kind for kind in given.trade.leads if kind in template.strengths and kind in given.sections]
    further = [kind for kind in given.sections if kind in template.strengths]
    strong = next(iter(shared or further), "")
    if strong:
        return f"{template.name}, which gives room to {_KINDS.get(strong, strong)}"
    mood = next((mood for mood in given.trade.moods if mood in template.moods), "")
    return f"{template.name}, {MOODS[mood]} as a site of your trade may be" if mood else template.name
