"""Bytes kept by their hash, through Django's storage API."""

from __future__ import annotations

import os
import tempfile
from datetime import datetime
from hashlib import sha256
from typing import IO, Any

from django.core.files.base import ContentFile
from django.core.files.storage import FileSystemStorage, default_storage


class WholeFileStorage(FileSystemStorage):
    """Files on disk that are there whole or not at all, whenever the machine stops.

    One that is used again is as good as new (`renew`), and `delete_old` takes none away that is renewed meanwhile.
    """

    def renew(self, name: str) -> bool:
        """Count a file as written now; False where it is not there."""
        try:
            os.utime(self.path(name))
        except FileNotFoundError:
            return False
        return True

    def delete_old(self, name: str, written_before: float) -> bool:
        """Whether a file last written before then (seconds since 1970) was there and is deleted."""
        aside = self.path(f"{name}.aside")
        os.replace(self.path(name), aside)  # whoever uses it from here on writes it anew
        if os.stat(aside).st_mtime >= written_before:
            os.replace(aside, self.path(name))
            return False
        os.unlink(aside)
        return True

    def _save(self, name: str, content: IO[Any]) -> str:
        target = self.path(name)
        os.makedirs(os.path.dirname(target), exist_ok=True)
        handle, part = tempfile.mkstemp(dir=os.path.dirname(target), prefix=".part-")
        try:
            with os.fdopen(handle, "wb") as file:
                file.write(content.read())
                file.flush()
                os.fsync(file.fileno())
            os.replace(part, target)
        except BaseException:
            os.unlink(part)
            raise
        return name


def keep(data: bytes) -> str:
    """Keep these bytes; the answer is their SHA-256, by which they are found again."""
    digest = sha256(data).hexdigest()
    name = _name(digest)
    disk = _disk()
    renewed = disk.renew(name) if disk else default_storage.exists(name)
    if not renewed:
        default_storage.save(name, ContentFile(data))
    return digest


def load(digest: str) -> bytes:
    """Raises FileNotFoundError."""
    with default_storage.open(_name(digest), "rb") as file:
        return bytes(file.read())


def is_there(digest: str) -> bool:
    """Whether anything is kept under this hash."""
    return bool(default_storage.exists(_name(digest)))


def size(digest: str) -> int:
    """Bytes of what is kept under this hash; 0 where nothing is."""
    try:
        return int(default_storage.size(_name(digest)))
    except FileNotFoundError:
        return 0


def delete_old(name: str, written_before: datetime) -> bool:
    """Delete a file of the store if it was neither written nor used again since then; whether it is gone."""
    disk = _disk()
    if disk:
        return disk.delete_old(name, written_before.timestamp())
    if default_storage.get_modified_time(name) >= written_before:
        return False
    default_storage.delete(name)
    return True


def _disk() -> WholeFileStorage | None:
    return default_storage if isinstance(default_storage, WholeFileStorage) else None


def _name(digest: str) -> str:
    return f"{digest[:2]}/{digest}"
