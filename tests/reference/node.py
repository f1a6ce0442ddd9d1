"""Asking a Node package."""

from __future__ import annotations

import json
import subprocess
from pathlib import Path


def node(node_modules: Path, script: str) -> object:
    """What a script prints as JSON, run where the packages of assets/ are found."""
    ran = subprocess.run(
        ["node", "--input-type=module", "-e", script],
        cwd=node_modules.parent,
        capture_output=True,
        text=True,
        check=True,
    )
    return json.loads(ran.stdout)
