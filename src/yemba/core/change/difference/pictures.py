"""What differs of pictures and fonts that both documents have; new ones come with what shows them."""

from __future__ import annotations

from collections.abc import Iterator

from yemba.core.change.difference.change import VALUE, WORDS, Change, Pair, change
from yemba.core.place import OfFont, OfPicture
from yemba.core.site.document import Picture
from yemba.core.type.intake import LICENCES

_FILE = ("file", "format", "width", "height", "name", "shape")


def changes(pair: Pair) -> Iterator[Change]:
    for key, picture in pair.after.pictures.items():
        old = pair.before.pictures.get(key)
        if old is not None and old != picture:
            yield from _picture(pair, key, old, picture)
    for key in pair.after.fonts:
        if key in pair.before.fonts:
            yield from _font(pair, key)


def _picture(pair: Pair, key: str, old: Picture, new: Picture) -> Iterator[Change]:
    here = ("pictures", key)
    if (old.file, old.shape) != (new.file, new.shape):
        states, steps = (_shape(old), _shape(new)), pair.moved(*((*here, field) for field in _FILE))
        yield change(f"picture.{key}.file", VALUE, f"Picture {old.name}", states, OfPicture(key), steps)
    if (old.focal_x, old.focal_y) != (new.focal_x, new.focal_y):
        states, steps = (_spot(old), _spot(new)), pair.moved((*here, "focal_x"), (*here, "focal_y"))
        place = OfPicture(key, "focal")
        yield change(f"picture.{key}.focal", VALUE, f"Focal point of {new.name}", states, place, steps)
    if old.alt != new.alt:
        states, steps = (old.alt, new.alt), pair.moved((*here, "alt"))
        yield change(f"picture.{key}.alt", WORDS, f"Alt text of {new.name}", states, OfPicture(key, "alt"), steps)


def _shape(picture: Picture) -> str:
    return f"{picture.name}, cropped to {picture.shape}" if picture.shape else picture.name


def _spot(picture: Picture) -> str:
    return f"{picture.focal_x} %, {picture.focal_y} %"


def _font(pair: Pair, key: str) -> Iterator[Change]:
    old, new = pair.before.fonts[key], pair.after.fonts[key]
    if old == new:
        return
    files = [", ".join(file.in_words for file in font.files) for font in (old, new)]
    states = [f"{font.kind}, {files[n]}; {LICENCES[font.licence]}" for n, font in enumerate((old, new))]
    steps = pair.moved(("fonts", key))
    back = pair.put(("fonts", key), new.model_dump(mode="json", exclude_defaults=True), _plain(pair, key)).back
    steps = steps._replace(back=back)
    yield change(f"font.{key}", VALUE, f"Font {new.name}", (states[0], states[1]), OfFont(key), steps)


def _plain(pair: Pair, key: str) -> dict[str, object]:
    return pair.before.fonts[key].model_dump(mode="json", exclude_defaults=True)
