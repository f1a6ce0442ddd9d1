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
from yemba.core.type.intake import CleanFont, check_size, clean_font

_SECONDS, _MEMORY = 20, 800_000_000  # of that process
_PATIENCE = 30.0  # s


def clean_font_apart(data: bytes, file_name: str) -> CleanFont:
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
        plain = json.loads(run.stdout)
    except (subprocess.TimeoutExpired, ValueError):
        reason = f"“{file_name[:60]}” keeps its reader too long, or fills its memory. Fetch it again from its maker."
        raise Fault("font-unreadable", reason, "file") from None
    if "fault" in plain:
        raise Fault(*plain["fault"])
    return _from_plain(plain)


def _plain(font: CleanFont) -> dict[str, Any]:
    return font._asdict() | {"data": b64encode(font.data).decode(), "facts": font.facts._asdict()}


def _from_plain(plain: dict[str, Any]) -> CleanFont:
    facts = {name: tuple(value) if isinstance(value, list) else value for name, value in plain["facts"].items()}
    low, high = plain["weights"]
    return CleanFont(**plain | {"data": b64decode(plain["data"]), "weights": (low, high), "facts": Facts(**facts)})  # type: ignore[arg-type]


def _limit() -> None:
    resource.setrlimit(resource.RLIMIT_AS, (_MEMORY, _MEMORY))
    resource.setrlimit(resource.RLIMIT_CPU, (_SECONDS, _SECONDS))
    resource.setrlimit(resource.RLIMIT_FSIZE, (0, 0))


def main() -> None:
    """Read the font that comes by the input, and tell of it as JSON."""
    try:
        plain = _plain(clean_font(sys.stdin.buffer.read(), sys.argv[1]))
    except Fault as fault:
        plain = {"fault": [fault.code, fault.sentence, fault.field]}
    sys.stdout.write(json.dumps(plain))


if __name__ == "__main__":
    main()
