"""Outside judges of pages, where they are at hand: axe in the browser, and the Nu HTML checker on the files."""

from __future__ import annotations

import json
import shutil
import subprocess
from collections.abc import Iterable
from pathlib import Path
from typing import Any

from django.conf import settings

_PACKAGES = settings.ROOT / "assets" / "node_modules"
_AXE = _PACKAGES / "axe-core" / "axe.min.js"
_NU = _PACKAGES / "vnu-jar" / "build" / "dist" / "vnu.jar"
_BRIEFLY = ("-XX:TieredStopAtLevel=1", "-XX:+UseSerialGC", "-Xss4m")  # it is done before compiling well would pay
_ASKED = "{iframes: false, selectors: false, resultTypes: ['violations']}"
_RUN = f"axe.run({_ASKED}).then(r => r.violations.map(v => [v.id, v.nodes.map(n => n.html.slice(0, 160))]))"


def missing() -> list[str]:
    """The judges that are not at hand, each with what installs it."""
    absent = {
        "axe-core, which bin/test installs": _AXE.exists(),
        "vnu-jar, which bin/test installs": _NU.exists(),
        "Java, for the Nu HTML checker": shutil.which("java") is not None,
    }
    return [name for name, there in absent.items() if not there]


def of_axe(page: Any) -> list[str]:
    """Rules of accessibility that an open page breaks, each with the elements that do."""
    page.evaluate(_AXE.read_text())
    return [f"{rule}: {nodes}" for rule, nodes in page.evaluate(_RUN)]


def of_nu(files: Iterable[Path]) -> list[str]:
    """Errors of HTML in these files, each with the name of its file."""
    command = ["java", *_BRIEFLY, "-jar", str(_NU), "--format", "json", "--errors-only", *map(str, files)]
    report = subprocess.run(command, capture_output=True, text=True, check=False).stderr
    return [
        f"{message['url'].removeprefix('file:')}: {message['message']}" for message in json.loads(report)["messages"]
    ]
