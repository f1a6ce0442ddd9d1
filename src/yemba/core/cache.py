"""Caches, each with an owner and a bound in bytes, and all of them to be asked how much they hold."""

from __future__ import annotations

from collections import OrderedDict
from collections.abc import Callable, Hashable
from functools import wraps
from threading import RLock
from typing import Any, Generic, TypeVar, cast
from weakref import WeakSet

K = TypeVar("K", bound=Hashable)
V = TypeVar("V")
F = TypeVar("F", bound=Callable[..., Any])

_EVERY: WeakSet[Cache[Any, Any]] = WeakSet()


class Cache(Generic[K, V]):
    """Values by key, those used longest ago leaving first once the bound is reached.

    `owner` says what it holds, `most` is the bound in bytes, `weigh` estimates the bytes of a value; a key of text
    counts too. Safe for threads.
    """

    def __init__(self, owner: str, most: int, weigh: Callable[[V], int]) -> None:
        self.owner = owner
        self.most = most
        self.weight = 0
        self._weigh = weigh
        self._held: OrderedDict[K, tuple[V, int]] = OrderedDict()
        self._lock = RLock()
        _EVERY.add(self)

    def __len__(self) -> int:
        return len(self._held)

    def get(self, key: K) -> V | None:
        """The value of a key, None where it is not held."""
        with self._lock:
            entry = self._held.get(key)
            if entry is None:
                return None
            self._held.move_to_end(key)
            return entry[0]

    def put(self, key: K, value: V) -> V:
        """Hold a value; the answer is that value."""
        weight = self._weigh(value) + (len(key) if isinstance(key, str) else 0)
        with self._lock:
            self._drop(key)
            self._held[key] = (value, weight)
            self.weight += weight
            while self.weight > self.most and len(self._held) > 1:
                self._drop(next(iter(self._held)))
        return value

    def get_or_make(self, key: K, make: Callable[[], V]) -> V:
        """The value held under a key; where there is none, it is made and held."""
        value = self.get(key)
        return value if value is not None else self.put(key, make())

    def clear(self) -> None:
        with self._lock:
            self._held.clear()
            self.weight = 0

    def _drop(self, key: K) -> None:
        entry = self._held.pop(key, None)
        if entry:
            self.weight -= entry[1]


def caches() -> list[Cache[Any, Any]]:
    """Every cache there is, the heaviest first."""
    return sorted(_EVERY, key=lambda cache: -cache.weight)


def by_identity(owner: str, most: int, weigh: Callable[[Any], int]) -> Callable[[F], F]:
    """Decorate a function of frozen objects: its outcome is kept for these very objects.

    Pages and sections that an edit does not touch stay the same objects, so that on a large site only what
    changed is worked out again. The objects are held too, so that no other can take their ids.
    """

    def decorate(make: F) -> F:
        cache: Cache[tuple[int, ...], tuple[tuple[Any, ...], Any]] = Cache(owner, most, lambda entry: weigh(entry[1]))

        @wraps(make)
        def once(*objects: Any) -> Any:
            key = tuple(map(id, objects))
            return cache.get_or_make(key, lambda: (objects, make(*objects)))[1]

        return cast(F, once)

    return decorate


def by_document(owner: str) -> Callable[[F], F]:
    """As ``by_identity``, for what follows from a whole document, or from all its pages and parts: kept for the last
    ten, since each is held with it. An edit that touches none of them has nothing worked out again."""
    return by_identity(owner, most=600_000, weigh=lambda _: 60_000)
