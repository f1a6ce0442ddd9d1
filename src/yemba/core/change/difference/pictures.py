"""What differs of pictures, fonts and files that both documents have; new ones come with what shows them."""

from __future__ import annotations

from collections.abc import Iterator

from yemba.core.change.difference.change import VALUE, WORDS, Change, Pair, Steps, change
from yemba.core.message import Joined, Message
from yemba.core.picture.framing import AS_IT_IS
from yemba.core.place import OfFile, OfFont, OfPicture
from yemba.core.site.document import OwnFamily, OwnFile, Picture
from yemba.core.site.files import in_words
from yemba.core.site.pictures import framing, in_words_of, toning_in_words
from yemba.core.type.intake import LICENCES

_FILE = ("file", "format", "width", "height", "name", "collection")
_TONING = ("filter", "tint", "tint_strength")
_FRAMING = ("mirror", "rotation", "crop", "shape", "focal_x", "focal_y")


def changes(pair: Pair) -> Iterator[Change]:
    for key, picture in pair.after.pictures.items():
        old = pair.before.pictures.get(key)
        if old is not None and old != picture:
            yield from _picture(pair, key, old, picture)
    for key in pair.after.fonts:
        if key in pair.before.fonts:
            yield from _font(pair, key)
    for key in sorted(pair.after.files.keys() & pair.before.files.keys()):
        yield from _own_file(pair, key)


def _picture(pair: Pair, key: str, old: Picture, new: Picture) -> Iterator[Change]:
    framed = framing(old)._replace(focal=AS_IT_IS.focal) != framing(new)._replace(focal=AS_IT_IS.focal)
    if old.file != new.file:
        steps = pair.moved(*(("pictures", key, field) for field in _FILE + _FRAMING))
        states = _called(old), _called(new)
        yield change(
            f"picture.{key}.file", VALUE, Message("Picture {name}", name=old.name), states, OfPicture(key), steps
        )
    elif framed:
        steps = pair.moved(*(("pictures", key, field) for field in _FRAMING))
        place = OfPicture(key, "framing")
        states = in_words_of(old), in_words_of(new)
        yield change(
            f"picture.{key}.framing", VALUE, Message("What is shown of {name}", name=new.name), states, place, steps
        )
    elif (old.focal_x, old.focal_y) != (new.focal_x, new.focal_y):
        steps = pair.moved(("pictures", key, "focal_x"), ("pictures", key, "focal_y"))
        states = _spot(old), _spot(new)
        place = OfPicture(key, "focal")
        yield change(
            f"picture.{key}.focal", VALUE, Message("Focal point of {name}", name=new.name), states, place, steps
        )
    if old.whole != new.whole:
        steps, place = pair.moved(("pictures", key, "whole")), OfPicture(key, "fit")
        yield change(
            f"picture.{key}.fit",
            VALUE,
            Message("{name} in its places", name=new.name),
            (_fit(old), _fit(new)),
            place,
            steps,
        )
    if any(getattr(old, field) != getattr(new, field) for field in _TONING):
        steps = pair.moved(*(("pictures", key, field) for field in _TONING))
        states = toning_in_words(old, pair.was), toning_in_words(new, pair.now)
        place = OfPicture(key, "toning")
        yield change(
            f"picture.{key}.toning", VALUE, Message("Filter and tint of {name}", name=new.name), states, place, steps
        )
    if old.own_colours != new.own_colours:
        steps = pair.moved(("pictures", key, "own_colours"))
        states = _colours(old), _colours(new)
        yield change(
            f"picture.{key}.colours",
            VALUE,
            Message("Colours of {name}", name=new.name),
            states,
            OfPicture(key, "colours"),
            steps,
        )
    if (old.alt, old.decoration) != (new.alt, new.decoration):
        steps = pair.moved(("pictures", key, "alt"), ("pictures", key, "decoration"))
        place = OfPicture(key, "alt")
        yield change(
            f"picture.{key}.alt",
            WORDS,
            Message("Alt text of {name}", name=new.name),
            (_alt(old), _alt(new)),
            place,
            steps,
        )


def _called(picture: Picture) -> str:
    return Joined(", ", [picture.name, in_words_of(picture)])


def _fit(picture: Picture) -> str:
    return Message("whole") if picture.whole else Message("fills them")


def _alt(picture: Picture) -> str:
    return Message("decoration") if picture.decoration else picture.alt


def _colours(picture: Picture) -> str:
    return Message("its own") if picture.own_colours else Message("the site’s")


def _spot(picture: Picture) -> str:
    return f"{picture.focal_x} %, {picture.focal_y} %"


def _font(pair: Pair, key: str) -> Iterator[Change]:
    old, new = pair.before.fonts[key], pair.after.fonts[key]
    if old == new:
        return
    steps = Steps(
        forth=pair.moved(("fonts", key)).forth,
        back=pair.put(("fonts", key), _stored(new), _stored(old)).back,
    )
    yield change(
        f"font.{key}", VALUE, Message("Font {name}", name=new.name), (_files(old), _files(new)), OfFont(key), steps
    )


def _own_file(pair: Pair, key: str) -> Iterator[Change]:
    old, new = pair.before.files[key], pair.after.files[key]
    if old == new:
        return
    subject = Message("File {name}", name=new.name)
    states = _name_and_size(old), _name_and_size(new)
    yield change(f"file.{key}", VALUE, subject, states, OfFile(key), pair.moved(("files", key)))


def _name_and_size(file: OwnFile) -> str:
    return Joined(", ", [file.name, in_words(file)])


def _files(family: OwnFamily) -> str:
    files = Joined(", ", [file.in_words for file in family.files])
    return Message("{kind}, {files}; {licence}", kind=family.kind, files=files, licence=LICENCES[family.licence])


def _stored(family: OwnFamily) -> dict[str, object]:
    return family.model_dump(mode="json", exclude_defaults=True)
