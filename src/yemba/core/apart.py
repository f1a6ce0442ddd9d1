"""Work on strangers' files in processes of their own: one made to hang, to crash or to fill the memory takes only
that process down.

A few workers are started when first needed and kept; each does one task at a time within limits of time, memory and
output. The time is the processor's: on a machine that stands still for a while no file is blamed for it. Tasks are the
functions named in TASKS: what they are given and what they return is JSON, or bytes.
"""

from __future__ import annotations

import atexit
import json
import os
import resource
import signal
import subprocess
import sys
import threading
from importlib import import_module
from multiprocessing.connection import Connection
from typing import Any

from yemba.core.errors import Fault
from yemba.core.message import Message

TASKS = {
    "clean-picture": "yemba.core.picture.intake:clean_here",
    "clean-font": "yemba.core.type.intake:clean_here",
    "cut-font": "yemba.core.type.subset:cut_here",
    "read-logo": "yemba.core.picture.logo:read_here",
    "mend-logo": "yemba.core.picture.logo:mend_here",
    "recolour-logo": "yemba.core.picture.logo:recolour_here",
    "draw": "yemba.core.picture.drawing:drawn_here",
}
WORKERS = 2
MEMORY = 1_200_000_000
"""Bytes of address space that a worker may use."""
_STANDSTILL = 6  # times the task's own seconds may pass by the clock
_OUTPUT = 64_000_000  # bytes of one answer's part
_TASKS_OF_A_WORKER = 200  # then a fresh one takes its place, so that nothing adds up
_BLOB = "\0blob"


class Failed(Exception):
    """A task raised something that is no Fault: what, in words."""


class Lost(Failed):
    """A task's process ended without an answer: the task brought it down, or something on the machine did."""


class TooMuch(Failed):
    """A task took more of the processor's time than it may."""


class Worker:
    """A process that does one task at a time."""

    def __init__(self) -> None:
        ours, theirs = os.pipe(), os.pipe()
        self.done = 0
        self._out, self._in = Connection(ours[1], readable=False), Connection(theirs[0], writable=False)
        self._process = subprocess.Popen(  # noqa: S603 - the command is our own module
            [sys.executable, "-c", f"from {__name__} import main; main({ours[0]}, {theirs[1]})"],
            pass_fds=(ours[0], theirs[1]),
            env={"PYTHONPATH": os.pathsep.join(sys.path)},
            stdin=subprocess.DEVNULL,
        )
        os.close(ours[0])
        os.close(theirs[1])

    def do(self, task: str, seconds: float, given: dict[str, Any]) -> Any:
        """What the task returns, within `seconds` of processor time.

        Raises TooMuch or Lost, after which the worker is gone, a Fault that the task raises, or Failed.
        """
        watch = threading.Timer(seconds * _STANDSTILL, self._process.kill)
        watch.start()
        try:
            _send(self._out, [TASKS[task], seconds, given])
            answer = _receive(self._in)
        except (EOFError, OSError) as error:
            self.end()
            raise (TooMuch if self._process.returncode == -signal.SIGPROF else Lost)(task) from error
        finally:
            watch.cancel()
        self.done += 1
        if "fault" in answer:
            raise Fault(*answer["fault"])
        if "error" in answer:
            raise Failed(answer["error"])
        return answer["value"]

    def end(self) -> None:
        self._process.kill()
        self._process.wait()
        self._out.close()
        self._in.close()


class Pool:
    """At most WORKERS of them; who comes when all are at work waits a while. A task whose worker is lost is given to
    another one, once."""

    def __init__(self, most: int = WORKERS) -> None:
        self._free = threading.Semaphore(most)
        self._idle: list[Worker] = []

    def do(self, task: str, seconds: float, patience: float, given: dict[str, Any]) -> Any:
        if not self._free.acquire(timeout=patience):
            raise Fault("busy", Message("Yemba is reading other files just now. Choose it again in a minute."), "file")
        try:
            return self._try(task, seconds, given)
        except Lost:
            return self._try(task, seconds, given)
        finally:
            self._free.release()

    def _try(self, task: str, seconds: float, given: dict[str, Any]) -> Any:
        worker = self._idle.pop() if self._idle else Worker()
        try:
            return worker.do(task, seconds, given)
        finally:
            self._back(worker)

    def _back(self, worker: Worker) -> None:
        if worker.done >= _TASKS_OF_A_WORKER:
            worker.end()
        elif worker._process.poll() is None:
            self._idle.append(worker)

    def end(self) -> None:
        while self._idle:
            self._idle.pop().end()


_inside = False
_pool = Pool()


def work(task: str, *, seconds: float, patience: float = 30.0, **given: Any) -> Any:
    """What a task returns for what it is given; inside a worker it is done there and then.

    Raises TooMuch, Lost, Fault ``busy`` after `patience` seconds in which no worker was free, a Fault that the task
    raises, or Failed.
    """
    return _task(TASKS[task])(**given) if _inside else _pool.do(task, seconds, patience, given)


def _after_fork() -> None:
    """A server's own worker inherits no worker of its parent's."""
    global _pool  # noqa: PLW0603
    _pool = Pool()


def _at_exit() -> None:
    """A process that ends takes its workers along."""
    _pool.end()


os.register_at_fork(after_in_child=_after_fork)
atexit.register(_at_exit)


def _task(path: str) -> Any:
    module, _, function = path.partition(":")
    return getattr(import_module(module), function)


def _send(out: Connection, value: Any) -> None:
    blobs: list[bytes] = []

    def plain(one: Any) -> Any:
        if isinstance(one, (bytes, bytearray)):
            blobs.append(bytes(one))
            return {_BLOB: len(blobs) - 1}
        raise TypeError(f"{type(one)} does not go to another process")

    text = json.dumps(value, default=plain).encode()
    for part in (text, *blobs):
        out.send_bytes(part)


def _receive(into: Connection) -> Any:
    counted = 0

    def whole(one: dict[str, Any]) -> Any:
        nonlocal counted
        counted += _BLOB in one
        return one

    value = json.loads(into.recv_bytes(_OUTPUT), object_hook=whole)
    blobs = [into.recv_bytes(_OUTPUT) for _ in range(counted)]
    return _filled(value, blobs)


def _filled(value: Any, blobs: list[bytes]) -> Any:
    if isinstance(value, dict):
        return blobs[value[_BLOB]] if _BLOB in value else {key: _filled(one, blobs) for key, one in value.items()}
    return [_filled(one, blobs) for one in value] if isinstance(value, list) else value


def _answer(path: str, given: dict[str, Any]) -> dict[str, Any]:
    try:
        return {"value": _task(path)(**given)}
    except Fault as fault:
        return {"fault": [fault.code, fault.sentence, fault.field]}
    except MemoryError:
        raise
    except Exception as error:  # noqa: BLE001 - a hostile file makes the readers raise nearly anything
        return {"error": f"{type(error).__name__}: {error}"[:500]}


def main(incoming: int, outgoing: int) -> None:
    """Do tasks until nobody asks any more."""
    global _inside  # noqa: PLW0603
    _inside = True
    resource.setrlimit(resource.RLIMIT_AS, (MEMORY, MEMORY))
    resource.setrlimit(resource.RLIMIT_FSIZE, (0, 0))
    resource.setrlimit(resource.RLIMIT_CORE, (0, 0))
    into, out = Connection(incoming, writable=False), Connection(outgoing, readable=False)
    while True:
        try:
            path, seconds, arguments = _receive(into)
        except EOFError:
            return
        signal.setitimer(signal.ITIMER_PROF, seconds)
        answer = _answer(path, arguments)
        signal.setitimer(signal.ITIMER_PROF, 0)
        _send(out, answer)
