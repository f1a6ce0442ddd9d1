"""A server killed at random moments: no acknowledged edit is lost, no live site is half new, nothing stays behind.

A child process edits or publishes and says on its output what is done; it is killed without warning at a moment
drawn by chance. The outcome is looked at from here, through a connection of its own.

More of them: YEMBA_KILLS=1000 bin/test tests/hosting/test_kill.py
"""

from __future__ import annotations

import json
import os
import random
import signal
import sqlite3
import subprocess
import sys
import time
from collections.abc import Iterator
from hashlib import sha256
from pathlib import Path
from queue import Empty, Queue
from threading import Thread
from typing import Any

import pytest

from tests.installation import install_live
from tests.sampling import fewer

ROOT = Path(__file__).parents[2]
KILLS = int(os.environ.get("YEMBA_KILLS", fewer(30)))
EDITING, PUBLISHING, UPLOADING, PLANNED = (round(KILLS * share) for share in (0.6, 0.2, 0.1, 0.1))
BEGIN = """
import os, sys
import django; django.setup()
from django.core.management import call_command
from django.db import connections
from yemba.catalogue import catalogue
from yemba.sites import services as sites
from yemba.sites.models import Site
"""
# Set up once; every line names what a child is to do, whose number is said, and that it is gone.
NURSERY = """
catalogue()
work = {"edit": EDIT, "publish": PUBLISH, "upload": UPLOAD, "plan": PLAN, "sweep": 'call_command("sweep_store", at_start=True)'}
for line in sys.stdin:
    connections.close_all()
    sys.stdout.flush()
    child = os.fork()
    if not child:
        exec(work[line.strip()])
        os._exit(0)
    print("child", child, flush=True)
    os.waitpid(child, 0)
    print("gone", flush=True)
"""
MAKE = """
from yemba.core.picture.intake import clean_picture
from yemba.hosting import services as hosting
from yemba.sites import store
from PIL import Image
from io import BytesIO
site = Site.objects.get()
out = BytesIO(); Image.effect_noise((500, 400), 60).convert("RGB").save(out, "JPEG")
clean = clean_picture(out.getvalue(), "noise.jpg")
document = sites.document(site)
opening = document.pages[document.order[0]].order[0]
about = {"file": store.keep(clean.data), "format": "jpeg", "width": 500, "height": 400, "file_name": "noise.jpg"}
sites.edit(site, "add-picture", {"picture": "xp1", "section": opening, **about})
hosting.publish(Site.objects.get(pk=site.pk))
"""
EDIT = """
import itertools
site = Site.objects.get(slug="saltmarsh")
opening = sites.document(site).pages[sites.document(site).order[0]].order[0]
start = Site.objects.get(pk=site.pk).edits.count()
print("ready", flush=True)
for n in itertools.count(start):
    sites.edit(Site.objects.get(pk=site.pk), "set-words", {"section": opening, "field": "heading", "words": f"Words {n}"})
    print(n, flush=True)
"""
PUBLISH = """
import itertools, random
from yemba.hosting import services as hosting
from yemba.hosting.models import Edition
site = Site.objects.get(slug="saltmarsh")
opening = sites.document(site).pages[sites.document(site).order[0]].order[0]
print("ready", flush=True)
for n in itertools.count(Edition.objects.count()):
    sites.edit(Site.objects.get(pk=site.pk), "set-words", {"section": opening, "field": "heading", "words": f"Edition {n}"})
    sites.edit(Site.objects.get(pk=site.pk), "set-colour", {"colour": "c1", "hex": f"#{random.randrange(1 << 24):06x}"})
    sites.edit(Site.objects.get(pk=site.pk), "set-focal", {"picture": "xp1", "x": str(n % 100)})
    edition = hosting.publish(Site.objects.get(pk=site.pk))
    print(edition.number, flush=True)
"""
UPLOAD = """
import itertools
from io import BytesIO
from PIL import Image
from yemba.sites import uploads
site = Site.objects.get(slug="saltmarsh")
print("ready", flush=True)
for n in itertools.count(Site.objects.get(pk=site.pk).edits.count()):
    site, out = Site.objects.get(pk=site.pk), BytesIO()
    Image.frombytes("RGB", (160, 160), os.urandom(76_800)).save(out, "PNG")
    about = {"format": "png", "width": 160, "height": 160, "file_name": f"{n}.png"}
    sites.edit(site, "add-picture", {"picture": f"xu{n}", "file": uploads.keep(site.owner, out.getvalue()), **about})
    print(n, flush=True)
"""
PLAN = """
import itertools
from datetime import timedelta
from django.utils import timezone
from yemba.core.change.difference import difference
from yemba.hosting import editions, services as hosting
site = Site.objects.get(slug="saltmarsh")
opening = sites.document(site).pages[sites.document(site).order[0]].order[0]
print("ready", flush=True)
for n in itertools.count(site.edits.count()):
    later = timezone.now() + timedelta(hours=n)
    editions.publish_due(later)
    sites.edit(Site.objects.get(pk=site.pk), "set-words", {"section": opening, "field": "heading", "words": f"Planned {n}"})
    site = Site.objects.get(pk=site.pk)
    draft = sites.document(site)
    changes = difference(hosting.live_document(site), draft, catalogue())
    editions.plan(site, draft, changes, timezone.now() + timedelta(minutes=30))
    editions.publish_due(later)
    print(n, flush=True)
"""


_PATIENCE = 90  # s without a word after which a process counts as hung


class House:
    """An installation of its own with one site and one picture, which are live; and a process that has children to kill."""

    def __init__(self, place: Path, environment: dict[str, str]) -> None:
        self.place = place
        self.chance = random.Random(1)
        self.environment = environment | {"DJANGO_SETTINGS_MODULE": "yemba.config.settings"}
        self.environment.pop("PYTHONUNBUFFERED", None)  # lines are to come whole: two processes write them
        make = subprocess.run([sys.executable, "-c", BEGIN + MAKE], env=self.environment, check=False, timeout=120)
        make.check_returncode()
        told = f"EDIT, PUBLISH, UPLOAD, PLAN = {EDIT!r}, {PUBLISH!r}, {UPLOAD!r}, {PLAN!r}\n"
        self.nursery = subprocess.Popen(
            [sys.executable, "-c", BEGIN + told + NURSERY],
            env=self.environment,
            stdin=subprocess.PIPE,
            stdout=subprocess.PIPE,
            text=True,
        )
        self.lines: Queue[str] = Queue()
        Thread(target=self._listen, daemon=True).start()

    def start(self, work: str, until: str) -> tuple[int, list[str]]:
        """A child at this work: its process number, and the lines said before `until`."""
        assert self.nursery.stdin is not None
        self.nursery.stdin.write(f"{work}\n")
        self.nursery.stdin.flush()
        child, said = 0, []
        while not child or until not in said:
            line = self.line()
            if line.startswith("child "):
                child = int(line.split()[1])
            said.append(line)
        return child, said

    def line(self) -> str:
        try:
            line = self.lines.get(timeout=_PATIENCE)
        except Empty:
            self.nursery.kill()
            raise AssertionError(f"nothing was said for {_PATIENCE} s") from None
        assert line, "the nursery is gone"
        return line.strip()

    def _listen(self) -> None:
        assert self.nursery.stdout is not None
        for line in self.nursery.stdout:
            self.lines.put(line)
        self.lines.put("")

    def kill_in_the_middle(self, work: str, longest: float) -> list[int]:
        """Start it, kill it without warning within `longest` seconds; the numbers it had said were done."""
        child, said = self.start(work, "ready")
        time.sleep(self.chance.uniform(0, longest))
        os.kill(child, signal.SIGKILL)
        while said[-1] != "gone":
            said.append(self.line())
        return [int(line) for line in said if line.isdigit()]

    def time_of_a_round(self, work: str) -> float:
        """How long it takes here and now until the first round is said to be done, in s; then it is killed."""
        child, said = self.start(work, "ready")
        begun = time.monotonic()
        said.append(self.line())
        takes = time.monotonic() - begun
        os.kill(child, signal.SIGKILL)
        while said[-1] != "gone":
            said.append(self.line())
        return takes

    @property
    def store(self) -> Path:
        return self.place / "store"

    def kept(self, digest: str) -> bytes:
        return (self.store / digest[:2] / digest).read_bytes()

    def ask(self, sql: str) -> list[tuple[object, ...]]:
        connection = sqlite3.connect(self.place / "yemba.sqlite3")
        try:
            return connection.execute(sql).fetchall()
        finally:
            connection.close()


@pytest.fixture(scope="module")
def house(tmp_path_factory: pytest.TempPathFactory) -> Iterator[House]:
    place = tmp_path_factory.mktemp("house")
    made = House(place, install_live(tmp_path_factory, place))
    yield made
    with made.nursery:
        made.nursery.kill()


def test_no_acknowledged_edit_is_lost(house: House) -> None:
    for _ in range(EDITING):
        done = house.kill_in_the_middle("edit", 0.12)
        ((document, revision),) = house.ask("select document, revision from sites_site")
        edits = house.ask("select number, operations from sites_edit order by number")
        assert [number for number, _ in edits] == list(range(1, len(edits) + 1)), "no gap in the log"
        assert revision == len(edits)
        last = json.loads(str(edits[-1][1]))[-1]
        if done:
            assert len(edits) >= done[-1] + 1, "what was said to be kept is kept"
        if last["path"][-1] == "heading":
            assert json.dumps(last["new"]) in str(document), "the draft is the outcome of the log"
        ((whole,),) = house.ask("pragma integrity_check")
        assert whole == "ok"


def test_no_live_site_is_half_new_and_nothing_stays_behind(house: House) -> None:
    for turn in range(PUBLISHING):
        done = house.kill_in_the_middle("publish", 0.5)
        number = live_is_whole(house)
        assert not done or number >= done[-1], "what was said to be live is live, or a later one"
        if turn % 20 == 19 or turn == PUBLISHING - 1:
            house.start("sweep", "gone")
            tables = ("hosting_made", "hosting_edition", "sites_site", "sites_edit", "hosting_planned")
            pointed = " ".join(str(house.ask(f"select * from {table}")) for table in tables)
            left = [file.name for file in house.store.rglob("*") if file.is_file() and file.name not in pointed]
            assert left == []


def test_no_picture_that_was_taken_in_is_lost(house: House) -> None:
    for _ in range(UPLOADING):
        done = house.kill_in_the_middle("upload", 0.2)
        ((document,),) = house.ask("select document from sites_site")
        pictures = json.loads(str(document))["pictures"]
        assert all(f"xu{number}" in pictures for number in done), "what was said to be taken in is there"
        for name, picture in pictures.items():
            if name.startswith("xu"):
                data = house.kept(picture["file"])
                assert sha256(data).hexdigest() == picture["file"], "its file is whole"


def test_no_plan_is_carried_out_half_or_twice(house: House) -> None:
    round_takes = house.time_of_a_round("plan")
    for _ in range(PLANNED):
        house.kill_in_the_middle("plan", 2 * round_takes)
        live_is_whole(house)
    documents = [json.loads(str(document)) for (document,) in house.ask("select document from hosting_edition")]
    headings = [heading for heading in map(opening_heading, documents) if heading.startswith("Planned")]
    assert headings, "some were carried out"
    assert len(headings) == len(set(headings)), "none twice"


def live_is_whole(house: House) -> int:
    """The number of the live edition, of which every file is there, whole, and of its document."""
    ((number, manifest, document),) = house.ask(
        "select number, manifest, e.document from hosting_live l join hosting_edition e on e.id = l.edition_id",
    )
    files = {path: (digest, house.kept(digest)) for path, digest in json.loads(str(manifest)).items()}
    for digest, data in files.values():
        assert sha256(data).hexdigest() == digest, "every file is whole"
    heading = opening_heading(json.loads(str(document)))
    assert heading.encode() in files["index.html"][1], "the page is of the same edition as its document"
    return int(str(number))


def opening_heading(document: dict[str, Any]) -> str:
    home = document["pages"][document["order"][0]]
    return str(home["sections"][home["order"][0]]["fields"]["heading"])
