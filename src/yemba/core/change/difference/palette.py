"""What differs of the palette, the owner's grounds and the roles set by hand: entry by entry."""

from __future__ import annotations

from collections.abc import Iterator
from typing import NamedTuple

from yemba.core.change.difference.change import COLOUR, VALUE, WORDS, Change, Pair, Steps, change
from yemba.core.change.difference.order import arranged, inserted, reordered, without
from yemba.core.change.difference.site import covered
from yemba.core.change.difference.values import owned
from yemba.core.change.operation import ABSENT
from yemba.core.colour.grounds import ROLE_NAMES, Ground
from yemba.core.message import Message
from yemba.core.place import OfColour, OfGround, OfRole, OfSetting
from yemba.core.site.resolve import Look

_PALETTE = ("sheet", "palette")
Entry = dict[str, str]


def changes(pair: Pair) -> Iterator[Change]:
    if pair.differ(_PALETTE) and "palette" not in covered(pair):
        yield from _palette(pair)
    yield from _own_grounds(pair)
    yield from _by_hand(pair)


def _palette(pair: Pair) -> Iterator[Change]:
    old, new = ({c["id"]: c for c in look.value("palette")} for look in (pair.was, pair.now))
    if list(old.items()) == list(new.items()):
        states = owned(Message("the same"), pair.was, "palette"), owned(Message("the same"), pair.now, "palette")
        yield change("palette.kept", VALUE, Message("Palette"), states, OfSetting("palette"), pair.moved(_PALETTE))
        return
    for key, colour in new.items():
        if old.get(key) != colour:
            yield _colour(pair, key, old, new)
    for key in old.keys() - new.keys():
        yield _removed(pair, key, old, new)
    if reordered(list(old), list(new)):
        yield _order(pair, old, new)


def _colour(pair: Pair, key: str, old: dict[str, Entry], new: dict[str, Entry]) -> Change:
    """A colour that is new, of another code or of another name."""
    was, colour = old.get(key), new[key]
    with_it = inserted(list(old), key, list(new))
    steps = pair.put(
        _PALETTE,
        [colour if k == key else old[k] for k in with_it],
        [was if k == key and was else new[k] for k in (new if was else without(list(new), key))],
    )
    if was and was["hex"] == colour["hex"]:
        states = was["name"], colour["name"]
        return change(f"colour.{key}", WORDS, Message("Colour name"), states, OfColour(key), steps)
    states = was["hex"] if was else "", colour["hex"]
    return change(f"colour.{key}", COLOUR, colour["name"], states, OfColour(key), steps)


def _removed(pair: Pair, key: str, old: dict[str, Entry], new: dict[str, Entry]) -> Change:
    every = old | new
    steps = pair.put(
        _PALETTE,
        [old[k] for k in without(list(old), key)],
        [every[k] for k in inserted(list(new), key, list(old))],
    )
    return change(f"colour.{key}", COLOUR, old[key]["name"], (old[key]["hex"], ""), OfColour(key), steps)


def _order(pair: Pair, old: dict[str, Entry], new: dict[str, Entry]) -> Change:
    orders = list(old), list(new)
    steps = pair.put(
        _PALETTE,
        [old[key] for key in arranged(orders[0], orders[1])],
        [new[key] for key in arranged(orders[1], orders[0])],
    )
    states = (
        Message("{name} leads", name=old[orders[0][0]]["name"]),
        Message("{name} leads", name=new[orders[1][0]]["name"]),
    )
    return change("palette.order", VALUE, Message("Order of colours"), states, OfSetting("palette"), steps)


def _own_grounds(pair: Pair) -> Iterator[Change]:
    for entry in _entries(pair, "grounds.own"):
        name = (entry.new or entry.old)["name"]
        key, place = f"ground.{entry.id}", OfGround(entry.id)
        if entry.old and entry.new and entry.old["fill"] == entry.new["fill"]:
            yield change(key, WORDS, Message("Name of a ground"), (entry.old["name"], name), place, entry.steps)
        else:
            states = (_hex(pair.was.grounds.get(entry.id), "fill"), _hex(pair.now.grounds.get(entry.id), "fill"))
            yield change(key, COLOUR, Message("Ground {name}", name=name), states, place, entry.steps)


def _by_hand(pair: Pair) -> Iterator[Change]:
    for entry in _entries(pair, "roles.by_hand"):
        ground, _, role = entry.id.partition(".")
        subject = Message(
            "{role_names} on {value}",
            role_names=ROLE_NAMES[role].capitalize(),
            value=pair.ground_names.get(ground, ground),
        )
        states = (_hex(pair.was.grounds.get(ground), role), _hex(pair.now.grounds.get(ground), role))
        kind = COLOUR
        if states[0] == states[1]:  # the same to see, but set by hand on one side alone
            kind, states = VALUE, (_worked_out(states[0], entry.old), _worked_out(states[1], entry.new))
        yield change(f"role.{entry.id}", kind, subject, states, OfRole(ground, role), entry.steps)


def _worked_out(code: str, entry: Entry) -> str:
    return Message("{code}, by hand", code=code) if entry else Message("{code}, worked out", code=code)


def _hex(ground: Ground | None, role: str) -> str:
    return getattr(ground, role).hex if ground else ""


class _Differing(NamedTuple):
    """An entry of a list kept in order of id, before and after; {} where there is none."""

    id: str
    old: Entry
    new: Entry
    steps: Steps


def _entries(pair: Pair, key: str) -> Iterator[_Differing]:
    """What differs in a list kept in order of id."""
    old, new = _by_id(pair.was, key), _by_id(pair.now, key)
    for one in sorted(old.keys() | new.keys()):
        before, after = old.get(one, {}), new.get(one, {})
        if before == after:
            continue
        out = _with_entry(old, one, after) or ABSENT
        back = _with_entry(new, one, before) or ABSENT
        yield _Differing(one, before, after, pair.put(("sheet", key), out, back))


def _by_id(look: Look, key: str) -> dict[str, Entry]:
    return {entry["id"]: entry for entry in look.value(key)}


def _with_entry(entries: dict[str, Entry], one: str, entry: Entry) -> list[Entry]:
    """The list with this entry in place of what it had under the id, without one where it is empty."""
    merged = entries | {one: entry}
    return [merged[key] for key in sorted(merged) if merged[key]]
