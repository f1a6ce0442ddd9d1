"""Chapters in several views, of which the address shows one."""

from __future__ import annotations

from collections.abc import Callable, Mapping

from yemba.studio.desks.setting import Context

Views = Mapping[str, tuple[str, Callable[..., Context]]]
"""By slug, the name of each and what it shows."""


def shown_view(views: Views, wanted: str, usual: str = "") -> str:
    """The slug of the view that is shown: the one wanted if there is one, else the usual, else the first."""
    return wanted if wanted in views else usual or next(iter(views))


def tabs(views: Views, current: str) -> Context:
    """What the list of views is drawn from."""
    listed = [{"slug": slug, "name": name, "shown": slug == current} for slug, (name, _) in views.items()]
    return {"views": listed, "show": current}
