"""Waiting changes: what differs between two documents, by id, as the owner thinks of it.

Computed whenever it is asked for, never stored: it cannot be stale. What follows from another
change (the header a new template brings) is not a change of its own.
"""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from typing import Any, NamedTuple

from yemba.core.change.operation import ABSENT, Operation, Path, put, value_at
from yemba.core.change.said import said as said_of
from yemba.core.colour.grounds import ROLE_NAMES, Ground
from yemba.core.site.catalogue import Catalogue
from yemba.core.site.document import Document, Page, Picture, Section
from yemba.core.site.one_offs import of_section
from yemba.core.site.resolve import Look
from yemba.core.site.settings import SETTINGS
from yemba.core.site.words import plain


class Change(NamedTuple):
    """`subject` is what changed, `before` and `after` its state in words; for colours, hex codes.

    `steps` bring this change alone onto the first document, `back` take it alone from the second.
    `form` is one of colour, value, words, section, page. `page` and `section` say where, "" for
    the whole site. `chapter` is where it is decided, `control` the id of the control there.
    """

    key: str
    form: str
    subject: str
    before: str
    after: str
    chapter: str
    page: str = ""
    section: str = ""
    control: str = ""
    steps: tuple[Operation, ...] = ()
    back: tuple[Operation, ...] = ()


class _Taken(NamedTuple):
    steps: tuple[Operation, ...]
    back: tuple[Operation, ...]


class _Pair(NamedTuple):
    """The two documents, and how to make steps between them."""

    was: Look
    now: Look

    @property
    def before(self) -> Document:
        return self.was.document

    @property
    def after(self) -> Document:
        return self.now.document

    @property
    def ground_names(self) -> dict[str, str]:
        return self.was.ground_names | self.now.ground_names

    def differ(self, path: Path) -> bool:
        return bool(value_at(self.before, path) != value_at(self.after, path))

    def both(self, *paths: Path) -> _Taken:
        """Steps and back for places that are taken over as they are, with the pictures and fonts they show."""
        paths = (*paths, *self._files(paths))
        steps = (put(self.before, path, value_at(self.after, path)) for path in paths)
        back = (put(self.after, path, value_at(self.before, path)) for path in paths if path[0] not in _FILES)
        return _Taken(tuple(steps), tuple(back))

    def given(self, path: Path, on_before: Any, on_after: Any) -> _Taken:
        """Steps and back where a list is to differ by one thing only."""
        return _Taken((put(self.before, path, on_before),), (put(self.after, path, on_after),))

    def _files(self, paths: Sequence[Path]) -> list[Path]:
        shown = repr([value_at(self.after, path) for path in paths])
        new = [(held, getattr(self.after, held).keys() - getattr(self.before, held).keys()) for held in _FILES]
        return [(held, key) for held, keys in new for key in sorted(keys) if repr(key) in shown]


_FILES = ("pictures", "fonts")
_REORDERED = ("as it was", "new order")
_TEMPLATES = "as the template has it"


def _change(
    key: str,
    form: str,
    subject: str,
    said: tuple[str, str],
    chapter: str,
    taken: _Taken,
    page: str = "",
    section: str = "",
    control: str = "",
) -> Change:
    return Change(key, form, subject, *said, chapter, page, section, control, *taken)


def difference(before: Document, after: Document, catalogue: Catalogue) -> list[Change]:
    """Every change from `before` to `after`, design first, then pages in their order."""
    pair = _Pair(Look(before, catalogue), Look(after, catalogue))
    return [
        *_site(pair, catalogue),
        *_palette(pair),
        *_own_grounds(pair),
        *_by_hand(pair),
        *_values(pair),
        *_navigation(pair),
        *_pages(pair),
        *_pictures(pair),
    ]


def _site(pair: _Pair, catalogue: Catalogue) -> Iterator[Change]:
    before, after = pair.before, pair.after
    if before.template != after.template:
        old, new = (catalogue.template(d.template).name for d in (before, after))
        yield _change("template", "value", "Template", (old, new), "template", pair.both(("template",)))
    if (before.ready_sheet, before.own_sheet) != (after.ready_sheet, after.own_sheet):
        paths = [("ready_sheet",), ("own_sheet",), ("set_aside",), *(("sheet", key) for key in _covered(pair))]
        said = _sheet_name(before, catalogue), _sheet_name(after, catalogue)
        yield _change("ready-sheet", "value", "Brand sheet", said, "template", pair.both(*paths))
    for key, subject, control in (("name", "Site name", "title"), ("tagline", "Tagline", "tagline")):
        old, new = getattr(before, key), getattr(after, key)
        if old != new:
            yield _change(key, "words", subject, (old, new), "logo", pair.both((key,)), control=control)


def _sheet_name(document: Document, catalogue: Catalogue) -> str:
    if document.own_sheet:
        return document.own_sheet
    return catalogue.ready_sheet(document.ready_sheet).name if document.ready_sheet else "the template’s own"


def _covered(pair: _Pair) -> list[str]:
    """Keys of the brand sheet that a newly applied ready sheet has taken over from the owner."""
    path = pair.after.ready_sheet
    if path is None or path == pair.before.ready_sheet:
        return []
    ready = pair.now.catalogue.ready_sheet(path).values
    return [key for key in ready if key in pair.before.sheet and key not in pair.after.sheet]


def _palette(pair: _Pair) -> Iterator[Change]:
    place = ("sheet", "palette")
    if not pair.differ(place) or "palette" in _covered(pair):
        return
    old, new = ({c["id"]: c for c in look.value("palette")} for look in (pair.was, pair.now))
    if list(old.items()) == list(new.items()):
        said = _owned("the same", pair.was, "palette"), _owned("the same", pair.now, "palette")
        yield _change("palette.kept", "value", "Palette", said, "palette", pair.both(place))
        return
    for key, colour in new.items():
        before = old.get(key)
        if before == colour:
            continue
        with_it = _inserted(list(old), key, list(new))
        without = [k for k in new if k != key] if before is None else list(new)
        taken = pair.given(
            place,
            [colour if k == key else old[k] for k in with_it],
            [before if k == key and before else new[k] for k in without],
        )
        recoloured = before is None or before["hex"] != colour["hex"]
        form, subject = ("colour", colour["name"]) if recoloured else ("words", "Colour name")
        said = (before or {}).get("hex", ""), colour["hex"]
        if before and not recoloured:
            said = before["name"], colour["name"]
        yield _change(f"colour.{key}", form, subject, said, "palette", taken, control=f"colour-{key}")
    for key in old.keys() - new.keys():
        taken = pair.given(
            place,
            [colour for k, colour in old.items() if k != key],
            [{**old, **new}[k] for k in _inserted(list(new), key, list(old))],
        )
        yield _change(f"colour.{key}", "colour", old[key]["name"], (old[key]["hex"], ""), "palette", taken)
    orders = list(old), list(new)
    if _common(*orders) != _common(*reversed(orders)):
        first = [next(iter(colours.values()))["name"] for colours in (old, new)]
        taken = pair.given(
            place,
            [old[k] for k in _arranged(orders[0], orders[1])],
            [new[k] for k in _arranged(orders[1], orders[0])],
        )
        said = f"{first[0]} leads", f"{first[1]} leads"
        yield _change("palette.order", "value", "Order of colours", said, "palette", taken)


_BY_ID = ("palette", "grounds.own", "roles.by_hand")


def _own_grounds(pair: _Pair) -> Iterator[Change]:
    for key, old, new, taken in _entries(pair, "grounds.own"):
        name = (new or old)["name"]
        hexes = [look.grounds[key].fill.hex if key in look.grounds else "" for look in (pair.was, pair.now)]
        if old and new and old["fill"] == new["fill"]:
            said = old["name"], name
            yield _change(f"ground.{key}", "words", "Name of a ground", said, "palette", taken, control=f"ground-{key}")
            continue
        said = hexes[0], hexes[1]
        yield _change(f"ground.{key}", "colour", f"Ground {name}", said, "palette", taken, control=f"ground-{key}")


def _by_hand(pair: _Pair) -> Iterator[Change]:
    for key, old, new, taken in _entries(pair, "roles.by_hand"):
        ground, _, role = key.partition(".")
        hexes = [_role(look.grounds.get(ground), role) for look in (pair.was, pair.now)]
        subject = f"{ROLE_NAMES[role].capitalize()} on {pair.ground_names.get(ground, ground)}"
        said = hexes[0], hexes[1]
        if said[0] == said[1]:  # the same to see, but set by hand on one side alone
            said = tuple(f"{hexes[0]}, {'by hand' if one else 'worked out'}" for one in (old, new))  # type: ignore[assignment]
        form = "colour" if hexes[0] != hexes[1] else "value"
        yield _change(f"role.{key}", form, subject, said, "palette", taken, control=f"role-{ground}-{role}")


def _role(ground: Ground | None, role: str) -> str:
    return getattr(ground, role).hex if ground else ""


def _entries(pair: _Pair, key: str) -> Iterator[tuple[str, dict[str, str], dict[str, str], _Taken]]:
    """What differs in a list kept in order of id: id, the entry before and after ({} where there is none), steps."""
    old, new = ({entry["id"]: entry for entry in look.value(key)} for look in (pair.was, pair.now))
    for one in sorted(old.keys() | new.keys()):
        if old.get(one) != new.get(one):
            lists = [_with_entry(entries, one, other.get(one)) for entries, other in ((old, new), (new, old))]
            taken = pair.given(("sheet", key), lists[0] or ABSENT, lists[1] or ABSENT)
            yield one, old.get(one, {}), new.get(one, {}), taken


def _with_entry(entries: dict[str, dict[str, str]], one: str, entry: dict[str, str] | None) -> list[dict[str, str]]:
    changed = {**entries, one: entry}
    return [held for _, held in sorted(changed.items()) if held]


def _values(pair: _Pair) -> Iterator[Change]:
    covered = _covered(pair)
    for key, setting in SETTINGS.items():
        path = (setting.home, key)
        if key in _BY_ID or key in covered or not pair.differ(path):
            continue
        said = said_of(key, pair.was.value(key), pair.was), said_of(key, pair.now.value(key), pair.now)
        if said[0] == said[1]:  # the same to see, but set by the owner on one side alone
            said = _owned(said[0], pair.was, key), _owned(said[1], pair.now, key)
        yield _change(f"value.{key}", "value", setting.name, said, setting.chapter, pair.both(path), control=key)


def _owned(said: str, look: Look, key: str) -> str:
    return f"{said}, {'set by you' if look.resolve(key).set_by_owner else _TEMPLATES}"


def _navigation(pair: _Pair) -> Iterator[Change]:
    before, after = pair.before.navigation, pair.after.navigation
    if before.order != after.order:
        taken = pair.both(("navigation", "order"))
        yield _change("navigation.order", "value", "Order of the menu", _REORDERED, "header", taken)
    for page_id, page in pair.after.pages.items():
        if page_id not in pair.before.pages:
            continue  # what the menu calls a new page comes with the page
        old, new = (navigation.names.get(page_id, page.name) for navigation in (before, after))
        if old != new:
            taken = pair.both(("navigation", "names", page_id))
            yield _change(f"navigation.{page_id}", "words", "Menu name", (old, new), "header", taken, page_id)
        hidden = [page_id in navigation.hidden for navigation in (before, after)]
        if hidden[0] != hidden[1]:
            lists = (_toggled(before.hidden, page_id), _toggled(after.hidden, page_id))
            taken = pair.given(("navigation", "hidden"), *lists)
            said = ("hidden", "shown") if hidden[0] else ("shown", "hidden")
            yield _change(f"menu.{page_id}", "value", f"{page.name} in the menu", said, "header", taken, page_id)


def _pages(pair: _Pair) -> Iterator[Change]:
    before, after = pair.before, pair.after
    for page_id, page in after.ordered_pages():
        old = before.pages.get(page_id)
        if old is None:
            taken = _with_menu(pair, page_id, _come_or_gone(pair, (), "pages", page_id, before.order, after.order))
            yield _change(f"page.{page_id}", "page", f"Page {page.name}", ("", "new"), "pages", taken, page_id)
        elif old is not page and old != page:
            yield from _page(pair, page_id, old, page)
    for page_id in before.order:
        if page_id not in after.pages:
            taken = _come_or_gone(pair, (), "pages", page_id, before.order, after.order)
            name = before.pages[page_id].name
            yield _change(f"page.{page_id}", "page", f"Page {name}", ("there", "gone"), "pages", taken, page_id)
    yield from _order(pair, (), before.order, after.order, "page.order", "Order of pages", "")


def _with_menu(pair: _Pair, page: str, taken: _Taken) -> _Taken:
    """With what the menu calls a new page, and whether it shows it."""
    before, after = pair.before.navigation, pair.after.navigation
    more = [pair.both(("navigation", "names", page))] if page in after.names else []
    if (page in before.hidden) != (page in after.hidden):
        lists = _toggled(before.hidden, page), _toggled(after.hidden, page)
        more.append(pair.given(("navigation", "hidden"), *lists))
    for extra in more:
        taken = _Taken(taken.steps + extra.steps, taken.back + extra.back)
    return taken


def _page(pair: _Pair, page_id: str, old: Page, new: Page) -> Iterator[Change]:
    here: Path = ("pages", page_id)
    named = (("name", "Page name"), ("slug", "Address"), ("title", "Title"), ("description", "Description"))
    for field, subject in named:
        said = getattr(old, field), getattr(new, field)
        if said[0] != said[1]:
            taken = pair.both((*here, field), *([(*here, "was")] if field == "slug" else []))
            control = f"page-{page_id}"
            key = f"page.{page_id}.{field}"
            yield _change(key, "words", subject, said, "pages", taken, page_id, control=control)
    if old.was != new.was and old.slug == new.slug:
        said = ", ".join(old.was) or "none", ", ".join(new.was) or "none"
        taken = pair.both((*here, "was"))
        yield _change(f"page.{page_id}.was", "words", f"Old addresses of {new.name}", said, "pages", taken, page_id)
    for key in [*new.order, *(k for k in old.order if k not in new.sections)]:
        was, now = old.sections.get(key), new.sections.get(key)
        kind = pair.now.catalogue.kind((now or was).kind).name  # type: ignore[union-attr]
        where = f"{kind} on {new.name}"
        if was and now:
            if was != now:
                yield from _section(pair, page_id, key, was, now, where)
            continue
        taken = _come_or_gone(pair, here, "sections", key, old.order, new.order)
        said = ("there", "gone") if was else ("", "new")
        yield _change(f"section.{key}", "section", where, said, "pages", taken, page_id, key)
    yield from _order(pair, here, old.order, new.order, f"page.{page_id}.order", f"Order on {new.name}", page_id)


def _section(pair: _Pair, page: str, key: str, old: Section, new: Section, where: str) -> Iterator[Change]:
    kind = pair.now.catalogue.kind(new.kind)
    here: Path = ("pages", page, "sections", key)
    for attribute, names in (("layout", kind.layout_names()), ("ground", pair.ground_names)):
        values = getattr(old, attribute), getattr(new, attribute)
        said = names.get(values[0] or "", _TEMPLATES), names.get(values[1] or "", _TEMPLATES)
        if values[0] != values[1]:
            taken = pair.both((*here, attribute))
            yield _change(
                f"section.{key}.{attribute}", "value", f"{attribute.title()}: {where}", said, "pages", taken, page, key
            )
    if old.one_offs != new.one_offs:
        said = _one_offs(pair.was, page, key, old, new), _one_offs(pair.now, page, key, new, old)
        taken = pair.both((*here, "one_offs"))
        yield _change(f"section.{key}.one-offs", "value", f"One-offs: {where}", said, "pages", taken, page, key)
    for field in kind.fields:
        if old.fields.get(field.slug) != new.fields.get(field.slug):
            said = plain(old.fields.get(field.slug, "")), plain(new.fields.get(field.slug, ""))
            taken = pair.both((*here, "fields", field.slug))
            yield _change(
                f"section.{key}.{field.slug}", "words", f"{field.name}: {where}", said, "pages", taken, page, key
            )
    if (old.items, old.order) != (new.items, new.order):
        plural = kind.items.plural if kind.items else "Items"
        said = _item_words(old, new), _item_words(new, old)
        taken = pair.both((*here, "items"), (*here, "order"))
        yield _change(f"section.{key}.items", "words", f"{plural}: {where}", said, "pages", taken, page, key)


def _one_offs(look: Look, page: str, key: str, section: Section, other: Section) -> str:
    """Those that the other state has not, in words."""
    differing = [
        f"{one.what.lower()} {one.value}"
        for one in of_section(look, page, key, section)
        if one.element
        and section.one_offs[one.element].get(one.path[-1]) != other.one_offs.get(one.element, {}).get(one.path[-1])
    ]
    return ", ".join(differing) or "as the sheet has it"


def _item_words(section: Section, other: Section) -> str:
    """The words of the items that the other state has not."""
    differing = [section.items[key] for key in section.order if section.items[key] != other.items.get(key)]
    said = "; ".join(" ".join(plain(value) for value in item.fields.values()) for item in differing)
    return said or f"{len(section.order)} entries"


def _pictures(pair: _Pair) -> Iterator[Change]:
    for key, picture in pair.after.pictures.items():
        old = pair.before.pictures.get(key)
        if old is None or old == picture:
            continue
        here: Path = ("pictures", key)
        if (old.file, old.shape) != (picture.file, picture.shape):
            said = _pictured(old), _pictured(picture)
            taken = pair.both(*((*here, field) for field in _FILE))
            yield _change(f"picture.{key}.file", "value", f"Picture {old.name}", said, "pictures", taken)
        if (old.focal_x, old.focal_y) != (picture.focal_x, picture.focal_y):
            said = f"{old.focal_x} %, {old.focal_y} %", f"{picture.focal_x} %, {picture.focal_y} %"
            taken = pair.both((*here, "focal_x"), (*here, "focal_y"))
            yield _change(f"picture.{key}.focal", "value", f"Focal point of {picture.name}", said, "pictures", taken)
        if old.alt != picture.alt:
            taken = pair.both((*here, "alt"))
            subject = f"Alt text of {picture.name}"
            yield _change(f"picture.{key}.alt", "words", subject, (old.alt, picture.alt), "pictures", taken)


_FILE = ("file", "format", "width", "height", "name", "shape")


def _pictured(picture: Picture) -> str:
    return f"{picture.name}{f', cropped to {picture.shape}' if picture.shape else ''}"


def _order(
    pair: _Pair, here: Path, old: list[str], new: list[str], key: str, subject: str, page: str
) -> Iterator[Change]:
    """A change of order among the things that both have."""
    if _common(old, new) != _common(new, old):
        taken = pair.given((*here, "order"), _arranged(old, new), _arranged(new, old))
        yield _change(key, "value", subject, _REORDERED, "pages", taken, page)


def _come_or_gone(pair: _Pair, here: Path, holder: str, key: str, old: list[str], new: list[str]) -> _Taken:
    """Steps and back for a page or a section that only one of the two has, with its place in the order."""
    taken = pair.both((*here, holder, key))
    if key in new:
        order = _inserted(old, key, new), [other for other in new if other != key]
    else:
        order = [other for other in old if other != key], _inserted(new, key, old)
    lists = pair.given((*here, "order"), *order)
    return _Taken(taken.steps + lists.steps, taken.back + lists.back)


def _common(order: list[str], other: list[str]) -> list[str]:
    return [key for key in order if key in other]


def _inserted(order: list[str], key: str, like: list[str]) -> list[str]:
    """`order` with `key` behind whatever it stands behind in `like`."""
    if key in order or key not in like:
        return list(order)
    ahead = [other for other in like[: like.index(key)] if other in order]
    place = order.index(ahead[-1]) + 1 if ahead else 0
    return [*order[:place], key, *order[place:]]


def _arranged(order: list[str], like: list[str]) -> list[str]:
    """`order` with the things it shares with `like` in the order of `like`; the others keep their places."""
    shared = iter(_common(like, order))
    return [next(shared) if key in like else key for key in order]


def _toggled(hidden: list[str], page: str) -> list[str]:
    return [key for key in hidden if key != page] if page in hidden else [*hidden, page]
