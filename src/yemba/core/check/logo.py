"""A logo as it comes from a friend: a box behind it, room round it, too few pixels, marks that do not stand out."""

from __future__ import annotations

from collections.abc import Callable, Iterator
from io import BytesIO

from PIL import Image

from yemba.core.check.finding import Cure, Finding, Inspected
from yemba.core.colour.contrast import EDGE
from yemba.core.colour.naming import name_for
from yemba.core.colour.oklch import difference
from yemba.core.colour.srgb import Colour, from_hex
from yemba.core.layout.header_fit import HIGHEST_LOGO
from yemba.core.message import Message, labels
from yemba.core.part.part import parts
from yemba.core.picture.drawing import raster
from yemba.core.picture.logo import BACKGROUND, ENCLOSED, TRIM, LogoReading, read_logo
from yemba.core.picture.marks import contrast_of_marks
from yemba.core.place import OfLogo, OfSetting
from yemba.core.site.document import Picture
from yemba.core.site.footer import is_shown, names_site
from yemba.core.site.logo import DARK, LIGHT, NAMES, logo_on, version_for
from yemba.core.site.pictures import picture_bytes
from yemba.core.site.resolve import Look

NAME = Message("Logo")
DENSITY = 2
"""Pixels of a dense screen to one of the page's."""
_SEEN = 0.02  # OKLab distance from which a box is seen on a ground
_STANDS_ON = labels({"header": "the header", "footer": "the footer"})

_MAKE = labels({LIGHT: "Make a light version for it", DARK: "Make a dark version for it"})


def find(inspected: Inspected) -> Iterator[Finding]:
    """What would be better about the logo, on the grounds it stands on; each with its cure."""
    look = inspected.look
    sentences: set[str] = set()
    for part, ground in stands_on(look).items():
        picture = logo_on(look, ground)
        if picture is None:
            continue
        for finding in _on_ground(inspected, picture, part, ground):
            if finding.sentence not in sentences:
                sentences.add(finding.sentence)
                yield finding


def stands_on(look: Look) -> dict[str, str]:
    """The ground of each part that shows the logo, by the part's slug."""
    grounds = {"header": str(look.value("header.ground"))}
    if is_shown(look) and names_site(look):
        grounds["footer"] = str(look.value("footer.ground"))
    return grounds


def _on_ground(inspected: Inspected, picture: Picture, part: str, ground: str) -> Iterator[Finding]:
    look, data = inspected.look, loaded(inspected.load, picture)
    if data is None:
        yield Finding(
            Message("The file of the logo, {name}, is no longer there. Choose it again.", name=picture.name), OfLogo()
        )
        return
    reading = read_logo(data, picture.format)
    if not picture.version_of:
        box = list(_box(look, reading, part, ground))
        yield from box or _room(reading)  # room within a box that is seen is no empty room yet
    yield from _pixels(look, picture)
    got = contrast_of_marks(data, picture.format, look.grounds[ground].fill)
    if got < EDGE and not reading.background:
        yield _faint(inspected, picture, part, ground, got)


def loaded(load: Callable[[str], bytes], picture: Picture) -> bytes | None:
    """The bytes of a logo; None where its file is gone or is no picture, so that the desk can still be used."""
    try:
        data = picture_bytes(picture, load)
        with Image.open(BytesIO(raster(data, picture.format, 1))):
            return data
    except (OSError, ValueError):
        return None


def is_faint_on(look: Look, picture: Picture, ground: str) -> bool:
    """Whether the marks of a logo stand out too little from a ground, by its slug."""
    data = loaded(look.load, picture)
    return data is not None and contrast_of_marks(data, picture.format, look.grounds[ground].fill) < EDGE


def boxed(picture: Picture, data: bytes, fill: Colour) -> bool:
    """Whether a logo shows as a box on a ground of this colour."""
    return _boxed(read_logo(data, picture.format), fill)


def _boxed(reading: LogoReading, fill: Colour) -> bool:
    return bool(reading.background) and difference(from_hex(reading.background), fill) >= _SEEN


def _box(look: Look, reading: LogoReading, part: str, ground: str) -> Iterator[Finding]:
    if not _boxed(reading, look.grounds[ground].fill):
        return
    behind = from_hex(reading.background)
    sentence = Message(
        "The logo stands on {name_for}, {hex}, which shows as a box in {stands_on}, on {ground_names}.",
        name_for=name_for(behind),
        hex=behind.hex,
        stands_on=_STANDS_ON[part],
        ground_names=look.ground_names[ground],
    )
    yield Finding(
        sentence, OfLogo(), cure=Cure(Message("Take the box out"), "mend-logo", {"act": BACKGROUND}, "mend-logo")
    )
    if reading.enclosed:
        within = Message("Marks of the logo close in some of that background, as an “o” does.")
        yield Finding(
            within, OfLogo(), cure=Cure(Message("Take it out there too"), "mend-logo", {"act": ENCLOSED}, "mend-logo")
        )


def _room(reading: LogoReading) -> Iterator[Finding]:
    if reading.room:
        sentence = Message(
            "{room:.0%} of the logo’s file is empty room round it, so that it is drawn smaller.", room=reading.room
        )
        yield Finding(
            sentence, OfLogo(), cure=Cure(Message("Trim it to its marks"), "mend-logo", {"act": TRIM}, "mend-logo")
        )


def _pixels(look: Look, picture: Picture) -> Iterator[Finding]:
    """Too few for a dense screen; a drawing never has."""
    height = round(min(look.value("header.height_wide"), HIGHEST_LOGO) * look.value("logo.height") / 100)
    if picture.format == "svg" or picture.height >= DENSITY * height:
        return
    sentence = Message(
        "{value} is {height} px high and drawn {drawn} px high: on a dense screen, which wants {density}, it looks "
        "soft. Choose a larger file, or SVG.",
        value=picture.name or Message("The logo"),
        height=picture.height,
        drawn=height,
        density=DENSITY * height,
    )
    yield Finding(sentence, OfLogo())


def _faint(inspected: Inspected, picture: Picture, part: str, ground: str, got: float) -> Finding:
    """Marks that do not stand out: cured by a version for such grounds; where that is what does not, by a ground."""
    look = inspected.look
    key = version_for(look, ground)
    sentence = Message(
        "The logo’s marks have {got:.1f} : 1 against {stands_on}’s ground, {ground_names}; {edge:g} : 1 is needed.",
        got=got,
        stands_on=_STANDS_ON[part],
        ground_names=look.ground_names[ground],
        edge=EDGE,
    )
    if not picture.version_of:
        cure = Cure(_MAKE[key], "mend-logo", {"act": NAMES[key]}, "mend-logo")
        return Finding(sentence, OfLogo(), cure=cure)
    on = {slug: _contrast(inspected, slug) for slug in look.grounds}
    best = max(on, key=lambda slug: on[slug])
    button = Message(
        "{part} on {ground_names}, {on:.1f} : 1",
        part=parts()[part].name,
        ground_names=look.ground_names[best],
        on=on[best],
    )
    cure = Cure(button, "set-value", {"key": f"{part}.ground", "value": best})
    return Finding(sentence, OfSetting(key), cure=cure if on[best] >= EDGE else None)


def _contrast(inspected: Inspected, ground: str) -> float:
    """The contrast of the logo that would stand on a ground."""
    picture = logo_on(inspected.look, ground)
    data = loaded(inspected.load, picture) if picture else None
    if picture is None or data is None:
        return 0.0
    return contrast_of_marks(data, picture.format, inspected.look.grounds[ground].fill)
