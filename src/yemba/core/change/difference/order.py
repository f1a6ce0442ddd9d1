"""Lists of ids in an order: how one of two lists takes over one thing of the other."""

from __future__ import annotations


def common(order: list[str], other: list[str]) -> list[str]:
    """What both have, in the order of the first."""
    return [key for key in order if key in other]


def reordered(order: list[str], other: list[str]) -> bool:
    """Whether what both have stands in another order."""
    return common(order, other) != common(other, order)


def inserted(order: list[str], key: str, like: list[str]) -> list[str]:
    """`order` with `key` behind whatever it stands behind in `like`."""
    if key in order or key not in like:
        return list(order)
    ahead = [other for other in like[: like.index(key)] if other in order]
    place = order.index(ahead[-1]) + 1 if ahead else 0
    return [*order[:place], key, *order[place:]]


def arranged(order: list[str], like: list[str]) -> list[str]:
    """`order` with the things it shares with `like` in the order of `like`; the others keep their places."""
    shared = iter(common(like, order))
    return [next(shared) if key in like else key for key in order]


def without(order: list[str], key: str) -> list[str]:
    return [other for other in order if other != key]


def toggled(listed: list[str], key: str) -> list[str]:
    """The list without the key, or with it at the end."""
    return without(listed, key) if key in listed else [*listed, key]
