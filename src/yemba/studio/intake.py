"""Files that were chosen, taken in one after the other."""

from __future__ import annotations

from collections.abc import Callable, Sequence
from typing import Any

from django.core.files.uploadedfile import UploadedFile

from yemba.core.errors import Fault
from yemba.sites import services as sites


def each(files: Sequence[UploadedFile[Any]], take: Callable[[UploadedFile[Any]], sites.Done], none: str) -> sites.Done:
    """Take every file in, each an edit. Those that do are kept; raises Fault beside ``file`` that tells of all that do
    not, or says `none` where none was chosen."""
    if not files:
        raise Fault("no-file", none, "file")
    done: list[sites.Done] = []
    wrong: list[Fault] = []
    for file in files:
        try:
            done.append(take(file))
        except Fault as fault:
            wrong.append(fault)
    if wrong:
        raise Fault(wrong[0].code, " ".join(fault.sentence for fault in wrong), "file")
    return done[-1]._replace(before=done[0].before)
