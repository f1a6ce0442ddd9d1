"""Django's SQLite, which goes on reading where folder and file cannot be written.

With write-ahead logging SQLite needs two files beside the database even to read it. Where they are not there and cannot
be made, nobody writes either, and the database is opened as one that does not change: for one request, since it may be
written again after.
"""

from __future__ import annotations

import time
from pathlib import Path
from sqlite3 import Connection, OperationalError
from typing import Any
from urllib.parse import quote

from django.db.backends.sqlite3 import base


class DatabaseWrapper(base.DatabaseWrapper):
    init_commands: list[str]

    def get_new_connection(self, conn_params: dict[str, Any]) -> Connection:
        try:
            return self._opened(conn_params)
        except OperationalError as error:
            path = Path(str(conn_params["database"]))
            if "readonly" not in str(error) or path.with_name(f"{path.name}-wal").exists():
                raise
        self.close_at = time.monotonic()
        commands, self.init_commands = self.init_commands, []  # they would write
        try:
            return self._opened({**conn_params, "database": f"file:{quote(str(path))}?immutable=1", "uri": True})
        finally:
            self.init_commands = commands

    def _opened(self, conn_params: dict[str, Any]) -> Connection:
        connection: Connection = super().get_new_connection(conn_params)
        return connection
