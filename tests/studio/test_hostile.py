"""Files meant to do harm: a clear error each, little memory, nothing left behind."""

from __future__ import annotations

import io
import struct
import subprocess
import sys
import zipfile
import zlib
from pathlib import Path

import pytest
from django.core.files.uploadedfile import SimpleUploadedFile
from django.test import Client
from PIL import Image

from tests.installation import MANAGE, install
from yemba.people.models import Person
from yemba.sites import services as sites
from yemba.sites.models import Site

pytestmark = pytest.mark.django_db
SVG = '<svg xmlns="http://www.w3.org/2000/svg" xmlns:xlink="http://www.w3.org/1999/xlink" viewBox="0 0 9 9">{}</svg>'
ENTITY = '<!DOCTYPE svg [<!ENTITY a "aaaaaaaaaa"><!ENTITY b "&a;&a;&a;&a;&a;&a;&a;&a;">]>'
OUTSIDE = '<!DOCTYPE svg [<!ENTITY x SYSTEM "file:///etc/passwd">]>'
MOST_MEMORY = 100_000_000  # bytes above what stood before, while all of them are looked at


def bomb(side: int = 50_000) -> bytes:
    """A PNG of 50,000 x 50,000 pixels in a few kilobytes: header, some of its data, end."""

    def chunk(name: bytes, data: bytes) -> bytes:
        return struct.pack(">I", len(data)) + name + data + struct.pack(">I", zlib.crc32(name + data))

    header = struct.pack(">IIBBBBB", side, side, 8, 2, 0, 0, 0)
    rows = zlib.compress(bytes(1 + side * 3) * 20)
    return b"\x89PNG\r\n\x1a\n" + chunk(b"IHDR", header) + chunk(b"IDAT", rows) + chunk(b"IEND", b"")


def broken(form: str, keep: float = 0.6) -> bytes:
    out = io.BytesIO()
    Image.effect_noise((300, 200), 90).convert("RGB").save(out, form)
    data = out.getvalue()
    return data[: int(len(data) * keep)]


def archive() -> bytes:
    out = io.BytesIO()
    with zipfile.ZipFile(out, "w") as packed:
        packed.writestr("../../../outside.txt", "x")
    return out.getvalue()


PICTURES = {
    "script.svg": (SVG.format("<script>alert(1)</script>").encode(), "script"),
    "handler.svg": (SVG.format('<path onload="x()" d="M0 0"/>').encode(), "onload"),
    "foreign.svg": (SVG.format("<foreignObject><p/></foreignObject>").encode(), "foreignObject"),
    "entities.svg": ((ENTITY + SVG.format("<text>&b;</text>")).encode(), "a DOCTYPE with entities"),
    "reads-a-file.svg": ((OUTSIDE + SVG.format("<text>&x;</text>")).encode(), "a DOCTYPE with entities"),
    "loads.svg": (SVG.format('<image xlink:href="https://a.example/x.png"/>').encode(), "href"),
    "styled.svg": (SVG.format("<style>@import url(https://a.example/x.css)</style>").encode(), "style"),
    "data-page.svg": (SVG.format('<a href="data:text/html,x"><path/></a>').encode(), "href"),
    "javascript.svg": (SVG.format('<a xlink:href="javascript:x()"><path/></a>').encode(), "href"),
    "huge.png": (bomb(), "million"),
    "renamed.png": (b"MZ\x90\x00" + bytes(4000), "not a picture"),
    "renamed.jpg": (b"\x7fELF" + bytes(4000), "not a picture"),
    "broken.png": (broken("PNG"), "broken"),
    "broken.jpg": (broken("JPEG"), "broken"),
    "broken.webp": (broken("WEBP"), "broken"),
    "archive.png": (archive(), "not a picture"),
    "empty.png": (b"", "empty"),
}


def files(settings: object) -> set[str]:
    return {file.name for file in Path(settings.MEDIA_ROOT).rglob("*") if file.is_file()}  # type: ignore[attr-defined]


@pytest.fixture
def desk(client: Client, ines: Person, site: Site) -> Client:
    client.force_login(ines, backend="django.contrib.auth.backends.ModelBackend")
    return client


@pytest.mark.parametrize("name", PICTURES)
def test_a_picture_that_could_do_harm_is_refused_and_nothing_stays(
    desk: Client, site: Site, settings, name: str
) -> None:
    data, said = PICTURES[name]
    before = files(settings)
    document = Site.objects.get(pk=site.pk).document
    given = {"file": SimpleUploadedFile(name, data), "use": "logo", "chapter": "logo"}
    answer = desk.post("/sites/saltmarsh/upload/", given, headers={"accept": "application/json"})
    assert answer.status_code == 422
    sentence = answer.json()["error"]["sentence"]
    assert f"“{name}”" in sentence
    assert said in sentence
    assert files(settings) == before
    assert Site.objects.get(pk=site.pk).document == document


def test_what_was_posted_names_no_file_of_the_store(desk: Client, site: Site) -> None:
    """A file's hash comes from an upload, never from a form: nobody points at what another has stored."""
    stolen = {"picture": "xp1", "file": "0" * 64, "format": "png", "width": 1, "height": 1, "file_name": "a.png"}
    for command in ("add-picture", "replace-picture", "apply-own-sheet"):
        answer = desk.post(
            "/sites/saltmarsh/edit/", {"command": command, **stolen}, headers={"accept": "application/json"}
        )
        assert answer.json()["error"]["code"] == "no-such-command"
    assert sites.document(Site.objects.get(pk=site.pk)).pictures == {}


@pytest.mark.parametrize("posted", ["", "[]", "{", '{"x": 1}', '{"x": {"targets": 3}}', "x" * 1_000_000, "[" * 100_000])
def test_a_measuring_that_is_none_is_refused(desk: Client, posted: str) -> None:
    assert desk.post("/sites/saltmarsh/measured/", {"measured": posted}).status_code in (400, 422)


MEMORY = """
import re, sys
sys.path[:0] = {paths!r}
import yemba.core.picture.intake as intake
from yemba.core.errors import Fault
from tests.studio.test_hostile import PICTURES
def memory(what):
    return int(re.search(what + ":[ \\t]+([0-9]+)", open("/proc/self/status").read())[1]) * 1024
open("/proc/self/clear_refs", "w").write("5")  # the peak so far, which making the samples took, is forgotten
began = memory("VmRSS")
for name, (data, _) in PICTURES.items():
    try:
        intake.clean_picture(data, name)
    except Fault:
        continue
    raise SystemExit(name)
print(memory("VmHWM") - began)
"""


def test_all_of_them_together_take_little_memory() -> None:
    root = Path(__file__).parents[2]
    begin = "import os; os.environ['DJANGO_SETTINGS_MODULE'] = 'tests.settings'\nimport django; django.setup()\n"
    script = MEMORY.format(paths=[str(root), str(root / "src")]).replace("import re, sys\n", "", 1)
    script = script.replace("import yemba", begin + "import yemba", 1)
    run = subprocess.run(
        [sys.executable, "-c", "import re, sys\n" + script], capture_output=True, text=True, check=False, cwd=root
    )
    assert run.returncode == 0, run.stderr
    assert int(run.stdout) < MOST_MEMORY


def test_deploy_checks_are_clean_with_the_settings_of_the_readme(
    tmp_path: Path, tmp_path_factory: pytest.TempPathFactory
) -> None:
    told = {
        "YEMBA_SECRET_KEY": "k3Jw-9qLr_2vXz8YtBn5MdHs7PfGa4Ec1UoWi6VyKjQxZbTlRg",
        "YEMBA_STUDIO_HOST": "studio.example",
        "YEMBA_SITES_DOMAIN": "sites.example",
        "YEMBA_DATA": str(tmp_path),
        "PATH": "/usr/bin:/bin",
    }

    def check() -> subprocess.CompletedProcess[str]:
        command = [*MANAGE, "check", "--deploy", "--fail-level", "WARNING"]
        return subprocess.run(command, env=told, capture_output=True, text=True, check=False)

    before = check().stderr
    assert "manage.py migrate" in before
    assert "manage.py collectstatic" in before
    install(tmp_path_factory, tmp_path)
    tmp_path.chmod(0o700)
    run = check()
    assert run.returncode == 0, run.stderr
    assert "no issues" in run.stdout
