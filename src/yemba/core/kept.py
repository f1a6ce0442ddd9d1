"""What follows from frozen objects alone, worked out once for them."""

from __future__ import annotations

from collections.abc import Callable
from functools import wraps
from typing import Any, TypeVar, cast

_MOST = 20_000

F = TypeVar("F", bound=Callable[..., Any])


def kept(make: F) -> F:
    """`make` of frozen objects, its outcome kept for these very objects.

    Pages and sections that an edit does not touch stay the same objects, so that on a large site
    only what changed is worked out again.
    """
    known: dict[tuple[int, ...], tuple[tuple[Any, ...], Any]] = {}

    @wraps(make)
    def once(*objects: Any) -> Any:
        ids = tuple(map(id, objects))
        found = known.get(ids)  # the objects are held, so no other can have their ids
        if found is None:
            if len(known) >= _MOST:
                known.clear()
            found = known[ids] = (objects, make(*objects))
        return found[1]

    return cast(F, once)
