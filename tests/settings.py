"""Settings of the test run: Yemba's own, with a database and a store that are thrown away."""

import os
import tempfile
from pathlib import Path

os.environ.setdefault("YEMBA_SECRET_KEY", "only-for-tests")
os.environ.setdefault("YEMBA_SCHEME", "http")
os.environ.setdefault("YEMBA_DEMO", "1")
_PLACE = Path(tempfile.mkdtemp(prefix="yemba-test-"))
(_PLACE / "static").mkdir()
os.environ["YEMBA_DATA"] = str(_PLACE)

from yemba.config.settings import *  # noqa: E402, F403
from yemba.config.settings import DATABASES, STORAGES  # noqa: E402

DATABASES["default"]["TEST"] = {"NAME": _PLACE / "test.sqlite3"}
STORAGES["staticfiles"] = {"BACKEND": "django.contrib.staticfiles.storage.StaticFilesStorage"}
PASSWORD_HASHERS = ["django.contrib.auth.hashers.MD5PasswordHasher"]
MAKE_AHEAD = False  # a thread of its own would meet the next test's database
