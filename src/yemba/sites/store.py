"""Bytes kept by their hash, through Django's storage API."""

from __future__ import annotations

import os
import tempfile
from hashlib import sha256
from typing import IO, Any

from django.core.files.base import ContentFile
from django.core.files.storage import FileSystemStorage, default_storage


class WholeFileStorage(FileSystemStorage):
    """Files on disk that are there whole or not at all, whenever the machine stops."""

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
    if not default_storage.exists(name):
        default_storage.save(name, ContentFile(data))
    return digest


def load(digest: str) -> bytes:
    """Raises FileNotFoundError."""
    with default_storage.open(_name(digest), "rb") as file:
        return bytes(file.read())


def _name(digest: str) -> str:
    return f"{digest[:2]}/{digest}"
