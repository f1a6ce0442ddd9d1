"""Reading a stranger's font in a process of its own: one made to hang or to fill the memory takes only that down."""

from __future__ import annotations

import json
import os
import resource
import subprocess
import sys
from base64 import b64decode, b64encode
from typing import Any

from yemba.core.errors import Fault
from yemba.core.type.facts import Facts
from yemba.core.type.intake import Taken, check_size, take

_SECONDS, _MEMORY = 20, 800_000_000  # of that process
_PATIENCE = 30.0  # s


def take_apart(data: bytes, file_name: str) -> Taken:
    """As `core.type.intake.take`, within limits of time and memory. Raises what that raises."""
    check_size(data, file_name)
    try:
        run = subprocess.run(  # noqa: S603 - the command is our own module, the file comes by its input
            [sys.executable, "-m", __name__, file_name],
            input=data,
            capture_output=True,
            timeout=_PATIENCE,
            check=False,
            preexec_fn=_limit,
            env={"PYTHONPATH": os.pathsep.join(sys.path)},
        )
        told = json.loads(run.stdout)
    except (subprocess.TimeoutExpired, ValueError):
        said = f"“{file_name[:60]}” keeps its reader too long, or fills its memory. Fetch it again from its maker."
        raise Fault("font-unreadable", said, "file") from None
    if "fault" in told:
        raise Fault(*told["fault"])
    return _from_plain(told)


def _plain(taken: Taken) -> dict[str, Any]:
    return taken._asdict() | {"data": b64encode(taken.data).decode(), "facts": taken.facts._asdict()}


def _from_plain(told: dict[str, Any]) -> Taken:
    facts = {name: tuple(value) if isinstance(value, list) else value for name, value in told["facts"].items()}
    low, high = told["weights"]
    return Taken(**told | {"data": b64decode(told["data"]), "weights": (low, high), "facts": Facts(**facts)})  # type: ignore[arg-type]


def _limit() -> None:
    resource.setrlimit(resource.RLIMIT_AS, (_MEMORY, _MEMORY))
    resource.setrlimit(resource.RLIMIT_CPU, (_SECONDS, _SECONDS))
    resource.setrlimit(resource.RLIMIT_FSIZE, (0, 0))


def main() -> None:
    """Read the font that comes by the input, and tell of it as JSON."""
    try:
        told = _plain(take(sys.stdin.buffer.read(), sys.argv[1]))
    except Fault as fault:
        told = {"fault": [fault.code, fault.sentence, fault.field]}
    sys.stdout.write(json.dumps(told))


if __name__ == "__main__":
    main()
