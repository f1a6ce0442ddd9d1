"""Live pages go on where nothing can be written: neither the database nor the store."""

from __future__ import annotations

import json
import subprocess
import sys
from itertools import takewhile
from pathlib import Path
from tempfile import gettempdir

import pytest
from django.conf import settings

from tests.installation import environment, install_live

ASK = """
import json, os, re, django; django.setup()
from django.db import connections
from urllib.parse import urljoin
from django.test import Client

def asked(mail):
    client = Client(raise_request_exception=False)
    ask = lambda path, host: client.get(path, headers={"host": host}).status_code
    typed = {"name": "A", "email": mail, "password": "tide-row-four"}
    sign_up = client.post("/sign-up/", typed, headers={"host": "localhost"})
    page = client.get("/", headers={"host": "saltmarsh.localhost"})
    (style,) = re.findall(r'href="([^"]+[.]css)"', page.content.decode())
    outcome = {"page": page.status_code, "style": ask(urljoin("/", style), "saltmarsh.localhost")}
    outcome |= {"none": ask("/none/", "saltmarsh.localhost"), "front": ask("/", "localhost")}
    return outcome | {"sign-up": sign_up.status_code, "told": "can be read, but not written" in sign_up.content.decode()}

if os.geteuid() == 0:
    asked("first@b.example")  # reads the modules, which somebody else may not be allowed to
    connections.close_all()
    os.setegid(65534)
    os.seteuid(65534)
print(json.dumps(asked("a@b.example")))
"""


def run(program: str, data: Path) -> str:
    own = {"PYTHONDONTWRITEBYTECODE": "1", "DJANGO_SETTINGS_MODULE": "yemba.config.settings"}
    own |= {"PYTHONPATH": str(settings.ROOT / "src")}
    done = subprocess.run(
        [sys.executable, "-c", program],
        env=environment(data) | own,
        cwd="/",
        capture_output=True,
        text=True,
        timeout=120,
    )
    assert done.returncode == 0, done.stderr[-2000:]
    return done.stdout


@pytest.fixture(scope="module")
def data(tmp_path_factory: pytest.TempPathFactory) -> Path:
    """An installation with one live site, which nobody may write. Who may do all asks as somebody else."""
    place = tmp_path_factory.mktemp("installed") / "data"
    install_live(tmp_path_factory, place)
    for folder in takewhile(lambda folder: folder != Path(gettempdir()), place.parents):
        folder.chmod(0o755)
    for path in place.rglob("*"):
        path.chmod(0o555 if path.is_dir() else 0o444)
    place.chmod(0o555)
    return place


def test_live_pages_are_served_and_writing_is_refused_in_a_sentence(data: Path) -> None:
    outcome = json.loads(run(ASK, data))
    assert outcome == {"page": 200, "style": 200, "none": 404, "front": 200, "sign-up": 503, "told": True}


KEPT = """
import os, django; django.setup()
from django.core.signals import request_finished
from django.db import connection
from yemba.sites.models import Site

if os.geteuid() == 0:
    Site.objects.count()
    connection.close()
    os.seteuid(65534)
Site.objects.count()
request_finished.send(sender=None)
print("closed" if connection.connection is None else "kept")
"""


def test_a_connection_is_kept_for_the_next_request_but_one_that_cannot_write_is_not(data: Path) -> None:
    assert run(KEPT, data) == "closed\n", "it may be written again after"
    data.chmod(0o777)
    (data / "yemba.sqlite3").chmod(0o666)
    assert run(KEPT, data) == "kept\n"
