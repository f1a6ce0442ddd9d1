"""Debian's Chromium, as tests, benchmarks and sweeps start it."""

from __future__ import annotations

import shutil
from collections.abc import Iterator
from contextlib import contextmanager
from importlib.util import find_spec
from typing import Any

_PROGRAMS = ("chromium-headless-shell", "chromium")
"""The first draws the same pages without a window of its own around them, which takes half the time."""
_FLAGS = [
    "--no-sandbox",
    "--disable-gpu",
    "--disable-quic",
    "--no-first-run",
    "--disable-background-networking",
    "--font-render-hinting=none",  # letters as wide as on the screens of owners and visitors
]


def lacking() -> str:
    """Why no browser can be started here; "" where one can."""
    if find_spec("playwright") is None:
        return "Playwright is not installed; bin/test installs it"
    return "" if _program() else "Chromium is not installed; on Debian: apt-get install chromium-headless-shell"


@contextmanager
def chromium() -> Iterator[Any]:
    """A browser of Playwright's; it is closed at the end."""
    from playwright.sync_api import sync_playwright

    with sync_playwright() as playwright:
        browser = playwright.chromium.launch(executable_path=_program(), args=_FLAGS)
        try:
            yield browser
        finally:
            browser.close()


def _program() -> str | None:
    return next(filter(None, map(shutil.which, _PROGRAMS)), None)
