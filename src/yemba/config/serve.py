"""gunicorn's settings: ``gunicorn --config python:yemba.config.serve yemba.config.wsgi``."""

import ctypes
import gc
import os
import socket
import struct
from functools import partial
from typing import Any

from gunicorn import util

bind = os.environ.get("YEMBA_BIND", "127.0.0.1:8000")
workers = int(os.environ.get("YEMBA_WORKERS", "2"))
threads = 16
loglevel = "warning"
limit_request_line = 4094
limit_request_fields = 60
_SILENCE = 4  # s in which a request that has begun must go on
_LINGER = 0.05  # s
_ARENA_MAX = -8  # M_ARENA_MAX of malloc.h


def when_ready(server: Any) -> None:
    """No thread waits for ever for the rest of a request: connections take this over from what they come in by."""
    for listener in server.LISTENERS:
        listener.sock.setsockopt(socket.SOL_SOCKET, socket.SO_RCVTIMEO, struct.pack("ll", _SILENCE, 0))


def post_fork(server: Any, worker: Any) -> None:
    """What threads free goes back to the system: the C library would keep a heap for each of them (glibc's mallopt)."""
    mallopt = getattr(ctypes.CDLL(None), "mallopt", None)
    if mallopt:
        mallopt(_ARENA_MAX, 2)


def post_worker_init(worker: Any) -> None:
    """What pages and edits ask for is read before the first one comes; it stays for good, so that no full collection of
    garbage walks it again, which took 100 ms of whichever request it fell upon. And a connection that its client leaves
    open is closed at once: gunicorn would wait two seconds for each, and in the one thread that hands out all others.
    """
    from yemba.core.change.command import commands  # the application is loaded by now
    from yemba.render.fonts import read_ahead
    from yemba.sites.catalogue import catalogue
    from yemba.studio.patch import rehearse

    read_ahead(catalogue().families.values())
    commands()
    rehearse()
    gc.collect()
    gc.freeze()
    util.close_graceful = partial(util.close_graceful, timeout=_LINGER)
