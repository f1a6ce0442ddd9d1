"""Work apart: what a stranger's file does to the process that reads it, it does to that process alone."""

from __future__ import annotations

import os
import signal
import threading
import time
from collections.abc import Iterator
from concurrent.futures import ThreadPoolExecutor
from contextlib import suppress
from pathlib import Path

import pytest

from yemba.core import apart
from yemba.core.errors import Fault

_TASKS = ("doubled", "refuse", "stumble", "sleep", "toil", "crash", "crash_once", "fill")
THESE = {name: f"tests.core.test_apart:{name}" for name in _TASKS}


def doubled(data: bytes, times: int) -> dict[str, object]:
    return {"twice": data * times, "who": os.getpid(), "nested": [[b"a"], {"b": b"c"}]}


def refuse() -> None:
    raise Fault("of-a-kind", "“x” is of a kind that is refused.", "file")


def stumble() -> None:
    raise KeyError("a reader's own mistake")


def sleep() -> None:
    time.sleep(60)


def toil() -> None:
    while True:
        pass


def crash() -> None:
    os.abort()


def crash_once(mark: str) -> bytes:
    """Ends its process the first time, as a machine short of memory would."""
    if Path(mark).exists():
        return b"at last"
    Path(mark).touch()
    os.kill(os.getpid(), signal.SIGKILL)
    raise AssertionError("never reached")


def fill() -> int:
    return len(bytearray(20_000_000_000))


@pytest.fixture(scope="module")
def pool() -> Iterator[apart.Pool]:
    """A pool of one, whose tasks are those above."""
    with pytest.MonkeyPatch.context() as patched:
        patched.setattr(apart, "TASKS", THESE)
        made = apart.Pool(most=1)
        yield made
        made.end()


def test_bytes_and_values_go_and_come_back_as_they_are(pool: apart.Pool) -> None:
    told = pool.do("doubled", 10, 10, {"data": bytes(range(256)) * 500, "times": 2})
    assert told["twice"] == bytes(range(256)) * 1000
    assert told["nested"] == [[b"a"], {"b": b"c"}]
    assert told["who"] != os.getpid()
    assert pool.do("doubled", 10, 10, {"data": b"", "times": 1})["who"] == told["who"], "the worker is kept"


def test_a_fault_comes_over_whole_and_what_is_none_is_told(pool: apart.Pool) -> None:
    with pytest.raises(Fault) as caught:
        pool.do("refuse", 10, 10, {})
    assert (caught.value.code, caught.value.field) == ("of-a-kind", "file")
    with pytest.raises(apart.Failed, match="a reader's own mistake"):
        pool.do("stumble", 10, 10, {})


@pytest.mark.parametrize(("task", "seconds"), [("sleep", 0.1), ("toil", 0.3), ("crash", 10), ("fill", 10)])
def test_what_hangs_crashes_or_fills_the_memory_is_ended_and_the_next_is_served(
    pool: apart.Pool, task: str, seconds: float
) -> None:
    begun = time.monotonic()
    with pytest.raises(apart.Failed):
        pool.do(task, seconds, 10, {})
    assert time.monotonic() - begun < 8
    assert pool.do("doubled", 10, 10, {"data": b"ab", "times": 2})["twice"] == b"abab"


def test_what_takes_too_much_of_the_processor_is_not_tried_again(pool: apart.Pool) -> None:
    with pytest.raises(apart.TooMuch):
        pool.do("toil", 1, 10, {})


def test_time_that_the_machine_stood_still_is_not_counted(pool: apart.Pool) -> None:
    worker = apart.Worker()
    worker.do("doubled", 10, {"data": b"", "times": 1})
    os.kill(worker._process.pid, signal.SIGSTOP)
    threading.Timer(1.0, os.kill, [worker._process.pid, signal.SIGCONT]).start()
    assert worker.do("doubled", 0.5, {"data": b"ab", "times": 2})["twice"] == b"abab"
    worker.end()


def test_a_task_whose_worker_is_lost_is_given_to_another(pool: apart.Pool, tmp_path: Path) -> None:
    assert pool.do("crash_once", 10, 10, {"mark": str(tmp_path / "crashed")}) == b"at last"


def test_who_finds_all_at_work_waits_and_is_told(pool: apart.Pool) -> None:
    def at_work() -> None:
        with suppress(apart.Lost):
            pool.do("sleep", 0.2, 10, {})

    busy = threading.Thread(target=at_work)
    busy.start()
    time.sleep(0.3)
    with pytest.raises(Fault, match="reading other files"):
        pool.do("doubled", 10, 0.1, {"data": b"", "times": 1})
    busy.join()


def test_many_at_once_all_get_their_own_answer(pool: apart.Pool) -> None:
    def one(n: int) -> bytes:
        return bytes(pool.do("doubled", 10, 30, {"data": str(n).encode(), "times": 1})["twice"])

    with ThreadPoolExecutor(8) as threads:
        assert list(threads.map(one, range(60))) == [str(n).encode() for n in range(60)]
