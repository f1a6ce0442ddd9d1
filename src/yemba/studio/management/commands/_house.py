"""An installation of its own for the bench: a generated site, a server, and Chromium at the workbench."""

from __future__ import annotations

import json
import os
import re
import socket
import subprocess
import sys
import tempfile
import time
from collections.abc import Iterator
from contextlib import contextmanager
from pathlib import Path
from typing import Any, NamedTuple
from urllib.parse import urlsplit

from django.conf import settings

from yemba.studio.management.commands._chromium import chromium
from yemba.studio.management.commands._editors import editing

ADDRESS, PASSWORD = "ines@saltmarsh.example", "tide-row-four"
MANAGE = [sys.executable, str(settings.ROOT / "manage.py")]
_KEYS, _MOST_KEYS = 60, 180
_BETWEEN = 400  # ms between two keys of a person who looks at what each does
# Asked before a key is pressed, in every window: when, on the common clock, was the change on the screen?
_WATCH = """(selector) => {
  const element = () => document.querySelector(selector);
  const look = () => {
    const { backgroundColor, fontSize } = getComputedStyle(element());
    return backgroundColor + fontSize + element().textContent;
  };
  const before = look();
  window.heard = 0;
  addEventListener("message", () => { window.heard ||= performance.timeOrigin + performance.now(); }, { once: true });
  window.painted = new Promise((resolve, refuse) => {
    setTimeout(() => refuse(new Error("nothing was painted within five seconds")), 5000);
    const wait = () => {
      const begun = performance.now();
      if (look() === before) return requestAnimationFrame(wait);
      window.styled = performance.now() - begun;
      requestAnimationFrame(() => resolve(performance.timeOrigin + performance.now()));
    };
    wait();
  });
}"""
_PRESSED = """() => { window.pressed = 0;
  addEventListener("keydown", () => { window.pressed = performance.timeOrigin + performance.now(); }, true); }"""


# When the key came, and the answer by which the change came: the last that was whole before the paint. Where windows
# waited for none, it is as if one had been asked for and come as the key did.
_ANSWER = """(painted) => {
  const at = (time) => performance.timeOrigin + time;
  const [last] = performance.getEntriesByType("resource")
    .filter(({ name, startTime, responseEnd }) =>
      /\\/(edit|stream)\\/$/.test(name) && at(startTime) >= window.pressed && at(responseEnd) < painted)
    .slice(-1);
  performance.clearResourceTimings();
  const { pressed } = window;
  if (!last) return { pressed, asked: pressed, whole: pressed, told: [] };
  const told = last.serverTiming.map(({ name, duration }) => [name, duration]);
  return { pressed, asked: at(last.startTime), whole: at(last.responseEnd), told };
}"""
STAGES = ("key", "way", "lock", "plan", "store", "render", "answer", "message", "style", "paint")
"""Where the time from a key to the paint goes: from the key to the request; on the way and in the server's line; in the
server, as its answer tells; from the answer to the window; in the window for its styles, and until it is painted."""


class Stroke(NamedTuple):
    """One key: milliseconds to the paint in the slower window, and in each of STAGES. Of a key is `disturbed` what the
    host of a virtual machine gave the processor to others for; on any other machine none is."""

    total: float
    stages: dict[str, float]
    disturbed: bool


@contextmanager
def house(pages: int) -> Iterator[tuple[dict[str, str], dict[str, Any]]]:
    """The environment of an installation with one published site of so many pages, and what making it told."""
    with _installation() as environment:
        yield environment, asked(environment, "--make", str(pages))


def asked(environment: dict[str, str], *arguments: str) -> dict[str, Any]:
    """What a bench of its own, in that installation, tells."""
    command = [*MANAGE, "bench", *arguments]
    run = subprocess.run(command, env=environment, check=True, stdout=subprocess.PIPE, text=True)
    return dict(json.loads(run.stdout.splitlines()[-1]))


@contextmanager
def _installation() -> Iterator[dict[str, str]]:
    """The environment of an empty installation."""
    with tempfile.TemporaryDirectory(prefix="yemba-bench-") as place:
        port = _free_port()
        own = {"YEMBA_DATA": place, "YEMBA_SECRET_KEY": "bench", "YEMBA_SCHEME": "http", "YEMBA_SITES_PORT": str(port)}
        environment = {**os.environ, **own, "PORT": str(port)}
        subprocess.run([*MANAGE, "migrate", "--verbosity", "0"], env=environment, check=True)
        subprocess.run([*MANAGE, "collectstatic", "--noinput", "--verbosity", "0"], env=environment, check=True)
        yield environment


def key_to_paint(environment: dict[str, str]) -> tuple[dict[str, list[Stroke]], dict[str, list[Stroke]]]:
    """Keys at the workbench, by what they change: first alone, then while two other owners edit."""
    with _browsing(environment) as browser:
        page, port = browser.new_page(viewport={"width": 1280, "height": 800}), environment["PORT"]
        _sign_in(page, port)
        alone = _at_the_workbench(page, port)
        with editing(port, PASSWORD, _BETWEEN / 1000):
            return alone, _at_the_workbench(page, port)


def demo_weights() -> dict[str, float]:
    """kB that a phone of 390 px at two pixels per px fetches for each live page of the demo, scrolled to its end."""
    with _installation() as environment:
        subprocess.run([*MANAGE, "load_demo"], env=environment | {"YEMBA_DEMO": "1"}, check=True, capture_output=True)
        with _browsing(environment) as browser:
            weights = {}
            for slug in ("saltmarsh", "nettle", "dubrov"):
                root = f"http://{slug}.localhost:{environment['PORT']}/"
                for path in _paths(browser, root):
                    weights[f"{slug}/{path}"] = _weight(browser, root + path)
    return weights


def _paths(browser: Any, root: str) -> list[str]:
    page = browser.new_page()
    sitemap = page.goto(f"{root}sitemap.xml").text()
    page.close()
    return [urlsplit(address).path.lstrip("/") for address in re.findall(r"<loc>([^<]+)", sitemap)]


def _weight(browser: Any, address: str) -> float:
    context = browser.new_context(viewport={"width": 390, "height": 844}, device_scale_factor=2)
    page = context.new_page()
    session = context.new_cdp_session(page)
    sizes: list[float] = []
    session.send("Network.enable")
    session.on("Network.loadingFinished", lambda event: sizes.append(event["encodedDataLength"]))
    page.goto(address, wait_until="networkidle")
    page.evaluate("""async () => { for (let y = 0; y < document.body.scrollHeight; y += 400) {
      scrollTo(0, y); await new Promise((done) => setTimeout(done, 60)); } }""")
    page.wait_for_load_state("networkidle")
    page.wait_for_timeout(300)
    context.close()
    return sum(sizes) / 1000


@contextmanager
def _browsing(environment: dict[str, str]) -> Iterator[Any]:
    """Chromium, with the installation served."""
    gunicorn, bind = str(Path(sys.executable).parent / "gunicorn"), f"127.0.0.1:{environment['PORT']}"
    server = subprocess.Popen(
        [gunicorn, "--config", "python:yemba.config.serve", "--log-level", "error", "yemba.config.wsgi"],
        env=environment | {"YEMBA_BIND": bind},
        cwd=settings.ROOT,
    )
    try:
        _wait_for(int(environment["PORT"]))
        with chromium() as browser:
            yield browser
    finally:
        server.terminate()
        server.wait()


def _sign_in(page: Any, port: str) -> None:
    page.goto(f"http://localhost:{port}/sign-in/")
    page.get_by_label("Mail address").fill(ADDRESS)
    page.get_by_label("Password").fill(PASSWORD)
    page.get_by_role("button", name="Sign in").click()
    page.wait_for_url("**/sites/")


def _at_the_workbench(page: Any, port: str) -> dict[str, list[Stroke]]:
    frames = _opened(page, port, "palette/")
    page.locator(".plane svg").focus()
    colour = _keys(page, frames, ".button")
    frames = _opened(page, port, "type/?show=sizes")
    page.locator('[data-key="h1.wide"]').focus()
    size = _keys(page, frames[:1], "h1")
    frames = _opened(page, port, "pages/?section=opening")
    page.locator("#words-heading").focus()
    words = _keys(page, frames, "h1", ("a", "Backspace"))
    frames = _opened(page, port, "pages/?page=p10")
    page.locator(".grip").first.focus()
    move = _keys(page, frames, ".section", ("ArrowDown", "ArrowUp"))
    return {"colour": colour, "size": size, "words": words, "move": move}


def _opened(page: Any, port: str, desk: str) -> list[Any]:
    """The windows, once a desk stands beside them."""
    page.goto(f"http://localhost:{port}/sites/bench/{desk}")
    page.wait_for_load_state("networkidle")
    page.evaluate(_PRESSED)
    return [page.locator(f"#{name}").element_handle().content_frame() for name in ("wide", "phone")]


def _keys(
    page: Any, frames: list[Any], selector: str, keys: tuple[str, str] = ("ArrowLeft", "ArrowRight")
) -> list[Stroke]:
    """Two keys, of which one takes back what the other does, again and again until enough were undisturbed."""
    strokes: list[Stroke] = []
    while len(undisturbed(strokes)) < _KEYS and len(strokes) < _MOST_KEYS:
        strokes.append(_once(page, frames, selector, keys[len(strokes) % 2]))
        page.wait_for_timeout(_BETWEEN)
    return strokes


def undisturbed(strokes: list[Stroke]) -> list[Stroke]:
    return [stroke for stroke in strokes if not stroke.disturbed]


def _once(page: Any, frames: list[Any], selector: str, key: str) -> Stroke:
    for frame in frames:
        frame.evaluate(_WATCH, selector)
    stolen = _stolen()
    page.keyboard.press(key)
    painted, slower = max((frame.evaluate("() => window.painted"), n) for n, frame in enumerate(frames))
    disturbed = _stolen() > stolen
    heard, styled = frames[slower].evaluate("() => [window.heard, window.styled]")
    answer = page.evaluate(_ANSWER, painted)
    served = dict(answer["told"])
    stages = dict.fromkeys(STAGES, 0.0) | served
    stages["key"] = answer["asked"] - answer["pressed"]
    stages["way"] = answer["whole"] - answer["asked"] - sum(served.values())
    stages["message"] = heard - answer["whole"]
    stages["style"] = styled
    stages["paint"] = painted - heard - styled
    return Stroke(painted - answer["pressed"], stages, disturbed)


def _stolen() -> int:
    """Ticks of the clock that the host kept from this machine though it wanted them, since it began (proc(5))."""
    try:
        return int(Path("/proc/stat").read_text().split()[8])
    except (OSError, IndexError, ValueError):
        return 0


def _free_port() -> int:
    with socket.socket() as tried:
        tried.bind(("127.0.0.1", 0))
        return int(tried.getsockname()[1])


def _wait_for(port: int) -> None:
    for _ in range(200):
        with socket.socket() as tried:
            if tried.connect_ex(("127.0.0.1", port)) == 0:
                return
        time.sleep(0.1)
    raise TimeoutError(f"the server does not answer at port {port}")
