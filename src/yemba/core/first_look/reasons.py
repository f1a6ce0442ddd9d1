"""Why a first look was chosen: one sentence, of facts alone."""

from __future__ import annotations

from yemba.core.colour.srgb import Colour
from yemba.core.first_look.brief import Brief
from yemba.core.first_look.palettes import Voice, leading
from yemba.core.message import Joined, Message, labels
from yemba.core.site.catalogue import Pairing
from yemba.core.template.manifest import Template
from yemba.core.trade.trade import MOODS

_KINDS = labels(
    {
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
)


def reason(brief: Brief, voice: Voice, template: Template, lead: Colour, ready: str, pairing: Pairing | None) -> str:
    """`lead` is the given colour that the look begins from, `ready` the name of the ready palette where none was given;
    `pairing` is None for the template's own typefaces."""
    colour = _of_colour(brief, voice, lead, ready).capitalize()
    others = [_of_type(brief, voice, pairing), _of_template(brief, template)]
    return Joined("", [Joined("; ", [colour, *filter(None, others)]), "."])


def _of_colour(brief: Brief, voice: Voice, lead: Colour, ready: str) -> str:
    if ready:
        return Message("no colour was given, so the ready palette {ready}", ready=ready)
    source = _source(brief, lead)
    return {
        Voice.CLOSE: Message("{source}, {hex}, leads as it is", source=source, hex=lead.hex),
        Voice.QUIET: Message("{source}, {hex}, dimmed, among greys that lean to it", source=source, hex=lead.hex),
        Voice.BOLD: Message("{source}, {hex}, in full, on paper and in ink of its hue", source=source, hex=lead.hex),
    }[voice]


def _source(brief: Brief, lead: Colour) -> str:
    """What a colour is to who gave it."""
    if lead in brief.codes:
        return Message("your colour")
    if lead in brief.logo:
        return (
            Message("the main colour of your logo")
            if lead == leading(brief.logo)
            else Message("another colour of your logo")
        )
    return (
        Message("the strongest colour of your photo")
        if lead == leading(brief.photo)
        else Message("another colour of your photo")
    )


def _of_type(brief: Brief, voice: Voice, pairing: Pairing | None) -> str:
    if pairing is None:
        return ""
    if voice is Voice.CLOSE and brief.shape:
        return _like_the_logo(_faces(pairing), is_thick=brief.shape.is_thick, is_round=brief.shape.is_round)
    return _faces(pairing)


def _like_the_logo(faces: str, *, is_thick: bool, is_round: bool) -> str:
    match is_thick, is_round:
        case True, True:
            return Message("{faces}, for thick strokes and round corners as your logo has them", faces=faces)
        case True, False:
            return Message("{faces}, for thick strokes and square corners as your logo has them", faces=faces)
        case False, True:
            return Message("{faces}, for thin strokes and round corners as your logo has them", faces=faces)
    return Message("{faces}, for thin strokes and square corners as your logo has them", faces=faces)


def _faces(pairing: Pairing) -> str:
    """Its name is "heading and body", or that of the one face."""
    heading, _, body = pairing.name.partition(" and ")
    return (
        Message("headings in {heading}, text in {body}", heading=heading, body=body)
        if body
        else Message("all in {heading}", heading=heading)
    )


def _of_template(brief: Brief, template: Template) -> str:
    """What the template is good at that the plan has, else the mood that trade and template share."""
    shared = [kind for kind in brief.trade.leads if kind in template.strengths and kind in brief.sections]
    further = [kind for kind in brief.sections if kind in template.strengths]
    strong = next(iter(shared or further), "")
    if strong:
        return Message("{name}, which gives room to {value}", name=template.name, value=_KINDS.get(strong, strong))
    mood = next((mood for mood in brief.trade.moods if mood in template.moods), "")
    return (
        Message("{name}, {moods} as a site of your trade may be", name=template.name, moods=MOODS[mood])
        if mood
        else template.name
    )
