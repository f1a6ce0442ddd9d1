"""A sidebar in which nothing stands, or which has room beside the content in no window."""

from __future__ import annotations

from collections.abc import Iterator

from yemba.core.check.finding import Cure, Finding, Inspected
from yemba.core.layout.frame import LEAST_MAIN, NONE
from yemba.core.message import Message
from yemba.core.place import OfSetting
from yemba.core.site.frame import SIDEBAR, frame

NAME = Message("Sidebar")


def find(inspected: Inspected) -> Iterator[Finding]:
    look = inspected.look
    framed = frame(look)
    if framed.side == NONE:
        return
    if not look.document.holder(("shared", SIDEBAR)).order:
        sentence = Message(
            "Nothing stands in the sidebar, and its room stays empty. Add a section to it, or take it away."
        )
        cure = Cure(Message("Take it away"), "set-value", {"key": "sidebar.side", "value": NONE})
        yield Finding(sentence, OfSetting("sidebar.side"), "", cure)
    elif framed.beside_from is None:
        around = Message("a sidebar of {sidebar:g} px and a gap of {gap:g} px", sidebar=framed.sidebar, gap=framed.gap)
        sentence = Message(
            "A page of {width:g} px with {around} leaves less than {least_main} px for the content: the sidebar "
            "stands beside it in no window. Make the page wider.",
            width=framed.width,
            around=around,
            least_main=LEAST_MAIN,
        )
        yield Finding(sentence, OfSetting("frame.width"), "")
